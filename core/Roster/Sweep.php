<?php

declare(strict_types=1);

namespace MintDoor\Core\Roster;

use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;

/**
 * Computes the timeline of an enrollment by sweeping over the instants at which a grant changes its phase or an
 * override begins or ends. O(n log n) in grants and overrides: all changes are numbers, sorted once, and a stretch is
 * only looked at where something it is made of has changed. What "came last" is kept on a stack whose stale entries are
 * dropped when they come up.
 *
 * A change is `instant · 2²³ + index · 2³ + phase`; indexes behind those of the grants are of `$overridden`. Dates set
 * by hand are rare: only where there are some, each grant is asked at each of their boundaries, too.
 *
 * @internal
 *
 * @phpstan-type Stretch array{int, State, list<string>, bool, int, list<string>}
 */
final class Sweep
{
    private const NONE = 0;
    private const IN_FORCE = 1;
    private const UPCOMING = 2;
    private const WAITING = 3;
    private const ENDED = 4;
    private const REMOVED = 5;
    private const BITS = 23;
    private const MOST_INDEXES = 1 << 20;

    /** @var array<int, int> phase of each grant by its own dates, by its index */
    private array $phase;

    /** @var array<int, array<string, int>> by phase: role => how many grants */
    private array $roles = [[], [], [], [], [], []];

    /** @var array<int, array<string, int>> by phase: section => how many grants */
    private array $sections = [[], [], [], [], [], []];

    /** @var list<array{int, int, int}> instant of going, 1 if removed, index; the last on top */
    private array $gone = [];

    /** @var \SplMinHeap<array{int, int}> since, index; of use only where a grant can be undone */
    private \SplMinHeap $since;

    private int $firstSince = Time::FOREVER;

    /** @var list<array{Override, bool}> an override, and whether it begins */
    private array $overridden = [];

    /** @var array<string, list<Override>> overrides now on, by kind */
    private array $on = [];

    /** Whether a stretch may differ from the one before. */
    private bool $stirred = false;

    /** @var list<int> instants at which dates set by hand begin or end, or are put on or off */
    private readonly array $dated;

    /** @var list<array{Override, int}> overrides that set dates, and when such were first set */
    private readonly array $set;

    private readonly bool $undoing;

    public function __construct(private readonly Enrollment $enrollment)
    {
        $this->since = new \SplMinHeap();
        $this->phase = array_fill(0, \count($enrollment->grants), self::NONE);
        $dated = $set = [];
        foreach ($enrollment->overrides as $override) {
            if (null !== $override->dates) {
                $set[] = [$override, $enrollment->firstSet($override)];
                array_push(
                    $dated,
                    $override->window->from,
                    $override->window->until,
                    $override->dates->from,
                    $override->dates->until
                );
            }
        }
        $this->dated = $dated;
        $this->set = $set;
        $this->undoing =
            []
            !== array_filter(
                $enrollment->grants,
                static fn(Grant $grant): bool => [] !== $grant->overrides
                    && [] !== array_filter(
                        $grant->overrides,
                        static fn(Override $one): bool => OverrideKind::Undone === $one->kind
                    ),
            );
    }

    public function timeline(): Timeline
    {
        $changes = $this->changes();
        sort($changes);
        $count = \count($changes);
        $grants = \count($this->enrollment->grants);
        $segments = [];
        $open = null;
        for ($n = 0; $n < $count;) {
            $instant = $changes[$n] >> self::BITS;
            do {
                $change = $changes[$n];
                $index = ($change >> 3) & (self::MOST_INDEXES - 1);
                $index < $grants
                    ? $this->grant($index, $change & 7, $instant)
                    : $this->override(...$this->overridden[$index - $grants]);
            } while (++$n < $count && $changes[$n] >> self::BITS === $instant);
            if (!$this->stirred) {
                continue;
            }
            $this->stirred = false;
            $now = $this->stretch($instant);
            if (null !== $open && null !== $now && \array_slice($open, 1) === \array_slice($now, 1)) {
                continue;
            }
            if (null !== $open) {
                $segments[] = self::segment($open, $instant);
            }
            $open = $now;
        }
        if (null !== $open) {
            $segments[] = self::segment($open, Time::FOREVER);
        }

        return new Timeline($segments);
    }

    /** @param Stretch $stretch */
    private static function segment(array $stretch, int $until): Segment
    {
        [$from, $state, $roles, $holdsSeat, $since, $sections] = $stretch;

        return new Segment(new Window($from, $until), $state, $roles, $holdsSeat, $since, $sections);
    }

