<?php

declare(strict_types=1);

namespace MintDoor\Core\Roster;

use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;

/** Someone's being in a site, all reasons together: their passes there and the marks put on the whole. */
final readonly class Enrollment
{
    /**
     * @param list<Grant> $passes
     * @param list<Override> $marks  of kinds `Role`, `Dates`, `Paused` and `KeptOut`
     */
    public function __construct(public array $passes = [], public array $marks = []) {}

    public function timeline(): Timeline
    {
        return (new Sweep($this))->timeline();
    }

    /** The mark of a kind that is on the enrollment at an instant; of several the one put on last. */
    public function mark(OverrideKind $kind, int $instant): ?Override
    {
        $last = null;
        foreach ($this->marks as $mark) {
            if (
                $kind === $mark->kind
                && $mark->window->contains($instant)
                && (null === $last || $mark->window->from >= $last->window->from)
            ) {
                $last = $mark;
            }
        }

        return $last;
    }

    public function pass(string $id): ?Grant
    {
        foreach ($this->passes as $pass) {
            if ($pass->id === $id) {
                return $pass;
            }
        }

        return null;
    }

    /** The window of a pass at an instant, dates set by hand taken into account. */
    public function windowOf(Grant $pass, int $instant): Window
    {
        $mark = $this->mark(OverrideKind::Dates, $instant);

        return null === $mark?->dates ? $pass->window : $pass->windowUnder($mark->dates, $this->firstSet($mark));
    }

    /** What a pass is at an instant, dates set by hand taken into account. */
    public function phaseOf(Grant $pass, int $instant): Phase
    {
        return $pass->phaseAt($instant, $this->windowOf($pass, $instant));
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
        foreach ($this->passes as $pass) {
            $kinds = $pass->door->bringsByItself()
                ? [OverrideKind::Withdrawn, OverrideKind::Undone]
                : [OverrideKind::Withdrawn];
            foreach ($kinds as $kind) {
                $mark = $pass->mark($kind, $instant);
                if (null !== $mark && $mark->height > 0 && $mark->window->from > $since) {
                    return true;
                }
            }
        }

        return false;
    }

    /** @return list<Grant> those that are in a phase at an instant */
    public function passesIn(Phase $phase, int $instant): array
    {
        $mark = $this->mark(OverrideKind::Dates, $instant);
        $set = null === $mark ? 0 : $this->firstSet($mark);

        return array_values(
            array_filter(
                $this->passes,
                static fn(Grant $pass): bool => $pass->phaseAt(
                    $instant,
                    null === $mark?->dates ? null : $pass->windowUnder($mark->dates, $set),
                ) === $phase,
            ),
        );
    }

    /** Whether what was given by hand waits for a yes of the person's division. */
    public function waitsForApproval(int $instant): bool
    {
        $desk = static fn(Grant $pass): bool => DoorKind::Desk === $pass->door;

        return [] !== array_filter($this->passesIn(Phase::Waiting, $instant), $desk);
    }

    /**
     * When dates were first set by hand that these took the place of, one after the other, or that were put on again
     * after an undoing.
     */
    public function firstSet(Override $mark): int
    {
        $set = $mark->window->from;
        do {
            $before = $set;
            foreach ($this->marks as $other) {
                if (
                    OverrideKind::Dates === $other->kind
                    && $other->window->from < $set
                    && ($other->origin === $mark->origin || $other->window->until === $set)
                ) {
                    [$set, $mark] = [$other->window->from, $other];
                }
            }
        } while ($set < $before);

        return $set;
    }
}
