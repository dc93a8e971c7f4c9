<?php

declare(strict_types=1);

namespace MintDoor\Core\Changes;

use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Roles\Role;
use MintDoor\Core\Roster\Comparison;
use MintDoor\Core\Roster\Leads;
use MintDoor\Core\Roster\LeadTimeline;
use MintDoor\Core\Roster\Override;
use MintDoor\Core\Roster\OverrideKind;
use MintDoor\Core\Roster\SeatsHeld;
use MintDoor\Core\Roster\Segment;
use MintDoor\Core\Roster\Timeline;
use MintDoor\Core\Sites\Section;
use MintDoor\Core\Time\Window;

/**
 * What no change may break, by whatever path: authority over the roles involved at every instant to come, seats, the
 * limit of leads, and that an open site has a lead, now and later.
 */
class Laws
{
    /** Codes of notes that there is no seat: at no time, from an instant on, or until one only. */
    public const NO_SEAT = ['no-seat', 'seat-later', 'seat-until'];

    /** Code of a note that a section has no seat. */
    public const SECTION_FULL = 'section-full';

    /** Code of a note that somebody would be wanted in two places at once. */
    public const CLASH = 'clash';

    /**
     * @param list<Effect> $effects that lead from one to the other
     */
    public function judge(
        ChangeContext $context,
        Timeline $before,
        Timeline $after,
        array $effects = [],
        Meant $meant = new Meant(),
    ): Judgement {
        $change = new Comparison($before, $after, $context->now);
        $refusal =
            $this->authority($context, $before, $after, $effects)
            ?? ($this->leadsFull($context, $before, $after)
                ?? ($this->beyondSections($context, $before, $after)
                    ?? $this->sectioning($context, $before, $after, $change)));
        if (null !== $refusal) {
            return Judgement::not(Verdict::Refused, $refusal);
        }
        $gap = $this->gap($context, $before, $after);
        if (null !== $gap && ('last-lead' === $gap->code || !$meant->leadEnds)) {
            return Judgement::not('last-lead' === $gap->code ? Verdict::Refused : Verdict::NeedsChoice, $gap);
        }
        $noSeat =
            $this->seats($context, $before, $after)
            ?? $this->sectionSeats($context, $before, $after, $change->sections()[0]);
        if (null !== $noSeat) {
            return Judgement::not(Verdict::WaitsForSeat, $noSeat);
        }
        $clash = $this->clash($context, $before, $after);
        if (null !== $clash && !$meant->clash) {
            return Judgement::not(Verdict::NeedsChoice, $clash);
        }

        return Judgement::ready([
            ...$this->cautions($context, $after, $gap),
            ...null === $clash ? [] : [$clash],
        ]);
    }

    /**
     * Whether all that is given, taken and lifted is the actor's to give, take and lift.
     *
     * @param list<Effect> $effects that lead from one to the other
     */
    public function authority(ChangeContext $context, Timeline $before, Timeline $after, array $effects): ?Note
    {
        $change = new Comparison($before, $after, $context->now);

        return $this->lifting($context, $effects)
            ?? ($this->ofOneself($context, $change)
                ?? ($this->giving($context, $before, $change)
                    ?? $this->taking($context, $before, $change)));
    }

    /** Whether all that somebody loses is the actor's to take. */
    public function losing(ChangeContext $context, Timeline $before, Timeline $after): ?Note
    {
        return $this->taking($context, $before, new Comparison($before, $after, $context->now));
    }

    /**
     * What somebody higher set is lifted by somebody at least as high. Sections are no such thing: an office puts
     * people in, and those who run the site arrange them.
     *
     * @param list<Effect> $effects
     */
    protected function lifting(ChangeContext $context, array $effects): ?Note
    {
        foreach ($effects as $effect) {
            $lifts = EffectKind::EndOverride === $effect->kind && null === $effect->grantId;
            if ($lifts && OverrideKind::Sections !== $effect->override?->kind) {
                $origin = $effect->override?->origin;
                $set = array_filter(
                    $context->enrollment->overrides,
                    static fn(Override $override): bool => $override->origin === $origin,
                );
                $height = max([0, ...array_map(static fn(Override $override): int => $override->height, $set)]);
                if ($height > $context->actor->height()) {
                    return new Note('set-from-above', ['what' => $effect->override?->kind->value]);
                }
            }
        }

        return null;
    }

