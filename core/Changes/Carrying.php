<?php

declare(strict_types=1);

namespace MintDoor\Core\Changes;

use MintDoor\Core\Ids;
use MintDoor\Core\Roles\RoleBook;
use MintDoor\Core\Roster\DoorKind;
use MintDoor\Core\Roster\Enrollment;
use MintDoor\Core\Roster\Grant;
use MintDoor\Core\Roster\Override;
use MintDoor\Core\Roster\OverrideKind;
use MintDoor\Core\Roster\Phase;
use MintDoor\Core\Roster\Segment;
use MintDoor\Core\Roster\State;
use MintDoor\Core\Time\Window;

/**
 * Carries people from one site to another: all of a site into a section of another one, or some sections of a site into
 * a site of their own. From the instant on at which it is done they are there what they were here: roles, dates,
 * pauses, what they wait for, and since when; what was before stays where it was. Both are effects, and taken back as
 * such.
 */
final readonly class Carrying
{
    private const LIVE = [Phase::InForce, Phase::Upcoming, Phase::Waiting];

    /** @param string $by id of who does it */
    public function __construct(
        private Ids $ids,
        private RoleBook $book,
        private int $now,
        private string $by,
        private int $height = 0,
    ) {}

    /**
     * All that somebody is in one site becomes part of what they are in another. Whoever is in both stays what they
     * are there, and has the ways in and the sections of both; different roles are for somebody to choose from.
     *
     * @param Enrollment $there in the site that stays
     * @param Enrollment $here  in the one that becomes part of it
     * @param ?string    $role  somebody chose
     */
    public function join(Enrollment $there, Enrollment $here, CarryMap $map, ?string $role = null): Carried
    {
        $gone = $here->timeline()->at($this->now);
        $kept = $there->timeline()->at($this->now);
        if (null === $gone) {
            return new Carried([]);
        }
        $outOf = $this->allOf($here);
        if (null === $kept) {
            return new Carried($this->copied($here, $map), $outOf);
        }
        $isHere = $gone->state->here();
        if (State::Blocked === $kept->state) {
            return new Carried([], $outOf, $isHere ? [new Note('stays-blocked')] : []);
        }
        if (State::Blocked === $gone->state && !$kept->state->here()) {
            return new Carried($this->overrides($here, $map, [OverrideKind::Blocked]), $outOf);
        }
        if (!$isHere) {
            return new Carried([], $outOf, State::Blocked === $gone->state ? [new Note('block-stays-behind')] : []);
        }
        if (!$kept->state->here()) {
            return new Carried($this->comeBack($there, $here, $map), $outOf);
        }

        return $this->doubled($there, $here, $kept, $gone, $map, $role, $outOf);
    }

    /**
     * The same of several sites that become part of one, one after the other.
     *
     * @param ?string                                            $own   id of the section of those who are in none of
     *     the site that stays; null where they stay in none
     * @param array<array-key, array{Enrollment, CarryMap}> $sites that somebody is or was in
     * @param ?string                                            $role  somebody chose
     *
     * @return array{Carried, array<array-key, Carried>} in the site that stays; in the others, by their keys
     */
    public function joinAll(Enrollment $there, ?string $own, array $sites, ?string $role = null): array
    {
        $effects = null === $own ? [] : $this->place($there, $own);
        $cautions = $each = [];
        $between = null;
        foreach ($sites as $key => [$here, $map]) {
            $one = $this->join(Effect::applied($effects, $there), $here, $map, $role);
            $effects = [...$effects, ...$one->into];
            $cautions = [...$cautions, ...$one->cautions];
            $between ??= $one->between;
            $each[$key] = $one;
        }

        return [new Carried(self::settled($effects), cautions: $cautions, between: $between), $each];
    }

    /**
     * What somebody is in some sections of a site becomes what they are in a site of its own; whoever is in others,
     * too, stays in those.
     *
     * @param list<string> $sections ids
     */
    public function split(Enrollment $here, array $sections, CarryMap $map): Carried
    {
        $present = $here->timeline()->at($this->now);
        $in = array_intersect($present->sections ?? [], $sections);
        if (null !== $present && [] !== $in && [] === array_diff($present->sections, $in)) {
            return new Carried($this->copied($here, $map, false), $this->allOf($here));
        }
        [$into, $outOf] = [[], []];
        if (null !== $present && [] !== $in) {
            $live = $this->live($here);
            $theirs = array_values(
                array_filter($live, static fn(Grant $grant): bool => \in_array($grant->section, $sections, true)),
            );
            // Ways in of their own into what goes are left behind where the others are enough to stay.
            $apart = \count($theirs) < \count($live)
                && [] !== $theirs
                && true === Effect::applied($this->undone($theirs), $here)->timeline()->at($this->now)?->state->here();
            $into = [
                ...$this->grants($apart ? $theirs : $live, null, $map),
                ...$this->overrides($here, $map),
            ];
            $outOf = $apart ? $this->undone($theirs) : [];
        }

        return new Carried($into, [...$outOf, ...$this->without($here, $outOf, $sections)]);
    }

    /**
     * Puts whoever is here and in no section into one.
     *
     * @return list<Effect>
     */
    public function place(Enrollment $enrollment, string $section): array
    {
        $present = $enrollment->timeline()->at($this->now);
        if (true !== $present?->state->here() || [] !== $present->sections) {
            return [];
        }

        return $this->inSections($enrollment, [$section]);
    }

    /**
     * Without overrides that are put on and ended at the same instant.
     *
     * @param list<Effect> $effects
     *
     * @return list<Effect>
     */
    private static function settled(array $effects): array
    {
        $put = $gone = [];
        foreach ($effects as $effect) {
            $id = $effect->override->id ?? '';
            if (EffectKind::PutOverride === $effect->kind) {
                $put[$id] = true;
            } elseif (EffectKind::EndOverride === $effect->kind && isset($put[$id])) {
                $gone[$id] = true;
            }
        }

        return array_values(
            array_filter(
                $effects,
                static fn(Effect $effect): bool => !isset($gone[$effect->override->id ?? '']),
            ),
        );
    }

    /** @return list<Effect> that make somebody who was there before what they are here, and nothing else */
    private function comeBack(Enrollment $there, Enrollment $here, CarryMap $map): array
    {
        $effects = [...$this->lifted($there), ...$this->copied($here, $map)];
        // What they had there before does not come back with dates that are set by hand, or lifted.
        $again = array_filter(
            $this->live(Effect::applied($effects, $there)),
            static fn(Grant $grant): bool => null !== $there->grant($grant->id),
        );

        return [...$effects, ...$this->undone(array_values($again))];
    }

    /** @param list<Effect> $outOf */
    private function doubled(
        Enrollment $there,
        Enrollment $here,
        Segment $kept,
        Segment $gone,
        CarryMap $map,
        ?string $role,
        array $outOf,
    ): Carried {
        $own = $this->highest($kept->roles);
        $theirs = $this->highest($gone->roles);
        if ($own !== $theirs && !\in_array($role, [$own, $theirs], true)) {
            return new Carried([], between: [$own, $theirs]);
        }
        // What is set by hand on the whole of it stays behind, and the role and the dates it says go along.
        $byHand = $here->override(OverrideKind::Role, $this->now)?->role;
        $asSet = array_map(
            fn(Grant $grant): Grant => $grant->during($here->windowOf($grant, $this->now), $byHand),
            $this->live($here),
        );
        $effects = $this->grants($asSet, $gone->since, $map);
        $both = Effect::applied($effects, $there);
        $after = $both->timeline()->at($this->now);
        $so = $own === $theirs ? $this->highest($after->roles ?? []) === $own : $after?->roles === [$role];
        if (!$so) {
            array_push(
                $effects,
                ...$this->ended($both, [OverrideKind::Role]),
                ...[$this->put(OverrideKind::Role, role: $own === $theirs ? $own : $role)],
            );
        }
        $sections = array_values(array_unique([...$kept->sections, ...$map->sections($gone->sections)]));
        sort($sections);
        if ($after?->sections !== $sections) {
            array_push($effects, ...$this->inSections($both, $sections));
        }
        $paused = State::Paused === $gone->state && State::Paused !== $kept->state;

        return new Carried($effects, $outOf, $paused ? [new Note('pause-stays-behind')] : []);
    }

    /**
     * @param bool $all whether since when they are here counts from all they ever had here
     *
     * @return list<Effect> that make somebody there what they are here
     */
    private function copied(Enrollment $here, CarryMap $map, bool $all = true): array
    {
        $live = $this->live($here);
        $since = $all ? $here->timeline()->at($this->now)?->since : null;

        return [
            ...$this->grants([] === $live ? $this->lastGone($here) : $live, $since, $map),
            ...$this->overrides($here, $map),
        ];
    }

    /**
     * @param list<Grant> $grants
     * @param ?int        $since  when they came; null for what each of these says
     *
     * @return list<Effect>
     */
    private function grants(array $grants, ?int $since, CarryMap $map): array
    {
        // Whoever has one way into a section has no other one for those who are in none.
        $none = [] === array_filter(array_map(static fn(Grant $grant): ?string => $grant->section, $grants));
        $effects = [];
        foreach ($grants as $grant) {
            $along = \in_array($grant->doorId, $map->doors, true);
            $section = null === $grant->section ? null : $map->sections[$grant->section] ?? null;
            $copy = new Grant(
                $this->ids->next(),
                $along ? $grant->doorId : $map->staff,
                $along ? $grant->door : DoorKind::Staff,
                $grant->role,
                $this->now,
                $grant->window,
                $grant->acceptedAt,
                null === $grant->section && $none ? $map->otherwise : $section,
                $since ?? $grant->since(),
                reserved: $along && $grant->reserved,
                givenBy: $grant->givenBy,
                waitsFor: $grant->waitsFor,
            );
            $effects[] = Effect::giveGrant($copy);
            $removed = $grant->override(OverrideKind::Withdrawn, $this->now);
            if (null !== $removed) {
                $effects[] = Effect::putOverride($copy->id, $this->copy($removed));
            }
        }

        return $effects;
    }

    /**
     * @param list<OverrideKind> $kinds
     *
     * @return list<Effect>
     */
    private function overrides(Enrollment $here, CarryMap $map, array $kinds = []): array
    {
        $effects = [];
        foreach ($here->overrides as $override) {
            $on = $override->window->until > max($this->now, $override->window->from);
            if (!$on || ([] !== $kinds && !\in_array($override->kind, $kinds, true))) {
                continue;
            }
            if (OverrideKind::Sections !== $override->kind) {
                $effects[] = Effect::putOverride(null, $this->copy($override, $here));
            } elseif ($map->divides()) {
                $effects[] = Effect::putOverride(
                    null,
                    $this->copy($override, sections: $map->sections($override->sections ?? [])),
                );
            }
        }

        return $effects;
    }

    /**
     * @param ?Enrollment   $of       that an override of dates is on: what they hold over depends on when such were
     *     first set
     * @param ?list<string> $sections ids
     */
    private function copy(Override $override, ?Enrollment $of = null, ?array $sections = null): Override
    {
        $from = null === $of || null === $override->dates
            ? max($this->now, $override->window->from)
            : $of->firstSet($override);

        return new Override(
            $this->ids->next(),
            $override->kind,
            new Window($from, $override->window->until),
            $override->role,
            dates: $override->dates,
            height: $override->height,
            putBy: $override->putBy,
            sections: $sections,
        );
    }

    /** @return list<Effect> after which somebody is not here; whoever was not is left as they are */
    private function allOf(Enrollment $enrollment): array
    {
        $present = $enrollment->timeline()->at($this->now);

        return true === $present?->state->here()
            ? [...$this->lifted($enrollment), ...$this->undone($this->live($enrollment))]
            : [];
    }

    /** @return list<Effect> that end what is set by hand on somebody who is not here any more */
    private function lifted(Enrollment $enrollment): array
    {
        return $this->ended(
            $enrollment,
            [OverrideKind::Role, OverrideKind::Dates, OverrideKind::Sections, OverrideKind::Paused],
        );
    }

    /**
     * @param list<OverrideKind> $kinds
     *
     * @return list<Effect>
     */
    private function ended(Enrollment $enrollment, array $kinds): array
    {
        $effects = [];
        foreach ($enrollment->overrides as $override) {
            $on = $override->window->until > max($this->now, $override->window->from);
            if ($on && \in_array($override->kind, $kinds, true)) {
                $effects[] = Effect::endOverride(null, $override, $this->now, $this->by);
            }
        }

        return $effects;
    }

    /**
     * As what nobody took away, so that doors let them in again.
     *
     * @param list<Grant> $grants
     *
     * @return list<Effect>
     */
    private function undone(array $grants): array
    {
        return array_map(
            fn(Grant $grant): Effect => Effect::putOverride(
                $grant->id,
                new Override($this->ids->next(), OverrideKind::Undone, new Window($this->now), putBy: $this->by),
            ),
            $grants,
        );
    }

    /**
     * @param list<Effect> $outOf    what is done already
     * @param list<string> $sections ids that nobody is left in
     *
     * @return list<Effect>
     */
    private function without(Enrollment $here, array $outOf, array $sections): array
    {
        $left = Effect::applied($outOf, $here);
        $timeline = $left->timeline()->from($this->now);
        foreach ($timeline->segments as $segment) {
            if ($segment->state->here() && [] !== array_intersect($segment->sections, $sections)) {
                $present = $timeline->at($this->now)->sections ?? [];

                return $this->inSections($left, array_values(array_diff($present, $sections)));
            }
        }

        return [];
    }

    /**
     * @param list<string> $sections ids
     *
     * @return list<Effect>
     */
    private function inSections(Enrollment $enrollment, array $sections): array
    {
        return [
            ...$this->ended($enrollment, [OverrideKind::Sections]),
            $this->put(OverrideKind::Sections, sections: $sections),
        ];
    }

    /** @param ?list<string> $sections ids */
    private function put(OverrideKind $kind, ?string $role = null, ?array $sections = null): Effect
    {
        $override = new Override(
            $this->ids->next(),
            $kind,
            new Window($this->now),
            $role,
            height: $this->height,
            putBy: $this->by,
            sections: $sections,
        );

        return Effect::putOverride(null, $override);
    }

    /** @return list<Grant> that bring somebody in now or later: what is waited with last */
    private function live(Enrollment $enrollment): array
    {
        $live = array_map(
            fn(Phase $phase): array => $enrollment->grantsIn($phase, $this->now),
            self::LIVE,
        );

        return array_merge(...$live);
    }

    /** @return list<Grant> of somebody who was here: those that were taken out together last, or that ended last */
    private function lastGone(Enrollment $enrollment): array
    {
        $last = [];
        $at = [0, 0];
        foreach ([Phase::Ended, Phase::Removed] as $removed => $phase) {
            foreach ($enrollment->grantsIn($phase, $this->now) as $grant) {
                $ends = 1 === $removed
                    ? $grant->override(OverrideKind::Withdrawn, $this->now)->window->from ?? 0
                    : $enrollment->windowOf($grant, $this->now)->until;
                $instant = [max($grant->givenAt, $ends), $removed];
                if ($instant > $at || [] === $last) {
                    $last = [];
                }
                if ($instant >= $at) {
                    $last[] = $grant;
                    $at = $instant;
                }
            }
        }

        return $last;
    }

    /** @param list<string> $roles codes */
    private function highest(array $roles): string
    {
        return $this->book->pick($roles)[0]->code ?? '';
    }
}
