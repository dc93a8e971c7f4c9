<?php

declare(strict_types=1);

namespace MintDoor\Core\Roster;

use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;

/** Someone's being in a site, all reasons together: their grants there and the overrides put on the whole. */
final readonly class Enrollment
{
    /**
     * @param list<Grant> $grants
     * @param list<Override> $overrides  of kinds `Role`, `Dates`, `Paused` and `Blocked`
     */
    public function __construct(public array $grants = [], public array $overrides = []) {}

    public function timeline(): Timeline
    {
        return (new Sweep($this))->timeline();
    }

    /** The override of a kind that is on the enrollment at an instant; of several the one put on last. */
    public function override(OverrideKind $kind, int $instant): ?Override
    {
        $last = null;
        foreach ($this->overrides as $override) {
            if (
                $kind === $override->kind
                && $override->window->contains($instant)
                && (null === $last || $override->window->from >= $last->window->from)
            ) {
                $last = $override;
            }
        }

        return $last;
    }

    public function grant(string $id): ?Grant
    {
        foreach ($this->grants as $grant) {
            if ($grant->id === $id) {
                return $grant;
            }
        }

        return null;
    }

    /** The window of a grant at an instant, dates set by hand taken into account. */
    public function windowOf(Grant $grant, int $instant): Window
    {
        $override = $this->override(OverrideKind::Dates, $instant);

        return null === $override?->dates
            ? $grant->window
            : $grant->windowUnder(
                $override->dates,
                $this->firstSet($override)
            );
    }

    /** What a grant is at an instant, dates set by hand taken into account. */
    public function phaseOf(Grant $grant, int $instant): Phase
    {
        return $grant->phaseAt($instant, $this->windowOf($grant, $instant));
    }

    /**
     * When somebody has, or will have, what a door gave them, without regard to what was set by hand on the whole; null
     * where they have nothing by it any more. A withdrawing that is still to come ends it.
     */
    public function windowAt(string $door, int $instant): ?Window
    {
        $last = $this->lastOf($door);
        if (null === $last || !\in_array($last->phaseAt($instant), [Phase::InForce, Phase::Upcoming], true)) {
            return null;
        }
        $until = $last->window->until;
        foreach ($last->overrides as $override) {
            if ($override->window->from > $instant && $override->window->from < $override->window->until) {
                $until = min($until, $override->window->from);
            }
        }

        return new Window(min($last->window->from, $until), $until);
    }

    /** What a door gave somebody last; null where it never did. */
    public function lastOf(string $door): ?Grant
    {
        $last = null;
        foreach ($this->grants as $grant) {
            if ($grant->doorId === $door && (null === $last || $grant->givenAt >= $last->givenAt)) {
                $last = $grant;
            }
        }

        return $last;
    }

    /** Whether staff took back what a door gave somebody last. */
    public function takenBackByStaff(string $door, int $instant): bool
    {
        $last = $this->lastOf($door);
        foreach ([OverrideKind::Withdrawn, OverrideKind::Undone] as $kind) {
            if (($last?->override($kind, $instant)->height ?? 0) > 0) {
                return true;
            }
        }

        return false;
    }

    /**
     * Whether staff took somebody out who is not here: by ending what they had, or by taking back that they came in by
     * themselves. What the person or a door did is no such thing.
     *
     * @param int $since only what was done after this instant
     */
    public function removedByStaff(int $instant, int $since = Time::BEGINNING): bool
    {
        if (true === $this->timeline()->at($instant)?->state->here()) {
            return false;
        }
        foreach ($this->grants as $grant) {
            $kinds = $grant->door->bringsByItself()
                ? [OverrideKind::Withdrawn, OverrideKind::Undone]
                : [OverrideKind::Withdrawn];
            foreach ($kinds as $kind) {
                $override = $grant->override($kind, $instant);
                if (null !== $override && $override->height > 0 && $override->window->from > $since) {
                    return true;
                }
            }
        }

        return false;
    }

    /** @return list<Grant> those that are in a phase at an instant */
    public function grantsIn(Phase $phase, int $instant): array
    {
        $override = $this->override(OverrideKind::Dates, $instant);
        $set = null === $override ? 0 : $this->firstSet($override);

        return array_values(
            array_filter(
                $this->grants,
                static fn(Grant $grant): bool => $grant->phaseAt(
                    $instant,
                    null === $override?->dates ? null : $grant->windowUnder($override->dates, $set),
                ) === $phase,
            ),
        );
    }

    /** Whether what was given by hand waits for a yes of the person's division. */
    public function waitsForApproval(int $instant): bool
    {
        $staff = static fn(Grant $grant): bool => DoorKind::Staff === $grant->door;

        return [] !== array_filter($this->grantsIn(Phase::Waiting, $instant), $staff);
    }

    /**
     * When dates were first set by hand that these took the place of, one after the other, or that were put on again
     * after an undoing.
     */
    public function firstSet(Override $override): int
    {
        $set = $override->window->from;
        do {
            $before = $set;
            foreach ($this->overrides as $other) {
                if (
                    OverrideKind::Dates === $other->kind
                    && $other->window->from < $set
                    && ($other->origin === $override->origin || $other->window->until === $set)
                ) {
                    [$set, $override] = [$other->window->from, $other];
                }
            }
        } while ($set < $before);

        return $set;
    }
}
