<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use MintDoor\Core\Doors\DoorState;
use MintDoor\Core\Roles\Standing;
use MintDoor\Core\Time\Time;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Row;

/** Every way into a site, as those see it who keep its doors. */
final readonly class DoorList
{
    /** Bars of the chart of arrivals, at most. */
    private const BARS = 42;

    public function __construct(private Connection $db, private DoorKeys $keys, private Doors $doors) {}

    /**
     * @param ?string $only id of the one that is wanted
     *
     * @return list<array<string, mixed>> schema `Door`, by what changes next
     */
    public function of(SiteAccess $access, ?string $only = null): array
    {
        $site = Id::binary($access->site->id);
        $at = Instant::toSql($access->now);
        $rows = Row::all(
            $this->db->fetchAllAssociative(
                'SELECT d.id, d.kind, d.name, d.state, d.terms, d.from_at, d.until_at, d.version, d.reserved,
                d.made_by, k.sealed FROM door d LEFT JOIN door_key k ON k.door_id = d.id
                WHERE d.site_id = ?'
                    .(null === $only ? '' : ' AND d.id = ?')
                    .' ORDER BY d.id',
                [$site, ...null === $only ? [] : [Id::binary($only)]],
            ),
        );
        $numbers = [
            'came' => $this->byDoor(
                <<<'SQL'
                    SELECT w.door_id, COUNT(*) AS n
                    FROM access_grant w
                    WHERE w.site_id = ? AND w.live = 1 AND w.accepted_at <= ?
                    GROUP BY w.door_id
                    SQL,
                [$site, $at],
            ),
            'through' => $this->byDoor(
                <<<'SQL'
                    SELECT w.door_id, COUNT(*) AS n
                    FROM access_grant w
                    JOIN enrollment_segment g ON g.site_id = w.site_id AND g.person_id = w.person_id AND g.from_at <= ?
                        AND g.until_at > ? AND g.state IN (?)
                    WHERE w.site_id = ? AND w.live = 1 AND w.accepted_at <= ?
                    GROUP BY w.door_id
                    SQL,
                [$at, $at, Doors::through(), $site, $at],
                [2 => ArrayParameterType::STRING],
            ),
            'waiting' => $this->byDoor(
                <<<'SQL'
                    SELECT door_id, COUNT(*) AS n
                    FROM waiter
                    WHERE site_id = ? AND waits = 1 AND what = 'seat'
                    GROUP BY door_id
                    SQL,
                [$site],
            ),
            'asking' => $this->byDoor(
                <<<'SQL'
                    SELECT door_id, COUNT(*) AS n
                    FROM waiter
                    WHERE site_id = ? AND waits = 1 AND what = 'approval'
                    GROUP BY door_id
                    SQL,
                [$site],
            ),
            'asked' => $this->byDoor(
                <<<'SQL'
                    SELECT door_id, COUNT(*) AS n
                    FROM invitation
                    WHERE site_id = ? AND withdrawn_at IS NULL
                    GROUP BY door_id
                    SQL,
                [$site],
            ),
            'answered' => $this->byDoor(
                <<<'SQL'
                    SELECT door_id, COUNT(*) AS n
                    FROM invitation
                    WHERE site_id = ? AND answered_at IS NOT NULL
                    GROUP BY door_id
                    SQL,
                [$site],
            ),
        ];
        $chart = $this->chart($access);
        $next = $this->lapsing($access);
        $by = array_unique(array_filter(array_map(static fn(Row $row): ?string => $row->idOrNull('made_by'), $rows)));
        $standings = array_map(fn(string $id): ?Standing => $this->doors->keeper($access->site->id, $id), $by);
        $keepers = array_combine($by, $standings);
        $doors = array_map(
            fn(Row $row): array => $this->json(
                $row,
                $access,
                $keepers[$row->idOrNull('made_by') ?? ''] ?? null,
                array_map(static fn(array $of): int => $of[$row->id('id')] ?? 0, $numbers),
                ['each' => $chart['each'], 'came' => $chart['came'][$row->id('id')] ?? []],
                $next[$row->id('id')] ?? null,
            ),
            $rows,
        );
        // What changes next comes first; what is set up before what is just there.
        usort(
            $doors,
            static fn(array $a, array $b): int => [$a['next']['at'] ?? '9999', $a['set'] ? 0 : 1, $a['name']] <=> [
                $b['next']['at'] ?? '9999',
                $b['set'] ? 0 : 1,
                $b['name'],
            ],
        );

        return $doors;
    }

    /**
     * @param ?Standing                          $keeper  of whoever keeps the door
     * @param array<string, int>                 $numbers
     * @param array{each: int, came: list<int>}  $chart
     * @param ?array{int, int}                   $lapsing the instant at which invitations lapse next, and how many
     *
     * @return array<string, mixed> schema `Door`
     */
    private function json(
        Row $row,
        SiteAccess $access,
        ?Standing $keeper,
        array $numbers,
        array $chart,
        ?array $lapsing,
    ): array {
        $terms = DoorTermsJson::of($row);
        $set = null !== $row->stringOrNull('terms');
        $seats = $terms->number('seats');
        $next = self::next($terms, $access->now, $lapsing);

        return [
            'id' => $row->id('id'),
            'kind' => Doors::requestKind($row),
            'name' => $row->string('name'),
            'version' => $row->int('version'),
            'set' => $set,
            'reserved' => $row->bool('reserved'),
            'backed' => !$set || $this->doors->backed($access, $row, $keeper),
            'state' => DoorState::of($terms->open, $terms->is('approval'), $terms->hours, $access->now)->value,
            'key' =>
                $set && $this->doors->gives($access, $terms) ? $this->keys->shown($row->stringOrNull('sealed')) : null,
            'terms' => $set ? self::terms($terms, $access) : null,
            ...$numbers,
            'left' => null === $seats ? null : max(0, $seats - $numbers['through']),
            'chart' => $chart,
            'next' => $next,
        ];
    }

    /** @return array<string, mixed> schema `DoorTerms`: as `DoorRequest`, without kind, name and key */
    private static function terms(DoorTermsJson $terms, SiteAccess $access): array
    {
        $day = static fn(int $instant): ?string => $instant <= Time::BEGINNING || $instant >= Time::FOREVER
            ? null
            : (new \DateTimeImmutable('@'.$instant))->setTimezone($access->zone())->format('Y-m-d');
        $stay = $terms->number('stayUntil');

        return [
            'role' => $terms->text('role'),
            'place' => $terms->textOrNull('place') ?? 'none',
            'section' => $terms->textOrNull('section'),
            'fromDay' => $day($terms->hours->from),
            'untilDay' => $terms->hours->until >= Time::FOREVER ? null : $day($terms->hours->until - 1),
            'seats' => $terms->number('seats'),
            'divisions' => $terms->texts('divisions'),
            'lowest' => $terms->number('lowest'),
            'highest' => $terms->number('highest'),
            'domains' => $terms->texts('domains'),
            'approval' => $terms->is('approval'),
            'waiting' => $terms->is('waiting'),
            'accounts' => $terms->is('accounts'),
            'stay' => $terms->textOrNull('stay') ?? 'site',
            'stayDay' => null === $stay ? null : $day($stay - 1),
            'quietDays' => $terms->number('quietDays'),
            'quietMeetings' => $terms->number('quietMeetings'),
            'meets' => $terms->numbers('meets'),
            'offerHours' => $terms->number('offerHours') ?? 14,
            'answerDays' => $terms->number('answerDays') ?? 14,
            'remindDays' => $terms->number('remindDays'),
            'holds' => $terms->is('holds'),
            'shows' => $terms->texts('shows'),
            'anyone' => $terms->is('anyone'),
            'about' => $terms->text('about'),
        ];
    }

    /**
     * What a door does by itself next.
     *
     * @param ?array{int, int} $lapsing
     *
     * @return array{what: string, at: ?string, n: int}|null
     */
    private static function next(DoorTermsJson $terms, int $now, ?array $lapsing): ?array
    {
        $changes = DoorState::changesAt($terms->open, $terms->hours, $now);
        if (null !== $lapsing && (null === $changes || $lapsing[0] <= $changes)) {
            return ['what' => 'lapse', 'at' => Instant::toJson($lapsing[0]), 'n' => $lapsing[1]];
        }

        return null === $changes
            ? null
            : [
                'what' => $changes === $terms->hours->from ? 'opens' : 'shuts',
                'at' => Instant::toJson($changes),
                'n' => 0,
            ];
    }

    /**
     * @param list<mixed>                            $parameters
     * @param array<int<0, max>, ArrayParameterType> $types
     *
     * @return array<string, int>
     */
    private function byDoor(string $sql, array $parameters, array $types = []): array
    {
        $counts = [];
        foreach (Row::all($this->db->fetchAllAssociative($sql, $parameters, $types)) as $row) {
            $counts[$row->id('door_id')] = $row->int('n');
        }

        return $counts;
    }

    /**
     * When people came through each door, from the first who came into the site until today: bars of so many days each,
     * the same for all doors of the site, the last one ending today.
     *
     * @return array{each: int, came: array<string, list<int>>}
     */
    private function chart(SiteAccess $access): array
    {
        $today = (new \DateTimeImmutable('@'.$access->now))->setTimezone($access->zone())->setTime(0, 0);
        $ago = [];
        foreach (
            Row::all(
                $this->db->fetchAllAssociative(
                    <<<'SQL'
                        SELECT door_id, given_at
                        FROM access_grant
                        WHERE site_id = ? AND live = 1 AND accepted_at <= ? AND given_at <= ?
                        SQL,
                    [Id::binary($access->site->id), $now = Instant::toSql($access->now), $now],
                ),
            ) as $row
        ) {
            $ago[$row->id('door_id')][] = (int) (new \DateTimeImmutable('@'.$row->instant('given_at')))
                ->setTimezone($access->zone())
                ->setTime(0, 0)
                ->diff($today)->days;
        }
        $span = 1 + max([0, ...array_merge(...array_values($ago))]);
        $each = (int) ceil($span / self::BARS);
        $bars = (int) ceil($span / $each);

        return [
            'each' => $each,
            'came' => array_map(static function (array $days) use ($each, $bars): array {
                $came = array_fill(0, $bars, 0);
                foreach ($days as $day) {
                    ++$came[$bars - 1 - intdiv($day, $each)];
                }

                return array_values($came);
            }, $ago),
        ];
    }

    /**
     * @return array<string, array{int, int}> by door: the instant at which invitations lapse next, and how many on that
     *     day
     */
    private function lapsing(SiteAccess $access): array
    {
        $next = [];
        foreach (
            Row::all(
                $this->db->fetchAllAssociative(
                    <<<'SQL'
                        SELECT door_id, lapses_at
                        FROM invitation
                        WHERE site_id = ? AND unanswered = 1 AND lapses_at > ?
                        ORDER BY lapses_at
                        SQL,
                    [Id::binary($access->site->id), Instant::toSql($access->now)],
                ),
            ) as $row
        ) {
            $at = $row->instant('lapses_at');
            $door = $row->id('door_id');
            if (!isset($next[$door])) {
                $next[$door] = [$at, 1];
            } elseif ($at < $next[$door][0] + 86_400) {
                ++$next[$door][1];
            }
        }

        return $next;
    }
}
