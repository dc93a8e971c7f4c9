<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Changes\ChangeContextLoader;
use MintDoor\Changes\ChangeHandler;
use MintDoor\Changes\LineRequest;
use MintDoor\Core\Changes\FixPlanner;
use MintDoor\Core\People\Person;
use MintDoor\Core\People\PersonVisibility;
use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Roster\Access;
use MintDoor\Core\Roster\Enrollment;
use MintDoor\Core\Roster\Grant;
use MintDoor\Core\Roster\OverrideKind;
use MintDoor\Core\Roster\Phase;
use MintDoor\Core\Roster\Segment;
use MintDoor\Core\Roster\Timeline;
use MintDoor\Desk\Repository\PersonGrants;
use MintDoor\People\PersonRow;
use MintDoor\People\Repository\Labels;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Details;
use MintDoor\Roster\ReasonJson;
use MintDoor\Roster\Repository\Enrollments;
use MintDoor\Roster\RoleOptions;
use MintDoor\Roster\RosterQuery;
use MintDoor\Roster\SiteAccess;
use MintDoor\Roster\StandingShown;
use MintDoor\Roster\Stretch;
use MintDoor\Roster\WorkMeter;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Row;

/** Everything the docked column says of one person in one site. */
final readonly class PersonCard
{
    public function __construct(
        private PersonGrants $given,
        private Roles $roles,
        private Enrollments $enrollments,
        private ChangeContextLoader $contextLoader,
        private ChangeHandler $changeLists,
        private ReasonJson $reasons,
        private FixPlanner $fixPlanner,
        private WorkMeter $meter,
        private Labels $labels,
        private Details $details,
        private RosterQuery $roster,
    ) {}

    /**
     * @throws Problem of type `NotFound` for somebody who has never been here
     */
    public function of(SiteAccess $access, string $personId): PersonCardAnswer
    {
        $people = $this->contextLoader->people([$personId]);
        $row = $people[$personId];
        $site = $access->site->id;
        $enrollment = $this->enrollments->of($site, $personId);
        $record = $this->enrollments->find(['site' => $site, 'person' => $personId])
            ?? throw Problem::notFound('person');
        $timeline = $enrollment->timeline();
        $segment = $timeline->at($access->now);
        $person = PersonRow::person($row);
        $book = $this->roles->book();
        $may = $access->may(Permission::LetIn);
        $staff = $access->may(Permission::SeeUnlisted);
        $reason = $staff
            ? $this->fixPlanner->reason($this->contextLoader->of($access, $people)->one($personId))
            : (new Access($book))->reason($timeline, $person, $access->site, $access->now, $enrollment);
        $here = true === $segment?->state->here();
        $visibility = $this->roster->visibilityOf($access, $row);

        return new PersonCardAnswer(
            person: PersonRow::shown($row, $visibility),
            page: PersonVisibility::Full === $visibility,
            standing: StandingShown::of($segment, $book),
            lastSeen: $access->may(Permission::SeeActivity)
                ? Instant::toJson($record->lastSeenAt ?? \PHP_INT_MAX)
                : null,
            work: $this->work($access, $person, $segment, $record->lastSeenAt),
            labels: PersonVisibility::Full === $visibility ? $this->labels->ofPerson($personId) : [],
            details: PersonVisibility::Full === $visibility ? $this->details->of($row, $access->caller, false) : [],
            groups: $this->roster->groupsOf($access, $personId),
            version: $record->version,
            band: ($book->pick($segment->roles ?? [])[0] ?? null)?->bandOf($person)?->name,
            reason: $staff
                ? $this->reasons->forStaff($reason, $access->standing)
                : $this->reasons->forThePerson($reason),
            grants: $this->grants($enrollment, $access->now, $site, $personId),
            overrides: $staff ? $this->overrides($enrollment, $access, $personId) : [],
            timeline: Stretch::all($timeline->segments, $book),
            nextChange: $this->nextChange($timeline, $person, $access),
            options: $may ? RoleOptions::of($book, $access, $person, $here ? $segment->roles : []) : [],
            remove: $here && ($may || $personId === $access->caller->id)
                    ? $this->changeLists->previewLine($access, new LineRequest($personId, 'remove'))
                    : null,
            bringBack: $may && !$here ? $this->changeLists->previewLine(
                $access,
                new LineRequest($personId, 'bring-back')
            ) : null,
        );
    }

    private function nextChange(Timeline $timeline, Person $person, SiteAccess $access): ?NextChange
    {
        $book = $this->roles->book();
        $next = (new Access($book))->stretches($timeline, $person, $access->site, $access->now)[1] ?? null;

        return null === $next
            ? null
            : new NextChange(
                Instant::toJson($next->window->from),
                $next->entry->value,
                $next->state?->value,
                ($book->pick($next->roles)[0] ?? null)?->code,
            );
    }

    /**
     * @return array{done: int, of: int, mean: ?int}|null how far somebody is who works here, for those who may see it
     */
    private function work(SiteAccess $access, Person $person, ?Segment $segment, ?int $lastSeen): ?array
    {
        if (
            null === $segment
            || !$access->may(Permission::SeeActivity)
            || !\in_array(Permission::DoWork, $this->roles->book()->permissions($segment->roles, $person), true)
        ) {
            return null;
        }
        $work = $this->meter->of($access->site->id, $person->id, $segment->since, $lastSeen);

        return [
            'done' => $work->done(),
            'of' => \count($work->items),
            'mean' => $access->may(Permission::SeeMarks) ? $work->mean() : null,
        ];
    }

    /** @return list<WayIn> */
    private function grants(Enrollment $enrollment, int $now, string $site, string $personId): array
    {
        $stored = $this->given->grants($site, $personId);
        $ways = [];
        foreach ($enrollment->grants as $grant) {
            $row = $stored[$grant->id] ?? null;
            $phase = $enrollment->phaseOf($grant, $now);
            if (null !== $row && Phase::None !== $phase) {
                $ways[] = $this->wayIn($grant, $phase, $row, $now);
            }
        }

        return $ways;
    }

    private function wayIn(Grant $grant, Phase $phase, Row $row, int $now): WayIn
    {
        $withdrawn = $grant->override(OverrideKind::Withdrawn, $now);

        return new WayIn(
            id: $grant->id,
            door: ['kind' => $row->string('kind'), 'name' => $row->string('name')],
            reserved: $grant->reserved,
            role: $grant->role,
            phase: match ($phase) {
                Phase::InForce => 'in-force',
                Phase::Upcoming => 'upcoming',
                Phase::Waiting => 'waiting',
                Phase::Removed => 'removed',
                default => 'ended',
            },
            section: $row->stringOrNull('section'),
            from: Instant::toJson($grant->window->from),
            until: Instant::toJson($withdrawn->window->from ?? $grant->window->until),
            givenAt: Instant::toJson($grant->givenAt),
            givenBy: null === $row->stringOrNull('family_name') ? null : PersonRow::name($row),
        );
    }

    /**
     * What was done by hand and holds over all ways in, now or from a day on.
     *
     * @return list<OverrideShown>
     */
    private function overrides(Enrollment $enrollment, SiteAccess $access, string $personId): array
    {
        $kept = [];
        foreach ($enrollment->overrides as $override) {
            if ($override->window->until > max($access->now, $override->window->from)) {
                $kept[$override->id] = $override;
            }
        }
        $overrides = [];
        foreach ($this->given->overrides($access->site->id, $personId) as $row) {
            $override = $kept[$row->id('id')] ?? null;
            if (null !== $override) {
                $overrides[] = new OverrideShown(
                    kind: $override->kind->value,
                    from: Instant::toJson($override->window->from),
                    until: Instant::toJson($override->window->until),
                    role: $override->role,
                    dates: null === $override->dates
                        ? null
                        : [
                            'from' => Instant::toJson($override->dates->from),
                            'until' => Instant::toJson($override->dates->until),
                        ],
                    sections: $override->sections,
                    by: null === $row->stringOrNull('family_name') ? null : PersonRow::name($row),
                    note: $access->may(Permission::LetIn) ? $row->stringOrNull('note') : null,
                );
            }
        }

        return $overrides;
    }
}
