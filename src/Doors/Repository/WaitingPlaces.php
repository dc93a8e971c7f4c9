<?php

declare(strict_types=1);

namespace MintDoor\Doors\Repository;

use MintDoor\Accounts\ErasesTraces;
use MintDoor\Accounts\Traces;
use MintDoor\Core\Doors\Waiter;
use MintDoor\Core\Doors\WaitingList;
use MintDoor\Doors\DoorContext;
use MintDoor\Doors\Entity\WaitingRecord;
use MintDoor\Doors\SentenceDoor;
use MintDoor\People\Entity\Person;
use MintDoor\Roster\Entity\Section;
use MintDoor\Roster\KeepsSeats;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Row;
use MintDoor\Shared\Sql;
use MintDoor\Sites\Entity\Site;

/**
 * Who waits at doors, and for what.
 *
 * @extends BaseRepository<WaitingRecord>
 */
final class WaitingPlaces extends BaseRepository implements ErasesTraces, KeepsSeats
{
    protected const ENTITY = WaitingRecord::class;

    /** @param 'seat'|'approval' $for */
    public function stand(DoorContext $at, string $for, ?string $section, string $why): void
    {
        $this->add(new WaitingRecord(
            $this->reference(Site::class, $at->access->site->id),
            $at->door->door,
            $this->reference(Person::class, $at->person->id('person_id')),
            $for,
            'waiting',
            $at->access->now,
            section: $this->reference(Section::class, $section),
            why: '' === trim($why) ? null : trim($why),
        ));
        $this->flush();
    }

    public function at(string $door, string $person): ?WaitingRecord
    {
        return $this->findOneBy(['door' => $door, 'person' => $person, 'waits' => true]);
    }

    public function own(int $id, string $person): ?WaitingRecord
    {
        return $this->findOneBy(['id' => $id, 'person' => $person]);
    }

    /** @return list<WaitingRecord> with their sites, the oldest first */
    public function of(string $person): array
    {
        /** @var list<WaitingRecord> */
        return $this->createQueryBuilder('w')
            ->addSelect('s')
            ->join('w.site', 's')
            ->where('w.person = :person AND w.waits = true')
            ->setParameter('person', $person, 'id')
            ->orderBy('w.id')
            ->getQuery()
            ->getResult();
    }

    /**
     * @param non-empty-list<int> $ids
     *
     * @return list<WaitingRecord> those of a site that still wait, with their doors, the oldest first
     */
    public function some(string $site, array $ids): array
    {
        /** @var list<WaitingRecord> */
        return $this->createQueryBuilder('w')
            ->addSelect('d')
            ->join('w.door', 'd')
            ->where('w.site = :site AND w.waits = true AND w.id IN (:ids)')
            ->setParameter('site', $site, 'id')
            ->setParameter('ids', $ids)
            ->orderBy('w.id')
            ->getQuery()
            ->getResult();
    }

    /** @return list<WaitingRecord> those who wait for a seat of a site, with their doors, in the order of the list */
    public function forSeats(string $site): array
    {
        /** @var list<WaitingRecord> */
        return $this->createQueryBuilder('w')
            ->addSelect('d')
            ->join('w.door', 'd')
            ->where("w.site = :site AND w.waits = true AND w.what = 'seat'")
            ->setParameter('site', $site, 'id')
            ->orderBy('w.ahead', 'DESC')
            ->addOrderBy('w.id')
            ->getQuery()
            ->getResult();
    }

    public function list(string $site): WaitingList
    {
        return self::listOf($this->forSeats($site));
    }

    /** @param list<WaitingRecord> $waiting */
    public static function listOf(array $waiting): WaitingList
    {
        return new WaitingList(
            array_map(
                static fn(WaitingRecord $one): Waiter => new Waiter(
                    (int) $one->id,
                    $one->person->id,
                    $one->door->id,
                    $one->ahead,
                    $one->offeredUntil,
                    SentenceDoor::of($one->door)->policy->section ?? $one->section?->id,
                ),
                $waiting,
            ),
        );
    }

    /** How far ahead whoever is moved up next comes. */
    public function front(string $site): int
    {
        $waiting = WaitingRecord::class;
        $most = $this->dql(
            "SELECT MAX(w.ahead) FROM $waiting w WHERE w.site = :site AND w.waits = true AND w.what = 'seat'",
            ['site' => $site],
        );

        return 1 + (int) $most->getSingleScalarResult();
    }