    /** @return list<int> */
    private function changes(): array
    {
        $changes = [];
        foreach ($this->enrollment->grants as $index => $grant) {
            if ([] === $this->dated && self::isPlain($grant)) {
                self::plainly($grant, $index << 3, $changes);
            } else {
                $this->fully($grant, $index << 3, $changes);
            }
        }
        foreach ($this->enrollment->overrides as $override) {
            if ($override->window->from < $override->window->until) {
                $this->overridden($changes, $override->window->from, $override, true);
                if ($override->window->until < Time::FOREVER) {
                    $this->overridden($changes, $override->window->until, $override, false);
                }
            }
        }
        if (\count($this->enrollment->grants) + \count($this->overridden) > self::MOST_INDEXES) {
            throw new \LogicException('Nobody has that many passes in one site.');
        }

        return $changes;
    }

    /** @param list<int> $changes */
    private function overridden(array &$changes, int $instant, Override $override, bool $begins): void
    {
        $changes[] = ($instant << self::BITS) + ((\count($this->enrollment->grants) + \count($this->overridden)) << 3);
        $this->overridden[] = [$override, $begins];
    }

    /** Whether nothing happened to a grant but that it was removed for good: so it is with nearly all. */
    private static function isPlain(Grant $grant): bool
    {
        return [] === $grant->overrides
            || (1 === \count($grant->overrides)
                && OverrideKind::Withdrawn === $grant->overrides[0]->kind
                && $grant->overrides[0]->window->until >= Time::FOREVER);
    }

    /**
     * The phases of such a grant, where no dates are set by hand.
     *
     * @param list<int> $changes
     */
    private static function plainly(Grant $grant, int $own, array &$changes): void
    {
        $given = $grant->givenAt;
        $from = $grant->window->from;
        $until = $grant->window->until;
        $out = [] === $grant->overrides ? Time::FOREVER : max($given, $grant->overrides[0]->window->from);
        if ($out < Time::FOREVER) {
            $changes[] = ($out << self::BITS) + $own + self::REMOVED;
        }
        if ($until <= $given) {
            if ($given < $out) {
                $changes[] = ($given << self::BITS) + $own + self::ENDED;
            }

            return;
        }
        $accepted = max($given, $grant->acceptedAt);
        $begins = max($accepted, $from);
        if ($given < $accepted && $given < $out) {
            $changes[] = ($given << self::BITS) + $own + self::WAITING;
        }
        if ($accepted < $from && $accepted < $until && $accepted < $out) {
            $changes[] = ($accepted << self::BITS) + $own + self::UPCOMING;
        }
        if ($begins < $until && $begins < $out) {
            $changes[] = ($begins << self::BITS) + $own + self::IN_FORCE;
        }
        if ($until < $out) {
            $changes[] = ($until << self::BITS) + $own + self::ENDED;
        }
    }

    /**
     * The phases of any grant.
     *
     * @param list<int> $changes
     */
    private function fully(Grant $grant, int $own, array &$changes): void
    {
        $boundaries = array_unique([...$grant->boundaries(), ...$this->dated]);
        sort($boundaries);
        $before = self::NONE;
        foreach ($boundaries as $boundary) {
            $phase =
                $boundary < Time::FOREVER
                    ? self::number($grant->phaseAt($boundary, $this->window($grant, $boundary)))
                    : $before;
            if ($phase !== $before) {
                $changes[] = ($boundary << self::BITS) + $own + $phase;
                $before = $phase;
            }
        }
    }

    /** As `Enrollment::windowOf()`, which looks for what is known here already. */
    private function window(Grant $grant, int $instant): ?Window
    {
        $last = null;
        foreach ($this->set as $each) {
            if (
                $each[0]->window->contains($instant)
                && (null === $last || $each[0]->window->from >= $last[0]->window->from)
            ) {
                $last = $each;
            }
        }

        return null === $last || null === $last[0]->dates ? null : $grant->windowUnder($last[0]->dates, $last[1]);
    }

    private static function number(Phase $phase): int
    {
        return match ($phase) {
            Phase::None => self::NONE,
            Phase::InForce => self::IN_FORCE,
            Phase::Upcoming => self::UPCOMING,
            Phase::Waiting => self::WAITING,
            Phase::Ended => self::ENDED,
            Phase::Removed => self::REMOVED,
        };
    }

    private function override(Override $override, bool $begins): void
    {
        $this->stirred = true;
        $kind = $override->kind->value;
        if ($begins) {
            $this->on[$kind][] = $override;
        } else {
            $this->on[$kind] = array_values(
                array_filter($this->on[$kind] ?? [], static fn(Override $each): bool => $each !== $override),
            );
        }
    }

