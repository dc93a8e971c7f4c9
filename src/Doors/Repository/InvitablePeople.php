<?php

declare(strict_types=1);

namespace MintDoor\Doors\Repository;

use MintDoor\People\Entity\Person;
use MintDoor\People\PersonRow;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Row;
use MintDoor\Shared\Sql;

/**
 * People with what they are in a site, as inviting them wants it. By hand: a thousand at once (`bin/bench`: people
 * invited).
 *
 * @extends BaseRepository<Person>
 */
final class InvitablePeople extends BaseRepository
{
    protected const ENTITY = Person::class;

    /**
     * @param list<string> $ids
     *
     * @return array<string, Row> with `PersonRow::COLUMNS`, `gone` and `state`, by id
     */
    public function of(string $site, array $ids, int $now): array
    {
        $people = [];
        $sql = 'SELECT '.PersonRow::COLUMNS.', p.gone, g.state
            FROM '.PersonRow::TABLES.'
            LEFT JOIN enrollment_segment g ON g.site_id = :site AND g.person_id = p.id AND '.Sql::holds('g').'
            WHERE p.id IN (:ids)';
        $values = ['site' => Id::binary($site), 'now' => Instant::toSql($now), 'ids' => self::binary($ids)];
        foreach ([] === $ids ? [] : $this->rows($sql, $values) as $row) {
            $people[$row->id('person_id')] = $row;
        }

        return $people;
    }
}
