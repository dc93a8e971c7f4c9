<?php

declare(strict_types=1);

namespace MintDoor\Groups;

/** A wish as it was said, and what the core makes of it. */
final readonly class AskedWish
{
    /**
     * @param int                  $from   number of its first wish of the core
     * @param list<string>         $names  what each of them is about, where it counts people: one for each
     * @param array<string, float> $values of each person, where groups are to be even
     * @param int                  $count  how many wishes of the core it is
     */
    public function __construct(
        public WishRequest $wish,
        public int $from,
        public int $count,
        public array $names = [],
        public array $values = [],
    ) {}

    /** @return list<int> numbers of its wishes of the core */
    public function numbers(): array
    {
        return 0 === $this->count ? [] : range($this->from, $this->from + $this->count - 1);
    }
}
