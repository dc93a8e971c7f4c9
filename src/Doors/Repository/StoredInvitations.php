<?php

declare(strict_types=1);

namespace MintDoor\Doors\Repository;

use MintDoor\Accounts\ErasesTraces;
use MintDoor\Accounts\Traces;
use MintDoor\Doors\Entity\Invitation;
use MintDoor\Doors\SentInvitation;
use MintDoor\People\Entity\Person;
use MintDoor\People\PersonRow;
use MintDoor\Roster\Entity\Door;
use MintDoor\Roster\KeepsSeats;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\BulkWriter;
use MintDoor\Shared\Forgets;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Keeping;
use MintDoor\Shared\Row;
use MintDoor\Sites\Entity\Site;

/**
 * Invitations. Written by hand where a thousand are invited at once (`bin/bench`: people invited).
 *
 * @extends BaseRepository<Invitation>
 */
final class StoredInvitations extends BaseRepository implements ErasesTraces, Forgets, KeepsSeats
{
    protected const ENTITY = Invitation::class;

    private const MOST = 5_000;

    private const BESIDE = <<<'SQL'
        SELECT i.id, %s, x.given_name AS x_given_name, x.family_name AS x_family_name,
            x.preferred_name AS x_preferred_name, m.state AS post, m.reason
        FROM invitation i
        LEFT JOIN person p ON p.id = i.person_id
        LEFT JOIN division pd ON pd.id = p.division_id
        LEFT JOIN account a ON a.person_id = p.id
        LEFT JOIN person x ON x.id = i.answered_by
        LEFT JOIN message m ON m.id = (SELECT MAX(o.id) FROM message o WHERE o.invitation_id = i.id)
        WHERE i.id IN (?)
        SQL;

    /** @param list<Invitation> $invitations */
    public function write(array $invitations): void
    {
        $rows = $this->bulk();
        foreach ($invitations as $one) {
            $rows->add('invitation', [
                'id' => BulkWriter::id($one->id),
                'site_id' => BulkWriter::id($one->site->id),
                'door_id' => BulkWriter::id($one->door->id),
                'person_id' => BulkWriter::id($one->person?->id),
                'address' => $one->address,
                'words' => $one->words,
                'holds' => $one->holds,
                'made_by' => BulkWriter::id($one->madeBy),
                'made_at' => Instant::toSql($one->madeAt),
                'lapses_at' => Instant::toSql($one->lapsesAt),
                'remind_at' => null === $one->remindAt ? null : Instant::toSql($one->remindAt),
            ]);
        }
        $rows->flush();
    }

    /** One that is not written yet. */
    public function begin(
        Door $door,
        ?string $person,
        string $address,
        string $words,
        string $by,
        int $now,
        int $lapses,
        bool $holds,
        ?int $remind,
    ): Invitation {
        return new Invitation(
            self::newId(),
            $this->reference(Site::class, $door->site->id),
            $door,
            $this->reference(Person::class, $person),
            $address,
            $words,
            $by,
            $now,
            $lapses,
            $holds,
            $remind,
        );
    }

    /** @return list<SentInvitation> of a door, the last first */
    public function ofDoor(string $door): array
    {
        return $this->withPost($this->findBy(['door' => $door], ['id' => 'DESC'], self::MOST));
    }

    /** @return list<SentInvitation> those of a site whose day it is: to be reminded, or over */
    public function due(string $site, int $now): array
    {
        /** @var list<Invitation> $due */
        $due = $this->createQueryBuilder('i')
            ->addSelect('d')
            ->join('i.door', 'd')
            ->where('i.site = :site AND i.unanswered = true AND (i.lapsesAt <= :now OR i.remindAt <= :now)')
            ->setParameter('site', $site, 'id')
            ->setParameter('now', $now, 'instant')
            ->orderBy('i.id', 'DESC')
            ->setMaxResults(self::MOST)
            ->getQuery()
            ->getResult();

        return $this->withPost($due);
    }

    /** @return list<string> ids of the sites that have such */
    public function dueSites(int $now): array
    {
        $rows = $this->rows(
            <<<'SQL'
                SELECT DISTINCT site_id FROM invitation WHERE unanswered = 1 AND lapses_at <= :now
                UNION
                SELECT DISTINCT site_id FROM invitation WHERE unanswered = 1 AND remind_at <= :now
                SQL,
            ['now' => Instant::toSql($now)],
        );

        return array_map(static fn(Row $row): string => $row->id('site_id'), $rows);
    }

    /** @return array<string, true> whom a door invites already: by id, or by address where nobody knows them */
    public function open(string $door): array
    {
        $open = [];
        $sql = 'SELECT address, person_id FROM invitation WHERE door_id = ? AND unanswered = 1';
        foreach ($this->rows($sql, [Id::binary($door)]) as $row) {
            $open[$row->idOrNull('person_id') ?? $row->string('address')] = true;
        }

        return $open;
    }

    /** Invitations that are open keep a seat where their door says so. */
    public function kept(string $site, array $people, ?string $invitation, int $now): array
    {
        $kept = [];
        foreach (
            $this->rows(
                <<<'SQL'
                    SELECT COALESCE(JSON_VALUE(d.terms, '$.section'), '') AS section
                    FROM invitation i
                    JOIN door d ON d.id = i.door_id
                    WHERE i.site_id = ? AND i.unanswered = 1 AND i.holds = 1 AND i.lapses_at > ? AND i.id <> ?
                        AND (i.person_id IS NULL OR i.person_id NOT IN (?))
                    SQL,
                [
                    Id::binary($site),
                    Instant::toSql($now),
                    null === $invitation ? '' : Id::binary($invitation),
                    self::binary($people) ?: [''],
                ],
            ) as $row
        ) {
            $section = $row->string('section');
            $kept[$section] = ($kept[$section] ?? 0) + 1;
        }

        return $kept;
    }

    public function forget(Keeping $keeping): void
    {
        $this->execute(
            <<<'SQL'
                UPDATE invitation
                SET words = '', address = ''
                WHERE made_at < ? AND unanswered IS NULL AND (words <> '' OR address <> '')
                SQL,
            [Instant::toSql($keeping->messagesFrom)],
        );
    }

    public function erase(Traces $traces): void
    {
        $this->execute(
            <<<'SQL'
                UPDATE invitation
                SET address = '', words = '', unanswered = NULL, remind_at = NULL
                WHERE person_id = :person OR answered_by = :person OR (address = :email AND address <> '')
                SQL,
            ['person' => Id::binary($traces->person), 'email' => $traces->email ?? ''],
        );
    }

    /**
     * @param list<Invitation> $invitations
     *
     * @return list<SentInvitation>
     */
    private function withPost(array $invitations): array
    {
        $beside = [];
        $ids = array_map(static fn(Invitation $one): string => $one->id, $invitations);
        $sql = \sprintf(self::BESIDE, PersonRow::COLUMNS);
        foreach ([] === $ids ? [] : $this->rows($sql, [self::binary($ids)]) as $row) {
            $beside[$row->id('id')] = $row;
        }

        return array_map(
            static fn(Invitation $one): SentInvitation => new SentInvitation($one, $beside[$one->id]),
            $invitations,
        );
    }
}