    /** Nobody raises, lengthens, resumes or frees themselves. */
    protected function ofOneself(ChangeContext $context, Comparison $change): ?Note
    {
        $actor = $context->actor;
        $gained = $actor->personId === $context->person->id && !$actor->administrator ? $change->gained() : [];
        $permissions = static fn(array $roles): array => array_map(
            static fn(Permission $permission): string => $permission->value,
            $context->roles->permissions(array_values(array_filter($roles, is_string(...))), $context->person),
        );
        if ([] === $gained || $change->raisesNothing($permissions)) {
            return null;
        }

        return new Note('not-to-yourself', [
            'role' => $gained[0],
            'givers' => $context->roles->find($gained[0])->givenBy ?? [],
        ]);
    }

    /** Roles that are gained at any instant to come must be the actor's to give. */
    protected function giving(ChangeContext $context, Timeline $before, Comparison $change): ?Note
    {
        $had = $this->rolesFrom($before, $context->now);
        foreach ($change->gained() as $role) {
            // What somebody has already they may hold; to give more of it is the giver's right or not.
            if (\in_array($role, $had, true)) {
                if (!$context->roles->mayTake($role, $context->actor, $context->person)) {
                    $givers = $context->roles->find($role)->givenBy ?? [];

                    return new Note('not-yours-to-give', ['role' => $role, 'givers' => $givers]);
                }
                continue;
            }
            $verdict = $context->roles->mayGive($role, $context->actor, $context->person, $context->site);
            if (!$verdict->allowed) {
                return new Note($verdict->code, [...$verdict->values, 'role' => $role, 'givers' => $verdict->givers]);
            }
        }

        return null;
    }

    /** Whoever takes anything from another must be able to take every role they have or will have. */
    protected function taking(ChangeContext $context, Timeline $before, Comparison $change): ?Note
    {
        foreach ([] === $change->lost() ? [] : $this->rolesFrom($before, $context->now) as $role) {
            if (!$context->roles->mayTake($role, $context->actor, $context->person)) {
                $givers = $context->roles->find($role)->givenBy ?? [];

                return new Note('not-yours-to-take', ['role' => $role, 'givers' => $givers]);
            }
        }

        return null;
    }

    private function leadsFull(ChangeContext $context, Timeline $before, Timeline $after): ?Note
    {
        $leads = new Leads($context->roles);
        $now = $context->now;
        $more = $leads->counts($after, $now) && !$leads->counts($before, $now);

        return $more && \count($context->otherLeads) >= $context->site->leadLimit
            ? new Note('leads-full', ['limit' => $context->site->leadLimit])
            : null;
    }

    /** That nobody would lead the site from an instant of its open life on, at which somebody does now. */
    protected function gap(ChangeContext $context, Timeline $before, Timeline $after): ?Note
    {
        $now = $context->now;
        $site = $context->site;
        $life = new Window(max($now, min($site->opensAt, $site->closesAt)), max($now, $site->closesAt));
        $leads = new Leads($context->roles);
        $account = $context->person->accountClosedFrom;
        $gap = $leads->firstGap([...$context->otherLeads, new LeadTimeline($after, $account)], $life);
        $was = $leads->firstGap([...$context->otherLeads, new LeadTimeline($before, $account)], $life);

        return match (true) {
            null === $gap, null !== $was && $gap >= $was => null,
            $gap <= $now => new Note('last-lead'),
            default => new Note('lead-ends', ['at' => $gap]),
        };
    }

    /** Whoever sees the people of some sections only changes nobody who is in another one, or would be. */
    protected function beyondSections(ChangeContext $context, Timeline $before, Timeline $after): ?Note
    {
        $own = $context->actor->sections;
        if (null === $own || $context->actor->personId === $context->person->id) {
            return null;
        }
        foreach ([[$before, 'other-section'], [$after, 'say-section']] as [$timeline, $none]) {
            foreach ($timeline->from($context->now)->segments as $segment) {
                if ($segment->state->here() && [] === $segment->sections) {
                    return new Note($none);
                }
                if ($segment->state->here() && [] !== array_diff($segment->sections, $own)) {
                    return new Note('other-section');
                }
            }
        }

        return null;
    }

