<?php

declare(strict_types=1);

namespace MintDoor\Accounts\Repository;

use MintDoor\People\Entity\Person;
use MintDoor\People\PersonRow;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Id;
use MintDoor\Shared\Row;

/**
 * People of one name. By hand: all of 200,000 are looked through (`bin/bench`: possible duplicates).
 *
 * @extends BaseRepository<Person>
 */
final class Namesakes extends BaseRepository
{
    protected const ENTITY = Person::class;

    private const AT_ONCE = 1_000;

    /**
     * @param ?list<string> $divisions codes of those whose people are looked at; null for all
     * @param int           $most      namesakes of one name; where more share it, it says nothing
     * @param int           $groups    names at most
     *
     * @return list<list<string>> ids of those of one name each, sorted
     */
    public function groups(?array $divisions, int $most, int $groups): array
    {
        $mine =
            null === $divisions
                ? ''
                : 'AND p.division_id IN (SELECT id FROM division WHERE code IN (:divisions))';
        $rows = $this->rows(
            "SELECT GROUP_CONCAT(HEX(p.id) ORDER BY p.id) AS ids
             FROM person p
             WHERE p.gone IS NULL AND p.sort_name <> '' $mine
             GROUP BY p.sort_name
             HAVING COUNT(*) BETWEEN 2 AND $most
             LIMIT $groups",
            null === $divisions ? [] : ['divisions' => $divisions ?: ['']],
        );

        return array_map(
            static fn(Row $row): array => array_map(
                static fn(string $hex): string => Id::text((string) hex2bin($hex)),
                explode(',', $row->string('ids')),
            ),
            $rows,
        );
    }

    /**
     * @param list<string> $people ids
     *
     * @return array<string, Row> with `PersonRow::COLUMNS` and `used_at`, by id
     */
    public function facts(array $people): array
    {
        $rows = [];
        foreach (array_chunk(array_unique($people), self::AT_ONCE) as $some) {
            $sql = 'SELECT '.PersonRow::COLUMNS.', a.used_at FROM '.PersonRow::TABLES.' WHERE p.id IN (?)';
            foreach ($this->rows($sql, [self::binary($some)]) as $row) {
                $rows[$row->id('person_id')] = $row;
            }
        }

        return $rows;
    }

    /**
     * @param list<string> $people ids
     *
     * @return array<string, int> in how many sites each is or was; who was in none is missing
     */
    public function sites(array $people): array
    {
        $sites = [];
        $sql = 'SELECT person_id, COUNT(*) AS sites FROM enrollment WHERE person_id IN (?) GROUP BY person_id';
        foreach ([] === $people ? [] : $this->rows($sql, [self::binary($people)]) as $row) {
            $sites[$row->id('person_id')] = $row->int('sites');
        }

        return $sites;
    }
}
