<?php

declare(strict_types=1);

namespace MintDoor\Desk\Repository;

use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Row;
use MintDoor\Sites\Entity\Site;

/**
 * What waits for somebody and what is to come, in the sites they run or administer. By hand: a statement for each kind,
 * driven by the index of what is rare (who waits, what bounced, which lead ends), has a bound (`bin/bench`: today).
 *
 * Rows have `id`, `site_id`, `site_title`, `time_zone`, `person_id`, `person_name`, `about_id`, `about_name`, `at`,
 * `until_at`, `words`; what a kind does not have is null.
 *
 * @extends BaseRepository<Site>
 */
final class TodayRows extends BaseRepository
{
    protected const ENTITY = Site::class;

    /** Of a kind so many are read: beyond them it is said that there are more. */
    public const MOST = 100;

    /** Of a site so many entries of the history are looked at. */
    private const ENTRIES = 200;

    private const SITE = 's.id AS site_id, s.title AS site_title, s.time_zone';

    private const PERSON = "p.id AS person_id,
        CONCAT(COALESCE(p.preferred_name, p.given_name), ' ', p.family_name) AS person_name";

    /** @return list<Row> who asks to be let in, the first first */
    public function requests(TodayScope $scope): array
    {
        return $this->waiting($scope, "w.what = 'approval'", 'w.made_at');
    }

    /** @return list<Row> seats that are offered, those that lapse first first */
    public function offers(TodayScope $scope): array
    {
        return $this->waiting($scope, "w.what = 'seat' AND w.offered_until > :now", 'w.offered_until');
    }

    /** @return list<Row> invitations that nobody answered since then, those that lapse first first */
    public function unanswered(TodayScope $scope, int $before): array
    {
        return $this->rows(
            'SELECT i.id, '.self::SITE.', '.self::PERSON.', d.id AS about_id, d.name AS about_name,
                i.made_at AS at, i.lapses_at AS until_at, IF(p.id IS NULL, i.address, NULL) AS words
             FROM invitation i
             JOIN site s ON s.id = i.site_id AND s.taken_back = 0
             JOIN door d ON d.id = i.door_id
             LEFT JOIN person p ON p.id = i.person_id
             WHERE i.unanswered = 1 AND i.lapses_at > :now AND i.made_at < :before AND '.$scope->sites('keeps').'
             ORDER BY i.lapses_at, i.id
             LIMIT '.(self::MOST + 1),
            [...$scope->values(), 'before' => Instant::toSql($before)],
        );
    }

    /** @return list<Row> messages that came back since then, the last first */
    public function bounced(TodayScope $scope, int $since): array
    {
        return $this->rows(
            'SELECT m.id, '.self::SITE.', '.self::PERSON.', NULL AS about_id, m.address AS about_name,
                m.made_at AS at, NULL AS until_at, m.subject AS words
             FROM message m
             JOIN site s ON s.id = m.site_id AND s.taken_back = 0
             LEFT JOIN person p ON p.id = m.person_id
             WHERE m.state = \'bounced\' AND m.made_at > :since AND '.$scope->sites('writes').'
             ORDER BY m.made_at DESC, m.id DESC
             LIMIT '.(self::MOST + 1),
            [...$scope->values(), 'since' => Instant::toSql($since)],
        );
    }

