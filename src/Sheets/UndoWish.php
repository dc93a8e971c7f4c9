<?php

declare(strict_types=1);

namespace MintDoor\Sheets;

/** Taking a whole sheet back: computed only, or applied. */
final readonly class UndoWish
{
    public function __construct(public bool $apply, public ?int $removing = null) {}
}
