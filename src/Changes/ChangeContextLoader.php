<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use MintDoor\Core\Changes\ChangeListContext;
use MintDoor\Core\Roster\SeatsHeld;
use MintDoor\People\PersonRow;
use MintDoor\People\Repository\People;
use MintDoor\Roles\Roles;
use MintDoor\Roster\KeepsSeats;
use MintDoor\Roster\Repository\Enrollments;
use MintDoor\Roster\Repository\SiteDoors;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Locks;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Row;
use MintDoor\Weeks\Meetings;
use Symfony\Component\DependencyInjection\Attribute\AutowireIterator;

/** Reads what is, as the core wants it. */
final readonly class ChangeContextLoader
{
    /** @param iterable<KeepsSeats> $keepers */
    public function __construct(
        private People $people,
        private SiteDoors $doors,
        private Enrollments $enrollments,
        private Roles $roles,
        private Locks $locks,
        private Meetings $meetings,
        #[AutowireIterator(KeepsSeats::class)] private iterable $keepers,
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
        $found = $this->people->byId($people);
        if (\count($found) < \count(array_unique($people))) {
            throw Problem::notFound('person');
        }

        return $found;
    }

    /**
     * @param array<string, Row> $people     by id
     * @param ?string            $invitation that one of them answers
     * @param bool               $keepAll    whether seats that are kept for them are kept from the others of them
     */
    public function of(
        SiteAccess $access,
        array $people,
        ?string $invitation = null,
        bool $keepAll = false,
    ): ChangeListContext {
        $site = $access->site->id;
        $kept = $this->kept($access, $keepAll ? [] : array_keys($people), $invitation);

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
                    array_sum($kept),
                    $access->site->seats,
                    \count($people),
                ),
            $this->enrollments->leads($site, $access->now),
            $this->doors->idOfStaff($site),
            $this->enrollments->sectionsHeld($access->site, $access->now)->keeping($kept),
            $this->meetings->commitments($access, array_map(strval(...), array_keys($people))),
        );
    }

    /**
     * Seats that are kept for others than these: offers that are open, and invitations whose door says so.
     *
     * @param list<string> $people ids
     *
     * @return array<string, int> by section
     */
    private function kept(SiteAccess $access, array $people, ?string $invitation): array
    {
        $kept = [];
        foreach ($this->keepers as $keeper) {
            foreach ($keeper->kept($access->site->id, $people, $invitation, $access->now) as $section => $seats) {
                $kept[$section] = ($kept[$section] ?? 0) + $seats;
            }
        }

        return $kept;
    }
}
