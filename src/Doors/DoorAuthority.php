<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Core\People\Person;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Roles\RoleVerdict;
use MintDoor\Core\Roles\Standing;
use MintDoor\Core\Roster\DoorKind;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Gate;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\CallerProvider;
use MintDoor\Shared\Id;
use MintDoor\Shared\Problem;
use Symfony\Component\Security\Core\Exception\UserNotFoundException;

/**
 * With whose rights a door lets people in: those of who stands behind it, as they are when it is used. Nobody gives at
 * a door what they may not give by hand.
 */
final readonly class DoorAuthority
{
    public function __construct(private Roles $roles, private Gate $gate, private CallerProvider $callers) {}

    /** A door that somebody else set up is used only by those who could have. */
    public function assertMayGive(SiteAccess $access, SentenceDoor $door): void
    {
        if (!$this->gives($access, $door->kind, $door->policy)) {
            throw Problem::notAllowed('doors.not-give-role-door');
        }
    }

    /** Whether somebody may give by hand what a door gives. */
    public function gives(SiteAccess $access, DoorKind $kind, DoorPolicy $policy): bool
    {
        return DoorKind::Preview === $kind || $this->verdict($access, $policy)->allowed;
    }

    /**
     * Whether whoever keeps a door may still give by hand what it gives: otherwise it lets nobody in.
     *
     * @param ?Standing $standing of its keeper (`keeper()`)
     */
    public function backed(SiteAccess $access, SentenceDoor $door, ?Standing $standing): bool
    {
        return null !== $standing
            && $this->gives(
                new SiteAccess($access->site, $access->row, $access->caller, $standing, null, $access->now),
                $door->kind,
                $door->policy,
            );
    }

    /** What whoever keeps a door, or sent an invitation, is in its site now; null where they are nothing there. */
    public function keeper(string $site, ?string $keeper): ?Standing
    {
        try {
            return null === $keeper ? null : $this->gate->standing($site, $this->callers->byId($keeper));
        } catch (UserNotFoundException) {
            return null;
        }
    }

    /** Whether a role may be given to any kind of person a door lets in. */
    public function verdict(SiteAccess $access, DoorPolicy $policy): RoleVerdict
    {
        $book = $this->roles->book();
        $role = $book->find($policy->role);
        $refused = null;
        foreach ($role->for ?? [] as $kind) {
            $level =
                PersonKind::Learner === $kind
                    ? $policy->lowest ?? ($role->learnersOf->lowest ?? ($access->site->levels->lowest ?? 1))
                    : null;
            $somebody = new Person(Id::NONE, $kind, $policy->divisions[0] ?? $access->site->division, $level);
            $verdict = $book->mayGive($policy->role, $access->standing, $somebody, $access->site);
            if ($verdict->allowed) {
                return $verdict;
            }
            $refused = str_starts_with($verdict->code, 'not-') ? $verdict : $refused ?? $verdict;
        }

        return $refused ?? RoleVerdict::no('no-such-role');
    }
}
