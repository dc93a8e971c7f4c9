<?php

declare(strict_types=1);

namespace MintDoor\Cohorts;

use MintDoor\Cohorts\Entity\CohortLink;
use MintDoor\Cohorts\Repository\CohortLinks;
use MintDoor\Core\Cohorts\Source;
use MintDoor\Roster\DoorLead;
use MintDoor\Roster\LeadsAlong;
use MintDoor\Roster\Repository\Sections;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\Said;

/** Connections go along with their doors. */
final readonly class LinksLeadAlong implements LeadsAlong
{
    public function __construct(private CohortLinks $links, private Sections $sections, private CohortBook $book) {}

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
        return array_map(
            static fn(CohortLink $link): string => $link->cohort->name,
            $this->links->intoSection($section)
        );
    }

    public function lead(array $sections): void
    {
        $moved = $this->links->ofDoors(array_map(strval(...), array_keys($sections)));
        foreach ($moved as $link) {
            $section = $sections[$link->door->id];
            $link->section = null === $section ? null : $this->sections->ofSite($link->site()->id, $section);
            $link->spread = $link->spread && null === $section;
            ++$link->version;
        }
        $this->links->flush();
        $ring = array_map(static fn(Source $source): string => $source->key(), $this->book->web()->circle());
        foreach ($moved as $link) {
            if (\in_array(Source::cohort($link->cohort->id)->key(), $ring, true)) {
                throw new Problem(ProblemType::NotReady, Said::with('cohorts.circle-there', name: $link->cohort->name));
            }
        }
    }
}
