<?php

declare(strict_types=1);

namespace MintDoor\Cohorts\Repository;

use MintDoor\Cohorts\Due;
use MintDoor\Cohorts\Entity\CohortLink;
use MintDoor\Cohorts\Entity\LinkWork;
use MintDoor\Core\Time\Time;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\BulkWriter;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Row;

/**
 * Whom connections are still to look at. By hand: thousands are asked for and done at once, by several processes, and
 * what is asked meanwhile must not be taken for done.
 *
 * @extends BaseRepository<LinkWork>
 */
final class LinkWorks extends BaseRepository
{
    protected const ENTITY = LinkWork::class;

    public const HELD = 'held';

    /** That somebody has something by the door of a connection. */
    private const SQL_HAS = <<<'SQL'
        SELECT g.id
        FROM access_grant g
        WHERE g.door_id = :door AND g.live = 1 AND g.until_at > :now AND NOT EXISTS (
            SELECT 1 FROM enrollment_override o
            WHERE o.grant_id = g.id AND o.kind IN ('withdrawn', 'undone') AND o.from_at <= :now AND o.until_at > :now
        )
        SQL;

    /**
     * Asks for people to be looked at.
     *
     * @param array<string, list<string>> $people ids of people by the id of a connection
     * @param bool                        $again  whether they are to come though staff took them out before
     */
    public function ask(array $people, int $now, bool $again = false): void
    {
        $at = Instant::toSql($now);
        foreach ($people as $link => $of) {
            foreach (array_chunk($of, 500) as $some) {
                $values = implode(
                    ', ',
                    array_map(static fn(string $person): string => \sprintf(
                        "(%s, %s, '%s', %d)",
                        BulkWriter::id((string) $link)->sql ?? '',
                        BulkWriter::id($person)->sql ?? '',
                        $at,
                        (int) $again,
                    ), $some),
                );
                $this->execute(
                    "INSERT INTO link_work (link_id, person_id, due_at, again) VALUES $values
                     ON DUPLICATE KEY UPDATE asked = asked + 1, due_at = VALUES(due_at), why = '', agreed = 0,
                        again = VALUES(again)",
                );
            }
        }
    }

    /** @return array<string, string> sites, by the id of each connection that has somebody to look at now */
    public function links(int $now): array
    {
        $sites = [];
        foreach (
            $this->rows(
                'SELECT w.link_id, d.site_id
                 FROM (
                    SELECT DISTINCT link_id FROM link_work WHERE due_at <= ?
                    UNION
                    SELECT DISTINCT link_id FROM link_work WHERE why = ?
                 ) w
                 JOIN cohort_link l ON l.id = w.link_id
                 JOIN door d ON d.id = l.door_id
                 JOIN site s ON s.id = d.site_id AND s.taken_back = 0
                 ORDER BY w.link_id',
                [Instant::toSql($now), self::HELD],
            ) as $row
        ) {
            $sites[$row->id('link_id')] = $row->id('site_id');
        }

        return $sites;
    }

    /** @return array<string, Due> whom a connection is to look at now, by person, some at a time */
    public function due(CohortLink $link, int $now, int $most): array
    {
        return $this->some($link, $now, $most, '');
    }

    /** @return array<string, Due> those of them who have something by it: they may lose it */
    public function mayLose(CohortLink $link, int $now, int $most): array
    {
        return $this->some($link, $now, $most, 'AND EXISTS ('.self::SQL_HAS.' AND g.person_id = w.person_id)');
    }

    /** @return array<string, Due> by person */
    private function some(CohortLink $link, int $now, int $most, string $which): array
    {
        $due = [];
        foreach (
            $this->rows(
                "SELECT w.person_id, w.asked, w.agreed, w.again FROM link_work w
                 WHERE w.link_id = :link AND w.due_at <= :now $which
                 ORDER BY w.person_id
                 LIMIT $most",
                [
                    'link' => Id::binary($link->id),
                    'now' => Instant::toSql($now),
                    ...('' === $which ? [] : ['door' => Id::binary($link->door->id)]),
                ],
            ) as $row
        ) {
            $due[$row->id('person_id')] = new Due($row->int('asked'), $row->bool('agreed'), $row->bool('again'));
        }

        return $due;
    }

    /** @return list<string> ids of those who are in a site by a connection now */
    public function following(string $site, int $now): array
    {
        $rows = $this->rows(
            "SELECT DISTINCT g.person_id
             FROM cohort_link l
             JOIN door d ON d.id = l.door_id AND d.site_id = :site
             JOIN access_grant g ON g.door_id = l.door_id AND g.live = 1 AND g.from_at <= :now AND g.until_at > :now
             WHERE l.ended_at IS NULL AND NOT EXISTS (
                SELECT 1 FROM enrollment_override o
                WHERE o.grant_id = g.id AND o.kind IN ('withdrawn', 'undone') AND o.from_at <= :now
                    AND o.until_at > :now
             )",
            ['site' => Id::binary($site), 'now' => Instant::toSql($now)],
        );

        return array_map(static fn(Row $row): string => $row->id('person_id'), $rows);
    }

