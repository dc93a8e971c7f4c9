<?php

declare(strict_types=1);

namespace MintDoor\Core\Groups;

/** How groups meet what was wished, wish by wish and over all, beside what can be had at most. */
final readonly class Report
{
    /**
     * @param list<Kept> $wishes in the order in which they were asked
     * @param int        $least  no groups that break nothing that must be kept cost less
     * @param int        $whole  what they could cost at all
     */
    private function __construct(public array $wishes, public Cost $cost, public int $least, public int $whole) {}

    /** @param array<string, int> $places number of the group by person */
    public static function of(Question $question, array $places): self
    {
        $kept = [];
        $least = $whole = 0;
        $sizes = Cost::of(new Question($question->people, $question->sizes), $places)->broken;
        foreach ($question->wishes as $wish) {
            $alone = new Question($question->people, $question->sizes, [$wish]);
            $cost = Cost::of($alone, $places);
            $lacks = 0 === $wish->weight() ? $cost->broken - $sizes : intdiv($cost->soft, $wish->weight());
            [$bound, $most] = self::bounds($wish, $question);
            $kept[] = new Kept($lacks, $bound, $most);
            $least += $bound * $wish->weight();
            $whole += $most * $wish->weight();
        }

        return new self($kept, Cost::of($question, $places), $least, $whole);
    }

    /** Which part of all that is wished is met, from 0 to 1, each wish by its weight. */
    public function met(): float
    {
        return 0 === $this->whole ? 1.0 : max(0.0, 1 - $this->cost->soft / $this->whole);
    }

    /** Whether no other groups meet more. */
    public function isBest(): bool
    {
        return 0 === $this->cost->broken && $this->cost->soft <= $this->least;
    }

    /** Which part of it other groups could meet at most: none meet more. */
    public function best(): float
    {
        return 0 === $this->whole ? 1.0 : 1 - $this->least / $this->whole;
    }

    /** @return array{int, int} by how much a wish is broken at least, and at most */
    private static function bounds(Wish $wish, Question $question): array
    {
        $groups = \count($question->sizes);
        $here = array_flip($question->people);
        if ($wish instanceof CountWish) {
            $who = \count(array_intersect_key(array_flip($wish->who), $here));

            return [
                max(0, $groups * $wish->least - $who) + max(0, $who - $groups * $wish->most),
                // All of them in one group.
                max(0, $groups - 1) * $wish->least + Cost::outside($who, $wish->least, $wish->most),
            ];
        }
        if ($wish instanceof EvenWish) {
            $above = array_intersect_key($wish->above, $here);

            return [abs(array_sum($above)), array_sum(array_map(abs(...), $above))];
        }
        if ($wish instanceof StayWish) {
            return [0, \count(array_intersect_key($wish->places, $here))];
        }
        if ($wish instanceof MetWish) {
            return self::again($wish, $here, $groups);
        }

        return [0, 1];
    }

    /**
     * Those of one group of before cost least when they are spread over all groups, as each more of them in one costs
     * more than the one before.
     *
     * @param array<string, int> $here
     *
     * @return array{int, int}
     */
    private static function again(MetWish $wish, array $here, int $groups): array
    {
        $cost = static fn(int $people): int => $people * max(0, $people - 1 - $wish->most);
        $least = $most = 0;
        foreach ($wish->before as $together) {
            $people = \count(array_intersect_key(array_flip($together), $here));
            [$each, $more] = [intdiv($people, $groups), $people % $groups];
            $least += $more * $cost($each + 1) + ($groups - $more) * $cost($each);
            $most += $cost($people);
        }

        return [$least, $most];
    }
}
