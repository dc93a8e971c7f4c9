<?php

declare(strict_types=1);

namespace MintDoor\Core\Roster;

use MintDoor\Core\Roles\RoleBook;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;

/**
 * How many seats of a site are held at every instant from one on. A seat is held by each person who has an accepted way
 * in with a role that takes one, for as long as it lasts, paused or not; what begins later holds it from then on. Seats
 * that are kept for somebody who has not come yet are held throughout.
 */
final readonly class SeatsHeld
{
    /**
     * @param int             $from    the instant it begins at
     * @param int             $kept    seats that are kept
     * @param array<int, int> $changes how many more (or fewer) are held from an instant on, in order of time
     */
    private function __construct(private int $from, private int $kept, private array $changes) {}

    public static function none(int $from, int $kept = 0): self
    {
        return new self($from, $kept, []);
    }

    /** Whether somebody in a state holds the seat that their role takes: who begins later does so from then on. */
    public static function isHeld(State $state, bool $takesSeat): bool
    {
        return $takesSeat && State::Upcoming !== $state;
    }

    /**
     * The stretches in which somebody holds a seat.
     *
     * @param ?string $section id, where it is about its seats; null for those of the site
     *
     * @return list<Window>
     */
    public static function windows(Timeline $timeline, RoleBook $roles, int $from, ?string $section = null): array
    {
        $windows = [];
        foreach ($timeline->from($from)->segments as $segment) {
            if (
                !self::isHeld($segment->state, $segment->takesSeat($roles))
                || (null !== $section && !$segment->inSection($section))
            ) {
                continue;
            }
            $last = array_pop($windows);
            if (null === $last || $last->until === $segment->window->from) {
                $windows[] = new Window($last->from ?? $segment->window->from, $segment->window->until);
            } else {
                array_push($windows, $last, $segment->window);
            }
        }

        return $windows;
    }

    /**
     * With so many more people who hold a seat each, through all of these stretches.
     *
     * @param list<Window> $windows
     * @param int          $people  below 0 for fewer
     */
    public function with(array $windows, int $people = 1): self
    {
        $changes = $this->changes;
        foreach ($windows as $window) {
            $from = max($this->from, $window->from);
            if ($window->until > $from) {
                $changes[$from] = ($changes[$from] ?? 0) + $people;
                $changes[$window->until] = ($changes[$window->until] ?? 0) - $people;
            }
        }
        ksort($changes);

        return new self($this->from, $this->kept, $changes);
    }

    /** With somebody's timeline in place of the one of before. */
    public function changed(Timeline $before, Timeline $after, RoleBook $roles, ?string $section = null): self
    {
        return $this->with(self::windows($before, $roles, $this->from, $section), -1)->with(
            self::windows($after, $roles, $this->from, $section),
        );
    }

    /**
     * Where a timeline holds a seat and the one of before did not.
     *
     * @return list<Window>
     */
    public static function gained(
        Timeline $before,
        Timeline $after,
        RoleBook $roles,
        int $from,
        ?string $section = null,
    ): array {
        $gained = self::windows($after, $roles, $from, $section);
        foreach (self::windows($before, $roles, $from, $section) as $had) {
            $left = [];
            foreach ($gained as $window) {
                if ($window->from < min($window->until, $had->from)) {
                    $left[] = new Window($window->from, min($window->until, $had->from));
                }
                if (max($window->from, $had->until) < $window->until) {
                    $left[] = new Window(max($window->from, $had->until), $window->until);
                }
            }
            $gained = $left;
        }

        return $gained;
    }

    /** @return list<int> instants after one at which more or fewer are held */
    public function changesAfter(int $instant): array
    {
        $times = array_keys(array_filter($this->changes, static fn(int $more): bool => 0 !== $more));

        return array_values(array_filter(
            $times,
            static fn(int $at): bool => $at > $instant && $at < Time::FOREVER,
        ));
    }

    /** The most that are held at one instant of a stretch. */
    public function most(int $from = Time::BEGINNING, int $until = Time::FOREVER): int
    {
        $held = $this->kept;
        $most = null;
        foreach ($this->changes as $at => $more) {
            if ($at >= $until) {
                break;
            }
            if ($at > $from) {
                $most = max($most ?? $held, $held);
            }
            $held += $more;
        }

        return max($most ?? $held, $held);
    }

    /**
     * The first instant of a stretch at which no more fits.
     *
     * @return ?int null when one fits throughout
     */
    public function fullFrom(int $seats, int $from, int $until = Time::FOREVER): ?int
    {
        $held = $this->kept;
        $since = $from;
        foreach ($this->changes as $at => $more) {
            if ($held >= $seats && $at > $from) {
                return max($since, $from);
            }
            if ($at >= $until) {
                return null;
            }
            $held += $more;
            $since = $at;
        }

        return $held >= $seats ? max($since, $from) : null;
    }

    /**
     * The first instant of a stretch from which on one more fits until its end.
     *
     * @return ?int null when there is none
     */
    public function freeFrom(int $seats, int $from, int $until = Time::FOREVER): ?int
    {
        $held = $this->kept;
        $free = $held < $seats ? $from : null;
        foreach ($this->changes as $at => $more) {
            if ($at >= $until) {
                break;
            }
            $held += $more;
            $free = $held < $seats ? $free ?? max($at, $from) : null;
        }

        return $free;
    }
}
