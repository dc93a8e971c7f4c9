<?php

declare(strict_types=1);

namespace MintDoor\Core\Roster;

use MintDoor\Core\Time\Time;

/**
 * Two timelines of one person held against each other from an instant on: what is gained by the second, and what is
 * lost.
 */
final readonly class Comparison
{
    /** @var list<array{?Segment, ?Segment}> before and after, of each stretch in which neither changes */
    private array $stretches;

    public function __construct(Timeline $before, Timeline $after, int $from)
    {
        $boundaries = [$from];
        foreach ([...$before->segments, ...$after->segments] as $segment) {
            array_push($boundaries, $segment->window->from, $segment->window->until);
        }
        $boundaries = array_unique(
            array_filter($boundaries, static fn(int $instant): bool => $instant >= $from && $instant < Time::FOREVER),
        );
        $this->stretches = array_values(
            array_map(static fn(int $instant): array => [$before->at($instant), $after->at($instant)], $boundaries),
        );
    }

    /** @return list<string> codes of roles that are held at an instant at which they were not, or held less */
    public function gained(): array
    {
        return $this->more(1, 0);
    }

    /** @return list<string> codes of roles that were held at an instant at which they are not, or held less */
    public function lost(): array
    {
        return $this->more(0, 1);
    }

    /**
     * Sections somebody is in at an instant at which they were not, or held less; and those they are out of, though
     * they are here before and after.
     *
     * @return array{list<string>, list<string>} ids
     */
    public function sections(): array
    {
        $into = $outOf = [];
        foreach ($this->stretches as [$before, $after]) {
            if (null === $after || 0 === self::hold($after)) {
                continue;
            }
            $more = self::hold($after) > self::hold($before);
            array_push($into, ...$more ? $after->sections : array_diff($after->sections, $before->sections ?? []));
            if (null !== $before && self::hold($before) > 0) {
                array_push($outOf, ...array_diff($before->sections, $after->sections));
            }
        }

        return [array_values(array_unique($into)), array_values(array_unique($outOf))];
    }

    /** Whether somebody who is here before and after is in other sections at an instant. */
    public function movesSections(): bool
    {
        foreach ($this->stretches as [$before, $after]) {
            if (self::hold($before) > 0 && self::hold($after) > 0 && $before?->sections !== $after?->sections) {
                return true;
            }
        }

        return false;
    }

    /**
     * Whether at no instant more may be done than before.
     *
     * @param callable(list<string>): list<string> $permissions of roles, by value
     */
    public function raisesNothing(callable $permissions): bool
    {
        foreach ($this->stretches as [$before, $after]) {
            $had = null === $before ? [] : $permissions($before->roles);
            $has = null === $after ? [] : $permissions($after->roles);
            if (self::hold($after) > self::hold($before) || (self::hold($after) > 0 && [] !== array_diff($has, $had))) {
                return false;
            }
        }

        return true;
    }

    /** @return list<string> */
    private function more(int $where, int $than): array
    {
        $roles = [];
        foreach ($this->stretches as $stretch) {
            [$one, $other] = [$stretch[$where], $stretch[$than]];
            if (null !== $one && self::hold($one) > 0) {
                $less = null === $other || self::hold($one) > self::hold($other);
                array_push($roles, ...$less ? $one->roles : array_diff($one->roles, $other->roles));
            }
        }

        return array_values(array_unique($roles));
    }

    /** How much of a hold somebody has on what their roles give. */
    private static function hold(?Segment $segment): int
    {
        return match ($segment?->state) {
            State::Current => 3,
            State::Paused, State::Upcoming => 2,
            State::Waiting => 1,
            default => 0,
        };
    }
}
