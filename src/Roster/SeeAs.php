<?php

declare(strict_types=1);

namespace MintDoor\Roster;

use MintDoor\Core\People\Person;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Roles\Band;
use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Roles\Role;
use MintDoor\Core\Roster\Access;
use MintDoor\Core\Roster\DoorKind;
use MintDoor\Core\Roster\Enrollment;
use MintDoor\Core\Roster\Grant;
use MintDoor\Core\Time\Window;
use MintDoor\People\PersonRow;
use MintDoor\People\Repository\People;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Repository\Enrollments;
use MintDoor\Roster\Repository\RosterList;
use MintDoor\Roster\Repository\Sections;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Id;
use MintDoor\Shared\Problem;

/**
 * A site as a role, a section, a group or a person meets it, for somebody who may look through their eyes: never with
 * more than one's own reach, and without changing anything.
 */
final readonly class SeeAs
{
    public const PATTERN = '/^(role:[a-z][a-z0-9-]{0,31}|(person|section|group):'.Id::PATTERN.')$/D';

    private const ABOVE = 'roster.not-see-site-somebody';

    public function __construct(
        private Sections $sections,
        private People $people,
        private Roles $roles,
        private Enrollments $enrollments,
        private RosterList $list,
    ) {}

    /** @throws Problem of type `NotAllowed`, `NotFound` or `Invalid` */
    public function through(SiteAccess $own, string $seenAs): SiteAccess
    {
        if (1 !== preg_match(self::PATTERN, $seenAs)) {
            throw Problem::field('/as', 'unknown', 'roster.say-role-section-person');
        }
        $own->require(
            Permission::SeeAs,
            'roster.only-those-let-people-into',
        );
        [$what, $which] = explode(':', $seenAs);
        $through = match ($what) {
            'role' => $this->byRole($own, $which, $seenAs),
            'section' => $this->section($own, $which, $seenAs),
            'group' => $this->group($own, $which, $seenAs),
            default => $this->person($own, $which, $seenAs),
        };

        return $through->within($own->standing->sections);
    }

    /** Id of the group through whose eyes a site is seen; null where it is not a group's. */
    public static function groupOf(?string $seenAs): ?string
    {
        return str_starts_with((string) $seenAs, 'group:') ? substr((string) $seenAs, 6) : null;
    }

    private function byRole(SiteAccess $own, string $code, string $seenAs): SiteAccess
    {
        $role = $this->roles->book()->find($code) ?? throw Problem::notFound('role');

        return $this->role($own, $role, $role->name, null, $seenAs);
    }

    private function section(SiteAccess $own, string $section, string $seenAs): SiteAccess
    {
        $found = $this->sections->ofSite($own->site->id, $section);
        $learner = $this->learner();
        $mine = $own->standing->sections;
        if (null === $found || null === $learner || (null !== $mine && !\in_array($section, $mine, true))) {
            throw Problem::notFound('section');
        }

        return $this->role($own, $learner, $found->name, $found->id, $seenAs);
    }

    /** Groups are of people of any sections: whoever sees some sections only does not look as one. */
    private function group(SiteAccess $own, string $group, string $seenAs): SiteAccess
    {
        $mayKnow = $own->may(Permission::ArrangeGroups) && null === $own->standing->sections;
        $name = $mayKnow ? $this->list->group($own->site->id, $group) : null;
        $learner = $this->learner();
        if (null === $name || null === $learner) {
            throw Problem::notFound('split');
        }

        return $this->role($own, $learner, $name, null, $seenAs);
    }

    private function learner(): ?Role
    {
        $learners = array_filter($this->roles->book()->all(), static fn(Role $role): bool => $role->takesSeat);

        return array_values($learners)[0] ?? null;
    }

    private function role(SiteAccess $own, Role $role, string $called, ?string $section, string $seenAs): SiteAccess
    {
        $this->notAbove($own, $role->rank);
        $band =
            array_values(
                array_filter(
                    $role->bands,
                    static fn(Band $band): bool => \in_array($own->site->division, $band->divisions, true),
                ),
            )[0] ?? null;
        $level = $own->site->levels->lowest ?? $band?->levels?->lowest;
        $learner = \in_array(PersonKind::Learner, $role->for, true);
        $kind = $learner ? PersonKind::Learner : $role->for[0] ?? PersonKind::Staff;
        $caller = new Caller(
            Id::NONE,
            $called,
            '',
            $kind->value,
            $own->site->division,
            $learner ? $level : null,
            \PHP_INT_MAX,
            false,
            [],
        );
        $enrollment = new Enrollment([
            new Grant(
                Id::NONE,
                Id::NONE,
                DoorKind::Staff,
                $role->code,
                $own->now - 1,
                new Window($own->now - 1),
                $own->now - 1,
                $section,
            ),
        ]);

        return $this->access($own, $caller, PersonRow::caller($caller), $enrollment, $seenAs);
    }

    private function person(SiteAccess $own, string $id, string $seenAs): SiteAccess
    {
        $row = $this->people->withAccount($id) ?? throw Problem::notFound('person');
        $enrollment = $this->enrollments->of($own->site->id, $id);
        $person = PersonRow::person($row);
        $segment = $enrollment->timeline()->at($own->now);
        if (null === $segment || !Sights::of($own)->sees($id, $segment, $this->roles->book())) {
            throw Problem::notFound('person');
        }
        $administers = $row->bool('platform_administrator')
            || \in_array($own->site->division, $row->list('administers'), true);
        if (!$own->standing->administrator && $administers) {
            throw Problem::notAllowed(self::ABOVE);
        }
        $this->notAbove(
            $own,
            max([
                0,
                ...array_map(static fn(Role $role): int => $role->rank, $this->roles->book()->pick($segment->roles)),
            ]),
        );
        $caller = new Caller(
            $row->id('person_id'),
            PersonRow::name($row),
            '',
            $person->kind->value,
            $person->division,
            $person->level,
            $person->accountClosedFrom,
            false,
            [],
        );

        return $this->access($own, $caller, $person, $enrollment, $seenAs);
    }

    private function notAbove(SiteAccess $own, int $rank): void
    {
        if (!$own->standing->administrator && $rank > $own->standing->rank()) {
            throw Problem::notAllowed(self::ABOVE);
        }
    }

    private function access(
        SiteAccess $own,
        Caller $caller,
        Person $person,
        Enrollment $enrollment,
        string $seenAs,
    ): SiteAccess {
        $timeline = $enrollment->timeline();

        return new SiteAccess(
            $own->site,
            $own->row,
            $caller,
            (new Access($this->roles->book()))->standing($timeline, $person, $own->now, false, $own->site),
            $timeline->at($own->now),
            $own->now,
            $seenAs,
            $enrollment,
        );
    }
}
