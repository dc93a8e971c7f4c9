<?php

declare(strict_types=1);

namespace MintDoor\Core\Groups;

use MintDoor\Core\Plans\Chance;

/**
 * Computes groups: people are put in one after the other where they cost least, then changed about, also for the worse,
 * less and less (simulated annealing: Kirkpatrick, Gelatt, Vecchi 1983). What must be kept costs little at first and
 * more and more. The same seed gives the same groups.
 */
final class Computer
{
    /** How much worse a step may well be at first, and at last. */
    private const WARM = 20.0;

    private const COLD = 1.0;

    /** What breaking what must be kept by one costs, at first and at last. */
    private const CHEAP = 15.0;

    private const DEAR = 400.0;

    /** Steps of all kinds; after so many of them two people who count the same change places. */
    private const WAYS = 8;

    private const ALIKE = 4;

    /**
     * Steps in all, and how often it begins anew, of so many people at most. About 30 are the most rugged: few enough
     * that the very best is looked for, too many to come upon it soon.
     */
    private const EFFORT = [
        24 => [2_000_000, 5],
        34 => [3_000_000, 5],
        60 => [2_000_000, 5],
        300 => [2_000_000, 2],
        \PHP_INT_MAX => [1_500_000, 1],
    ];

    /** Steps between two questions whether it goes on. */
    private const ASK = 2_000;

    /** @var array<int, int> group by number of the person */
    private array $best;

    /** What no groups cost less than: it ends there. */
    private int $least = 0;

    private Cost $cost;

    private function __construct(private readonly Question $question, private readonly Chance $chance) {}

    /**
     * @param ?int                      $steps   of each run; null for as many as so many people take
     * @param ?int                      $runs    how often it begins anew; null for as often as so many people take
     * @param ?\Closure(int, int): bool $goesOn is told how many steps are done, and of how many; false is enough
     *
     * @return array<string, int> number of the group by person
     */
    public static function compute(
        Question $question,
        string $seed,
        ?int $steps = null,
        ?int $runs = null,
        ?\Closure $goesOn = null,
    ): array {
        $computer = new self($question, new Chance($seed));
        $places = $computer->begin();
        $computer->best = array_values($places);
        $computer->cost = Cost::of($question, $places);
        $free = array_diff_key(array_flip($question->people), $question->fixed);
        if (\count($question->sizes) < 2 || [] === $free) {
            return $places;
        }
        $computer->least = Report::of($question, $places)->least;
        [$steps, $runs] = self::effort(\count($question->people), $steps, $runs);
        for ($run = 0; $run < $runs; ++$run) {
            $so = static fn(int $done): bool => null === $goesOn || $goesOn($run * $steps + $done, $runs * $steps);
            if (!$computer->anneal(new Places($question, $places), $steps, $so)) {
                break;
            }
        }

        return array_combine($question->people, $computer->best);
    }

    /** @return array{int, int} steps of each run, and how many runs */
    private static function effort(int $people, ?int $steps, ?int $runs): array
    {
        foreach (self::EFFORT as $most => [$all, $times]) {
            if ($people <= $most) {
                $runs ??= $times;

                return [$steps ?? intdiv($all, $runs), $runs];
            }
        }

        return [$steps ?? 0, $runs ?? 0];
    }

    /** @return array<string, int> in turn, in an order that is drawn; sizes are kept */
    private function begin(): array
    {
        $question = $this->question;
        $places = array_intersect_key($question->fixed, array_flip($question->people));
        $held = array_count_values($places) + array_fill(0, \count($question->sizes), 0);
        $left = array_values(array_diff($question->people, array_map(strval(...), array_keys($places))));
        // By lot: where nothing is wished, nobody is beside the same people for their names.
        for ($n = \count($left) - 1; $n > 0; --$n) {
            $other = $this->chance->below($n + 1);
            [$left[$n], $left[$other]] = [$left[$other], $left[$n]];
        }
        foreach (['least', 'most'] as $up) {
            for ($full = false; [] !== $left && !$full;) {
                $full = true;
                foreach ($question->sizes as $group => $size) {
                    if ([] !== $left && $held[$group] < $size->$up) {
                        $places[array_shift($left)] = $group;
                        ++$held[$group];
                        $full = false;
                    }
                }
            }
        }
        // More people than fit: the sizes are broken by as few as can be.
        foreach ($left as $n => $person) {
            $places[$person] = $n % \count($question->sizes);
        }

        return array_replace(array_flip($question->people), $places);
    }