    private function grant(int $index, int $phase, int $instant): void
    {
        $grant = $this->enrollment->grants[$index];
        $before = $this->phase[$index];
        $this->phase[$index] = $phase;
        $this->count($this->roles, $before, $phase, $grant->role);
        if (null !== $grant->section) {
            $this->count($this->sections, $before, $phase, $grant->section);
        }
        if ($phase >= self::ENDED) {
            $this->goes([$instant, $phase - self::ENDED, $index]);
        }
        if ($this->undoing) {
            $this->stirred = true;
            if (self::NONE !== $phase) {
                $this->since->insert([$grant->since(), $index]);
            }
        } elseif (self::NONE === $before && $grant->since() < $this->firstSince) {
            $this->firstSince = $grant->since();
            $this->stirred = true;
        }
    }

    /** @param array<int, array<string, int>> $counts by phase: what a grant gives => how many grants */
    private function count(array &$counts, int $before, int $after, string $what): void
    {
        if (self::NONE !== $before && 0 === --$counts[$before][$what]) {
            unset($counts[$before][$what]);
            $this->stir($before);
        }
        if (self::NONE !== $after) {
            if (isset($counts[$after][$what])) {
                ++$counts[$after][$what];
            } else {
                $counts[$after][$what] = 1;
                $this->stir($after);
            }
        }
    }

    /** While some grant is in force, what the others are makes no difference. */
    private function stir(int $phase): void
    {
        if (self::IN_FORCE === $phase || [] === $this->roles[self::IN_FORCE]) {
            $this->stirred = true;
        }
    }

    /** @param array{int, int, int} $entry */
    private function goes(array $entry): void
    {
        // Instants come in order; what goes at the same one is put in its place.
        $below = [];
        while (
            [] !== $this->gone
            && $this->gone[\count($this->gone) - 1][0] === $entry[0]
            && $this->gone[\count($this->gone) - 1] > $entry
        ) {
            $below[] = array_pop($this->gone);
        }
        $this->gone[] = $entry;
        foreach (array_reverse($below) as $again) {
            $this->gone[] = $again;
        }
        $this->stir(self::ENDED);
    }

    /** @return ?Stretch */
    private function stretch(int $from): ?array
    {
        [$inForce, $upcoming, $waiting] = [
            array_keys($this->roles[self::IN_FORCE]),
            array_keys($this->roles[self::UPCOMING]),
            array_keys($this->roles[self::WAITING]),
        ];
        $gone = [] === $inForce && [] === $upcoming && [] === $waiting ? $this->lastGone() : null;
        $state = match (true) {
            $this->isOn(OverrideKind::Blocked) => State::Blocked,
            [] !== $inForce && $this->isOn(OverrideKind::Paused) => State::Paused,
            [] !== $inForce => State::Current,
            [] !== $upcoming => State::Upcoming,
            [] !== $waiting => State::Waiting,
            null !== $gone && 1 === $gone[1] => State::Removed,
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
            null !== $gone => [$this->enrollment->grants[$gone[2]]->role],
            default => [],
        };
        $overrides = $this->last(OverrideKind::Role)?->role;
        if (null !== $overrides && [] !== $roles) {
            $roles = [$overrides];
        }
        sort($roles);
        $phase = match (true) {
            [] !== $inForce => self::IN_FORCE,
            [] !== $upcoming => self::UPCOMING,
            default => self::WAITING,
        };
        $given = null === $gone
            ? array_map(strval(...), array_keys($this->sections[$phase]))
            : array_values(array_filter([$this->enrollment->grants[$gone[2]]->section], is_string(...)));
        $sections = [] === $roles ? [] : $this->last(OverrideKind::Sections)->sections ?? $given;
        sort($sections);

        return [$from, $state, $roles, [] !== $inForce || [] !== $upcoming, $this->firstSince(), $sections];
    }

    private function isOn(OverrideKind $kind): bool
    {
        return [] !== ($this->on[$kind->value] ?? []);
    }

    /** Of the overrides of a kind that are on, the one put on last. */
    private function last(OverrideKind $kind): ?Override
    {
        $overrides = $this->on[$kind->value] ?? [];

        return [] === $overrides ? null : $overrides[array_key_last($overrides)];
    }

    /** @return ?array{int, int, int} */
    private function lastGone(): ?array
    {
        while ([] !== $this->gone) {
            $top = $this->gone[\count($this->gone) - 1];
            if ($this->phase[$top[2]] === self::ENDED + $top[1]) {
                return $top;
            }
            array_pop($this->gone);
        }

        return null;
    }

    private function firstSince(): int
    {
        if (!$this->undoing) {
            return $this->firstSince;
        }
        while (!$this->since->isEmpty()) {
            [$since, $index] = $this->since->top();
            if (self::NONE !== $this->phase[$index]) {
                return $since;
            }
            $this->since->extract();
        }

        return Time::FOREVER;
    }
}
