<?php

declare(strict_types=1);

namespace MintDoor\Roster;

use Symfony\Component\DependencyInjection\Attribute\AutoconfigureTag;

/** Keeps seats of a site free for somebody who is not in it yet. */
#[AutoconfigureTag]
interface KeepsSeats
{
    /**
     * @param list<string> $people     ids of those who do not count: what is kept for them is for them
     * @param ?string      $invitation id of one that does not count: it is being answered
     *
     * @return array<string, int> how many seats are kept for others, by id of the section they will come into; by
     *                            nothing where none is known
     */
    public function kept(string $site, array $people, ?string $invitation, int $now): array;
}
