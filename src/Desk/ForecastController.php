<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Core\Roles\Permission;
use MintDoor\Desk\Repository\ForecastRows;
use MintDoor\Platform\PlatformSettings;
use MintDoor\Platform\Repository\Divisions;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Gate;
use MintDoor\Roster\PersonGate;
use MintDoor\Roster\Repository\Standings;
use MintDoor\Roster\Sights;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Expensive;
use MintDoor\Shared\Fragment;
use MintDoor\Shared\Id;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Row;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** What will happen by itself: in a site, in the sites of a division, to a person. */
final readonly class ForecastController
{
    public function __construct(
        private ForecastQuery $query,
        private Gate $gate,
        private PersonGate $people,
        private Sights $sights,
        private Standings $standings,
        private Divisions $divisions,
        private PlatformSettings $settings,
        private Roles $roles,
        private PlatformClock $clock,
    ) {}

    #[Expensive]
    #[Route(
        '/sites/{site}/forecast',
        name: 'site_forecast',
        requirements: ['site' => Id::PATTERN],
        methods: ['GET']
    )]
    public function ofSite(string $site, #[CurrentUser] Caller $caller): Response
    {
        $access = $this->gate->at($site, $caller)->require(Permission::SeeUnlisted, 'shared.not-see-site');
        $own = ForecastRows::ofSite($site);
        $seen = $this->sights->condition($access);

        return new Answer($this->query->of(new ForecastScope(
            new Fragment("$own->sql AND $seen->sql", [...$own->values, ...$seen->values]),
            $own,
            $access->may(Permission::KeepDoors) ? ForecastRows::connectedTo($site) : null,
            $access->site->division,
            $access->may(Permission::KeepDoors) && null === $access->standing->sections,
            $access->zone(),
        )));
    }

    #[Expensive]
    #[Route('/divisions/{division}/forecast', name: 'division_forecast', methods: ['GET'])]
    public function ofDivision(string $division, #[CurrentUser] Caller $caller): Response
    {
        $found = $this->divisions->withCode($division);
        if (null === $found || !$caller->administers($division)) {
            throw Problem::notFound('division');
        }
        $below = $this->settings->read()->divisions->reach([$division]);

        return new Answer($this->query->of(new ForecastScope(
            ForecastRows::ofDivisions('s', $below),
            ForecastRows::ofDivisions('s', $below),
            ForecastRows::ofDivisions('c', $below),
            $division,
            true,
            new \DateTimeZone($found->timeZone),
        )));
    }

    #[Expensive]
    #[Route(
        '/people/{person}/forecast',
        name: 'person_forecast',
        requirements: ['person' => Id::PATTERN],
        methods: ['GET']
    )]
    public function ofPerson(string $person, #[CurrentUser] Caller $caller): Response
    {
        if ($person !== $caller->id) {
            $this->people->at($person, $caller);
        }
        $sites = array_values(array_unique(array_map(
            static fn(Row $row): string => $row->id('id'),
            array_filter($this->standings->everywhere(
                $person,
                $caller->id,
                $this->roles->letting($caller, Permission::LetIn),
                $this->roles->book(),
                $this->clock->instant(),
            ), fn(Row $row): bool => $person === $caller->id || $this->seesThere($row, $person, $caller)),
        )));

        return new Answer($this->query->of(new ForecastScope(
            ForecastRows::ofPerson($person, $sites),
            null,
            null,
            null,
            false,
            new \DateTimeZone('UTC'),
        )));
    }

    /** Whether the caller sees somebody in a site. */
    private function seesThere(Row $row, string $person, Caller $caller): bool
    {
        $access = $this->gate->ifThere($row->id('id'), $caller);

        return null !== $access
            && $access->may(Permission::SeeUnlisted)
            && (null === $access->standing->sections || $this->sights->seesRow($access, $row));
    }
}
