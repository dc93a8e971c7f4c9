<?php

declare(strict_types=1);

namespace MintDoor\Doors\Repository;

use MintDoor\Doors\SentenceDoor;
use MintDoor\Roster\Entity\Door;
use MintDoor\Roster\Entity\EnrollmentSegment;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Row;
use MintDoor\Shared\Sql;

/**
 * Doors that are set up as sentences.
 *
 * @extends BaseRepository<Door>
 */
final class SentenceDoors extends BaseRepository
{
    protected const ENTITY = Door::class;

    private const MOST = 300;

    /** @throws Problem of type `NotFound` */
    public function inSite(string $site, string $id): SentenceDoor
    {
        $door = $this->findOneBy(['id' => $id, 'site' => $site]);

        return null === $door?->terms ? throw Problem::notFound('door') : SentenceDoor::of($door);
    }

    /**
     * One of whichever site, where that is still there.
     *
     * @throws Problem of type `NotFound`
     */
    public function anywhere(string $id): SentenceDoor
    {
        $door = $this->find($id);

        return null === $door?->terms || $door->site->takenBack
            ? throw Problem::notFound('door')
            : SentenceDoor::of($door);
    }

    /** @return list<Door> all doors of a site, also those that are just there */
    public function all(string $site, ?string $only): array
    {
        return $this->findBy(['site' => $site, ...null === $only ? [] : ['id' => $only]], ['id' => 'ASC']);
    }

    /** @return list<string> ids of the key doors of a site */
    public function keyDoors(string $site): array
    {
        return array_map(static fn(Door $door): string => $door->id, $this->findBy(['site' => $site, 'kind' => 'key']));
    }

    /**
     * Key doors from which those go again who never come. By hand: the policy is asked inside the JSON.
     *
     * @return list<SentenceDoor>
     */
    public function withQuietRule(): array
    {
        $rows = $this->rows(
            <<<'SQL'
                SELECT id
                FROM door
                WHERE kind = 'key' AND terms IS NOT NULL
                    AND COALESCE(JSON_VALUE(terms, '$.quietDays'), JSON_VALUE(terms, '$.quietMeetings')) IS NOT NULL
                SQL,
        );

        return array_map(fn(Row $row): SentenceDoor => $this->anywhere($row->id('id')), $rows);
    }

    /**
     * Doors one may ask at without a key, that are open now. By hand: the policy is asked inside the JSON.
     *
     * @return list<SentenceDoor> by the title of the site
     */
    public function listed(int $now): array
    {
        $rows = $this->rows(
            "SELECT o.id
             FROM door o
             JOIN site s ON s.id = o.site_id
             WHERE o.kind = 'key' AND o.state = 'open' AND ".Sql::holds('o')."
                AND JSON_VALUE(o.terms, '$.listed') = 1 AND s.taken_back = 0 AND s.closes_at > :now
             ORDER BY s.title
             LIMIT ".self::MOST,
            ['now' => Instant::toSql($now)],
        );

        return $this->inOrder(array_map(static fn(Row $row): string => $row->id('id'), $rows));
    }

    /**
     * Key doors of the sites somebody is in now, in one of the roles.
     *
     * @param list<string> $roles
     *
     * @return list<SentenceDoor> by the title of the site, then by name
     */
    public function keyDoorsOf(string $person, array $roles, int $now): array
    {
        $segment = EnrollmentSegment::class;
        $query = $this->createQueryBuilder('d')
            ->addSelect('s', 't')
            ->join('d.site', 's')
            ->join('s.term', 't')
            ->join(\MintDoor\Doors\Entity\DoorKey::class, 'k', 'WITH', 'k.door = d')
            ->where('s.takenBack = false')
            ->andWhere(<<<DQL
                s.id IN (
                    SELECT gs.id
                    FROM $segment g
                    JOIN g.site gs
                    WHERE g.person = :person AND g.fromAt <= :now AND g.untilAt > :now AND g.state = 'current'
                        AND g.role IN (:roles)
                )
                DQL)
            ->setParameter('person', $person, 'id')
            ->setParameter('now', $now, 'instant')
            ->setParameter('roles', $roles ?: [''])
            ->orderBy('s.title')
            ->addOrderBy('d.name')
            ->setMaxResults(self::MOST);
        $doors = [];
        foreach ($query->getQuery()->getResult() as $door) {
            \assert($door instanceof Door);
            $doors[] = SentenceDoor::of($door);
        }

        return $doors;
    }

    /**
     * What stands at doors belongs to the sites that they are of now. By hand: they may be thousands.
     *
     * @param list<string> $doors ids
     */
    public function followed(array $doors): void
    {
        foreach ([] === $doors ? [] : ['invitation', 'waiter', 'door_try'] as $table) {
            $this->execute(
                "UPDATE $table x JOIN door d ON d.id = x.door_id SET x.site_id = d.site_id WHERE d.id IN (?)",
                [self::binary($doors)],
            );
        }
        // Whoever is warned that they go for never coming is warned anew where they come to.
        [] === $doors || $this->execute('DELETE FROM quiet WHERE door_id IN (?)', [self::binary($doors)]);
    }

    /**
     * @param list<string> $sections ids
     *
     * @return int how many wait for a seat in one of them that they chose themselves
     */
    public function waitingFor(string $site, array $sections): int
    {
        return $this->number('SELECT COUNT(*) FROM waiter WHERE site_id = ? AND waits = 1 AND section_id IN (?)', [
            Id::binary($site),
            self::binary($sections),
        ]);
    }

    /**
     * @param list<string> $ids
     *
     * @return list<SentenceDoor> with their sites
     */
    private function inOrder(array $ids): array
    {
        $door = Door::class;
        $dql = "SELECT d, s FROM $door d JOIN d.site s WHERE d.id IN (:ids)";
        $byId = [];
        foreach ([] === $ids ? [] : $this->dql($dql, ['ids' => $ids])->getResult() as $found) {
            \assert($found instanceof Door);
            $byId[$found->id] = SentenceDoor::of($found);
        }

        return array_values(array_map(static fn(string $id): SentenceDoor => $byId[$id], $ids));
    }
}
