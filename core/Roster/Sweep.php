<?php

declare(strict_types=1);

namespace MintDoor\Core\Roster;

use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;

/**
 * Computes the timeline of an enrollment by sweeping over the instants at which a pass changes its phase or a mark
 * begins or ends. O(n log n) in passes and marks; what "came last" and "came first" is kept in heaps whose stale
 * entries are dropped when they come up.
 *
 * @internal
 */
final class Sweep
{
    /** @var array<int, Phase> phase of each pass, by its index */
    private array $phase = [];

    /** @var array<string, array<string, int>> phase name => role => how many passes */
    private array $roles = [];

    /** @var \SplMaxHeap<array{int, int, int}> instant of going, 1 if taken out, index */
    private \SplMaxHeap $gone;

    /** @var \SplMinHeap<array{int, int}> since, index */
    private \SplMinHeap $since;

    /** @var array<string, list<Mark>> marks now on, by kind */
    private array $on = [];

    /** How many passes are accepted, not withdrawn and not over: in force or upcoming. */
    private int $live = 0;

    public function __construct(private readonly Enrollment $enrollment)
    {
        $this->gone = new \SplMaxHeap();
        $this->since = new \SplMinHeap();
    }

    public function timeline(): Timeline
    {
        $segments = [];
        $events = $this->events();
        $instants = array_keys($events);
        sort($instants);
        foreach ($instants as $index => $instant) {
            foreach ($events[$instant] as $event) {
                $this->step($event, $instant);
            }
            $until = $instants[$index + 1] ?? Time::FOREVER;
            $segment = $instant < $until ? $this->segment($instant, $until) : null;
            if (null === $segment) {
                continue;
            }
            $last = array_key_last($segments);
            if (null !== $last && $segment->continues($segments[$last])) {
                $segment = new Segment(new Window($segments[$last]->window->from, $until), $segment->state, $segment->roles, $segment->holdsSeat, $segment->since);
                array_pop($segments);
            }
            $segments[] = $segment;
        }

        return new Timeline($segments);
    }

    /** @return array<int, list<array{int, Phase}|array{Mark, bool}>> by instant: a pass and its new phase, or a mark and whether it begins */
    private function events(): array
    {
        $events = [];
        foreach ($this->enrollment->passes as $index => $pass) {
            $boundaries = array_unique($pass->boundaries());
            sort($boundaries);
            $before = Phase::None;
            foreach ($boundaries as $boundary) {
                $phase = $boundary < Time::FOREVER ? $pass->phaseAt($boundary) : $before;
                if ($phase !== $before) {
                    $events[$boundary][] = [$index, $phase];
                    $before = $phase;
                }
            }
        }
        foreach ($this->enrollment->marks as $mark) {
            if ($mark->window->from < $mark->window->until) {
                $events[$mark->window->from][] = [$mark, true];
                if ($mark->window->until < Time::FOREVER) {
                    $events[$mark->window->until][] = [$mark, false];
                }
            }
        }

        return $events;
    }

    /** @param array{int, Phase}|array{Mark, bool} $event */
    private function step(array $event, int $instant): void
    {
        [$what, $how] = $event;
        if ($what instanceof Mark) {
            $kind = $what->kind->value;
            if (true === $how) {
                $this->on[$kind][] = $what;
            } else {
                $this->on[$kind] = array_values(array_filter($this->on[$kind] ?? [], static fn (Mark $mark): bool => $mark !== $what));
            }

            return;
        }
        \assert($how instanceof Phase);
        $pass = $this->enrollment->passes[$what];
        $this->count($this->phase[$what] ?? Phase::None, $pass->role, -1);
        $this->count($how, $pass->role, 1);
        $this->phase[$what] = $how;
        if (Phase::Ended === $how) {
            $this->gone->insert([$instant, 0, $what]);
        } elseif (Phase::TakenOut === $how) {
            $this->gone->insert([$instant, 1, $what]);
        }
        if (Phase::None !== $how) {
            $this->since->insert([$pass->since(), $what]);
        }
    }

    private function count(Phase $phase, string $role, int $by): void
    {
        $this->roles[$phase->name][$role] = ($this->roles[$phase->name][$role] ?? 0) + $by;
        if (0 === $this->roles[$phase->name][$role]) {
            unset($this->roles[$phase->name][$role]);
        }
        if (Phase::InForce === $phase || Phase::Upcoming === $phase) {
            $this->live += $by;
        }
    }

    private function segment(int $from, int $until): ?Segment
    {
        $inForce = $this->rolesIn(Phase::InForce);
        $upcoming = $this->rolesIn(Phase::Upcoming);
        $waiting = $this->rolesIn(Phase::Waiting);
        $gone = [] === $inForce && [] === $upcoming && [] === $waiting ? $this->lastGone() : null;
        $state = match (true) {
            $this->isOn(MarkKind::KeptOut) => State::KeptOut,
            [] !== $inForce && $this->isOn(MarkKind::Paused) => State::Paused,
            [] !== $inForce => State::Current,
            [] !== $upcoming => State::Upcoming,
            [] !== $waiting => State::Waiting,
            null !== $gone && 1 === $gone[1] => State::TakenOut,
            null !== $gone => State::Ended,
            default => null,
        };
        if (null === $state) {
            return null;
        }
        $roles = match (true) {
            [] !== $inForce => $inForce,
            [] !== $upcoming => $upcoming,
            [] !== $waiting => $waiting,
            null !== $gone => [$this->enrollment->passes[$gone[2]]->role],
            default => [],
        };
        $byHand = $this->roleByHand();
        if (null !== $byHand && [] !== $roles) {
            $roles = [$byHand];
        }
        sort($roles);

        return new Segment(new Window($from, $until), $state, $roles, $this->live > 0, $this->firstSince());
    }

    /** @return list<string> */
    private function rolesIn(Phase $phase): array
    {
        return array_keys($this->roles[$phase->name] ?? []);
    }

    private function isOn(MarkKind $kind): bool
    {
        return [] !== ($this->on[$kind->value] ?? []);
    }

    private function roleByHand(): ?string
    {
        $marks = $this->on[MarkKind::Role->value] ?? [];

        return [] === $marks ? null : $marks[array_key_last($marks)]->role;
    }

    /** @return ?array{int, int, int} */
    private function lastGone(): ?array
    {
        while (!$this->gone->isEmpty()) {
            $top = $this->gone->top();
            if ($this->phase[$top[2]] === (1 === $top[1] ? Phase::TakenOut : Phase::Ended)) {
                return $top;
            }
            $this->gone->extract();
        }

        return null;
    }

    private function firstSince(): int
    {
        while (!$this->since->isEmpty()) {
            [$since, $index] = $this->since->top();
            if (Phase::None !== $this->phase[$index]) {
                return $since;
            }
            $this->since->extract();
        }

        return Time::FOREVER;
    }
}
