<?php

declare(strict_types=1);

namespace MintDoor\Doors\Repository;

use MintDoor\Doors\Entity\WaitingRecord;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Row;

/**
 * Who came in lately, who mistypes the key, who waits. By hand: asked every few seconds while a class comes in.
 *
 * @extends BaseRepository<WaitingRecord>
 */
final class ArrivalRows extends BaseRepository
{
    protected const ENTITY = WaitingRecord::class;

    private const CAME = <<<'SQL'
        FROM access_grant w
        JOIN door d ON d.id = w.door_id AND d.terms IS NOT NULL
        JOIN person p ON p.id = w.person_id
        WHERE w.site_id = :site AND w.live = 1 AND w.given_at >= :since AND w.accepted_at <= :now
        SQL;

    private const NAME = 'p.given_name, p.family_name, p.preferred_name';

    /** @return list<Row> with `person_id` and names, `given_at` and `door_id`, the last first */
    public function came(string $site, int $since, int $now): array
    {
        return $this->rows(
            'SELECT w.person_id, w.given_at, w.door_id, '.self::NAME.' '.self::CAME.'
             ORDER BY w.given_at DESC, w.id DESC
             LIMIT 500',
            self::lately($site, $since, $now),
        );
    }

    /** @return array<int, int> how many came, by the whole minutes since then */
    public function byMinute(string $site, int $since, int $now): array
    {
        $rows = $this->rows(
            'SELECT TIMESTAMPDIFF(MINUTE, :since, w.given_at) AS minute, COUNT(*) AS people '.self::CAME.'
             GROUP BY minute',
            self::lately($site, $since, $now),
        );

        return array_column(
            array_map(static fn(Row $row): array => [$row->int('minute'), $row->int('people')], $rows),
            1,
            0,
        );
    }

    /** @return Row with `came`, `approval` and `seat`: how many came lately, ask, and wait for a seat */
    public function numbers(string $site, int $since, int $now): Row
    {
        $waits = 'SELECT COUNT(*) FROM waiter WHERE site_id = :site AND waits = 1 AND what = ';

        return $this->row(
            'SELECT (SELECT COUNT(*) '.self::CAME.") AS came, ($waits'approval') AS approval, ($waits'seat') AS seat",
            self::lately($site, $since, $now),
        )
        ?? new Row([]);
    }

    /** @return list<Row> of each visitor the last try, unless they came in since; with `person_id`, `slip` and `at` */
    public function mistyping(string $site, int $since): array
    {
        return $this->rows(
            'SELECT t.visitor, t.person_id, t.slip, t.at, '.self::NAME.'
             FROM door_try t
             LEFT JOIN person p ON p.id = t.person_id
             WHERE t.site_id = ? AND t.at >= ?
                AND t.id = (SELECT MAX(o.id) FROM door_try o WHERE o.site_id = t.site_id AND o.visitor = t.visitor)
                AND NOT EXISTS (
                    SELECT 1
                    FROM access_grant w
                    WHERE w.site_id = t.site_id AND w.person_id = t.person_id AND w.live = 1 AND w.given_at >= t.at
                )
             ORDER BY t.id DESC
             LIMIT 200',
            [Id::binary($site), Instant::toSql($since)],
        );
    }

    /** @return list<Row> who waits at the doors of a site: those who ask, then the waiting list in its order */
    public function waiting(string $site): array
    {
        return $this->rows(
            'SELECT w.id, w.person_id, w.door_id, w.what, w.why, w.ahead, w.moved_why, w.made_at, w.offered_until,
                d.name AS door, '.self::NAME.", p.kind, p.level, v.name AS division
             FROM waiter w
             JOIN door d ON d.id = w.door_id
             JOIN person p ON p.id = w.person_id
             JOIN division v ON v.id = p.division_id
             WHERE w.site_id = ? AND w.waits = 1
             ORDER BY w.what = 'seat', w.ahead DESC, w.id
             LIMIT 1000",
            [Id::binary($site)],
        );
    }

    /** @return array<string, string> */
    private static function lately(string $site, int $since, int $now): array
    {
        return [
            'site' => Id::binary($site),
            'since' => Instant::toSql($since),
            'now' => Instant::toSql($now),
        ];
    }
}