    /** How many have something by the door of a connection. */
    public function brought(string $door, int $now): int
    {
        return $this->number('SELECT COUNT(*) FROM ('.self::SQL_HAS.') h', [
            'door' => Id::binary($door),
            'now' => Instant::toSql($now),
        ]);
    }

    /** @return list<string> ids of whoever belongs, or will, and of whoever ever came by a connection */
    public function everybody(CohortLink $link, int $now): array
    {
        $rows = $this->rows(
            'SELECT person_id FROM cohort_member WHERE cohort_id = :cohort AND until_at > :now
             UNION
             SELECT person_id FROM access_grant WHERE door_id = :door',
            [
                'cohort' => Id::binary($link->cohort->id),
                'door' => Id::binary($link->door->id),
                'now' => Instant::toSql($now),
            ],
        );

        return array_map(static fn(Row $row): string => $row->id('person_id'), $rows);
    }

    /** @return list<string> ids of everybody who ever came by a door */
    public function everBrought(string $door): array
    {
        $rows = $this->rows('SELECT DISTINCT person_id FROM access_grant WHERE door_id = ?', [Id::binary($door)]);

        return array_map(static fn(Row $row): string => $row->id('person_id'), $rows);
    }

    /**
     * They were looked at, unless that was asked for again since.
     *
     * @param array<string, Due> $people by id
     */
    public function done(string $link, array $people): void
    {
        foreach (array_chunk($people, 500, true) as $some) {
            $this->execute('DELETE FROM link_work WHERE link_id = ? AND '.self::asAsked($some), [Id::binary($link)]);
        }
    }

    /**
     * They are looked at later, unless that was asked for again since.
     *
     * @param array<string, Due> $people by id
     * @param string             $why    what stands in the way; "" for nothing
     */
    public function later(string $link, array $people, int $at, string $why): void
    {
        foreach (array_chunk($people, 500, true) as $some) {
            $this->execute('UPDATE link_work SET due_at = ?, why = ? WHERE link_id = ? AND '.self::asAsked($some), [
                Instant::toSql(min($at, Time::FOREVER)),
                $why,
                Id::binary($link),
            ]);
        }
    }

    /** @return list<string> ids of the connections of a site that were not taken back */
    public function linksOf(string $site): array
    {
        $rows = $this->rows(
            'SELECT l.id FROM cohort_link l JOIN door d ON d.id = l.door_id WHERE d.site_id = ? AND l.ended_at IS NULL',
            [Id::binary($site)],
        );

        return array_map(static fn(Row $row): string => $row->id('id'), $rows);
    }

    /**
     * Those for whom something stood in the way are looked at now.
     *
     * @param list<string> $links ids
     */
    public function tryAgain(array $links, int $now): void
    {
        $this->execute("UPDATE link_work SET due_at = ? WHERE link_id IN (?) AND why NOT IN ('', 'held')", [
            Instant::toSql($now),
            self::binary($links),
        ]);
    }

    /**
     * @param list<string> $links  ids
     * @param list<string> $people ids
     *
     * @return array<string, list<string>> those of them who belong, by connection
     */
    public function belonging(array $links, array $people, int $now): array
    {
        $belong = [];
        foreach (
            $this->rows(
                'SELECT DISTINCT l.id, m.person_id
                 FROM cohort_link l
                 JOIN cohort_member m ON m.cohort_id = l.cohort_id
                 WHERE l.id IN (?) AND m.person_id IN (?) AND m.until_at > ?',
                [self::binary($links), self::binary($people), Instant::toSql($now)],
            ) as $row
        ) {
            $belong[$row->id('id')][] = $row->id('person_id');
        }

        return $belong;
    }

    /** Somebody said yes to everybody going who waits for it. */
    public function agree(string $link, int $now): int
    {
        return $this->execute(
            "UPDATE link_work SET agreed = 1, why = '', due_at = ?, asked = asked + 1
             WHERE link_id = ? AND why = 'held'",
            [Instant::toSql($now), Id::binary($link)],
        );
    }

    /** Nobody is looked at any more. */
    public function forget(string $link): void
    {
        $this->execute('DELETE FROM link_work WHERE link_id = ?', [Id::binary($link)]);
    }

    /** How many who would lose what they have wait for a yes. */
    public function held(string $link): int
    {
        return $this->waiting($link)[self::HELD] ?? 0;
    }

    /** @return array<string, int> how many wait, by what stands in the way */
    public function waiting(string $link): array
    {
        $waiting = [];
        foreach (
            $this->rows("SELECT why, COUNT(*) AS people FROM link_work WHERE link_id = ? AND why <> '' GROUP BY why", [
                Id::binary($link),
            ]) as $row
        ) {
            $waiting[$row->string('why')] = $row->int('people');
        }

        return $waiting;
    }

    /** @param array<string, Due> $people by id */
    private static function asAsked(array $people): string
    {
        $pairs = [];
        foreach ($people as $person => $due) {
            $pairs[] = \sprintf('(%s, %d)', BulkWriter::id((string) $person)->sql ?? '', $due->asked);
        }

        return '(person_id, asked) IN ('.implode(', ', $pairs).')';
    }
}
