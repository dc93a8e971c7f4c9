<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use MintDoor\Core\Changes\ChangeListContext;
use MintDoor\Core\Roster\SeatsHeld;
use MintDoor\People\PersonRow;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Enrollments;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Locks;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Row;

/** Reads what is, as the core wants it. */
final readonly class ChangeContextLoader
{
    public function __construct(
        private Connection $db,
        private Enrollments $enrollments,
        private Roles $roles,
        private Locks $locks,
    ) {}

    /**
     * People as they are; inside a transaction they stay so until its end.
     *
     * @param list<string> $people ids
     *
     * @return array<string, Row> by id
     *
     * @throws Problem when there is no such person
     */
    public function people(array $people): array
    {
        $this->locks->people($people);
        $found = [];
        foreach (
            Row::all(
                $this->db->fetchAllAssociative(
                    'SELECT '.PersonRow::COLUMNS.', p.gone FROM '.PersonRow::TABLES.' WHERE p.id IN (?)',
                    [array_map(Id::binary(...), $people)],
                    [ArrayParameterType::BINARY],
                ),
            ) as $row
        ) {
            $found[$row->id('person_id')] = $row;
        }
        if (\count($found) < \count(array_unique($people))) {
            throw Problem::notFound('This person');
        }

        return $found;
    }

    /**
     * @param array<string, Row> $people     by id
     * @param ?string            $invitation that one of them answers
     */
    public function of(SiteAccess $access, array $people, ?string $invitation = null): ChangeListContext
    {
        $site = $access->site->id;
        $staff = $this->db->fetchOne('SELECT id FROM door WHERE site_id = ? AND kind = \'staff\' ORDER BY id LIMIT 1', [
            Id::binary($site),
        ]);

        return new ChangeListContext(
            $access->now,
            $access->site,
            $this->roles->book(),
            $access->standing,
            array_map(PersonRow::person(...), $people),
            $this->enrollments->ofPeople($site, array_keys($people)),
            null === $access->site->seats
                ? SeatsHeld::none($access->now)
                : $this->enrollments->seats(
                    $site,
                    $access->now,
                    $this->kept($access, array_keys($people), $invitation),
                ),
            $this->enrollments->leads($site, $access->now),
            \is_string($staff) ? Id::text($staff) : throw new \LogicException('Every site has a door for its staff.'),
        );
    }

    /**
     * Seats that are kept for others than these: offers that are open, and invitations whose door says so.
     *
     * @param list<string> $people ids
     */
    private function kept(SiteAccess $access, array $people, ?string $invitation): int
    {
        $now = Instant::toSql($access->now);
        $these = array_map(Id::binary(...), $people) ?: [''];
        $kept = $this->db->fetchOne(
            <<<'SQL'
                SELECT (SELECT COUNT(*) FROM waiter WHERE site_id = ? AND waits = 1 AND offered_until > ?
                    AND person_id NOT IN (?)) + (SELECT COUNT(*) FROM invitation WHERE site_id = ? AND unanswered = 1
                    AND holds = 1 AND lapses_at > ? AND id <> ? AND (person_id IS NULL OR person_id NOT IN (?)))
                SQL,
            [
                Id::binary($access->site->id),
                $now,
                $these,
                Id::binary($access->site->id),
                $now,
                null === $invitation ? '' : Id::binary($invitation),
                $these,
            ],
            [2 => ArrayParameterType::BINARY, 6 => ArrayParameterType::BINARY],
        );

        return is_numeric($kept) ? (int) $kept : 0;
    }
}
