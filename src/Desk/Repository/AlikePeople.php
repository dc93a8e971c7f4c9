<?php

declare(strict_types=1);

namespace MintDoor\Desk\Repository;

use Doctrine\Persistence\ManagerRegistry;
use MintDoor\Desk\PeopleAlike;
use MintDoor\History\KeptUntilChange;
use MintDoor\People\Entity\Person;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Row;

/**
 * How many people are of which kind, division and level. By hand: all people are counted, once, and again when somebody
 * was changed.
 *
 * @extends BaseRepository<Person>
 */
final class AlikePeople extends BaseRepository
{
    protected const ENTITY = Person::class;

    public function __construct(ManagerRegistry $managers, private readonly KeptUntilChange $kept)
    {
        parent::__construct($managers);
    }

    /** @return list<PeopleAlike> */
    public function counted(): array
    {
        return $this->kept->get(
            'people by what they are',
            fn(): array => array_map(
                static fn(Row $row): PeopleAlike => new PeopleAlike(
                    $row->string('kind'),
                    $row->string('code'),
                    $row->intOrNull('level'),
                    $row->int('people'),
                    $row->stringOrNull('own_kind'),
                ),
                $this->rows(
                    <<<'SQL'
                        SELECT p.kind, p.own_kind, d.code, p.level, p.people
                        FROM (
                            SELECT kind, own_kind, division_id, level, COUNT(*) AS people
                            FROM person FORCE INDEX (in_order)
                            WHERE gone IS NULL
                            GROUP BY kind, own_kind, division_id, level
                        ) p
                        JOIN division d ON d.id = p.division_id
                        SQL,
                ),
            ),
        );
    }
}
