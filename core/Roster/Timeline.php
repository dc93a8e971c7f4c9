<?php

declare(strict_types=1);

namespace MintDoor\Core\Roster;

use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;

/**
 * An enrollment as a function of time: segments in order, without overlap; where there is none the person was never
 * here, or it was undone.
 */
final readonly class Timeline
{
    /** @param list<Segment> $segments */
    public function __construct(public array $segments) {}

    public function at(int $instant): ?Segment
    {
        $low = 0;
        $high = \count($this->segments) - 1;
        while ($low <= $high) {
            $middle = ($low + $high) >> 1;
            $window = $this->segments[$middle]->window;
            if ($instant < $window->from) {
                $high = $middle - 1;
            } elseif ($instant >= $window->until) {
                $low = $middle + 1;
            } else {
                return $this->segments[$middle];
            }
        }

        return null;
    }

    /** The next instant after this one at which something changes; null when nothing will. */
    public function nextChange(int $after): ?int
    {
        foreach ($this->segments as $segment) {
            if ($segment->window->from > $after) {
                return $segment->window->from;
            }
            if ($segment->window->until > $after && $segment->window->until < Time::FOREVER) {
                return $segment->window->until;
            }
        }

        return null;
    }

    /** Until when a condition that holds at an instant goes on holding without a break. */
    public function holdsUntil(int $instant, callable $condition): int
    {
        $until = $instant;
        foreach ($this->segments as $segment) {
            if ($segment->window->until <= $until) {
                continue;
            }
            if ($segment->window->from > $until || !$condition($segment)) {
                return $until;
            }
            $until = $segment->window->until;
        }

        return $until;
    }

    /** What is left of it from an instant on. */
    public function from(int $instant): self
    {
        $left = [];
        foreach ($this->segments as $segment) {
            if ($segment->window->until > $instant) {
                $left[] = new Segment(
                    new Window(max($instant, $segment->window->from), $segment->window->until),
                    $segment->state,
                    $segment->roles,
                    $segment->holdsSeat,
                    $segment->since,
                    $segment->sections,
                );
            }
        }

        return new self($left);
    }

    public function equals(self $other): bool
    {
        if (\count($this->segments) !== \count($other->segments)) {
            return false;
        }
        foreach ($this->segments as $index => $segment) {
            $twin = $other->segments[$index];
            if (
                !$segment->sameAs($twin)
                || $segment->window->from !== $twin->window->from
                || $segment->window->until !== $twin->window->until
            ) {
                return false;
            }
        }

        return true;
    }
}
