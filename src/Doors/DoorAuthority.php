<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Core\Roles\RoleVerdict;
use MintDoor\Core\Roles\Standing;
use MintDoor\Core\Roster\DoorKind;
use MintDoor\Roster\Keepers;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Problem;

/**
 * With whose rights a door lets people in: those of who stands behind it, as they are when it is used. Nobody gives at
 * a door what they may not give by hand.
 */
final readonly class DoorAuthority
{
    public function __construct(private Keepers $keepers) {}

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
        return $this->keepers->standing($site, $keeper);
    }

    /** Whether a role may be given to any kind of person a door lets in. */
    public function verdict(SiteAccess $access, DoorPolicy $policy): RoleVerdict
    {
        return $this->keepers->verdict($access, $policy->role, $policy->divisions[0] ?? null, $policy->lowest);
    }
}
