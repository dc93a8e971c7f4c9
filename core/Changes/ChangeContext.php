<?php

declare(strict_types=1);

namespace MintDoor\Core\Changes;

use MintDoor\Core\People\Person;
use MintDoor\Core\Roles\RoleBook;
use MintDoor\Core\Roles\Standing;
use MintDoor\Core\Roster\Enrollment;
use MintDoor\Core\Roster\LeadTimeline;
use MintDoor\Core\Roster\SeatsHeld;
use MintDoor\Core\Roster\SectionsHeld;
use MintDoor\Core\Sites\Site;
use MintDoor\Core\Weeks\Commitments;

/** The snapshot a line is computed from: as it is, and the rules. */
final readonly class ChangeContext
{
    /**
     * @param SeatsHeld                  $seats      held in the site, by everybody; of no interest where they have no
     *     limit
     * @param list<LeadTimeline> $otherLeads timelines of the others who lead or will, and the instant each
     *     one's account closes
     * @param string                     $staff       id of the door of the site's staff
     * @param SectionsHeld               $sections    those of the site's sections that have seats of their own
     * @param Commitments                $weeks       the hours of the site, and what the person has elsewhere
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
        public SectionsHeld $sections,
        public ?Commitments $weeks = null,
    ) {}

    /** The same, with another enrollment. */
    public function with(Enrollment $enrollment): self
    {
        return $this->but($enrollment, $this->actor, $this->sections);
    }

    /** The same, where nobody is in any section that has seats of its own. */
    public function inEmptySections(): self
    {
        return $this->but($this->enrollment, $this->actor, new SectionsHeld($this->now));
    }

    /** The same, as somebody else would do it. */
    public function by(Standing $actor): self
    {
        return $this->but($this->enrollment, $actor, $this->sections);
    }

    private function but(Enrollment $enrollment, Standing $actor, SectionsHeld $sections): self
    {
        return new self(
            $this->now,
            $this->site,
            $this->roles,
            $this->person,
            $enrollment,
            $actor,
            $this->seats,
            $this->otherLeads,
            $this->staff,
            $sections,
            $this->weeks,
        );
    }
}
