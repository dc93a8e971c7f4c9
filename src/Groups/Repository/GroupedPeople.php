<?php

declare(strict_types=1);

namespace MintDoor\Groups\Repository;

use MintDoor\People\Entity\Person;
use MintDoor\People\PersonRow;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Row;
use MintDoor\Shared\Sql;

/**
 * What people are that groups are made from. By hand: thousands are read at once.
 *
 * @extends BaseRepository<Person>
 */
final class GroupedPeople extends BaseRepository
{
    protected const ENTITY = Person::class;

    /**
     * @param list<string> $people ids
     *
     * @return array<string, Row> with `PersonRow::COLUMNS`, by person, in the order asked for
     */
    public function of(array $people): array
    {
        $rows = [];
        $sql = 'SELECT '.PersonRow::COLUMNS.'
             FROM person p
             JOIN division pd ON pd.id = p.division_id
             LEFT JOIN account a ON a.person_id = p.id
             WHERE p.id IN (:people)';
        foreach ([] === $people ? [] : $this->rows($sql, ['people' => self::binary($people)]) as $row) {
            $rows[$row->id('person_id')] = $row;
        }

        $ordered = [];
        foreach ($people as $person) {
            isset($rows[$person]) && ($ordered[$person] = $rows[$person]);
        }

        return $ordered;
    }

    /** @return array<string, list<string>> ids of the sections that learners of a site are in now, by person */
    public function sections(string $site, int $now): array
    {
        $sections = [];
        foreach (
            $this->rows(
                'SELECT g.person_id, g.sections FROM enrollment_segment g
                 WHERE g.site_id = :site AND g.holds_seat = 1 AND '.Sql::holds('g'),
                ['site' => Id::binary($site), 'now' => Instant::toSql($now)],
            ) as $row
        ) {
            $sections[$row->id('person_id')] = $row->list('sections');
        }

        return $sections;
    }

    /**
     * @param list<string> $people ids
     *
     * @return list<string> those of them who are listed in a roster now
     */
    public function listed(string $site, array $people, int $now): array
    {
        $sql = 'SELECT g.person_id FROM enrollment_segment g
                WHERE g.site_id = :site AND g.person_id IN (:people) AND g.listed = 1 AND '.Sql::holds('g');
        $values = ['site' => Id::binary($site), 'people' => self::binary($people), 'now' => Instant::toSql($now)];

        return array_map(
            static fn(Row $row): string => $row->id('person_id'),
            [] === $people ? [] : $this->rows($sql, $values),
        );
    }

    /**
     * @param list<string> $people ids
     *
     * @return array<string, string> names by id
     */
    public function names(array $people): array
    {
        $found = [] === $people ? [] : $this->findBy(['id' => $people]);
        $names = [];
        foreach ($found as $person) {
            $names[$person->id] = $person->name();
        }

        return $names;
    }
}
