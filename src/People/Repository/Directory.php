<?php

declare(strict_types=1);

namespace MintDoor\People\Repository;

use Doctrine\DBAL\Connection;
use MintDoor\Core\People\PeopleQuery;
use MintDoor\Core\People\Reach;
use MintDoor\People\PersonRow;
use MintDoor\People\RolesThatLetIn;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Fragment;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Row;
use MintDoor\Shared\Sql;
use MintDoor\Shared\Statements;

/**
 * The directory: whose of it somebody may see, and finding people in it by whatever of theirs was typed. By hand: asked
 * at every key, among 200,000 people (`bin/bench`: search).
 */
final readonly class Directory
{
    use Statements;

    /** People of the site, and of the whole directory, looked at before ranking. */
    private const MOST_HERE = 30;
    private const MOST_ELSEWHERE = 60;

    public function __construct(
        private Connection $db,
        private RolesThatLetIn $roles,
        private PlatformClock $clock,
        private Bearers $bearers,
    ) {}

    /**
     * Within reach: the divisions one administers, one's own if one is staff, and those of the sites one lets people
     * into, while they are not closed; each with those below it.
     */
    public function reachOf(Caller $caller): Reach
    {
        $now = Instant::toSql($this->clock->instant());
        $rows = $this->rows(
            'SELECT d.code, d.minors, r.division_id IS NOT NULL AS runs, own.division_id IS NOT NULL AS own
             FROM division d
             LEFT JOIN (
                SELECT DISTINCT w.division_id
                FROM (
                    SELECT DISTINCT s.division_id
                    FROM enrollment_segment g
                    JOIN site s ON s.id = g.site_id
                    WHERE g.person_id = :person AND '.Sql::holds('g')." AND g.state = 'current' AND g.role IN (:roles)
                        AND s.closes_at > :now
                ) of
                JOIN division_within w ON w.above_id = of.division_id
             ) r ON r.division_id = d.id
             LEFT JOIN (division_within own JOIN division home ON home.id = own.above_id AND home.code = :home)
                ON own.division_id = d.id
             ORDER BY d.code",
            [
                'person' => Id::binary($caller->id),
                'now' => Instant::toSql($this->clock->instant()),
                'roles' => $this->roles->rolesThatLetIn($caller) ?: [''],
                'home' => $caller->division,
            ],
        );
        $divisions = $minors = [];
        foreach ($rows as $row) {
            $code = $row->string('code');
            if (
                $row->bool('runs')
                || $caller->administers($code)
                || ('staff' === $caller->kind && $row->bool('own'))
            ) {
                $divisions[] = $code;
            }
            if ($row->bool('minors')) {
                $minors[] = $code;
            }
        }

        return new Reach($caller->platformAdministrator, $divisions, $minors);
    }

    /**
     * Who fits what was typed, with their present state in a site. Where many do, those of the site are looked for on
     * their own, so that namesakes elsewhere do not crowd them out: in its roster, which does not grow with the
     * platform.
     *
     * @return list<Row> with `PersonRow::COLUMNS`, and `terms`, `state`, `roles`, `from_at`, `until_at`, `since_at`,
     *     `holds_seat`, `sections`
     */
    public function find(PeopleQuery $query, string $siteId): array
    {
        if ([] === $query->tokens || str_contains($query->identifier, '@')) {
            $hits = self::byAddress($query);

            return $this->hits($hits->sql, $hits->values, $siteId);
        }
        $tokens = $this->bearers->rarestFirst($query->tokens);
        $hits = self::everywhere($tokens);
        $rows = $this->hits($hits->sql, $hits->values, $siteId);
        if ([] === $rows || $rows[0]->int('hits') < self::MOST_ELSEWHERE) {
            return $rows;
        }
        $hits = self::here($tokens, $siteId);
        $found = [];
        foreach ([...$this->hits($hits->sql, $hits->values, $siteId), ...$rows] as $row) {
            $found[$row->id('person_id')] ??= $row;
        }

        return array_values($found);
    }

    /**
     * People with their present state in a site.
     *
     * @param string                  $hits   SQL for their ids, as `person_id`
     * @param array<array-key, mixed> $values of it, by place
     *
     * @return list<Row> as `find()`, and `hits`: how many of the ids there were, repeats counted
     */
    public function hits(string $hits, array $values, string $siteId): array
    {
        $now = Instant::toSql($this->clock->instant());

        return $this->rows(
            'SELECT '.PersonRow::COLUMNS.",
                p.terms, g.state, g.roles, g.from_at, g.until_at, g.since_at, g.holds_seat, g.sections, hit.hits
             FROM (SELECT DISTINCT person_id, COUNT(*) OVER () AS hits FROM ($hits) every) hit
             STRAIGHT_JOIN person p ON p.id = hit.person_id AND p.gone IS NULL
             JOIN division pd ON pd.id = p.division_id
             LEFT JOIN account a ON a.person_id = p.id
             LEFT JOIN enrollment_segment g ON g.site_id = ? AND g.person_id = p.id
                AND g.from_at <= ? AND g.until_at > ?",
            [...$values, Id::binary($siteId), $now, $now],
        );
    }

    /** @return list<Row> those who bear a label, with `PersonRow::COLUMNS` and `terms`, by name */
    public function labelled(string $label, int $most): array
    {
        return $this->rows(
            'SELECT '.PersonRow::COLUMNS.", p.terms
             FROM label wanted
             JOIN person_label bears ON bears.label_id = wanted.id
             JOIN person p ON p.id = bears.person_id
             JOIN division pd ON pd.id = p.division_id
             LEFT JOIN account a ON a.person_id = p.id
             WHERE wanted.name = ? AND p.gone IS NULL
             ORDER BY p.sort_name
             LIMIT $most",
            [$label],
        );
    }

    protected function connection(): Connection
    {
        return $this->db;
    }

    private static function byAddress(PeopleQuery $query): Fragment
    {
        $prefix = Sql::beginning($query->identifier);
        $most = self::MOST_ELSEWHERE;

        return new Fragment(
            "(SELECT id AS person_id FROM person WHERE email LIKE ? LIMIT $most)
             UNION ALL (SELECT person_id FROM account WHERE login LIKE ? LIMIT $most)",
            [$prefix, $prefix],
        );
    }

    /** @param non-empty-list<string> $tokens of which the first drives */
    private static function everywhere(array $tokens): Fragment
    {
        $rest = self::containing(\array_slice($tokens, 1));
        $names = self::all('w.names', \count($rest));
        $most = self::MOST_ELSEWHERE;

        return new Fragment(
            "SELECT w.person_id FROM person_term w WHERE w.term LIKE ? AND $names ORDER BY w.term LIMIT $most",
            [$tokens[0].'%', ...$rest],
        );
    }

    /** @param non-empty-list<string> $tokens */
    private static function here(array $tokens, string $siteId): Fragment
    {
        $names = self::all('e.terms', \count($tokens));
        $most = self::MOST_HERE;

        return new Fragment(
            "SELECT e.person_id FROM enrollment e WHERE e.site_id = ? AND $names LIMIT $most",
            [Id::binary($siteId), ...self::containing($tokens)],
        );
    }

    /**
     * @param list<string> $tokens
     *
     * @return list<string> for `LIKE`, of names of which each is led by a blank
     */
    private static function containing(array $tokens): array
    {
        return array_map(static fn(string $token): string => '% '.$token.'%', $tokens);
    }

    /** So many conditions that a column contains something. */
    private static function all(string $column, int $count): string
    {
        return implode(' AND ', array_fill(0, $count, $column.' LIKE ?')) ?: '1';
    }
}
