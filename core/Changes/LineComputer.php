<?php

declare(strict_types=1);

namespace MintDoor\Core\Changes;

use MintDoor\Core\Ids;
use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Roles\Standing;
use MintDoor\Core\Roster\DoorKind;
use MintDoor\Core\Roster\Grant;
use MintDoor\Core\Roster\Override;
use MintDoor\Core\Roster\OverrideKind;
use MintDoor\Core\Roster\Phase;
use MintDoor\Core\Roster\Segment;
use MintDoor\Core\Roster\Sight;
use MintDoor\Core\Roster\State;
use MintDoor\Core\Roster\Timeline;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;

/**
 * Computes one line of a change list: what is wanted, against what is, under the rules. Changes nothing, and
 * says the same twice but for the identifiers of what it would make.
 */
final readonly class LineComputer
{
    public function __construct(private Ids $ids, private Laws $laws = new Laws()) {}

    public function compute(ChangeContext $context, Wanted $wanted): ComputedChange
    {
        $present = $context->enrollment->timeline()->at($context->now);
        $standing = $this->standing($context, $wanted, $present);
        $planned =
            $standing
            ?? match ($wanted->verb) {
                Verb::LetIn => $this->letIn($context, $wanted, $present),
                Verb::ChangeRole => $this->changeRole($context, $wanted, $present),
                Verb::Remove => $this->remove($context),
                Verb::BringBack => $this->bringBack($context, $present, $wanted->asks),
                Verb::Pause => $this->pause($context, $wanted),
                Verb::Resume => $this->end($context, OverrideKind::Paused, 'not-paused'),
                Verb::ChangeDates => $this->changeDates($context, $wanted, $present),
                Verb::Block => $this->block($context, $wanted, $present),
                Verb::Unblock => $this->end($context, OverrideKind::Blocked, 'not-blocked'),
                Verb::ClearRole => $this->end($context, OverrideKind::Role, 'no-role-by-hand'),
                Verb::ClearDates => $this->end($context, OverrideKind::Dates, 'no-dates-by-hand'),
                Verb::ChangeSections => $this->changeSections($context, $wanted->sections),
                Verb::PutInSection => $this->putInSection($context, (string) $wanted->section, $present),
                Verb::ClearSections => $this->end($context, OverrideKind::Sections, 'no-sections-by-hand'),
            };

        return $this->line($context, $planned, new Meant($wanted->leadEnds, $wanted->clash));
    }

    /**
     * The line that takes earlier effects back.
     *
     * @param list<Effect> $effects as they were applied
     */
    public function undo(ChangeContext $context, array $effects): ComputedChange
    {
        $actor = $context->actor;
        $reversed = array_map(
            fn(Effect $effect): Effect => $effect->reversed(
                $context->now,
                $this->ids,
                $this->height($context),
                $actor->personId,
            ),
            array_reverse($effects),
        );
        $left = [] !== array_filter($reversed, fn(Effect $effect): bool => $this->endsTheirOwn($context, $effect));
        $others = array_filter(
            $effects,
            static fn(Effect $effect): bool => OverrideKind::Sections !== $effect->override?->kind,
        );
        if ([] === $others && [] !== $effects && !$actor->may(Permission::ArrangeSections)) {
            $givers = $context->roles->holdersOf(Permission::ArrangeSections);

            return $this->line($context, Plan::refused(new Note('not-yours-to-do', ['givers' => $givers])));
        }

        return $this->line($context, $left ? Plan::refused(new Note('left-by-themselves')) : new Plan($reversed));
    }

    /** Whether an effect brings somebody back who went by themselves; that is theirs, or an administrator's. */
    private function endsTheirOwn(ChangeContext $context, Effect $effect): bool
    {
        $actor = $context->actor;
        $person = $context->person->id;
        $override =
            EffectKind::EndOverride === $effect->kind && OverrideKind::Withdrawn === $effect->override?->kind
                ? $context->enrollment->grant((string) $effect->grantId)?->override(
                    OverrideKind::Withdrawn,
                    $context->now
                )
                : null;

        return $person === $override?->putBy && $person !== $actor->personId && !$actor->administrator;
    }

    /** How high what is put on somebody stands: what they do themselves binds nobody. */
    private function height(ChangeContext $context): int
    {
        return $context->actor->personId === $context->person->id ? 0 : $context->actor->height();
    }

    /** @param ?list<string> $sections ids */
    private function override(
        ChangeContext $context,
        OverrideKind $kind,
        Window $window,
        ?string $role = null,
        ?Window $dates = null,
        ?array $sections = null,
    ): Override {
        return new Override(
            $this->ids->next(),
            $kind,
            $window,
            $role,
            dates: $dates,
            height: $this->height($context),
            putBy: $context->actor->personId,
            sections: $sections,
        );
    }

    /**
     * The line of somebody who comes in through a door by themselves, also after they waited at it. What may be given
     * there was decided when it was opened; the laws of seats and leads hold as for everybody.
     */
    public function comeIn(
        ChangeContext $context,
        string $door,
        DoorKind $kind,
        string $role,
        Window $window,
        ?string $section,
    ): ComputedChange {
        $grant = $this->grant($context, $door, $kind, $role, $window, $section, $context->now);

        return $this->line(
            $this->byTheDoor($context),
            new Plan([...$this->unmark($context, $door), Effect::giveGrant($grant)]),
        );
    }

    /** What somebody would have at the same time as something else, would they come in through a door. */
    public function clashAtDoor(
        ChangeContext $context,
        string $door,
        DoorKind $kind,
        string $role,
        Window $window,
        ?string $section,
    ): ?Note {
        $grant = $this->grant($context, $door, $kind, $role, $window, $section, $context->now);
        $after = Effect::applied([Effect::giveGrant($grant)], $context->enrollment)->timeline();

        return $this->laws->clash($context, $context->enrollment->timeline(), $after);
    }

    /** The line of somebody who stands at a door until there is a seat, somebody's word, or their own answer. */
    public function stand(
        ChangeContext $context,
        string $door,
        DoorKind $kind,
        string $role,
        Window $window,
        ?string $section,
    ): ComputedChange {
        $grant = $this->grant($context, $door, $kind, $role, $window, $section, Time::FOREVER);

        return $this->line(
            $this->byTheDoor($context),
            new Plan([...$this->unmark($context, $door), Effect::giveGrant($grant)]),
        );
    }

    /**
     * The line of somebody who goes again: what they have at these doors is taken back, and nothing else.
     *
     * @param list<string> $doors   ids
     * @param bool         $waiting whether only what they still wait with
     */
    public function goAgain(ChangeContext $context, array $doors, bool $waiting = false): ComputedChange
    {
        $itself = $this->byTheDoor($context);
        $effects = [];
        foreach ($waiting ? [Phase::Waiting] : [Phase::InForce, Phase::Upcoming, Phase::Waiting] as $phase) {
            foreach ($context->enrollment->grantsIn($phase, $context->now) as $grant) {
                if (\in_array($grant->doorId, $doors, true)) {
                    $override = $this->override($itself, OverrideKind::Withdrawn, new Window($context->now));
                    $effects[] = Effect::putOverride($grant->id, $override);
                }
            }
        }

        return $this->line(
            $itself,
            [] === $effects ? Plan::nothing(new Note('not-here')) : new Plan($effects, [new Note('work-stays')]),
            hidden: true,
        );
    }

    /**
     * The line of somebody who is to be here by a door that brings by itself, for a time: what they have there ends
     * earlier or later, or is given anew. It counts also where they are here by another way for as long.
     *
     * @param Window $window from now or later
     */
    public function stayFor(
        ChangeContext $context,
        string $door,
        DoorKind $kind,
        string $role,
        Window $window,
        ?string $section,
    ): ComputedChange {
        $now = $context->now;
        $itself = $this->byTheDoor($context);
        $last = $context->enrollment->lastOf($door);
        $has = $context->enrollment->windowAt($door, $now);
        if (null === $last || null === $has) {
            $grant = $this->grant($context, $door, $kind, $role, $window, $section, $now);

            return $this->line($itself, new Plan([Effect::giveGrant($grant)]), hidden: true);
        }
        $effects = [];
        foreach ($last->overrides as $override) {
            // What was to end it later; whoever has it now has nothing on it that ends it already.
            if ($override->window->from > $now && $override->window->from < $override->window->until) {
                $effects[] = Effect::endOverride($last->id, $override, $now, $itself->actor->personId);
            }
        }
        $begins = max($now, $last->window->from) === $window->from;
        if ($begins && $window->until <= $last->window->until) {
            if ($window->until < $last->window->until) {
                $ends = $this->override($itself, OverrideKind::Withdrawn, new Window($window->until));
                $effects[] = Effect::putOverride($last->id, $ends);
            }

            return $this->line($itself, new Plan($effects), hidden: true);
        }
        $back = $this->override($itself, OverrideKind::Withdrawn, new Window($now));
        $effects[] = Effect::putOverride($last->id, $back);
        $grant = $this->grant($context, $door, $kind, $role, $window, $section ?? $last->section, $now);

        return $this->line($itself, new Plan([...$effects, Effect::giveGrant($grant)]), hidden: true);
    }

    /**
     * The line of somebody who is carried here from another site. What they come to have is the actor's to give and to
     * take; the rest of the laws hold as for whoever makes sites one.
     */
    public function carryIn(ChangeContext $context, Carried $carried): ComputedChange
    {
        if (null !== $carried->between) {
            return $this->line($context, Plan::asked(new Note('which-role', ['roles' => $carried->between])));
        }
        $after = Effect::applied($carried->into, $context->enrollment)->timeline();
        $refusal = $this->laws->authority($context, $context->enrollment->timeline(), $after, $carried->into);

        return $this->line(
            $context->by(new Standing($context->actor->personId, true)),
            null === $refusal ? new Plan($carried->into, $carried->cautions) : Plan::refused($refusal),
        );
    }

    /**
     * The line of somebody who is carried from here to another site. What they lose by it is the actor's to take.
     *
     * @param ?Timeline $after what they are from then on in place of what they were here; null for what is left here
     */
    public function carryOut(ChangeContext $context, Carried $carried, ?Timeline $after = null): ComputedChange
    {
        $before = $context->enrollment->timeline();
        $after ??= Effect::applied($carried->outOf, $context->enrollment)->timeline();
        $refusal = $this->laws->losing($context, $before, $after);

        return $this->line(
            $context->by(new Standing($context->actor->personId, true)),
            null === $refusal ? new Plan($carried->outOf) : Plan::refused($refusal),
        );
    }

    /** The line of a request that another one on the same person stands in the way of. */
    public function besides(ChangeContext $context, bool $same): ComputedChange
    {
        return $this->line(
            $context,
            $same ? Plan::nothing(new Note('repeat')) : Plan::asked(new Note('twice-on-list')),
        );
    }

    /** @param bool $hidden whether what shows only once something else ends is something to do, too */
    private function line(
        ChangeContext $context,
        Plan $plan,
        Meant $meant = new Meant(clash: true),
        bool $hidden = false,
    ): ComputedChange {
        $before = $context->enrollment->timeline();
        $result = Effect::applied($plan->effects, $context->enrollment);
        $after = $result->timeline();
        $verdict = Verdict::Ready;
        $reasons = [];
        $cautions = $plan->cautions;
        if (null !== $plan->refusal) {
            [$verdict, $reasons, $cautions] = [$plan->verdict, [$plan->refusal], []];
        } elseif (
            (!$hidden || [] === $plan->effects)
            && $after->from($context->now)->equals($before->from($context->now))
        ) {
            [$verdict, $reasons] = [Verdict::NothingToDo, [new Note('already-so')]];
        } else {
            $judged = $this->laws->judge($context, $before, $after, $plan->effects, $meant);
            [$verdict, $reasons] = [$judged->verdict, $judged->reasons];
            $cautions = Verdict::Ready === $verdict ? [...$cautions, ...$judged->cautions] : [];
        }
        $ready = Verdict::Ready === $verdict;

        return new ComputedChange(
            $verdict,
            $before->at($context->now),
            $ready ? $after->at($context->now) : $before->at($context->now),
            $reasons,
            $cautions,
            $ready ? $plan->effects : [],
            $ready ? $result : $context->enrollment,
            $ready ? $after : $before,
            $before,
        );
    }

    /** What stands in the way of anything at all, or null. */
    private function standing(ChangeContext $context, Wanted $wanted, ?Segment $present): ?Plan
    {
        $leaving = Verb::Remove === $wanted->verb && $context->actor->personId === $context->person->id;
        $needs = $wanted->verb->needs();
        if (!$leaving && !$context->actor->may($needs)) {
            return Plan::refused(new Note('not-yours-to-do', ['givers' => $context->roles->holdersOf($needs)]));
        }
        if (!Sight::of($context->actor)->sees($context->person->id, $present, $context->roles)) {
            return Plan::refused(new Note('other-section'));
        }
        $here = true === $present?->state->here();

        return match (true) {
            State::Blocked === $present?->state
                && !\in_array($wanted->verb, [Verb::Remove, Verb::Block, Verb::Unblock], true) =>
                Plan::refused(new Note('blocked', ['until' => $present->window->until])),
            $wanted->verb->wantsHere() && !$here => Plan::refused(new Note('not-here')),
            $wanted->verb->changesWaysIn()
                && !$context->actor->administrator
                && null !== ($door = $this->reserved($context)) =>
                Plan::refused(new Note('reserved', ['door' => $door])),
            Verb::BringBack === $wanted->verb && $here => Plan::nothing(new Note('already-here')),
            Verb::BringBack === $wanted->verb && null === $present => Plan::refused(new Note('never-here')),
            default => null,
        };
    }

    /**
     * The door that brought something only administrators may change, and that holds or will; null where there is none.
     */
    private function reserved(ChangeContext $context): ?string
    {
        foreach ([Phase::InForce, Phase::Upcoming, Phase::Waiting] as $phase) {
            foreach ($context->enrollment->grantsIn($phase, $context->now) as $grant) {
                if ($grant->reserved) {
                    return $grant->doorId;
                }
            }
        }

        return null;
    }

    private function letIn(ChangeContext $context, Wanted $wanted, ?Segment $present): Plan
    {
        $waiting = $this->waitingAtDoors($context, $present);
        $here = true === $present?->state->here() && [] === $waiting;
        // The role they had here before is the one suggested, where it may be given again.
        $before = $here || null === $present ? null : ($context->roles->pick($present->roles)[0] ?? null)?->code;
        $role =
            $wanted->role
            ?? ($context->roles->suggest($context->actor, $context->person, $context->site, $before) ?? '');
        if ($here) {
            return null === $wanted->role || [$role] === $present->roles
                ? Plan::nothing(new Note('already-here'))
                : Plan::refused(new Note('here-as-other', ['roles' => $present->roles]));
        }
        if ('' === $role) {
            return Plan::refused(new Note('no-role-suggested'));
        }
        if (null === $wanted->role && !$wanted->sure && true !== $context->roles->find($role)?->takesSeat) {
            return Plan::asked(new Note('above-learner', ['role' => $role]));
        }
        $plain = null === $wanted->role && null === $wanted->window && null === $wanted->section;
        if ($plain && null !== $present && [] === $waiting && !$wanted->asks) {
            return $this->bringBack($context, $present, false);
        }
        $window = $wanted->window ?? new Window($context->now);
        if ($window->until <= max($context->now, $window->from)) {
            return Plan::refused(new Note('window-is-over', ['until' => $window->until]));
        }
        $verdict = $context->roles->mayGive($role, $context->actor, $context->person, $context->site);
        if (!$verdict->allowed) {
            return Plan::refused(
                new Note($verdict->code, [...$verdict->values, 'role' => $role, 'givers' => $verdict->givers]),
            );
        }

        // Whoever has one section only lets people into it.
        $own = $context->actor->sections ?? [];
        $section = $wanted->section ?? (1 === \count($own) ? $own[0] : null);
        $grant = $this->staffGrant($context, $role, $window, $section, $wanted->asks);

        return new Plan(
            [
                ...$this->endRoleByHand($context),
                ...$this->ends($context, OverrideKind::Dates),
                ...$this->ends($context, OverrideKind::Sections),
                ...$waiting,
                Effect::giveGrant($grant),
            ],
            [
                ...'fits' === $verdict->code ? [] : [new Note($verdict->code, [...$verdict->values, 'role' => $role])],
                ...$wanted->asks ? [new Note('waits-for-approval', ['division' => $context->person->division])] : [],
            ],
        );
    }

    private function changeRole(ChangeContext $context, Wanted $wanted, ?Segment $present): Plan
    {
        $role = (string) $wanted->role;
        if ($present?->roles === [$role]) {
            return Plan::nothing(new Note('already-so'));
        }
        $verdict = $context->roles->mayGive($role, $context->actor, $context->person, $context->site);
        if (!$verdict->allowed) {
            return Plan::refused(
                new Note($verdict->code, [...$verdict->values, 'role' => $role, 'givers' => $verdict->givers]),
            );
        }
        $effects = $this->endRoleByHand($context);
        $without = Effect::applied($effects, $context->enrollment);
        if ($without->timeline()->at($context->now)?->roles !== [$role]) {
            $override = $this->override($context, OverrideKind::Role, new Window($context->now), $role);
            $effects[] = Effect::putOverride(null, $override);
        }

        return new Plan(
            $effects,
            'fits' === $verdict->code ? [] : [new Note($verdict->code, [...$verdict->values, 'role' => $role])],
        );
    }

    private function remove(ChangeContext $context): Plan
    {
        $effects = [];
        $returns = [];
        foreach ([Phase::InForce, Phase::Upcoming, Phase::Waiting] as $phase) {
            foreach ($context->enrollment->grantsIn($phase, $context->now) as $grant) {
                $override = $this->override($context, OverrideKind::Withdrawn, new Window($context->now));
                $effects[] = Effect::putOverride($grant->id, $override);
                if ($grant->door->keepsBringing()) {
                    $returns[] = $grant->doorId;
                }
            }
        }

        return new Plan($effects, [
            new Note('work-stays'),
            ...array_map(static fn(string $door): Note => new Note('comes-back-through', ['door' => $door]), $returns),
        ]);
    }

    /** As they were here before, but for sections that nobody is put into any more. */
    private function bringBack(ChangeContext $context, ?Segment $present, bool $asks): Plan
    {
        $plan = $this->asBefore($context, $present, $asks);
        $back = Effect::applied($plan->effects, $context->enrollment);
        $sections = $back->timeline()->at($context->now)->sections ?? [];
        $left = array_values(
            array_filter(
                $sections,
                static fn(string $id): bool => false === ($context->site->sections[$id] ?? null)?->retired,
            ),
        );
        if (null !== $plan->refusal || $left === $sections) {
            return $plan;
        }
        $override = $this->override($context, OverrideKind::Sections, new Window($context->now), sections: $left);

        return new Plan(
            [
                ...$plan->effects,
                ...$this->ends($context->with($back), OverrideKind::Sections),
                Effect::putOverride(null, $override),
            ],
            [...$plan->cautions, new Note(
                'section-retired',
                ['sections' => array_values(array_diff($sections, $left))]
            )],
        );
    }

    /**
     * Ends the overrides of the last removing, all of them together; where the dates are over by now, renews the grant
     * that came last.
     */
    private function asBefore(ChangeContext $context, ?Segment $present, bool $asks): Plan
    {
        $now = $context->now;
        $by = $context->actor->personId;
        $last = null;
        $effects = [];
        foreach ($context->enrollment->grantsIn(Phase::Removed, $now) as $grant) {
            $overrides = array_filter(
                $grant->overrides,
                static fn(Override $o): bool => OverrideKind::Withdrawn === $o->kind && $o->window->contains($now),
            );
            $from = max(
                array_map(static fn(Override $override): int => $override->window->from, [
                    ...$overrides,
                    new Override('', OverrideKind::Withdrawn, new Window()),
                ]),
            );
            if (null !== $last && $from < $last) {
                continue;
            }
            if ($from !== $last) {
                [$last, $effects] = [$from, []];
            }
            array_push(
                $effects,
                ...array_map(
                    static fn(Override $override): Effect => Effect::endOverride($grant->id, $override, $now, $by),
                    array_values($overrides),
                ),
            );
        }
        // Whoever is asked about in their division, and went by themselves, is let in anew.
        $left = array_filter($effects, fn(Effect $effect): bool => $this->endsTheirOwn($context, $effect));
        if ($asks && [] !== $left) {
            return Plan::refused(new Note('left-by-themselves'));
        }
        $restored = Effect::applied($effects, $context->enrollment);
        if (true === $restored->timeline()->at($now)?->state->here()) {
            return new Plan($effects, [new Note('as-before')]);
        }
        // Their dates are over by now: first those set by hand go, and where that is not enough the grant that came
        // last is renewed.
        $lifts = $this->ends($context, OverrideKind::Dates);
        $until = $restored->override(OverrideKind::Dates, $now)?->dates?->until;
        $undated = Effect::applied($lifts, $restored);
        if ([] !== $lifts && true === $undated->timeline()->at($now)?->state->here()) {
            return new Plan([...$effects, ...$lifts], [new Note('dates-were-over', ['until' => $until])]);
        }
        $restored = $undated;
        $ended = $restored->grantsIn(Phase::Ended, $now);
        if ([] === $ended) {
            return Plan::refused(new Note('never-here'));
        }
        usort(
            $ended,
            static fn(Grant $a, Grant $b): int => [$b->window->until, $b->givenAt, $b->id] <=> [
                $a->window->until,
                $a->givenAt,
                $a->id,
            ],
        );
        $again = $this->staffGrant($context, $ended[0]->role, new Window($now), $ended[0]->section);

        return new Plan(
            [...$lifts, Effect::giveGrant($again)],
            [new Note('dates-were-over', ['until' => $ended[0]->window->until])],
        );
    }

    /** From now or from a day, until a day or open; a pause that is there already gives way to it. */
    private function pause(ChangeContext $context, Wanted $wanted): Plan
    {
        $window = $wanted->window ?? new Window($context->now);
        if ($window->until <= max($context->now, $window->from)) {
            return Plan::refused(new Note('window-is-over', ['until' => $window->until]));
        }
        $window = new Window(max($context->now, $window->from), $window->until);
        $effects = $this->ends($context, OverrideKind::Paused);
        $without = Effect::applied($effects, $context->enrollment);
        $hits = array_filter(
            $without->timeline()->from($window->from)->segments,
            static fn(Segment $segment): bool => State::Current === $segment->state
                && $segment->window->from < $window->until,
        );
        if ([] === $hits) {
            return Plan::refused(new Note('pause-outside', ['from' => $window->from]));
        }

        return new Plan(
            [...$effects, Effect::putOverride(null, $this->override($context, OverrideKind::Paused, $window))],
            [new Note('pause-keeps')],
        );
    }

    /**
     * Holds over all grants, and over those that come later, until it is lifted; where the grants give the same, only
     * what was set before goes.
     *
     * @param list<string> $sections ids
     */
    private function changeSections(ChangeContext $context, array $sections): Plan
    {
        $sections = array_values(array_unique($sections));
        sort($sections);
        foreach ($sections as $section) {
            if (!isset($context->site->sections[$section])) {
                return Plan::refused(new Note('no-such-section', ['section' => $section]));
            }
        }
        $effects = $this->ends($context, OverrideKind::Sections);
        $without = Effect::applied($effects, $context->enrollment)->timeline()->from($context->now);
        $others = array_filter(
            $without->segments,
            static fn(Segment $segment): bool => $segment->state->here() && $segment->sections !== $sections,
        );
        if ([] === $effects || [] !== $others) {
            $window = new Window($context->now);
            $override = $this->override($context, OverrideKind::Sections, $window, sections: $sections);
            $effects[] = Effect::putOverride(null, $override);
        }

        return new Plan($effects);
    }

    private function putInSection(ChangeContext $context, string $section, ?Segment $present): Plan
    {
        $learns = null !== $present && $context->roles->takeSeat($present->roles);
        $had = $context->site->several || !$learns ? $present->sections ?? [] : [];

        return $this->changeSections($context, [...$had, $section]);
    }

    /**
     * Holds over all grants, and over those that come later, until it is lifted; each begins as it would unless a
     * beginning is set.
     */
    private function changeDates(ChangeContext $context, Wanted $wanted, ?Segment $present): Plan
    {
        $now = $context->now;
        $dates = $wanted->window ?? new Window();
        // Whoever has not begun yet begins as they would; dates that end before are none.
        $begins =
            State::Upcoming === $present?->state && Time::BEGINNING === $dates->from
                ? $context->enrollment
                    ->timeline()
                    ->holdsUntil($now, static fn(Segment $segment): bool => State::Upcoming === $segment->state)
                : $dates->from;
        if ($dates->until <= max($now, $begins)) {
            return Plan::refused(new Note('window-is-over', ['until' => $dates->until]));
        }
        $override = $this->override($context, OverrideKind::Dates, new Window($now), dates: $dates);
        $effects = [...$this->ends($context, OverrideKind::Dates), Effect::putOverride(null, $override)];
        // A beginning set by hand is that of every way in; it must not bring the role of one to come into force unseen.
        $brought = array_values(
            array_diff(
                Effect::applied($effects, $context->enrollment)->timeline()->at($now)->roles ?? [],
                $present->roles ?? [],
            ),
        );
        if ([] !== $brought) {
            return Plan::refused(new Note('dates-bring-role', ['role' => $brought[0]]));
        }
        $site = $context->site;
        $beyond = $dates->until < Time::FOREVER && $dates->until > $site->termEnds;

        return new Plan($effects, $beyond ? [new Note('beyond-term', ['until' => $site->termEnds])] : []);
    }

    /** Takes out whoever is here, and refuses them at every door for as long as it lasts. */
    private function block(ChangeContext $context, Wanted $wanted, ?Segment $present): Plan
    {
        $window = new Window($context->now, max($context->now, $wanted->window->until ?? Time::FOREVER));
        if ($window->until <= $context->now) {
            return Plan::refused(new Note('window-is-over', ['until' => $window->until]));
        }
        $out = true === $present?->state->here() ? $this->remove($context) : new Plan([]);

        return new Plan(
            [
                ...$out->effects,
                ...$this->ends($context, OverrideKind::Blocked),
                Effect::putOverride(null, $this->override($context, OverrideKind::Blocked, $window)),
            ],
            [] === $out->effects ? [] : [new Note('work-stays')],
        );
    }

    /** Ends what is on the enrollment of a kind, now and later. */
    private function end(ChangeContext $context, OverrideKind $kind, string $otherwise): Plan
    {
        $effects = $this->ends($context, $kind);

        return [] === $effects ? Plan::nothing(new Note($otherwise)) : new Plan($effects);
    }

    /** @return list<Effect> */
    private function ends(ChangeContext $context, OverrideKind $kind): array
    {
        $effects = [];
        foreach ($context->enrollment->overrides as $override) {
            if ($kind === $override->kind && $override->window->until > max($context->now, $override->window->from)) {
                $effects[] = Effect::endOverride(null, $override, $context->now, $context->actor->personId);
            }
        }

        return $effects;
    }

    /** @return list<Effect> */
    private function endRoleByHand(ChangeContext $context): array
    {
        $override = $context->enrollment->override(OverrideKind::Role, $context->now);

        return null === $override
            ? []
            : [Effect::endOverride(
                null,
                $override,
                $context->now,
                $context->actor->personId
            )];
    }

    /** @param bool $asks whether it waits for a yes of the person's division */
    private function staffGrant(
        ChangeContext $context,
        string $role,
        Window $window,
        ?string $section,
        bool $asks = false,
    ): Grant {
        $accepted = $asks ? Time::FOREVER : $context->now;

        return $this->grant($context, $context->staff, DoorKind::Staff, $role, $window, $section, $accepted);
    }

    private function grant(
        ChangeContext $context,
        string $door,
        DoorKind $kind,
        string $role,
        Window $window,
        ?string $section,
        int $accepted,
    ): Grant {
        $since = Time::FOREVER;
        foreach ($context->enrollment->grants as $grant) {
            if (
                $kind === $grant->door
                && !\in_array($grant->phaseAt($context->now), [Phase::None, Phase::Waiting], true)
            ) {
                $since = min($since, $grant->since());
            }
        }

        return new Grant(
            $this->ids->next(),
            $door,
            $kind,
            $role,
            $context->now,
            $window,
            $accepted,
            $section,
            $since,
            givenBy: $context->actor->personId,
        );
    }

    private function byTheDoor(ChangeContext $context): ChangeContext
    {
        return $context->by(new Standing($context->person->id, true));
    }

    /** @return list<Effect> that end what somebody waits with at a door */
    private function unmark(ChangeContext $context, string $door): array
    {
        return $this->undone(
            $context,
            array_filter(
                $context->enrollment->grantsIn(Phase::Waiting, $context->now),
                static fn(Grant $grant): bool => $grant->doorId === $door,
            ),
        );
    }

    /**
     * What makes of somebody who waits at doors by themselves somebody who does not; none where they are here, or wait
     * for the word of another division.
     *
     * @return list<Effect>
     */
    private function waitingAtDoors(ChangeContext $context, ?Segment $present): array
    {
        $standing = $context->enrollment->grantsIn(Phase::Waiting, $context->now);
        $asked = array_filter($standing, static fn(Grant $grant): bool => DoorKind::Staff === $grant->door);

        return State::Waiting === $present?->state && [] === $asked ? $this->undone($context, $standing) : [];
    }

    /**
     * @param array<array-key, Grant> $standing
     *
     * @return list<Effect>
     */
    private function undone(ChangeContext $context, array $standing): array
    {
        return array_values(
            array_map(
                fn(Grant $grant): Effect => Effect::putOverride(
                    $grant->id,
                    new Override($this->ids->next(), OverrideKind::Undone, new Window($context->now)),
                ),
                $standing,
            ),
        );
    }
}
