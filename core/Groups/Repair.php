<?php

declare(strict_types=1);

namespace MintDoor\Core\Groups;

/** Gives those who came late their places, where others left theirs, with as few moves of others as can be found. */
final class Repair
{
    /** What a move costs while groups are changed about: more than most wishes, less than what must be kept. */
    private const MOVE = 100;

    private function __construct() {}

    /**
     * @param array<string, int>        $now    number of the group by person, of those who are in one
     * @param ?int                      $steps  as of `Computer`, and the next
     * @param ?\Closure(int, int): bool $goesOn
     *
     * @return array<string, int> number of the group by person
     */
    public static function compute(
        Question $question,
        array $now,
        string $seed,
        ?int $steps = null,
        ?\Closure $goesOn = null,
    ): array {
        $stays = new Question($question->people, $question->sizes, $question->wishes, $question->fixed + $now);
        $kept = Computer::compute($stays, $seed, $steps, goesOn: $goesOn);
        if (0 === Cost::of($question, $kept)->broken) {
            return $kept;
        }
        $wishes = [...$question->wishes, new StayWish($now, self::MOVE)];
        $freed = new Question($question->people, $question->sizes, $wishes, $question->fixed);
        $moved = self::back($question, $now, Computer::compute($freed, $seed, $steps, goesOn: $goesOn));

        return self::order($question, $now, $moved) < self::order($question, $now, $kept) ? $moved : $kept;
    }

    /**
     * @param array<string, int> $now
     * @param array<string, int> $places
     *
     * @return int how many of those who had a place have another one
     */
    public static function moved(array $now, array $places): int
    {
        return \count(array_diff_assoc(array_intersect_key($places, $now), $now));
    }

    /**
     * Whoever can go back, alone or in exchange with one other, does.
     *
     * @param array<string, int> $now
     * @param array<string, int> $places
     *
     * @return array<string, int>
     */
    private static function back(Question $question, array $now, array $places): array
    {
        do {
            $went = false;
            $best = self::order($question, $now, $places);
            foreach (array_diff_assoc(array_intersect_key($places, $now), $now) as $person => $from) {
                $home = $now[$person];
                $tries = [[$person => $home]];
                foreach (array_diff(array_keys($places, $home, true), array_keys($question->fixed)) as $other) {
                    $tries[] = [$person => $home, $other => $from];
                }
                foreach ($tries as $try) {
                    $tried = array_replace($places, $try);
                    $order = self::order($question, $now, $tried);
                    if ($order < $best) {
                        [$places, $best, $went] = [$tried, $order, true];
                        break;
                    }
                }
            }
        } while ($went);

        return $places;
    }

    /**
     * @param array<string, int> $now
     * @param array<string, int> $places
     *
     * @return array{int, int, int} what is to be little, the first first
     */
    private static function order(Question $question, array $now, array $places): array
    {
        $cost = Cost::of($question, $places);

        return [$cost->broken, self::moved($now, $places), $cost->soft];
    }
}
