<?php

declare(strict_types=1);

namespace MintDoor\Core\Changes;

use MintDoor\Core\People\Person;
use MintDoor\Core\Roles\RoleBook;
use MintDoor\Core\Roles\Standing;
use MintDoor\Core\Roster\Enrollment;
use MintDoor\Core\Roster\LeadTimeline;
use MintDoor\Core\Roster\SeatsHeld;
use MintDoor\Core\Sites\Site;

/** The snapshot a line is computed from: as it is, and the rules. */
final readonly class ChangeContext
{
    /**
     * @param SeatsHeld                  $seats      held in the site, by everybody; of no interest where they have no
     *     limit
     * @param list<LeadTimeline> $otherLeads timelines of the others who lead or will, and the instant each
     *     one's account closes
     * @param string                     $staff       id of the door of the site's staff
     */
    public function __construct(
        public int $now,
        public Site $site,
        public RoleBook $roles,
        public Person $person,
        public Enrollment $enrollment,
        public Standing $actor,
        public SeatsHeld $seats,
        public array $otherLeads,
        public string $staff,
    ) {}

    /** The same, with another enrollment. */
    public function with(Enrollment $enrollment): self
    {
        return new self(
            $this->now,
            $this->site,
            $this->roles,
            $this->person,
            $enrollment,
            $this->actor,
            $this->seats,
            $this->otherLeads,
            $this->staff,
        );
    }

    /** The same, as somebody else would do it. */
    public function by(Standing $actor): self
    {
        return new self(
            $this->now,
            $this->site,
            $this->roles,
            $this->person,
            $this->enrollment,
            $actor,
            $this->seats,
            $this->otherLeads,
            $this->staff,
        );
    }
}
