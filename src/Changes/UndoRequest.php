<?php

declare(strict_types=1);

namespace MintDoor\Changes;

/** Taking a whole sheet back: computed only, or applied. */
final readonly class UndoRequest
{
    public function __construct(public bool $apply, public ?int $removing = null) {}
}
