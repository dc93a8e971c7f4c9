<?php

declare(strict_types=1);

namespace MintDoor\Core\Groups;

/** What groups lack: what must be kept first, then what is only wished. */
final readonly class Cost
{
    /**
     * @param int $broken by how much wishes that must be kept are broken, sizes too
     * @param int $soft   of the others, each by its weight
     */
    public function __construct(public int $broken, public int $soft) {}

    public function isLessThan(self $other): bool
    {
        return [$this->broken, $this->soft] < [$other->broken, $other->soft];
    }

    /**
     * Worked out anew from all that is asked; `Places` keeps it while people are moved about.
     *
     * @param array<string, int> $places number of the group by person
     */
    public static function of(Question $question, array $places): self
    {
        $broken = $soft = 0;
        $sizes = array_count_values($places);
        foreach ($question->sizes as $group => $size) {
            $broken += self::outside($sizes[$group] ?? 0, $size->least, $size->most);
        }
        foreach ($question->wishes as $wish) {
            $by = match (true) {
                $wish instanceof CountWish => self::counts($wish, $places, \count($question->sizes)),
                $wish instanceof EvenWish => self::uneven($wish, $places),
                $wish instanceof PairWish => (int) (self::same($wish->one, $wish->other, $places) !== $wish->together),
                $wish instanceof MetWish => self::met($wish, $places),
                $wish instanceof StayWish => \count(
                    array_diff_assoc(array_intersect_key($wish->places, $places), $places),
                ),
                default => 0,
            };
            0 === $wish->weight() ? ($broken += $by) : ($soft += $by * $wish->weight());
        }

        return new self($broken, $soft);
    }

    public static function outside(int $count, int $least, int $most): int
    {
        return max(0, $least - $count, $count - $most);
    }

    /** @param array<string, int> $places */
    private static function counts(CountWish $wish, array $places, int $groups): int
    {
        $counts = array_fill(0, $groups, 0);
        foreach ($wish->who as $person) {
            isset($places[$person]) && ++$counts[$places[$person]];
        }

        return array_sum(
            array_map(static fn(int $count): int => self::outside($count, $wish->least, $wish->most), $counts),
        );
    }

    /** @param array<string, int> $places */
    private static function uneven(EvenWish $wish, array $places): int
    {
        $sums = [];
        foreach ($wish->above as $person => $above) {
            isset($places[$person]) && ($sums[$places[$person]] = ($sums[$places[$person]] ?? 0) + $above);
        }

        return array_sum(array_map(abs(...), $sums));
    }

    /** @param array<string, int> $places */
    private static function met(MetWish $wish, array $places): int
    {
        $over = 0;
        foreach ($wish->before as $together) {
            $again = [];
            foreach ($together as $person) {
                isset($places[$person]) && ($again[$places[$person]] = ($again[$places[$person]] ?? 0) + 1);
            }
            foreach ($again as $people) {
                $over += $people * max(0, $people - 1 - $wish->most);
            }
        }

        return $over;
    }

    /** @param array<string, int> $places */
    private static function same(string $one, string $other, array $places): bool
    {
        return isset($places[$one], $places[$other]) && $places[$one] === $places[$other];
    }
}
