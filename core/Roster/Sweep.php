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
    /** @var array<int, Phase> phase of each pass by its own dates, by its index */
    private array $phase = [];

    /** @var array<int, Phase> the same with dates set aside: in force or waiting, unless taken out */
    private array $undated = [];

    /** @var array<string, array<string, int>> of the undated phases: phase name => role => how many passes */
    private array $undatedRoles = [];

    /** @var array<string, array<string, int>> phase name => role => how many passes */
    private array $roles = [];

    /** @var \SplMaxHeap<array{int, int, int}> instant of going, 1 if taken out, index */
    private \SplMaxHeap $gone;

    /** @var \SplMinHeap<array{int, int}> since, index */
    private \SplMinHeap $since;

    /** @var array<string, list<Mark>> marks now on, by kind */
    private array $on = [];

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

    /** @return array<int, list<array{int, array{Phase, Phase}}|array{Mark, ?bool}>> by instant: a pass and its new phases, or a mark and whether it begins (null: neither, but its dates do or end) */
    private function events(): array
    {
        $events = [];
        $always = new Window();
        foreach ($this->enrollment->passes as $index => $pass) {
            $boundaries = array_unique($pass->boundaries());
            sort($boundaries);
            $before = [Phase::None, Phase::None];
            foreach ($boundaries as $boundary) {
                $phases = $boundary < Time::FOREVER ? [$pass->phaseAt($boundary), $pass->phaseAt($boundary, $always)] : $before;
                if ($phases !== $before) {
                    $events[$boundary][] = [$index, $phases];
                    $before = $phases;
                }
            }
        }
        foreach ($this->enrollment->marks as $mark) {
            if ($mark->window->from < $mark->window->until) {
                $events[$mark->window->from][] = [$mark, true];
                if ($mark->window->until < Time::FOREVER) {
                    $events[$mark->window->until][] = [$mark, false];
                }
                foreach (null === $mark->dates ? [] : [$mark->dates->from, $mark->dates->until] as $instant) {
                    if ($mark->window->contains($instant)) {
                        $events[$instant][] = [$mark, null];
                    }
                }
            }
        }

        return $events;
    }

    /** @param array{int, array{Phase, Phase}}|array{Mark, ?bool} $event */
    private function step(array $event, int $instant): void
    {
        [$what, $how] = $event;
        if ($what instanceof Mark) {
            $kind = $what->kind->value;
            if (true === $how) {
                $this->on[$kind][] = $what;
            } elseif (false === $how) {
                $this->on[$kind] = array_values(array_filter($this->on[$kind] ?? [], static fn (Mark $mark): bool => $mark !== $what));
            }

            return;
        }
        \assert(\is_array($how));
        [$phase, $undated] = $how;
        $pass = $this->enrollment->passes[$what];
        self::count($this->roles, $this->phase[$what] ?? Phase::None, $pass->role, -1);
        self::count($this->roles, $phase, $pass->role, 1);
        self::count($this->undatedRoles, $this->undated[$what] ?? Phase::None, $pass->role, -1);
        self::count($this->undatedRoles, $undated, $pass->role, 1);
        $changed = $phase !== ($this->phase[$what] ?? Phase::None);
        $this->phase[$what] = $phase;
        $this->undated[$what] = $undated;
        if (!$changed) {
            return;
        }
        if (Phase::Ended === $phase) {
            $this->gone->insert([$instant, 0, $what]);
        } elseif (Phase::TakenOut === $phase) {
            $this->gone->insert([$instant, 1, $what]);
        }
        if (Phase::None !== $phase) {
            $this->since->insert([$pass->since(), $what]);
        }
    }

    /** @param array<string, array<string, int>> $roles */
    private static function count(array &$roles, Phase $phase, string $role, int $by): void
    {
        $roles[$phase->name][$role] = ($roles[$phase->name][$role] ?? 0) + $by;
        if (0 === $roles[$phase->name][$role]) {
            unset($roles[$phase->name][$role]);
        }
    }

    private function segment(int $from, int $until): ?Segment
    {
        [$inForce, $upcoming, $waiting, $ended] = $this->rolesByPhase($from);
        $gone = [] === $inForce && [] === $upcoming && [] === $waiting && [] === $ended ? $this->lastGone() : null;
        $state = match (true) {
            $this->isOn(MarkKind::KeptOut) => State::KeptOut,
            [] !== $inForce && $this->isOn(MarkKind::Paused) => State::Paused,
            [] !== $inForce => State::Current,
            [] !== $upcoming => State::Upcoming,
            [] !== $waiting => State::Waiting,
            [] !== $ended => State::Ended,
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
            [] !== $ended => $ended,
            null !== $gone => [$this->enrollment->passes[$gone[2]]->role],
            default => [],
        };
        $byHand = $this->last(MarkKind::Role)?->role;
        if (null !== $byHand && [] !== $roles) {
            $roles = [$byHand];
        }
        sort($roles);

        return new Segment(new Window($from, $until), $state, $roles, [] !== $inForce || [] !== $upcoming, $this->firstSince());
    }

    /**
     * Roles of the passes in force, upcoming and waiting; and of those that dates set by hand have ended.
     *
     * @return array{list<string>, list<string>, list<string>, list<string>}
     */
    private function rolesByPhase(int $instant): array
    {
        $dates = $this->last(MarkKind::Dates)?->dates;
        if (null === $dates) {
            return [self::in($this->roles, Phase::InForce), self::in($this->roles, Phase::Upcoming), self::in($this->roles, Phase::Waiting), []];
        }
        $accepted = self::in($this->undatedRoles, Phase::InForce);
        $waiting = self::in($this->undatedRoles, Phase::Waiting);

        return match (true) {
            $instant >= $dates->until => [[], [], [], array_values(array_unique([...$accepted, ...$waiting]))],
            $instant < $dates->from => [[], $accepted, $waiting, []],
            default => [$accepted, [], $waiting, []],
        };
    }

    /**
     * @param array<string, array<string, int>> $roles
     *
     * @return list<string>
     */
    private static function in(array $roles, Phase $phase): array
    {
        return array_keys($roles[$phase->name] ?? []);
    }

    private function isOn(MarkKind $kind): bool
    {
        return [] !== ($this->on[$kind->value] ?? []);
    }

    /** Of the marks of a kind that are on, the one put on last. */
    private function last(MarkKind $kind): ?Mark
    {
        $marks = $this->on[$kind->value] ?? [];

        return [] === $marks ? null : $marks[array_key_last($marks)];
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
