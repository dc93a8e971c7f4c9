<?php

declare(strict_types=1);

namespace MintDoor\Sheets;

/** Taking a whole sheet back: computed only, or applied. */
final readonly class UndoWish
{
    public function __construct(
        public bool $apply = true,
        public ?int $removing = null,
    ) {
    }
}
