<?php

declare(strict_types=1);

namespace MintDoor\Doors\Repository;

use MintDoor\Core\Platform\Starter;
use MintDoor\Core\Roster\State;
use MintDoor\Doors\Entity\StarterDoor;
use MintDoor\Roster\Entity\Door;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Row;
use MintDoor\Shared\Sql;

/**
 * The doors of starters, and who is to come or to go by them. By hand: whole divisions are held against whole sites
 * every few seconds, and mostly nobody is found.
 *
 * @extends BaseRepository<StarterDoor>
 */
final class StarterDoors extends BaseRepository
{
    protected const ENTITY = StarterDoor::class;

    public const AT_ONCE = 200;

    /** Nobody has such a level. */
    private const BELOW_ALL = -1;

    private const BELONGS = 'p.gone IS NULL AND d.code IN (:divisions)
        AND (p.kind IN (:kinds) OR p.own_kind IN (:kinds))
        AND (:lowest < 0 OR COALESCE(p.level, -1) BETWEEN :lowest AND :highest)';

    /** @return array<string, StarterDoor> by `Starter::key()` */
    public function byKey(): array
    {
        $all = [];
        $query = $this->createQueryBuilder('x')
            ->addSelect('o', 's')
            ->join('x.door', 'o')
            ->join('o.site', 's');
        foreach ($query->getQuery()->getResult() as $one) {
            \assert($one instanceof StarterDoor);
            $all[$one->key()] = $one;
        }

        return $all;
    }

    /** A door that is kept from now on, or was kept before. */
    public function keep(Door $door, Starter $starter): void
    {
        $this->add(new StarterDoor($door, $starter->division, $starter->site, $starter->role));
        $this->flush();
    }

    /**
     * Ids of sites by their short codes; those that are not there are missing.
     *
     * @param list<string> $codes
     *
     * @return array<string, string>
     */
    public function sites(array $codes): array
    {
        $rows = [] === $codes
            ? []
            : $this->rows('SELECT id, code FROM site WHERE code IN (?) AND taken_back = 0', [
                $codes,
            ]);

        return array_combine(
            array_map(static fn(Row $row): string => $row->string('code'), $rows),
            array_map(static fn(Row $row): string => $row->id('id'), $rows),
        );
    }

    /**
     * Some who belong there, are not there, and whom no staff removed.
     *
     * @param list<string> $divisions codes of the starter's and of those below it
     * @param ?string      $after     id of the last who was found before; null for the first
     *
     * @return list<string> ids, in their order
     */
    public function missing(
        string $site,
        Starter $starter,
        array $divisions,
        int $now,
        int $most,
        ?string $after = null,
    ): array {
        return $this->ids(
            'SELECT p.id AS person
             FROM person p
             JOIN division d ON d.id = p.division_id
             WHERE p.id > :after AND '.self::BELONGS.'
                AND NOT EXISTS (
                    SELECT 1 FROM enrollment_segment g
                    WHERE g.site_id = :site AND g.person_id = p.id AND g.state IN (:here) AND '.Sql::holds('g')."
                )
                AND NOT EXISTS (
                    SELECT 1
                    FROM enrollment_override o
                    LEFT JOIN access_grant w ON w.id = o.grant_id
                    LEFT JOIN door x ON x.id = w.door_id
                    WHERE o.site_id = :site AND o.person_id = p.id AND o.until_at > :now AND (
                        o.kind = 'blocked'
                        OR o.height > 0 AND (o.kind = 'withdrawn' OR o.kind = 'undone' AND x.kind <> 'staff')
                    )
                )
             ORDER BY p.id
             LIMIT $most",
            [
                ...self::belonging($starter, $divisions),
                'site' => Id::binary($site),
                'now' => Instant::toSql($now),
                'after' => null === $after ? '' : Id::binary($after),
            ],
        );
    }

    /**
     * Some whom the door brought and who do not belong there any more.
     *
     * @param ?Starter     $starter   null where it is none any more: nobody belongs there
     * @param list<string> $divisions codes of the starter's and of those below it
     *
     * @return list<string> ids
     */
    public function over(string $door, ?Starter $starter, array $divisions, int $now, int $most): array
    {
        return $this->ids(
            'SELECT w.person_id AS person
             FROM access_grant w
             JOIN person p ON p.id = w.person_id
             JOIN division d ON d.id = p.division_id
             WHERE w.door_id = :door AND w.live = 1 AND w.until_at > :now AND NOT ('.self::BELONGS.")
                AND NOT EXISTS (
                    SELECT 1 FROM enrollment_override o
                    WHERE o.grant_id = w.id AND o.kind IN ('withdrawn', 'undone') AND o.until_at > :now
                )
             ORDER BY w.person_id
             LIMIT $most",
            [...self::belonging($starter, $divisions), 'door' => Id::binary($door), 'now' => Instant::toSql($now)],
        );
    }

    /**
     * @param list<string> $divisions
     *
     * @return array<string, mixed>
     */
    private static function belonging(?Starter $starter, array $divisions): array
    {
        return [
            'divisions' => $divisions ?: [''],
            'kinds' => $starter->kinds ?? [''],
            'lowest' => $starter->lowest ?? self::BELOW_ALL,
            'highest' => $starter->highest ?? self::BELOW_ALL,
        ];
    }

    /**
     * @param array<string, mixed> $values
     *
     * @return list<string>
     */
    private function ids(string $sql, array $values): array
    {
        $here = str_contains($sql, ':here') ? ['here' => State::valuesHere()] : [];

        return array_map(static fn(Row $row): string => $row->id('person'), $this->rows($sql, [...$values, ...$here]));
    }
}
