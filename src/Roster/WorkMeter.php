<?php

declare(strict_types=1);

namespace MintDoor\Roster;

/** Where it is known what learners have done in a site: the learning platform behind the door. */
interface WorkMeter
{
    /** @return list<string> titles of the site's items, in order */
    public function items(string $siteId): array;

    /**
     * @param int  $since    when the person came into the site
     * @param ?int $lastSeen when they were last there; null for never
     */
    public function of(string $siteId, string $personId, int $since, ?int $lastSeen): Work;

    /** How many items are done; the same as `of()` says, for lists of many people. */
    public function done(string $siteId, string $personId, int $since, ?int $lastSeen): int;
}
