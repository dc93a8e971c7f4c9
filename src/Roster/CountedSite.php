<?php

declare(strict_types=1);

namespace MintDoor\Roster;

/** A site that was counted anew. */
final readonly class CountedSite
{
    /**
     * @param array<string, int> $numbers by column of the counts
     * @param string             $until   until when they hold; as the database has it
     */
    public function __construct(public array $numbers, public string $until) {}
}
