<?php

declare(strict_types=1);

namespace MintDoor\Core\Roster;

use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Time\Window;

/** A stretch of time in which somebody can enter a site or not, may the same and is the same there. */
final readonly class EntryStretch
{
    /**
     * @param ?State           $state       null where they were never there, or it was undone
     * @param list<string>     $roles       codes
     * @param list<Permission> $permissions what counts then: none for whoever cannot enter
     */
    public function __construct(
        public Window $window,
        public Entry $entry,
        public ?State $state,
        public array $roles,
        public array $permissions,
    ) {}

    /** Whether it says the same of another stretch of time. */
    public function sameAs(self $other): bool
    {
        return $this->entry === $other->entry
            && $this->state === $other->state
            && $this->roles === $other->roles
            && $this->permissions === $other->permissions;
    }
}
