<?php

declare(strict_types=1);

namespace MintDoor\Core\Changes;

use MintDoor\Core\People\Person;
use MintDoor\Core\Roles\RoleBook;
use MintDoor\Core\Roles\Standing;
use MintDoor\Core\Roster\Enrollment;
use MintDoor\Core\Roster\Leads;
use MintDoor\Core\Roster\LeadTimeline;
use MintDoor\Core\Roster\SeatsHeld;
use MintDoor\Core\Roster\SectionsHeld;
use MintDoor\Core\Roster\Timeline;
use MintDoor\Core\Sites\Site;
use MintDoor\Core\Weeks\Commitments;

/** The snapshot a whole change list is computed from. */
final readonly class ChangeListContext
{
    /**
     * @param array<string, Person>               $people      by id, everybody the change list is about
     * @param array<string, Enrollment>           $enrollments by person id; who is missing has never been here
     * @param SeatsHeld                           $seats       held in the site, by everybody
     * @param array<string, LeadTimeline> $leads       of everybody who leads or will: timeline, and the instant
     *     the account closes
     * @param string                              $staff        id of the door of the site's staff
     * @param SectionsHeld                        $sections     of the site's, those that have seats of their own
     * @param array<string, Commitments>          $weeks        by person id; who is missing has nothing at any time
     */
    public function __construct(
        public int $now,
        public Site $site,
        public RoleBook $roles,
        public Standing $actor,
        public array $people,
        public array $enrollments,
        public SeatsHeld $seats,
        public array $leads,
        public string $staff,
        public SectionsHeld $sections,
        public array $weeks = [],
    ) {}

    /** What a line on one of its people is computed from, as things stand. */
    public function one(string $personId): ChangeContext
    {
        return (new ChangeListState($this, new Leads($this->roles)))->of($personId);
    }
}