    /**
     * What somebody is in a site while they wait there.
     *
     * @return array<string, string> state by person; who is nothing there is missing
     */
    public function states(string $site, int $now): array
    {
        $states = [];
        foreach (
            $this->rows(
                'SELECT g.person_id, g.state
                 FROM waiter w
                 JOIN enrollment_segment g ON g.site_id = w.site_id AND g.person_id = w.person_id
                    AND '.Sql::holds('g').'
                 WHERE w.site_id = :site AND w.waits = 1',
                ['site' => Id::binary($site), 'now' => Instant::toSql($now)],
            ) as $row
        ) {
            $states[$row->id('person_id')] = $row->string('state');
        }

        return $states;
    }

    /**
     * How many wait for a seat of a site, and of those how many have none offered and are not this person, and how many
     * of these wait at a door. By hand: a thousand come in at once (`bin/bench`: joining).
     *
     * @return Row with `waiting`, `others` and `here`
     */
    public function before(string $site, string $person, string $door): Row
    {
        return $this->row(
            <<<'SQL'
                SELECT COUNT(*) AS waiting,
                    COALESCE(SUM(offered_until IS NULL AND person_id <> :person), 0) AS others,
                    COALESCE(SUM(offered_until IS NULL AND person_id <> :person AND door_id = :door), 0) AS here
                FROM waiter
                WHERE site_id = :site AND waits = 1 AND what = 'seat'
                SQL,
            ['person' => Id::binary($person), 'door' => Id::binary($door), 'site' => Id::binary($site)],
        )
        ?? new Row([]);
    }

    /**
     * How many seats of a door are held, or kept for others than somebody.
     *
     * @param list<string> $states in which a seat is held
     */
    public function through(string $door, string $butFor, array $states, int $now): int
    {
        return $this->number(
            'SELECT (
                SELECT COUNT(*)
                FROM access_grant w
                JOIN enrollment_segment g ON g.site_id = w.site_id AND g.person_id = w.person_id
                    AND '.Sql::holds('g').' AND g.state IN (:states)
                WHERE w.door_id = :door AND w.live = 1 AND w.accepted_at <= :now
             ) + (
                SELECT COUNT(*)
                FROM waiter
                WHERE door_id = :door AND waits = 1 AND offered_until > :now AND person_id <> :person
             )',
            [
                'door' => Id::binary($door),
                'person' => Id::binary($butFor),
                'states' => $states,
                'now' => Instant::toSql($now),
            ],
        );
    }

    /** Nobody waits there with it any more. */
    public function close(string $door, string $person, string $state, ?string $by, int $now): void
    {
        $waiting = $this->at($door, $person);
        if (null !== $waiting) {
            $waiting->end($state, $by, $now);
            $this->flush();
        }
    }

    /** @return list<string> ids of the sites where somebody waits for a seat */
    public function sites(): array
    {
        $rows = $this->rows("SELECT DISTINCT site_id FROM waiter WHERE waits = 1 AND what = 'seat'");

        return array_map(static fn(Row $row): string => $row->id('site_id'), $rows);
    }

    /** Offers that are open keep a seat. */
    public function kept(string $site, array $people, ?string $invitation, int $now): array
    {
        $kept = [];
        foreach (
            $this->rows(
                <<<'SQL'
                    SELECT w.section_id AS chosen, NULLIF(JSON_VALUE(d.terms, '$.section'), '') AS said
                    FROM waiter w
                    JOIN door d ON d.id = w.door_id
                    WHERE w.site_id = ? AND w.waits = 1 AND w.offered_until > ? AND w.person_id NOT IN (?)
                    SQL,
                [Id::binary($site), Instant::toSql($now), self::binary($people) ?: ['']],
            ) as $row
        ) {
            $section = $row->stringOrNull('said') ?? (string) $row->idOrNull('chosen');
            $kept[$section] = ($kept[$section] ?? 0) + 1;
        }

        return $kept;
    }

    public function erase(Traces $traces): void
    {
        $this->execute('UPDATE waiter SET why = NULL, moved_why = NULL WHERE person_id = ?', [
            Id::binary($traces->person),
        ]);
    }
}
