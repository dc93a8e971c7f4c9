<?php

declare(strict_types=1);

namespace MintDoor\Core\Roster;

use MintDoor\Core\Roles\RoleBook;
use MintDoor\Core\Time\Window;

/** A stretch of an enrollment's timeline in which nothing changes. */
final readonly class Segment
{
    /**
     * @param list<string> $roles     codes, no repeats, in the order of the codes
     * @param bool         $holdsSeat whether a seat is held, if these roles take one
     * @param int          $since     when the person first came in here through a way in that still counts
     * @param list<string> $sections  ids of those they are in, no repeats, in their order
     */
    public function __construct(
        public Window $window,
        public State $state,
        public array $roles,
        public bool $holdsSeat,
        public int $since,
        public array $sections = [],
    ) {}

    /** Whether a seat is held: by an accepted grant that is not over, and a role that takes one. */
    public function takesSeat(RoleBook $roles): bool
    {
        return $this->holdsSeat && $roles->takeSeat($this->roles);
    }

    public function inSection(string $section): bool
    {
        return \in_array($section, $this->sections, true);
    }

    public function continues(self $before): bool
    {
        return $before->window->until === $this->window->from && $this->sameAs($before);
    }

    /** Whether it says the same of another stretch of time. */
    public function sameAs(self $other): bool
    {
        return $other->state === $this->state
            && $other->roles === $this->roles
            && $other->sections === $this->sections
            && $other->holdsSeat === $this->holdsSeat
            && $other->since === $this->since;
    }
}
