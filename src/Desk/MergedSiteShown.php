<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Sites\SiteName;

/** A site that becomes part of another one, member `sites` of schema `SiteMerge`. */
final readonly class MergedSiteShown
{
    /**
     * @param int          $people   who are here
     * @param int          $both     of them, who are in another of the sites, too
     * @param list<string> $sections names of the sections that its people come into
     * @param list<string> $doors    names of the doors that go along
     */
    public function __construct(
        public SiteName $site,
        public int $people,
        public int $both,
        public array $sections,
        public array $doors,
    ) {}
}
