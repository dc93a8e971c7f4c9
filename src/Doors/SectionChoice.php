<?php

declare(strict_types=1);

namespace MintDoor\Doors;

/** A section that may be chosen at a door. */
final readonly class SectionChoice
{
    public function __construct(
        public string $id,
        public string $name,
        public string $meets,
    ) {}
}
