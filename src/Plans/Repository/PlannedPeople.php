<?php

declare(strict_types=1);

namespace MintDoor\Plans\Repository;

use MintDoor\People\PersonRow;
use MintDoor\Plans\Planned;
use MintDoor\Roster\Entity\EnrollmentSegment;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Sql;

/**
 * Whom a plan is about: learners who are in a site, or will be. By hand: thousands are read at once.
 *
 * @extends BaseRepository<EnrollmentSegment>
 */
final class PlannedPeople extends BaseRepository
{
    protected const ENTITY = EnrollmentSegment::class;

    private const THEY = "g.site_id = :site AND g.holds_seat = 1 AND g.state IN ('current', 'paused', 'upcoming') AND ";

    /** @return array<string, Planned> in the order of their names, by id */
    public function of(string $site, int $now): array
    {
        $planned = [];
        foreach (
            $this->rows(
                'SELECT g.sections, '.PersonRow::COLUMNS.'
                 FROM enrollment_segment g
                 STRAIGHT_JOIN person p ON p.id = g.person_id
                 STRAIGHT_JOIN division pd ON pd.id = p.division_id
                 LEFT JOIN account a ON a.person_id = p.id
                 WHERE '.self::THEY.Sql::holds('g').'
                 ORDER BY g.sort_name, g.person_id',
                self::at($site, $now),
            ) as $row
        ) {
            $planned[$row->id('person_id')] = new Planned($row, $row->list('sections'));
        }

        return $planned;
    }

    /** @return ?list<string> ids of the sections somebody is in; null where a plan is not about them */
    public function sectionsOf(string $site, string $person, int $now): ?array
    {
        return $this->row(
            'SELECT g.sections FROM enrollment_segment g WHERE g.person_id = :person AND '.self::THEY.Sql::holds('g'),
            [...self::at($site, $now), 'person' => Id::binary($person)],
        )?->list('sections');
    }

    /** @return array<string, int> how many of the learners of a site are in another one too, by its id, most first */
    public function shared(string $site, int $now, int $most): array
    {
        $shared = [];
        foreach (
            $this->rows(
                "SELECT o.site_id, COUNT(*) AS people
                 FROM enrollment_segment g
                 JOIN enrollment_segment o ON o.person_id = g.person_id AND o.site_id <> g.site_id
                    AND o.holds_seat = 1 AND o.state IN ('current', 'paused', 'upcoming') AND ".Sql::holds('o').'
                 JOIN site s ON s.id = o.site_id AND s.taken_back = 0
                 WHERE '.self::THEY.Sql::holds('g').'
                 GROUP BY o.site_id
                 ORDER BY people DESC, o.site_id
                 LIMIT '.$most,
                self::at($site, $now),
            ) as $row
        ) {
            $shared[$row->id('site_id')] = $row->int('people');
        }

        return $shared;
    }

    /** @return array{site: string, now: string} */
    private static function at(string $site, int $now): array
    {
        return ['site' => Id::binary($site), 'now' => Instant::toSql($now)];
    }
}
