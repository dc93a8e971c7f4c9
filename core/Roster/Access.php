<?php

declare(strict_types=1);

namespace MintDoor\Core\Roster;

use MintDoor\Core\People\Person;
use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Roles\RoleBook;
use MintDoor\Core\Roles\Standing;
use MintDoor\Core\Sites\Site;
use MintDoor\Core\Sites\SiteState;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;

/**
 * Whether a person can enter a site at an instant, and why: the enrollment, the account and the life of the site taken
 * together.
 */
final readonly class Access
{
    public function __construct(private RoleBook $roles) {}

    /**
     * @param ?Enrollment $enrollment where it is known which door decides; the answer is the same without it, but names
     *     no door
     */
    public function reason(
        Timeline $timeline,
        Person $person,
        Site $site,
        int $now,
        ?Enrollment $enrollment = null,
    ): Reason {
        $segment = $timeline->at($now);
        $against = array_values(
            array_filter([
                $this->blocked($segment),
                $person->accountOpen($now)
                    ? null
                    : new Cause('account-closed', ['at' => $person->accountClosedFrom], 'reopen-account'),
                $this->notCurrent($segment, $timeline, $now, $enrollment),
                State::Current === $segment?->state ? $this->bySections($site, $segment, $now) : null,
            ]),
        );
        $permissions = null === $segment ? [] : $this->roles->permissions($segment->roles, $person);
        $bySite = $this->bySite($site, $permissions, $timeline, $person, $now, $segment, $enrollment);
        if ([] !== $against) {
            return new Reason(Entry::No, Entry::No === $bySite->entry ? [...$against, ...$bySite->causes] : $against);
        }

        return $bySite;
    }

    /**
     * Entry and permissions as a function of time, from an instant on: what an enrollment, an account and the life of a
     * site come to together. The first stretch begins at the instant, neighbours differ.
     *
     * @return non-empty-list<EntryStretch>
     */
    public function stretches(Timeline $timeline, Person $person, Site $site, int $from): array
    {
        $boundaries = [$from, $site->opensAt, $site->closesAt, $person->accountClosedFrom];
        foreach ($timeline->segments as $segment) {
            $boundaries[] = $segment->window->from;
            $boundaries[] = $segment->window->until;
        }
        foreach ($site->sections as $section) {
            $boundaries[] = $section->window->from;
            $boundaries[] = $section->window->until;
        }
        $boundaries = array_values(
            array_unique(
                array_filter(
                    $boundaries,
                    static fn(int $instant): bool => $instant >= $from && $instant < Time::FOREVER,
                ),
            ),
        );
        sort($boundaries);
        $stretches = [];
        foreach ($boundaries as $index => $instant) {
            $segment = $timeline->at($instant);
            $reason = $this->reason($timeline, $person, $site, $instant);
            $stretch = new EntryStretch(
                new Window($instant, $boundaries[$index + 1] ?? Time::FOREVER),
                $reason->entry,
                $segment?->state,
                $segment->roles ?? [],
                $this->standing($timeline, $person, $instant, false, $site)->permissions,
            );
            $last = array_key_last($stretches);
            if (null !== $last && $stretches[$last]->sameAs($stretch)) {
                $stretch = new EntryStretch(
                    new Window($stretches[$last]->window->from, $stretch->window->until),
                    $stretch->entry,
                    $stretch->state,
                    $stretch->roles,
                    $stretch->permissions,
                );
                array_pop($stretches);
            }
            $stretches[] = $stretch;
        }
        \assert([] !== $stretches);

        return $stretches;
    }

    /**
     * What somebody is in a site: their roles count only while they are current, not blocked, and their account is
     * open; and in a draft or a closed site only for those who may enter it then, and learners' only in the time of
     * their section.
     */
    public function standing(Timeline $timeline, Person $person, int $now, bool $administrator, Site $site): Standing
    {
        $segment = $timeline->at($now);
        $nobody = $administrator || !$site->apart ? null : [];
        if (
            State::Current !== $segment?->state
            || !$person->accountOpen($now)
            || null !== $this->bySections($site, $segment, $now)
        ) {
            return new Standing($person->id, $administrator, sections: $nobody);
        }
        $permissions = $this->roles->permissions($segment->roles, $person);
        $needed = match ($site->stateAt($now)) {
            SiteState::Draft => Permission::EnterDraft,
            SiteState::Closed => Permission::ReadClosed,
            SiteState::Open => null,
        };
        if (null !== $needed && !\in_array($needed, $permissions, true)) {
            return new Standing($person->id, $administrator, sections: $nobody);
        }
        $sections = null === $nobody ? null : Sight::reach($segment->roles, $segment->sections, $this->roles);

        $standing = new Standing($person->id, $administrator, $this->roles->pick($segment->roles), $permissions);

        return null === $sections ? $standing : $standing->keptTo($sections);
    }

    private function blocked(?Segment $segment): ?Cause
    {
        return State::Blocked === $segment?->state
            ? new Cause('blocked', ['until' => $segment->window->until], 'lift', Permission::LetIn)
            : null;
    }

    /**
     * That none of the sections a learner is in has its time; null for whoever is in none, or does not take a seat.
     */
    private function bySections(Site $site, Segment $segment, int $now): ?Cause
    {
        $windows = [];
        foreach ($segment->sections as $id) {
            $window = ($site->sections[$id] ?? null)->window ?? new Window();
            if ($window->contains($now)) {
                return null;
            }
            $windows[$id] = $window;
        }
        foreach ($this->roles->pick($segment->roles) as $role) {
            if (!$role->takesSeat) {
                return null;
            }
        }
        if ([] === $windows) {
            return null;
        }
        $later = array_filter($windows, static fn(Window $window): bool => $window->from > $now);
        if ([] !== $later) {
            uasort($later, static fn(Window $a, Window $b): int => $a->from <=> $b->from);
            $id = (string) array_key_first($later);
            $values = ['section' => $id, 'from' => $later[$id]->from];

            return new Cause('section-upcoming', $values, 'change-section', Permission::ArrangeSections);
        }
        uasort($windows, static fn(Window $a, Window $b): int => $b->until <=> $a->until);
        $id = (string) array_key_first($windows);
        $values = ['section' => $id, 'at' => $windows[$id]->until];

        return new Cause('section-over', $values, 'change-section', Permission::ArrangeSections);
    }

    private function notCurrent(?Segment $segment, Timeline $timeline, int $now, ?Enrollment $enrollment): ?Cause
    {
        if (null === $segment) {
            return new Cause('never-here', [], 'let-in', Permission::LetIn);
        }
        $role = $this->shown($segment->roles);
        $at = null === $enrollment ? $segment->window->from : $this->goneAt($enrollment, $segment, $now);
        $until = $timeline->holdsUntil($now, static fn(Segment $later): bool => $later->state === $segment->state);

        return match ($segment->state) {
            State::Current, State::Blocked => null,
            State::Paused => new Cause('paused', ['role' => $role, 'until' => $until], 'resume', Permission::LetIn),
            State::Upcoming => new Cause(
                'upcoming',
                ['role' => $role, 'from' => $until],
                'move-start',
                Permission::LetIn,
            ),
            State::Waiting => self::waiting($enrollment, $role, $now),
            State::Ended => new Cause('ended', ['role' => $role, 'at' => $at], 'bring-back', Permission::LetIn),
            State::Removed => new Cause('removed', ['role' => $role, 'at' => $at], 'bring-back', Permission::LetIn),
        };
    }

    /** What somebody waits for: a yes of their division or of the site, a seat, or their own answer. */
    private static function waiting(?Enrollment $enrollment, ?string $role, int $now): Cause
    {
        if (true === $enrollment?->waitsForApproval($now)) {
            return new Cause('waits-for-approval', ['role' => $role], 'none');
        }
        $code = 'waiting';
        foreach ($enrollment?->grantsIn(Phase::Waiting, $now) ?? [] as $grant) {
            $code = match (true) {
                'seat' === $grant->waitsFor => 'waits-for-seat',
                'approval' === $grant->waitsFor => 'waits-for-yes',
                DoorKind::Invitation === $grant->door => 'waits-for-answer',
                default => $code,
            };
        }

        return new Cause($code, ['role' => $role], 'answer');
    }

    /**
     * When somebody went who is removed or whose time is over: the stretch may have begun later, as with a block
     * that was lifted.
     */
    private function goneAt(Enrollment $enrollment, Segment $segment, int $now): int
    {
        $instants = match ($segment->state) {
            State::Removed => array_map(
                static fn(Grant $grant): int => $grant->override(OverrideKind::Withdrawn, $now)->window->from
                    ?? $segment->window->from,
                $enrollment->grantsIn(Phase::Removed, $now),
            ),
            State::Ended => array_map(
                static fn(Grant $grant): int => $enrollment->windowOf($grant, $now)->until,
                $enrollment->grantsIn(Phase::Ended, $now),
            ),
            default => [],
        };

        return [] === $instants ? $segment->window->from : min($now, max($instants));
    }

    /**
     * What the site's own state does to somebody with these permissions.
     *
     * @param list<Permission> $permissions
     */
    private function bySite(
        Site $site,
        array $permissions,
        Timeline $timeline,
        Person $person,
        int $now,
        ?Segment $segment,
        ?Enrollment $enrollment,
    ): Reason {
        $may = static fn(Permission $permission): bool => \in_array($permission, $permissions, true);
        $state = $site->stateAt($now);
        $values = [
            'role' => $this->shown($segment->roles ?? []),
            'until' => $this->entersUntil($site, $timeline, $person, $now),
            ...$this->door($enrollment, $now),
        ];

        $entry = match (true) {
            SiteState::Draft === $state => $may(Permission::EnterDraft) ? Entry::Enter : Entry::No,
            SiteState::Closed === $state => $may(Permission::ReadClosed) ? Entry::LookOnly : Entry::No,
            default => $may(Permission::Enter) ? Entry::Enter : Entry::LookOnly,
        };
        $cause = match (true) {
            SiteState::Draft === $state && Entry::No === $entry =>
                new Cause('draft', ['opens' => $site->opensAt], 'open-site', Permission::RunSite),
            SiteState::Draft === $state => new Cause('prepares-draft', $values, 'remove', Permission::LetIn),
            SiteState::Closed === $state && Entry::No === $entry =>
                new Cause('closed', ['at' => $site->closesAt], 'open-site-again', Permission::RunSite),
            SiteState::Closed === $state => new Cause('reads-closed', $values, 'remove', Permission::LetIn),
            Entry::Enter === $entry => new Cause('let-in', $values, 'pause', Permission::LetIn),
            default => new Cause('let-in', $values, 'change-role', Permission::LetIn),
        };

        return new Reason($entry, [$cause]);
    }

    /** Until when somebody who is current stays so, by their grants, their account and the life of the site. */
    private function entersUntil(Site $site, Timeline $timeline, Person $person, int $now): int
    {
        $current = $timeline->holdsUntil($now, static fn(Segment $later): bool => State::Current === $later->state);
        $closes = $now < $site->closesAt ? $site->closesAt : Time::FOREVER;
        foreach ($site->sections as $section) {
            $ends = $section->window->until;
            $then = $ends > $now && $ends < $current ? $timeline->at($ends) : null;
            if (null !== $then && null !== $this->bySections($site, $then, $ends)) {
                $current = $ends;
            }
        }

        return min($current, $closes, $person->accountClosedFrom);
    }

    /**
     * @return array<string, string|int|null> the door of the grant that gives the highest role; of several the oldest
     */
    private function door(?Enrollment $enrollment, int $now): array
    {
        $best = null;
        foreach ($enrollment?->grantsIn(Phase::InForce, $now) ?? [] as $grant) {
            $key = [-($this->roles->find($grant->role)->rank ?? 0), $grant->givenAt, $grant->id];
            if (null === $best || $key < $best[0]) {
                $best = [$key, $grant];
            }
        }

        return null === $best ? [] : ['door' => $best[1]->doorId, 'doorKind' => $best[1]->door->value];
    }

    /** @param list<string> $codes */
    private function shown(array $codes): ?string
    {
        return ($this->roles->pick($codes)[0] ?? null)?->code;
    }
}
