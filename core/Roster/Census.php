<?php

declare(strict_types=1);

namespace MintDoor\Core\Roster;

/** How many people are in each state, at several instants. */
final readonly class Census
{
    /** @param array<string, list<int>> $people by state, as many as there are instants */
    private function __construct(public array $people) {}

    /**
     * O(stretches × log instants).
     *
     * @param list<int>             $instants in ascending order
     * @param list<CountedStretch> $stretches
     */
    public static function at(array $instants, array $stretches): self
    {
        $none = array_fill(0, \count($instants) + 1, 0);
        // By how many there are more than at the instant before.
        $more = [];
        foreach (State::cases() as $state) {
            $more[$state->value] = $none;
        }
        foreach ($stretches as $stretch) {
            $more[$stretch->state->value][self::firstFrom($instants, $stretch->window->from)] += $stretch->people;
            $more[$stretch->state->value][self::firstFrom($instants, $stretch->window->until)] -= $stretch->people;
        }
        $people = [];
        foreach ($more as $state => $steps) {
            $sum = 0;
            $people[$state] = [];
            foreach (\array_slice($steps, 0, \count($instants)) as $step) {
                $people[$state][] = $sum += $step;
            }
        }

        return new self($people);
    }

    /**
     * Place of the first instant that is not before another; their number where there is none.
     *
     * @param list<int> $instants
     */
    private static function firstFrom(array $instants, int $from): int
    {
        [$low, $high] = [0, \count($instants)];
        while ($low < $high) {
            $middle = intdiv($low + $high, 2);
            if ($instants[$middle] < $from) {
                $low = $middle + 1;
            } else {
                $high = $middle;
            }
        }

        return $low;
    }
}
