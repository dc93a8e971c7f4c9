<?php

declare(strict_types=1);

namespace MintDoor\Items;

/** Schema `Leak`. */
final readonly class LeakShown
{
    /** @param ?string $at instant */
    public function __construct(
        public string $code,
        public ?string $item,
        public ?string $other,
        public ?string $section,
        public int $people,
        public ?string $at,
    ) {}
}
