<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use MintDoor\Core\People\Person;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Roster\Access;
use MintDoor\Core\Roster\FirstDayCheck;
use MintDoor\Core\Roster\Timeline;
use MintDoor\Core\Time\NotADay;
use MintDoor\Core\Time\Time;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Gate;
use MintDoor\Roster\ReasonJson;
use MintDoor\Roster\SegmentRow;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Dear;
use MintDoor\Shared\FromQuery;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Row;
use MintDoor\Sites\SiteRow;
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
        private Connection $db,
        private Gate $gate,
        private Roles $roles,
        private ReasonJson $reasons,
        private PlatformClock $clock,
    ) {}

    #[Dear]
    #[Route(
        '/sites/{site}/first-day-check',
        name: 'first_day_check',
        requirements: ['site' => Id::PATTERN],
        methods: ['GET']
    )]
    public function checkFirstDay(string $site, #[CurrentUser] Caller $caller, #[FromQuery] Moment $moment): Response
    {
        $access = $this->gate
            ->at($site, $caller)
            ->require(Permission::LetIn, 'Only those who let people into this site check its first day.');
        $at = $this->instant($moment, $access->zone());
        [$alike, $names] = $this->people([$site => $at]);
        $firstDayCheck = FirstDayCheck::at($at, $access->site, $this->roles->book(), $alike[$site] ?? []);
        $groups = [];
        foreach ($firstDayCheck->groups as [$reason, $ids]) {
            $found = array_map(static fn(string $id): array => ['id' => $id, 'name' => $names[$id]], $ids);
            usort(
                $found,
                static fn(array $a, array $b): int => [mb_strtolower($a['name']), $a['id']] <=> [
                    mb_strtolower($b['name']),
                    $b['id'],
                ],
            );
            $groups[] = ['reason' => $this->reasons->forStaff($reason, $access->standing), 'people' => $found];
        }

        return new Answer([
            'at' => Instant::toJson($at),
            'enter' => $firstDayCheck->enter,
            'look' => $firstDayCheck->look,
            'groups' => $groups,
        ]);
    }

    /** All sites the caller lets people into, each at that moment of its own zone; those with trouble first. */
    #[Dear]
    #[Route('/first-day-check', name: 'first_day_checks', methods: ['GET'])]
    public function checkAllFirstDays(#[CurrentUser] Caller $caller, #[FromQuery] Moment $moment): Response
    {
        $now = $this->clock->instant();
        $book = $this->roles->book();
        $rows = $instants = [];
        foreach (
            Row::all(
                $this->db->fetchAllAssociative(
                    'SELECT '
                        .SiteRow::COLUMNS
                        .', g.state, g.roles, g.from_at, g.until_at, g.since_at, g.holds_seat '
                        .'FROM enrollment_segment g JOIN '
                        .SiteRow::TABLES
                        .'
             WHERE g.person_id = ? AND g.from_at <= ? AND g.until_at > ? AND g.state = \'current\' AND g.role IN (?)
                AND s.id = g.site_id
             ORDER BY s.title, s.id',
                    [
                        Id::binary($caller->id),
                        Instant::toSql($now),
                        Instant::toSql($now),
                        $book->holdersOf(Permission::LetIn),
                    ],
                    [3 => ArrayParameterType::STRING],
                ),
            ) as $row
        ) {
            $rows[$row->id('id')] = $row;
            $instants[$row->id('id')] = $this->instant($moment, new \DateTimeZone($row->string('time_zone')));
        }
        [$alike] = $this->people($instants);
        $sites = [];
        foreach ($rows as $id => $row) {
            $firstDayCheck = FirstDayCheck::at($instants[$id], SiteRow::site($row), $book, $alike[$id] ?? []);
            $standing = (new Access($book))->standing(
                new Timeline([SegmentRow::segment($row)]),
                Gate::person($caller),
                $now,
                $caller->administers($row->string('division_code')),
                SiteRow::site($row),
            );
            $sites[] = [
                'site' => ['id' => $id, 'name' => $row->string('title')],
                'at' => Instant::toJson($instants[$id]),
                'enter' => $firstDayCheck->enter,
                'look' => $firstDayCheck->look,
                'groups' => array_values(
                    array_map(
                        fn(array $group): array => [
                            'reason' => $this->reasons->forStaff($group[0], $standing),
                            'people' => \count($group[1]),
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
            throw Problem::field('/day', 'day', 'Choose a day between the years 1900 and 2999.');
        }
    }

    /**
     * People of sites at an instant each, those put together who differ in nothing the answer depends on: most of a
     * site are alike, and are looked at once.
     *
     * @param array<string, int> $instants by site
     *
     * @return array{array<string, list<array{Person, Timeline, non-empty-list<string>}>>, array<string, string>} by
     *     site, and names by person
     */
    private function people(array $instants): array
    {
        if ([] === $instants) {
            return [[], []];
        }
        $divisions = $names = $ids = $first = [];
        foreach (Row::all($this->db->fetchAllAssociative('SELECT id, code FROM division')) as $row) {
            $divisions[$row->id('id')] = $row->string('code');
        }
        $where = $parameters = $types = [];
        foreach (array_unique($instants) as $at) {
            $where[] = '(g.site_id IN (?) AND g.from_at <= ? AND g.until_at > ?)';
            $types[\count($parameters)] = ArrayParameterType::BINARY;
            array_push(
                $parameters,
                array_map(Id::binary(...), array_keys($instants, $at, true)),
                Instant::toSql($at),
                Instant::toSql($at),
            );
        }
        foreach (
            $this->db->iterateNumeric(
                'SELECT g.person_id, g.sort_name, g.site_id, g.state, g.roles, g.from_at, g.until_at, p.kind, p.level, '
                    .'p.division_id, a.closed_from FROM enrollment_segment g STRAIGHT_JOIN person p ON p.id = '
                    .'g.person_id LEFT JOIN account a ON a.person_id = g.person_id WHERE '.implode(' OR ', $where),
                $parameters,
                $types,
            ) as $columns
        ) {
            /** @var list<string|int|null> $columns */
            $key = implode("\0", \array_slice($columns, 2));
            $id = Id::text((string) $columns[0]);
            $names[$id] = (string) $columns[1];
            $ids[$key][] = $id;
            $first[$key] ??= $columns;
        }
        $alike = [];
        foreach ($first as $key => $columns) {
            $row = new Row(
                array_combine(
                    [
                        'person_id',
                        'sort_name',
                        'site_id',
                        'state',
                        'roles',
                        'from_at',
                        'until_at',
                        'kind',
                        'level',
                        'division_id',
                        'closed_from',
                    ],
                    $columns,
                ) + ['since_at' => '1000-01-01 00:00:00', 'holds_seat' => 0],
            );
            $alike[$row->id('site_id')][] = [
                new Person(
                    $row->id('person_id'),
                    PersonKind::from($row->string('kind')),
                    $divisions[$row->id('division_id')] ?? '',
                    $row->intOrNull('level'),
                    $row->instantOrNull('closed_from') ?? Time::FOREVER,
                ),
                new Timeline([SegmentRow::segment($row)]),
                $ids[$key],
            ];
        }

        return [$alike, $names];
    }
}
