<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Roster\Access;
use MintDoor\Core\Roster\Alike;
use MintDoor\Core\Roster\FirstDayCheck;
use MintDoor\Core\Roster\FirstDayGroup;
use MintDoor\Core\Roster\Sight;
use MintDoor\Core\Roster\Timeline;
use MintDoor\Core\Time\NotADay;
use MintDoor\Core\Time\Time;
use MintDoor\Desk\Repository\FirstDay;
use MintDoor\Desk\Repository\SiteList;
use MintDoor\People\PersonRow;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Gate;
use MintDoor\Roster\ReasonJson;
use MintDoor\Roster\Repository\Seen;
use MintDoor\Roster\SegmentRow;
use MintDoor\Roster\Sights;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Expensive;
use MintDoor\Shared\FromQuery;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
use MintDoor\Sites\SiteRow;
use MintDoor\Weeks\Meetings;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/**
 * The first day checked: who could enter a site at an instant, and who could not, grouped by what would have to be
 * fixed.
 */
final readonly class FirstDayCheckController
{
    public function __construct(
        private FirstDay $firstDay,
        private SiteList $sites,
        private Gate $gate,
        private Roles $roles,
        private ReasonJson $reasons,
        private PlatformClock $clock,
        private Sights $sights,
        private Meetings $meetings,
    ) {}

    #[Expensive]
    #[Route(
        '/sites/{site}/first-day-check',
        name: 'first_day_check',
        requirements: ['site' => Id::PATTERN],
        methods: ['GET']
    )]
    public function checkFirstDay(
        string $site,
        #[CurrentUser] Caller $caller,
        #[FromQuery] FirstDayAsked $asked,
    ): Response {
        $access = $this->gate
            ->at($site, $caller)
            ->require(Permission::LetIn, 'desk.only-those-let-people');
        $instants = null === $asked->day
            ? $this->firstMeetings($access)
            : ['' => $this->instant(new Moment($asked->day, $asked->time), $access->zone())];
        $names = [];
        $firstDayCheck = null;
        foreach (array_unique($instants) as $at) {
            $people = $this->firstDay->people([$site => $at], $this->sights->condition($access));
            $theirs = array_filter(
                $people->alike[$site] ?? [],
                static fn(Alike $alike): bool => self::instantOf($alike, $at, $instants) === $at,
            );
            $some = FirstDayCheck::at($at, $access->site, $this->roles->book(), $theirs);
            $firstDayCheck = $firstDayCheck?->and($some) ?? $some;
            $names += $people->names;
        }
        $groups = [];
        foreach ($firstDayCheck->groups as $group) {
            $found = array_map(
                static fn(string $id): array => ['id' => $id, 'name' => $names[$id]],
                $group->people,
            );
            usort(
                $found,
                static fn(array $a, array $b): int => [mb_strtolower($a['name']), $a['id']] <=> [
                    mb_strtolower($b['name']),
                    $b['id'],
                ],
            );
            $groups[] = [
                'reason' => $this->reasons->forStaff($group->reason, $access->standing),
                'people' => $found,
            ];
        }

        $first = min($instants);

        return new Answer([
            'at' => Instant::toJson($first),
            'enter' => $firstDayCheck->enter,
            'look' => $firstDayCheck->look,
            'groups' => $groups,
        ]);
    }

    /**
     * When each section meets next; those of none with the site as a whole, or with whoever is first.
     *
     * @return non-empty-array<string, int> instants by id of the section, of those in none by nothing
     *
     * @throws Problem of type `Invalid` where nothing meets any more
     */
    private function firstMeetings(SiteAccess $access): array
    {
        $next = $this->meetings->next($access->site->id, $access->now);
        if ([] === $next) {
            throw Problem::field('/day', 'no-meeting', 'desk.choose-day-no-meeting');
        }
        $whole = $next[''] ?? Time::FOREVER;
        $instants = ['' => $next[''] ?? min($next)];
        foreach (array_keys($access->site->sections) as $section) {
            $own = min($next[$section] ?? Time::FOREVER, $whole);
            $instants[$section] = Time::FOREVER === $own ? $instants[''] : $own;
        }

        return $instants;
    }

    /**
     * As of when people are looked at: their own next meeting, by the sections they are in at an instant.
     *
     * @param non-empty-array<string, int> $instants by section
     */
    private static function instantOf(Alike $alike, int $at, array $instants): int
    {
        $own = array_intersect_key($instants, array_flip($alike->timeline->at($at)->sections ?? []));

        return [] === $own ? $instants[''] : min($own);
    }

    /** All sites the caller lets people into, each at that moment of its own zone; those with trouble first. */
    #[Expensive]
    #[Route('/first-day-check', name: 'first_day_checks', methods: ['GET'])]
    public function checkAllFirstDays(#[CurrentUser] Caller $caller, #[FromQuery] Moment $moment): Response
    {
        $now = $this->clock->instant();
        $book = $this->roles->book();
        $rows = $instants = [];
        foreach ($this->sites->runBy($caller->id, $this->roles->letting($caller, Permission::LetIn), $now) as $row) {
            $rows[$row->id('id')] = $row;
            $instants[$row->id('id')] = $this->instant($moment, new \DateTimeZone($row->string('time_zone')));
        }
        $alike = $this->firstDay->people($instants)->alike;
        $sites = [];
        foreach ($rows as $id => $row) {
            $standing = (new Access($book))->standing(
                new Timeline([SegmentRow::segment($row)]),
                PersonRow::caller($caller),
                $now,
                $caller->administers($row->string('division_code')),
                SiteRow::site($row),
            );
            $own = null === $standing->sections
                ? $alike[$id] ?? []
                : $this->firstDay->people(
                    [$id => $instants[$id]],
                    Seen::of(Sight::of($standing), $book)
                )->alike[$id] ?? [];
            $firstDayCheck = FirstDayCheck::at($instants[$id], SiteRow::site($row), $book, $own);
            $sites[] = [
                'site' => ['id' => $id, 'name' => $row->string('title')],
                'at' => Instant::toJson($instants[$id]),
                'enter' => $firstDayCheck->enter,
                'look' => $firstDayCheck->look,
                'groups' => array_values(
                    array_map(
                        fn(FirstDayGroup $group): array => [
                            'reason' => $this->reasons->forStaff($group->reason, $standing),
                            'people' => \count($group->people),
                        ],
                        $firstDayCheck->groups,
                    ),
                ),
            ];
        }
        usort(
            $sites,
            static fn(array $a, array $b): int => array_sum(array_column($b['groups'], 'people'))
                <=> array_sum(array_column($a['groups'], 'people')),
        );

        return new Answer(['sites' => $sites]);
    }

    private function instant(Moment $moment, \DateTimeZone $zone): int
    {
        try {
            return Time::atTime($moment->day, $moment->time, $zone);
        } catch (NotADay) {
            throw Problem::field('/day', 'day', 'shared.choose-day-between-years');
        }
    }
}
