<?php

declare(strict_types=1);

namespace MintDoor\Changes;

/** Taking a whole change list back: computed only, or applied. */
final readonly class UndoRequest
{
    public function __construct(public bool $apply, public ?int $removing = null) {}
}
