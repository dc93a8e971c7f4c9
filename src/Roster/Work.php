<?php

declare(strict_types=1);

namespace MintDoor\Roster;

/** How far somebody is with the items of a site. */
final readonly class Work
{
    /**
     * @param list<array{done: bool, mark: ?int}> $items in the site's order; a mark goes from 0 to 100, null where
     *     there is none
     */
    public function __construct(public array $items) {}

    public function done(): int
    {
        return array_sum(array_map(intval(...), array_column($this->items, 'done')));
    }

    /** The mean of the marks there are, rounded; null without any. */
    public function mean(): ?int
    {
        $marks = array_filter(array_column($this->items, 'mark'), is_int(...));

        return [] === $marks ? null : (int) round(array_sum($marks) / \count($marks));
    }
}