    /**
     * Into which sections somebody may be put, and by whom: nobody moves themselves who does not see all, nor somebody
     * whose role they may not take.
     */
    protected function sectioning(
        ChangeContext $context,
        Timeline $before,
        Timeline $after,
        Comparison $change,
    ): ?Note {
        [$into, $outOf] = $change->sections();
        $most = $this->tooManySections($context, $before, $after);
        if (null !== $most || ([] === $into && [] === $outOf)) {
            return $most;
        }
        foreach ($into as $section) {
            if (false !== ($context->site->sections[$section] ?? null)?->retired) {
                return new Note('no-such-section', ['section' => $section]);
            }
        }
        if (!$change->movesSections() || $context->actor->administrator) {
            return null;
        }
        $leads = array_filter($context->actor->roles, static fn(Role $role): bool => $role->lead);
        if ($context->actor->personId === $context->person->id && [] === $leads) {
            return new Note('not-your-own-section');
        }
        foreach ($context->roles->pick($this->rolesFrom($before, $context->now)) as $role) {
            if (!$role->takesSeat && !$context->roles->mayTake($role->code, $context->actor, $context->person)) {
                return new Note('not-yours-to-take', ['role' => $role->code, 'givers' => $role->givenBy]);
            }
        }

        return null;
    }

    /** Nobody comes to be in more sections than one may be in, also by becoming a learner: staff may be in several. */
    private function tooManySections(ChangeContext $context, Timeline $before, Timeline $after): ?Note
    {
        $most = static fn(Segment $segment): int => $context->site->several
            || !$context->roles->takeSeat($segment->roles)
                ? Section::MOST_OF_ONE
                : 1;
        foreach ($after->from($context->now)->segments as $segment) {
            $was = $before->at(max($context->now, $segment->window->from));
            $of = $most($segment);
            $more = $segment->state->here() && \count($segment->sections) > $of;
            // What was so already, as before the site stopped letting people be in several, stays as it is.
            $so = null !== $was && $most($was) <= $of && \count($was->sections) >= \count($segment->sections);
            if ($more && !$so) {
                return new Note(1 === $of ? 'one-section' : 'many-sections', ['most' => $of]);
            }
        }

        return null;
    }

    /**
     * A seat of its own must be free in a section in every instant in which somebody is in it who was not.
     *
     * @param list<string> $into ids of sections somebody comes into
     */
    private function sectionSeats(ChangeContext $context, Timeline $before, Timeline $after, array $into): ?Note
    {
        foreach ($into as $id) {
            $section = $context->site->sections[$id] ?? null;
            if (null === $section?->seats) {
                continue;
            }
            foreach (SeatsHeld::gained($before, $after, $context->roles, $context->now, $id) as $window) {
                if ($context->sections->free($section, $window->from, $window->until) <= 0) {
                    return new Note(self::SECTION_FULL, ['section' => $id, 'seats' => $section->seats]);
                }
            }
        }

        return null;
    }

    /** A seat must be free in every instant in which one is held that was not held before. */
    private function seats(ChangeContext $context, Timeline $before, Timeline $after): ?Note
    {
        $seats = $context->site->seats;
        if (null === $seats) {
            return null;
        }
        foreach (SeatsHeld::gained($before, $after, $context->roles, $context->now) as $window) {
            $held = $context->seats->most($window->from, $window->until);
            if ($held >= $seats) {
                $values = ['seats' => $seats, 'held' => $held];
                $full = $context->seats->fullFrom($seats, $window->from, $window->until);
                $free = $context->seats->freeFrom($seats, $window->from, $window->until);

                return match (true) {
                    $full > $window->from => new Note('seat-until', $values + ['at' => $full]),
                    null !== $free => new Note('seat-later', $values + ['at' => $free]),
                    default => new Note('no-seat', $values),
                };
            }
        }

        return null;
    }

    /** That somebody would be wanted in two places at once who is not yet: the first time, and how many hours it is. */
    public function clash(ChangeContext $context, Timeline $before, Timeline $after): ?Note
    {
        $clashes = $context->weeks?->clashes($before, $after) ?? [];
        if ([] === $clashes) {
            return null;
        }
        $first = $clashes[0];
        $values = [
            'section' => $first->one->section,
            'otherSite' => $first->other->site,
            'otherSection' => $first->other->section,
            'at' => max($first->one->from, $first->other->from),
            'times' => $first->times,
            'more' => \count($clashes) - 1,
        ];

        return new Note(self::CLASH, $values);
    }

    /** @return list<Note> */
    private function cautions(ChangeContext $context, Timeline $after, ?Note $gap): array
    {
        $here = true === $after->at($context->now)?->state->here();
        $closed = $here && !$context->person->accountOpen($context->now);

        return [...$closed ? [new Note('account-closed')] : [], ...null === $gap ? [] : [$gap]];
    }

    /** @return list<string> roles held or to be held from an instant on, while here */
    private function rolesFrom(Timeline $timeline, int $now): array
    {
        $roles = [];
        foreach ($timeline->from($now)->segments as $segment) {
            if ($segment->state->here()) {
                $roles = [...$roles, ...$segment->roles];
            }
        }

        return array_values(array_unique($roles));
    }
}