    /** @return list<Row> lists of their own that they began and could finish, the last first */
    public function begun(TodayScope $scope, int $since): array
    {
        return $this->rows(
            "SELECT l.id, s.id AS site_id, s.title AS site_title, s.time_zone, NULL AS person_id, NULL AS person_name,
                NULL AS about_id, l.title AS about_name, COALESCE(l.changed_at, l.made_at) AS at, NULL AS until_at,
                l.kind AS words
             FROM change_list l
             LEFT JOIN site s ON s.id = l.site_id
             WHERE l.made_by = :caller AND l.made_at > :since AND l.state = 'draft'
                AND (l.site_id IS NULL OR ".$scope->sites('runs').')
             ORDER BY l.made_at DESC, l.id DESC
             LIMIT '.(self::MOST + 1),
            [...$scope->values(), 'since' => Instant::toSql($since)],
        );
    }

    /** @return list<Row> plans whose wishes closed since then, and that nobody carried out, the first first */
    public function plans(TodayScope $scope, int $since): array
    {
        return $this->rows(
            'SELECT l.id, '.self::SITE.", NULL AS person_id, NULL AS person_name, NULL AS about_id, NULL AS about_name,
                l.closes_at AS at, NULL AS until_at, l.state AS words
             FROM site_plan l
             JOIN site s ON s.id = l.site_id AND s.taken_back = 0
             WHERE l.closes_at > :since AND l.closes_at <= :now AND l.state IN ('set', 'computed')
                AND l.put_away_at IS NULL AND ".$scope->sites('arranges').'
             ORDER BY l.closes_at, l.id
             LIMIT '.(self::MOST + 1),
            [...$scope->values(), 'since' => Instant::toSql($since)],
        );
    }

    /**
     * Connections of cohorts by which many would lose access, and wait for a yes, the first first; how many as `words`.
     *
     * @return list<Row>
     */
    public function leaving(TodayScope $scope): array
    {
        return $this->rows(
            'SELECT l.id, '.self::SITE.", NULL AS person_id, NULL AS person_name, NULL AS about_id,
                c.name AS about_name, l.held_at AS at, NULL AS until_at, (
                    SELECT CAST(COUNT(*) AS CHAR) FROM link_work w WHERE w.link_id = l.id AND w.why = 'held'
                ) AS words
             FROM cohort_link l
             JOIN cohort c ON c.id = l.cohort_id
             JOIN door d ON d.id = l.door_id
             JOIN site s ON s.id = d.site_id AND s.taken_back = 0
             WHERE l.held_at IS NOT NULL AND l.ended_at IS NULL AND ".$scope->sites('keeps').'
             ORDER BY l.held_at, l.id
             LIMIT '.(self::MOST + 1),
            $scope->values(),
        );
    }

    /**
     * Leads of open sites in which one ends before an instant, and did not end long ago.
     *
     * @return list<Row> with `site_id`, `site_title`, `time_zone`, `opens_at`, `closes_at`, `person_id`, `person_name`,
     *     `from_at` and `until_at` of each lead, by site
     */
    public function leads(TodayScope $scope, int $since, int $until): array
    {
        return $this->rows(
            'SELECT '.self::SITE.', s.closes_at, '.self::PERSON.', g.from_at, g.until_at
             FROM (
                SELECT DISTINCT e.site_id
                FROM enrollment_segment e
                WHERE e.leads = 1 AND e.until_at > :since AND e.until_at <= :until
             ) ending
             JOIN site s ON s.id = ending.site_id AND s.taken_back = 0 AND s.opens_at <= :now AND s.closes_at > :now
             LEFT JOIN enrollment_segment g ON g.site_id = s.id AND g.leads = 1 AND g.until_at > :since
             LEFT JOIN person p ON p.id = g.person_id
             WHERE '.$scope->sites('runs').'
             ORDER BY s.title, s.id, g.until_at',
            [...$scope->values(), 'since' => Instant::toSql($since), 'until' => Instant::toSql($until)],
        );
    }

    /** @return list<Row> doors that shut until then, with their kind as `words` */
    public function doorsThatShut(TodayScope $scope, int $until): array
    {
        return $this->rows(
            'SELECT d.id, '.self::SITE.', d.name AS about_name, d.kind AS words, d.until_at AS at
             FROM door d
             JOIN site s ON s.id = d.site_id AND s.taken_back = 0 AND s.closes_at > :now
             WHERE d.until_at > :now AND d.until_at <= :until AND d.state = \'open\' AND '.$scope->sites('keeps').'
             ORDER BY d.until_at, d.id
             LIMIT '.(self::MOST + 1),
            [...$scope->values(), 'until' => Instant::toSql($until)],
        );
    }

    /** @return list<Row> sites that open or close until then, `words` says which */
    public function sitesThatTurn(TodayScope $scope, int $until): array
    {
        $turn = static fn(string $column, string $what): string => '(SELECT s.id, '.self::SITE.", NULL AS about_name,
                '$what' AS words, s.$column AS at
             FROM site s
             WHERE s.taken_back = 0 AND s.$column > :now AND s.$column <= :until AND ".$scope->sites('runs')."
             ORDER BY s.$column, s.id
             LIMIT ".(self::MOST + 1).')';

        return $this->rows(
            $turn('opens_at', 'opens').' UNION ALL '.$turn('closes_at', 'closes').' ORDER BY at, id',
            [...$scope->values(), 'until' => Instant::toSql($until)],
        );
    }

    /** @return list<Row> sites in which something happened since then, the last first */
    public function sitesWithNews(TodayScope $scope, int $since, int $most): array
    {
        return $this->rows(
            'SELECT '.self::SITE.', s.last_entry_at AS at
             FROM site s
             WHERE s.taken_back = 0 AND s.last_entry_at > :since AND '.$scope->sites('reads')."
             ORDER BY s.last_entry_at DESC, s.id
             LIMIT $most",
            [...$scope->values(), 'since' => Instant::toSql($since)],
        );
    }

    /**
     * The last entries of some sites, as far as others made them.
     *
     * @param non-empty-list<string> $sites
     *
     * @return list<Row> with `site_id`, `code`, `at`, `person_name` of who did it
     */
    public function entries(array $sites, string $but, int $since): array
    {
        $values = ['caller' => Id::binary($but), 'since' => Instant::toSql($since)];
        $parts = [];
        foreach ($sites as $place => $site) {
            $values["site$place"] = Id::binary($site);
            $parts[] = "(SELECT h.site_id, h.sequence, h.code, h.at, h.actor_id
                 FROM history_entry h
                 WHERE h.site_id = :site$place
                 ORDER BY h.sequence DESC
                 LIMIT ".self::ENTRIES.')';
        }

        return $this->rows(
            'SELECT h.site_id, h.code, h.at, '.self::PERSON.'
             FROM ('.implode(' UNION ALL ', $parts).') h
             LEFT JOIN person p ON p.id = h.actor_id
             WHERE h.at > :since AND h.actor_id <> :caller
             ORDER BY h.site_id, h.sequence DESC',
            $values,
        );
    }

    /** @return list<Row> per division `code`, `name`, and how many sites are `draft`, `open` and `closed` */
    public function sitesByDivision(TodayScope $scope): array
    {
        return $this->rows(
            'SELECT d.code, d.name, found.draft, found.closed, found.sites - found.draft - found.closed AS open
             FROM (
                SELECT s.division_id, COUNT(*) AS sites, COUNT(IF(s.opens_at > :now, 1, NULL)) AS draft,
                    COUNT(IF(s.opens_at <= :now AND s.closes_at <= :now, 1, NULL)) AS closed
                FROM site s FORCE INDEX (counting)
                WHERE s.taken_back = 0 AND '.$scope->administers().'
                GROUP BY s.division_id
             ) found
             JOIN division d ON d.id = found.division_id
             ORDER BY d.name, d.code',
            $scope->values(),
        );
    }

    /** What `sitesByDivision()` follows from: the same while nothing is done to a site and none turns. */
    public function stateOfSites(int $now): string
    {
        return $this->row(
            "SELECT CONCAT_WS(
                ' ',
                HEX((SELECT MAX(id) FROM site)),
                (SELECT COUNT(*) FROM site WHERE taken_back = 1),
                (SELECT MAX(last_entry_at) FROM site),
                (SELECT MIN(opens_at) FROM site WHERE opens_at > :now),
                (SELECT MIN(closes_at) FROM site WHERE closes_at > :now)
             ) AS state",
            ['now' => Instant::toSql($now)],
        )?->string('state') ?? '';
    }

    /** When somebody said last that they had seen what is new. */
    public function seenAt(string $person): ?int
    {
        return $this->row(
            'SELECT today_seen_at FROM account WHERE person_id = ?',
            [Id::binary($person)],
        )?->instantOrNull('today_seen_at');
    }

    public function seen(string $person, int $now): void
    {
        $this->execute(
            'UPDATE account SET today_seen_at = ? WHERE person_id = ?',
            [Instant::toSql($now), Id::binary($person)],
        );
    }

    /** @return list<Row> */
    private function waiting(TodayScope $scope, string $which, string $order): array
    {
        return $this->rows(
            'SELECT w.id, '.self::SITE.', '.self::PERSON.", d.id AS about_id, d.name AS about_name,
                w.made_at AS at, w.offered_until AS until_at, w.why AS words
             FROM waiter w
             JOIN site s ON s.id = w.site_id AND s.taken_back = 0
             JOIN door d ON d.id = w.door_id
             JOIN person p ON p.id = w.person_id
             WHERE w.waits = 1 AND $which AND ".$scope->sites('keeps')."
             ORDER BY $order, w.id
             LIMIT ".(self::MOST + 1),
            $scope->values(),
        );
    }
}
