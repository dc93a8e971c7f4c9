<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use Doctrine\DBAL\Connection;
use MintDoor\People\PersonRow;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Row;

/** The first minutes of a class: who came in, who mistypes the key, who waits for a word or a seat. */
final readonly class Arrivals
{
    /** Seconds that are looked back. */
    private const BACK = 3_600;

    /** Whoever mistyped so many seconds ago and did not come in since is still at it. */
    private const TRYING = 600;

    private const CAME = 'FROM access_grant w JOIN door d ON d.id = w.door_id AND d.terms IS NOT NULL '
        .'JOIN person p ON p.id = w.person_id WHERE w.site_id = ? AND w.live = 1 AND w.given_at >= ? '
        .'AND w.accepted_at <= ?';

    public function __construct(private Connection $db) {}

    /** @return array<string, mixed> schema `Arrivals` */
    public function of(SiteAccess $access): array
    {
        $site = Id::binary($access->site->id);
        $lately = [$site, Instant::toSql($access->now - self::BACK), Instant::toSql($access->now)];
        $name = 'p.given_name, p.family_name, p.preferred_name';
        $came = Row::all(
            $this->db->fetchAllAssociative(
                "SELECT w.person_id, w.given_at, w.door_id, $name "
                    .self::CAME
                    .' ORDER BY w.given_at DESC, w.id DESC LIMIT 500',
                $lately,
            ),
        );
        $waits = 'SELECT COUNT(*) FROM waiter WHERE site_id = ? AND waits = 1 AND what = ';
        $numbers = new Row(
            $this->db->fetchAssociative(
                'SELECT (SELECT COUNT(*) '
                    .self::CAME
                    .") AS came, ($waits'approval') AS approval, ($waits'seat') AS seat",
                [...$lately, $site, $site],
            )
            ?: [],
        );
        // Of each visitor the last try; whoever came in since is through.
        $tries = Row::all(
            $this->db->fetchAllAssociative(
                <<<SQL
                    SELECT t.visitor, t.person_id, t.slip, t.at, $name
                    FROM door_try t
                    LEFT JOIN person p ON p.id = t.person_id
                    WHERE t.site_id = ? AND t.at >= ?
                        AND t.id = (
                            SELECT MAX(o.id)
                            FROM door_try o
                            WHERE o.site_id = t.site_id AND o.visitor = t.visitor
                        )
                        AND NOT EXISTS (
                            SELECT 1
                            FROM access_grant w
                            WHERE w.site_id = t.site_id AND w.person_id = t.person_id AND w.live = 1
                                AND w.given_at >= t.at
                        )
                    ORDER BY t.id DESC
                    LIMIT 200
                    SQL,
                [$site, Instant::toSql($access->now - self::TRYING)],
            ),
        );
        $who = static fn(Row $row): ?array => null === $row->idOrNull('person_id')
            ? null
            : ['id' => $row->id('person_id'), 'name' => PersonRow::name($row)];

        return [
            'now' => Instant::toJson($access->now),
            'numbers' => [
                'came' => $numbers->int('came'),
                'approval' => $numbers->int('approval'),
                'seat' => $numbers->int('seat'),
            ],
            'came' => array_map(
                static fn(Row $row): array => [
                    'person' => $who($row),
                    'at' => Instant::toJson($row->instant('given_at')),
                    'door' => $row->id('door_id'),
                ],
                $came,
            ),
            'mistyping' => array_map(
                static fn(Row $row): array => [
                    'person' => $who($row),
                    'slip' => $row->string('slip'),
                    'at' => Instant::toJson($row->instant('at')),
                ],
                $tries,
            ),
            'waiting' => $this->waiting($access),
        ];
    }

    /**
     * @return list<array<string, mixed>> schema `Waiting`: who waits at the doors of a site, in the order of the line
     */
    public function waiting(SiteAccess $access): array
    {
        $rows = Row::all(
            $this->db->fetchAllAssociative(
                <<<'SQL'
                    SELECT w.id, w.person_id, w.door_id, w.what, w.why, w.ahead, w.moved_why, w.made_at,
                        w.offered_until, d.name AS door, p.given_name, p.family_name, p.preferred_name, p.kind, p.level,
                        v.name AS division
                    FROM waiter w
                    JOIN door d ON d.id = w.door_id
                    JOIN person p ON p.id = w.person_id
                    JOIN division v ON v.id = p.division_id
                    WHERE w.site_id = ? AND w.waits = 1
                    ORDER BY w.what = 'seat', w.ahead DESC, w.id
                    LIMIT 1000
                    SQL,
                [Id::binary($access->site->id)],
            ),
        );
        $place = 0;
        $items = [];
        foreach ($rows as $row) {
            $until = $row->instantOrNull('offered_until');
            $items[] = [
                'id' => $row->int('id'),
                'person' => ['id' => $row->id('person_id'), 'name' => PersonRow::name($row)],
                'kind' => $row->string('kind'),
                'level' => $row->intOrNull('level'),
                'division' => $row->string('division'),
                'what' => $row->string('what'),
                'place' => 'seat' === $row->string('what') ? ++$place : null,
                'door' => ['id' => $row->id('door_id'), 'name' => $row->string('door')],
                'since' => Instant::toJson($row->instant('made_at')),
                'why' => $row->stringOrNull('why'),
                'moved' => $row->stringOrNull('moved_why'),
                'offeredUntil' => null === $until ? null : Instant::toJson($until),
            ];
        }

        return $items;
    }
}
