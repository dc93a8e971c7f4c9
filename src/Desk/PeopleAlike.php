<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\People\DirectoryFilter;

/** How many people of the directory are of a kind, a division and a level. */
final readonly class PeopleAlike
{
    /** @param string $division code */
    public function __construct(
        public string $kind,
        public string $division,
        public ?int $level,
        public int $people,
        public ?string $ownKind = null,
    ) {}

    public function fit(DirectoryFilter $filter): bool
    {
        return \in_array($filter->kind, ['', $this->kind, $this->ownKind], true)
            && \in_array($filter->division, ['', $this->division], true)
            && ('' === $filter->level || (int) $filter->level === $this->level);
    }
}
