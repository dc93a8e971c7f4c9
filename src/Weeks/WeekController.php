<?php

declare(strict_types=1);

namespace MintDoor\Weeks;

use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Weeks\Meeting;
use MintDoor\Core\Weeks\Place;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Gate;
use MintDoor\Roster\PersonGate;
use MintDoor\Roster\Repository\Standings;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Expensive;
use MintDoor\Shared\FromQuery;
use MintDoor\Shared\Id;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
use MintDoor\Weeks\Entity\Hours;
use MintDoor\Weeks\Repository\StoredHours;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** The week of a site, of oneself, of somebody else, and of a room. */
final readonly class WeekController
{
    private const MOST_ROOMS = 2_000;

    public function __construct(
        private Gate $gate,
        private PersonGate $people,
        private Standings $standings,
        private Roles $roles,
        private Meetings $meetings,
        private StoredHours $stored,
        private WeekQuery $weeks,
        private PlatformClock $clock,
    ) {}

    /** Of staff who are kept to some sections those, and what the whole site has. */
    #[Route('/sites/{site}/week', name: 'site_week', requirements: ['site' => Id::PATTERN], methods: ['GET'])]
    public function ofSite(string $site, #[CurrentUser] Caller $caller, #[FromQuery] WeekAsked $asked): Response
    {
        $access = $this->gate->at($site, $caller)->require(Permission::SeeUnlisted, 'weeks.only-staff-hours');
        $zone = $access->zone();
        $own = $access->standing->sections;
        $meetings = array_filter(
            $this->meetings->ofSites([$site], $this->weeks->from($asked, $zone))[$site] ?? [],
            static fn(Meeting $meeting): bool => null === $own
                || null === $meeting->section
                || \in_array($meeting->section, $own, true),
        );

        return new Answer(
            $this->weeks->of($asked, $zone, array_values($meetings), $access->site->division, walks: false),
        );
    }

    #[Route('/me/week', name: 'own_week', methods: ['GET'])]
    public function own(#[CurrentUser] Caller $caller, #[FromQuery] WeekAsked $asked): Response
    {
        return new Answer($this->ofPerson($caller->id, $caller->division, $asked, null));
    }

    /** Whoever does not look after them sees which of their sites it is only of those they run themselves. */
    #[Route('/people/{person}/week', name: 'person_week', requirements: ['person' => Id::PATTERN], methods: ['GET'])]
    public function ofOther(string $person, #[CurrentUser] Caller $caller, #[FromQuery] WeekAsked $asked): Response
    {
        $one = $this->people->at($person, $caller);
        $seen = $one->care->allowed() || $person === $caller->id ? null : $this->runs($person, $caller);

        return new Answer($this->ofPerson($person, $one->row->string('person_division'), $asked, $seen));
    }

    #[Expensive]
    #[Route('/rooms', name: 'rooms', methods: ['GET'])]
    public function rooms(#[CurrentUser] Caller $caller): Response
    {
        $this->assertStaff($caller);
        $rooms = array_map(
            static function (Hours $hours): array {
                $place = HoursCodec::of($hours)->place;

                return ['room' => $place->room, 'building' => $place->building];
            },
            $this->stored->rooms($this->clock->instant(), self::MOST_ROOMS),
        );

        return new Answer(new RoomsAnswer($rooms));
    }

    /** Which sites meet there is said of those in which one is, or that one administers. */
    #[Route('/rooms/week', name: 'room_week', methods: ['GET'])]
    public function ofRoom(#[CurrentUser] Caller $caller, #[FromQuery] WeekAsked $asked): Response
    {
        $this->assertStaff($caller);
        $zone = $this->weeks->zone($asked->zone);
        $from = $this->weeks->from($asked, $zone);
        $key = (new Place($asked->room, $asked->building))->key();
        if ('' === $key) {
            throw Problem::field('/room', 'no-room', 'weeks.say-room');
        }
        $meetings = $seen = [];
        foreach ($this->stored->inRoom($key, $from, Time::FOREVER) as $hours) {
            array_push($meetings, ...array_filter(
                $this->meetings->held($hours, $from),
                static fn(Meeting $meeting): bool => $meeting->place->key() === $key,
            ));
            $site = $hours->site->id;
            $seen[$site] ??= $caller->administers($hours->site->division->code)
                || null !== $this->gate->ifThere($site, $caller);
        }

        return new Answer(
            $this->weeks->of($asked, $zone, $meetings, $caller->division, array_filter($seen), false),
        );
    }

    /** @param ?array<string, mixed> $seen */
    private function ofPerson(string $person, string $division, WeekAsked $asked, ?array $seen): WeekAnswer
    {
        $zone = $this->weeks->zone($asked->zone);
        $meetings = $this->meetings->ofPeople([$person], $this->weeks->from($asked, $zone))[$person] ?? [];

        return $this->weeks->of($asked, $zone, $meetings, $division, $seen);
    }

    /** @return array<string, true> sites of somebody that the caller runs or administers, by id */
    private function runs(string $person, Caller $caller): array
    {
        $runs = [];
        $rows = $this->standings->everywhere(
            $person,
            $caller->id,
            $this->roles->letting($caller, Permission::LetIn),
            $this->roles->book(),
            $this->clock->instant(),
        );
        foreach ($rows as $row) {
            if ($row->bool('runs') || $caller->administers($row->string('division_code'))) {
                $runs[$row->id('id')] = true;
            }
        }

        return $runs;
    }

    private function assertStaff(Caller $caller): void
    {
        if ('staff' !== $caller->kind && !$caller->isAdministrator()) {
            throw Problem::notAllowed('weeks.only-staff-rooms');
        }
    }
}
