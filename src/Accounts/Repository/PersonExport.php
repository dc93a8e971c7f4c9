<?php

declare(strict_types=1);

namespace MintDoor\Accounts\Repository;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Result;
use MintDoor\Core\Messages\Letter;
use MintDoor\Shared\Id;

/**
 * Everything that is held about somebody, part by part, as they may ask for by law: never a password, a hash or a link.
 * By hand: read row by row while it is sent, from every table there is.
 */
final readonly class PersonExport
{
    private const NAME = "TRIM(CONCAT(COALESCE(%1\$s.preferred_name, %1\$s.given_name), ' ', %1\$s.family_name))";

    public function __construct(private Connection $db) {}

    /**
     * @param non-empty-list<string> $people ids of somebody and those merged into them
     *
     * @return iterable<array{name: string, columns: list<string>, rows: iterable<list<string>>}> parts of schema
     *         `PersonExport`, read while they are gone through, one after the other
     */
    public function of(array $people): iterable
    {
        $by = \sprintf(self::NAME, 'x');
        $this->buffered(false);
        foreach (
            [
                'person' =>
                    <<<'SQL'
                        SELECT LOWER(HEX(p.id)) AS id, p.kind, p.own_kind, d.name AS division, p.level,
                            p.given_name, p.family_name,
                            p.preferred_name, p.further_names, p.number, p.email
                        FROM person p
                        JOIN division d ON d.id = p.division_id
                        WHERE p.id IN (?)
                        SQL,
                'account' =>
                    <<<'SQL'
                        SELECT login, made_at, used_at AS last_signed_in,
                            IF(closed_from < '9000-01-01', closed_from, NULL) AS closed_from,
                            IF(password_hash IS NULL, 'no', 'yes') AS has_password,
                            IF(platform_administrator = 1, 'yes', 'no') AS platform_administrator
                        FROM account
                        WHERE person_id IN (?)
                        SQL,
                'administers' =>
                    <<<'SQL'
                        SELECT d.name AS division
                        FROM division_administrator a
                        JOIN division d ON d.id = a.division_id
                        WHERE a.person_id IN (?)
                        SQL,
                'may_look_at_numbers_of' =>
                    <<<'SQL'
                        SELECT COALESCE(d.name, '') AS division
                        FROM numbers_reader r
                        LEFT JOIN division d ON d.id = r.division_id
                        WHERE r.person_id IN (?)
                        SQL,
                'sessions' => 'SELECT touched_at AS last_request FROM session WHERE person_id IN (?)',
                'labels' => <<<SQL
                    SELECT l.name AS label, l2.put_at, $by AS put_by
                    FROM person_label l2
                    JOIN label l ON l.id = l2.label_id
                    LEFT JOIN person x ON x.id = l2.put_by
                    WHERE l2.person_id IN (?)
                    SQL,
                'details' => 'SELECT code AS detail, value FROM person_detail WHERE person_id IN (?)',
                'notes' => <<<SQL
                    SELECT n.made_at AS at, $by AS written_by, n.text, IF(n.taken_back = 1, 'yes', 'no') AS taken_back
                    FROM person_note n
                    JOIN person x ON x.id = n.made_by
                    WHERE n.person_id IN (?)
                    ORDER BY n.made_at
                    SQL,
                'sites' =>
                    <<<'SQL'
                        SELECT s.title AS site, s.code, g.state, g.role, g.from_at AS `from`,
                            IF(g.until_at < '9000-01-01', g.until_at, NULL) AS `until`
                        FROM enrollment_segment g
                        JOIN site s ON s.id = g.site_id
                        WHERE g.person_id IN (?)
                        ORDER BY s.title, g.from_at
                        SQL,
                'how access was given' => <<<SQL
                    SELECT s.title AS site, d.kind AS door, w.role, w.given_at, $by AS given_by, w.from_at AS `from`,
                        IF(w.until_at < '9000-01-01', w.until_at, NULL) AS `until`
                    FROM access_grant w
                    JOIN site s ON s.id = w.site_id
                    JOIN door d ON d.id = w.door_id
                    LEFT JOIN person x ON x.id = w.given_by
                    WHERE w.person_id IN (?)
                    ORDER BY w.given_at
                    SQL,
                'by hand' => <<<SQL
                    SELECT s.title AS site, m.kind, m.role, m.from_at AS `from`,
                        IF(m.until_at < '9000-01-01', m.until_at, NULL) AS `until`, m.note, $by AS put_by
                    FROM enrollment_override m
                    JOIN site s ON s.id = m.site_id
                    LEFT JOIN person x ON x.id = m.put_by
                    WHERE m.person_id IN (?)
                    ORDER BY m.from_at
                    SQL,
                'cohorts' =>
                    <<<'SQL'
                        SELECT c.name AS cohort, m.from_at AS `from`,
                            IF(m.until_at < '9000-01-01', m.until_at, NULL) AS `until`
                        FROM cohort_member m
                        JOIN cohort c ON c.id = m.cohort_id
                        WHERE m.person_id IN (?) AND c.kind <> 'shared'
                        ORDER BY m.from_at, c.name
                        SQL,
                'presence' =>
                    <<<'SQL'
                        SELECT s.title AS site, e.last_seen_at
                        FROM enrollment e
                        JOIN site s ON s.id = e.site_id
                        WHERE e.person_id IN (?) AND e.last_seen_at IS NOT NULL
                        ORDER BY s.title
                        SQL,
                'waits' =>
                    <<<'SQL'
                        SELECT s.title AS site, w.what, w.state, w.why, w.made_at AS at
                        FROM waiter w
                        JOIN site s ON s.id = w.site_id
                        WHERE w.person_id IN (?)
                        ORDER BY w.id
                        SQL,
                'invitations' =>
                    <<<'SQL'
                        SELECT s.title AS site, i.address, i.words, i.made_at AS at, i.opened_at, i.answered_at
                        FROM invitation i
                        JOIN site s ON s.id = i.site_id
                        WHERE i.person_id IN (?)
                        ORDER BY i.made_at
                        SQL,
                'messages' =>
                    "SELECT m.made_at, m.sent_at, m.kind, m.address, m.state, m.subject, REPLACE(m.body, '"
                    .Letter::LINK
                    ."', '(link)') AS text FROM message m WHERE m.person_id IN (?) ORDER BY m.made_at",
                'lines of change lists' =>
                    <<<'SQL'
                        SELECT h.made_at AS at, s.title AS site, n.verb, n.verdict
                        FROM change_line n
                        JOIN change_list h ON h.id = n.change_list_id
                        JOIN site s ON s.id = n.site_id
                        WHERE n.person_id IN (?)
                        ORDER BY h.made_at
                        SQL,
                'settled lines' =>
                    <<<'SQL'
                        SELECT s.title AS site, l.text, l.made_at AS at
                        FROM settled_line l
                        JOIN site s ON s.id = l.site_id
                        WHERE l.person_id IN (?)
                        SQL,
                'history about them' => <<<SQL
                    SELECT l.at, COALESCE(s.title, '') AS site, l.code, $by AS done_by, l.data
                    FROM history_entry l
                    JOIN person x ON x.id = l.actor_id
                    LEFT JOIN site s ON s.id = l.site_id
                    WHERE l.person_id IN (?)
                    ORDER BY l.at
                    SQL,
                'done by them' =>
                    <<<'SQL'
                        SELECT l.at, COALESCE(s.title, '') AS site, l.code, l.address AS from_address
                        FROM history_entry l
                        LEFT JOIN site s ON s.id = l.site_id
                        WHERE l.actor_id IN (?)
                        ORDER BY l.at
                        SQL,
            ] as $name => $sql
        ) {
            yield $this->part($name, $sql, $people);
        }
        $this->buffered(true);
    }

    /** Whether what the database answers is fetched whole at once; row by row, much of it fits as well. */
    private function buffered(bool $buffered): void
    {
        $native = $this->db->getNativeConnection();
        $native instanceof \PDO && $native->setAttribute(\PDO::MYSQL_ATTR_USE_BUFFERED_QUERY, $buffered);
    }

    /**
     * @param non-empty-list<string> $people ids
     *
     * @return array{name: string, columns: list<string>, rows: iterable<list<string>>}
     */
    private function part(string $name, string $sql, array $people): array
    {
        $rows = $this->db->executeQuery($sql, [array_map(Id::binary(...), $people)], [ArrayParameterType::BINARY]);
        $first = $rows->fetchAssociative();
        if (false === $first) {
            return ['name' => $name, 'columns' => [], 'rows' => []];
        }

        return [
            'name' => $name,
            'columns' => array_map(strval(...), array_keys($first)),
            'rows' => self::rows($first, $rows),
        ];
    }

    /**
     * @param array<string, mixed> $first
     *
     * @return \Generator<list<string>>
     */
    private static function rows(array $first, Result $rows): \Generator
    {
        for ($row = array_values($first); false !== $row; $row = $rows->fetchNumeric()) {
            yield array_map(
                static fn(mixed $value): string => \is_scalar($value) ? mb_scrub((string) $value) : '',
                array_values($row),
            );
        }
    }
}
