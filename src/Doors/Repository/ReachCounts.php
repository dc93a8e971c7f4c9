<?php

declare(strict_types=1);

namespace MintDoor\Doors\Repository;

use MintDoor\Core\Doors\Standers;
use MintDoor\Core\People\Person as CorePerson;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Roster\Segment;
use MintDoor\Core\Roster\State;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;
use MintDoor\People\Entity\Person;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Row;
use MintDoor\Shared\Sql;

/**
 * Everybody who has an account, counted by what is alike of them for the rules of a door. By hand: 200,000 people are
 * counted while its sentence is written (`bin/bench`: reach of a door).
 *
 * @extends BaseRepository<Person>
 */
final class ReachCounts extends BaseRepository
{
    protected const ENTITY = Person::class;

    /**
     * @param list<string> $domains of addresses that are told apart
     *
     * @return list<Standers>
     */
    public function alike(string $site, array $domains, int $now): array
    {
        $domain = [] === $domains
            ? "'any'"
            : "IF(SUBSTRING_INDEX(p.email, '@', -1) IN (:domains), SUBSTRING_INDEX(p.email, '@', -1), 'any')";
        $closed = "IF(a.closed_from <= :now, a.closed_from, '9999-12-31 00:00:00')";
        $rows = $this->rows(
            "SELECT p.kind AS person_kind, pd.code AS person_division, p.level, $closed AS closed_from,
                IF(p.email IS NULL, NULL, CONCAT('x@', $domain)) AS address, g.state, COUNT(*) AS people
             FROM person p
             JOIN division pd ON pd.id = p.division_id
             JOIN account a ON a.person_id = p.id
             LEFT JOIN enrollment_segment g ON g.site_id = :site AND g.person_id = p.id AND ".Sql::holds('g')."
             WHERE p.gone IS NULL
             GROUP BY p.kind, pd.code, p.level, $closed, address, g.state",
            [
                'now' => Instant::toSql($now),
                'site' => Id::binary($site),
                ...[] === $domains ? [] : ['domains' => $domains],
            ],
        );

        return array_map(self::standers(...), $rows);
    }

    private static function standers(Row $row): Standers
    {
        $state = $row->stringOrNull('state');

        return new Standers(
            new CorePerson(
                '',
                PersonKind::from($row->string('person_kind')),
                $row->string('person_division'),
                $row->intOrNull('level'),
                $row->instant('closed_from'),
            ),
            $row->stringOrNull('address'),
            null === $state ? null : new Segment(new Window(), State::from($state), [], false, Time::BEGINNING),
            $row->int('people'),
        );
    }
}