    /**
     * @param \Closure(int): bool $goesOn is told how many steps are done
     *
     * @return bool whether it goes on
     */
    private function anneal(Places $places, int $steps, \Closure $goesOn): bool
    {
        $free = [];
        foreach ($places->ids as $number => $person) {
            isset($this->question->fixed[$person]) || ($free[$number] = $number);
        }
        $list = array_values($free);
        $many = \count($list);
        $pairs = $this->pairs($places, $free);
        $alike = $this->alike($free, $places);
        $cool = (self::COLD / self::WARM) ** (1 / $steps);
        $rise = (self::DEAR / self::CHEAP) ** (1 / $steps);
        $heat = self::WARM;
        $price = self::CHEAP;
        $chance = $this->chance;
        for ($step = 0; $step < $steps; ++$step) {
            if (0 === $step % self::ASK && ($this->isBest() || !$goesOn($step))) {
                return false;
            }
            $heat *= $cool;
            $price *= $rise;
            $how = $step % self::WAYS;
            // Somebody comes to whom they are to be with; two who count the same change places; or any two do.
            if (0 === $how && [] !== $pairs) {
                [$one, $with] = $pairs[$chance->below(\count($pairs))];
                $to = $places->at[$with];
                $other = $places->in[$to][$chance->below($places->held[$to])];
                if ($other === $with || !isset($free[$other])) {
                    continue;
                }
            } else {
                $one = $list[$chance->below($many)];
                $others = $how > self::ALIKE ? $alike[$one] : $list;
                $other = $others[$chance->below(\count($others))];
                $to = $places->at[$other];
            }
            $from = $places->at[$one];
            // What a step may cost at most, drawn before it is tried.
            $bearable = -$heat * log(1.0 - $chance->share());
            if (1 === $how) {
                $to = $chance->below($places->groups);
                if ($to !== $from && $places->mayMove($from, $to)) {
                    $gain = $places->gain($one, $to);
                    if ($gain[0] * $price + $gain[1] <= $bearable) {
                        $places->move($one, $to, $gain);
                        $this->keep($places);
                    }
                }
                continue;
            }
            if ($to === $from) {
                continue;
            }
            $there = $places->gain($one, $to);
            $places->move($one, $to, $there);
            $back = $places->gain($other, $from);
            if (($there[0] + $back[0]) * $price + $there[1] + $back[1] <= $bearable) {
                $places->move($other, $from, $back);
                $this->keep($places);
            } else {
                $places->move($one, $from, [-$there[0], -$there[1]]);
            }
        }

        return true;
    }

    /**
     * @param array<int, int> $free
     *
     * @return list<array{int, int}> one who may be moved, and whom they are to be with
     */
    private function pairs(Places $places, array $free): array
    {
        $numbers = array_flip($places->ids);
        $pairs = [];
        foreach ($this->question->wishes as $wish) {
            if ($wish instanceof PairWish && $wish->together) {
                [$one, $other] = [$numbers[$wish->one] ?? null, $numbers[$wish->other] ?? null];
                null === $one || null === $other || !isset($free[$one]) || ($pairs[] = [$one, $other]);
                null === $one || null === $other || !isset($free[$other]) || ($pairs[] = [$other, $one]);
            }
        }

        return $pairs;
    }

    /**
     * @param array<int, int> $free
     *
     * @return array<int, list<int>> for each the others of whom the same is counted
     */
    private function alike(array $free, Places $places): array
    {
        $numbers = array_flip($places->ids);
        $kinds = array_map(static fn(): string => '', $free);
        foreach ($this->question->wishes as $n => $wish) {
            foreach ($wish instanceof CountWish ? $wish->who : [] as $person) {
                $number = $numbers[$person] ?? null;
                null === $number || !isset($kinds[$number]) || ($kinds[$number] .= "$n ");
            }
        }
        $lists = [];
        foreach ($kinds as $number => $kind) {
            $lists[$kind][] = $number;
        }

        return array_map(static fn(string $kind): array => $lists[$kind], $kinds);
    }

    private function isBest(): bool
    {
        return 0 === $this->cost->broken && $this->cost->soft <= $this->least;
    }

    private function keep(Places $places): void
    {
        if (
            $places->broken < $this->cost->broken
            || ($places->broken === $this->cost->broken && $places->soft < $this->cost->soft)
        ) {
            $this->cost = new Cost($places->broken, $places->soft);
            $this->best = $places->at;
        }
    }
}
