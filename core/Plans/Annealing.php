<?php

declare(strict_types=1);

namespace MintDoor\Core\Plans;

/**
 * Moves units about, and has them make way for each other in chains, also for the worse and against conditions, less
 * and less (simulated annealing: Kirkpatrick, Gelatt, Vecchi 1983). What is broken costs little at first, so that it is
 * mended where that is cheap, and in the end more than anything.
 *
 * @internal
 */
final class Annealing
{
    /** How much worse a step may well be at last. */
    private const COLD = 0.05;

    /** What breaking a condition by one costs, at first and later; then it is beyond all other costs. */
    private const CHEAP = 2.0;

    private const DEAR = 20.0;

    private const LATER = 0.85;

    /** Units that make way for each other, one after the other, at most. */
    private const CHAIN = 3;

    /** Steps between two questions whether it goes on. */
    private const ASK = 2_000;

    /** @var array<int, int> section by unit, of the cheapest way that keeps all conditions; none where none is found */
    public array $best = [];

    public int $cost = \PHP_INT_MAX;

    private readonly Arrangement $now;

    /**
     * @param array<int, int>       $at   section by unit, to begin with, as far as there is room
     * @param array<int, list<int>> $near sections by unit, the most promising first
     */
    public function __construct(
        private readonly Units $units,
        array $at,
        private readonly array $near,
        private readonly Chance $dice,
    ) {
        $this->now = new Arrangement($units);
        foreach ($at as $unit => $section) {
            if ($this->now->fits($section, $units->sizes[$unit])) {
                $this->now->move($unit, $section);
            }
        }
        $this->keep();
    }

    /**
     * @param int                       $bound  no way costs less: one that costs as much is enough
     * @param ?float                    $warm   how much worse a step may well be at first; null for anything
     * @param ?\Closure(int, int): bool $goesOn as of `Planner`
     */
    public function run(int $steps, int $bound, ?float $warm, ?\Closure $goesOn = null): void
    {
        if ([] === $this->units->sizes) {
            return;
        }
        $beyond = 2.0 * max(1, ...array_column($this->units->costs, Flow::NOWHERE));
        $heat = $warm ?? $beyond;
        $cool = (self::COLD / $heat) ** (1 / $steps);
        $price = self::CHEAP;
        $later = (int) (self::LATER * $steps);
        $rise = (self::DEAR / self::CHEAP) ** (1 / max(1, $later));
        for ($step = 0; $step < $steps && $this->cost > $bound; ++$step) {
            if (0 === $step % self::ASK && null !== $goesOn && !$goesOn($step, $steps)) {
                break;
            }
            $heat *= $cool;
            $price = $step < $later ? $price * $rise : $beyond;
            $this->step($price, $heat);
            $this->keep();
        }
        $this->mend();
    }

    private function keep(): void
    {
        if (0 === $this->now->broken && $this->now->cost < $this->cost) {
            [$this->best, $this->cost] = [$this->now->all(), $this->now->cost];
        }
    }

    /** Takes out whoever breaks something, until nothing is broken: where nobody is placed nothing is. */
    private function mend(): void
    {
        foreach ([true, false] as $gently) {
            foreach (array_keys($this->units->sizes) as $unit) {
                $from = $this->now->at($unit);
                $before = $this->now->broken;
                if (0 === $before) {
                    break;
                }
                $this->now->move($unit, Flow::NOWHERE);
                if ($gently && $this->now->broken >= $before) {
                    $this->now->move($unit, $from);
                }
            }
        }
        $this->keep();
    }

    /** Moves one unit to where it may be; who is in its way goes elsewhere, or where the first one was. */
    private function step(float $price, float $heat): void
    {
        $unit = $this->dice->below(\count($this->units->sizes));
        $start = $this->now->at($unit);
        $before = $this->now->cost + $price * $this->now->broken;
        $moved = [];
        do {
            $from = $this->now->at($unit);
            $to = $this->choice($unit, $start, \count($moved));
            if ($to === $from) {
                if ([] === $moved) {
                    return;
                }
                $to = Flow::NOWHERE;
            }
            $other = $this->inTheWay($unit, $to, $moved);
            if (null === $other && !$this->now->fits($to, $this->units->sizes[$unit])) {
                $to = Flow::NOWHERE;
            }
            $moved[$unit] = $from;
            $this->now->move($unit, $to);
            $unit = $other;
        } while (null !== $unit);
        $worse = $this->now->cost + $price * $this->now->broken - $before;
        if ($worse > 0 && $this->dice->share() > exp(-$worse / $heat)) {
            foreach (array_reverse($moved, true) as $each => $from) {
                $this->now->move($each, $from);
            }
        }
    }

    /** What is promising is tried more often; later ones of a chain may close it. */
    private function choice(int $unit, int $start, int $before): int
    {
        if ($before > 0 && ($before >= self::CHAIN || 0 === $this->dice->below(2))) {
            return isset($this->units->costs[$unit][$start]) ? $start : Flow::NOWHERE;
        }
        $rare = $this->dice->share();
        $near = $this->near[$unit];

        return $near[(int) (\count($near) * $rare * $rare * $rare)];
    }

    /**
     * @param array<int, int> $moved units that are in the chain already
     *
     * @return ?int somebody whose place would do, where there is no room
     */
    private function inTheWay(int $unit, int $to, array $moved): ?int
    {
        $size = $this->units->sizes[$unit];
        if (\count($moved) >= self::CHAIN || $this->now->fits($to, $size)) {
            return null;
        }
        $there = $this->now->in($to);
        $other = [] === $there ? null : $there[$this->dice->below(\count($there))];
        if (null === $other || isset($moved[$other]) || !$this->now->fits($to, $size - $this->units->sizes[$other])) {
            return null;
        }

        return $other;
    }
}
