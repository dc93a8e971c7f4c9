<?php

declare(strict_types=1);

namespace MintDoor\Cohorts;

use MintDoor\Cohorts\Entity\CohortLink;
use MintDoor\Cohorts\Repository\CohortLinks;
use MintDoor\Roster\DoorLead;
use MintDoor\Roster\LeadsAlong;
use MintDoor\Roster\Repository\Sections;

/** Connections go along with their doors. */
final readonly class LinksLeadAlong implements LeadsAlong
{
    public function __construct(private CohortLinks $links, private Sections $sections) {}

    public function leads(array $doors): array
    {
        $leads = [];
        foreach ($this->links->ofDoors($doors) as $link) {
            $leads[$link->door->id] = new DoorLead($link->section?->id, $link->spread);
        }

        return $leads;
    }

    public function into(string $section): array
    {
        return array_map(static fn(CohortLink $link): string => $link->cohort->name, $this->links->intoSection($section));
    }

    public function lead(array $sections): void
    {
        foreach ($this->links->ofDoors(array_map(strval(...), array_keys($sections))) as $link) {
            $section = $sections[$link->door->id];
            $link->section = null === $section ? null : $this->sections->ofSite($link->site()->id, $section);
            $link->spread = $link->spread && null === $section;
            ++$link->version;
        }
        $this->links->flush();
    }
}
