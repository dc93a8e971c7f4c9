<?php

declare(strict_types=1);

namespace MintDoor\Core\Plans;

/**
 * A plan for which conditions are wishes only (Lagrangian relaxation; Held, Karp 1970; Fisher 1981): people who are to
 * be together may go to several sections, each where all of them could be and at an even part of what all cost; and to
 * break what is to be alike has a price, by section and kind, that rises while there are too many of the kind and falls
 * while there are too few. At any prices that is a flow, and no plan is below what it comes to; at good ones it is near
 * to plans that keep the conditions. Prices are whole parts of a unit of cost, so that the bound is exact.
 *
 * @internal
 */
final class Relaxed
{
    /** Parts of a unit of cost. */
    private const PARTS = 64;

    private const ROUNDS = 16;

    /** Steps to all flows after the first, or as many as there are units: where all are alike, no end is near. */
    private const STEPS = 1_000;

    /** By how much a price changes for each person too many, in the first round, and after how many rounds by half. */
    private const CHANGE = 0.1;

    private const HALF = 8;

    /** What a person too many counts where flows are compared. */
    private const WORTH = 2;

    /** By how much more than the nearest a section may cost that is looked at for a unit, of more than so many. */
    private const NEAR = 3.0;

    /** Of so many units and fewer, all ways are gone through. */
    public const FEW = 60;

    /** No plan costs less. */
    public int $bound = 0;

    /** @var array<int, int> section by unit, at little cost and with few too many; more than there is room for */
    public array $at = [];

    /** @var array<int, list<int>> by unit: sections worth a look, the cheapest first, and `Flow::NOWHERE` */
    public array $near = [];

    /** @var list<int> unit by person, numbered from 0 on */
    private array $unit = [];

    /** @var list<array<int, int>> by person and section */
    private array $costs = [];

    /** @var list<array<int, array-key>> by person and balance */
    private array $kinds = [];

    /** @var array<int, array<int, array<array-key, array{int, int}>>> by balance, section, kind: of too many or few */
    private array $prices = [];

    /** What one is counted in: parts of everybody's share, so that it comes out whole. */
    private int $one = self::PARTS;

    private function __construct(private readonly Units $units)
    {
        foreach ($units->members as $unit => $members) {
            $size = \count($members);
            foreach (array_keys($members) as $k) {
                $this->unit[] = $unit;
                $part = static fn(int $cost): int => intdiv($cost, $size) + (int) ($k < $cost % $size);
                $this->costs[] = array_map($part, $units->costs[$unit]);
                $this->kinds[] = self::kindsOf($k, array_column($units->unitKinds, $unit));
            }
        }
        foreach ($units->counted as $all) {
            $this->one *= 0 === $this->one % (self::PARTS * $all) ? 1 : $all;
        }
        $this->free();
    }

    /** @param ?\Closure(int, int): bool $goesOn as of `Planner`, asked with how many rounds are done and of how many */
    public static function of(Units $units, ?\Closure $goesOn = null): self
    {
        $self = new self($units);
        $paid = $self->paid();
        $flow = new Flow($paid, $units->places);
        $rounds = [] === $self->prices ? 1 : self::ROUNDS;
        $least = $most = \INF;
        $left = max(self::STEPS, \count($units->sizes));
        for ($round = 0; $round < $rounds; ++$round) {
            $more = static function () use ($round, $rounds, $goesOn, &$left): bool {
                $left -= (int) ($round > 0);

                return $left > 0 && (null === $goesOn || $goesOn($round, $rounds));
            };
            if (!$flow->settle($more)) {
                break;
            }
            [$cost, $off, $bound] = $self->judged($flow->at(), $paid);
            if ($cost + self::WORTH * $off < $least) {
                $least = $cost + self::WORTH * $off;
                $self->at = $self->unitsOf($flow->at());
            }
            if (\INF === $most || $bound > $most) {
                $most = $bound;
                $self->bound = max($self->bound, (int) ceil($bound - 1e-6));
                $self->near = $self->nearest($paid, $flow->worth());
            }
            if (0.0 === $off) {
                break;
            }
            $self->change($flow->at(), self::CHANGE / (1 + $round / self::HALF));
            $paid = $self->paid();
            $flow->cost($paid);
        }
        if ([] === $self->at) {
            $self->at = $self->unitsOf($flow->at());
            $self->near = $self->nearest($paid, array_fill_keys(array_keys($units->places), 0));
        }

        return $self;
    }

    /**
     * @param list<array<array-key, int>> $all people of a kind, by balance
     *
     * @return array<int, array-key> of the one in a place, by balance
     */
    private static function kindsOf(int $place, array $all): array
    {
        $kinds = [];
        foreach ($all as $balance => $people) {
            $before = 0;
            foreach ($people as $kind => $n) {
                $before += $n;
                if ($place < $before) {
                    $kinds[$balance] = $kind;
                    break;
                }
            }
        }

        return $kinds;
    }

    /** Nothing has a price yet. Where those who stay are too many by themselves, nobody is asked to mind. */
    private function free(): void
    {
        foreach ($this->units->kinds as $balance => $sections) {
            foreach ($sections as $section => $kinds) {
                foreach (array_keys($kinds) as $kind) {
                    if (abs($this->off($balance, $kind, $kinds)) <= $this->units->tolerances[$balance]) {
                        $this->prices[$balance][$section][$kind] = [0, 0];
                    }
                }
            }
        }
    }

    /**
     * By how many people a kind is more than its share of a section.
     *
     * @param array<array-key, int> $there people of the section, by kind
     */
    private function off(int $balance, int|string $kind, array $there): float
    {
        $share = ($this->units->shares[$balance][$kind] ?? 0) / $this->units->counted[$balance];

        return ($there[$kind] ?? 0) - array_sum($there) * $share;
    }

    /** @return list<array<int, int>> what people cost with what they pay, by person and section */
    private function paid(): array
    {
        $pays = $this->pays();
        $paid = [];
        foreach ($this->costs as $person => $own) {
            $all = [];
            foreach ($own as $section => $cost) {
                $cost *= $this->one;
                foreach (Flow::NOWHERE === $section ? [] : $this->kinds[$person] as $balance => $kind) {
                    $cost += $pays[$balance][$section][$kind] ?? 0;
                }
                $all[$section] = $cost;
            }
            $paid[] = $all;
        }

        return $paid;
    }

    /**
     * What somebody of a kind pays: the price of their kind, less their share in the prices of all.
     *
     * @return array<int, array<int, array<array-key, int>>> by balance, section and kind
     */
    private function pays(): array
    {
        $pays = [];
        foreach ($this->prices as $balance => $sections) {
            $shares = $this->units->shares[$balance];
            $all = $this->units->counted[$balance];
            $part = intdiv($this->one, self::PARTS * $all);
            foreach ($sections as $section => $prices) {
                $common = 0;
                foreach ($prices as $kind => [$many, $few]) {
                    $common += ($many - $few) * $shares[$kind];
                }
                foreach (array_keys($shares) as $kind) {
                    [$many, $few] = $prices[$kind] ?? [0, 0];
                    $pays[$balance][$section][$kind] = $part * (($many - $few) * $all - $common);
                }
            }
        }

        return $pays;
    }

    /**
     * @param array<int, int>       $at   section by person
     * @param list<array<int, int>> $paid
     *
     * @return array{int, float, float} what it costs, how many are too many or too few, and what no plan is below
     */
    private function judged(array $at, array $paid): array
    {
        $cost = $sum = 0;
        foreach ($at as $person => $section) {
            $cost += $this->costs[$person][$section];
            $sum += $paid[$person][$section];
        }
        $too = $given = 0.0;
        $there = $this->there($at);
        foreach ($this->prices as $balance => $sections) {
            $tolerance = $this->units->tolerances[$balance];
            foreach ($sections as $section => $prices) {
                foreach ($prices as $kind => [$many, $few]) {
                    $stay = $this->off($balance, $kind, $this->units->kinds[$balance][$section]);
                    $given += ($many + $few) * $tolerance - ($many - $few) * $stay;
                    $too += max(0.0, abs($this->off($balance, $kind, $there[$balance][$section])) - $tolerance);
                }
            }
        }

        return [$cost, $too, $sum / $this->one - $given / self::PARTS];
    }

    /** @param array<int, int> $at section by person */
    private function change(array $at, float $change): void
    {
        $there = $this->there($at);
        $of = static fn(int $price, float $too): int => max(0, $price + (int) round(self::PARTS * $change * $too));
        foreach ($this->prices as $balance => $sections) {
            $tolerance = $this->units->tolerances[$balance];
            foreach ($sections as $section => $prices) {
                foreach ($prices as $kind => [$many, $few]) {
                    $off = $this->off($balance, $kind, $there[$balance][$section]);
                    $new = [$of($many, $off - $tolerance), $of($few, -$off - $tolerance)];
                    $this->prices[$balance][$section][$kind] = $new;
                }
            }
        }
    }

    /**
     * @param array<int, int> $at section by person
     *
     * @return list<array<int, array<array-key, int>>> people with those who stay, by balance, section and kind
     */
    private function there(array $at): array
    {
        $there = $this->units->kinds;
        foreach ($at as $person => $section) {
            foreach (Flow::NOWHERE === $section ? [] : $this->kinds[$person] as $balance => $kind) {
                ++$there[$balance][$section][$kind];
            }
        }

        return $there;
    }

    /**
     * @param array<int, int> $at section by person
     *
     * @return array<int, int> by unit, that of the first of it who is anywhere
     */
    private function unitsOf(array $at): array
    {
        $units = [];
        foreach ($at as $person => $section) {
            $unit = $this->unit[$person];
            if (Flow::NOWHERE === ($units[$unit] ?? Flow::NOWHERE)) {
                $units[$unit] = $section;
            }
        }

        return $units;
    }

    /**
     * @param list<array<int, int>> $paid
     * @param array<int, int>       $worth of a place, by section
     *
     * @return array<int, list<int>> by unit
     */
    private function nearest(array $paid, array $worth): array
    {
        $sums = [];
        foreach ($paid as $person => $own) {
            $unit = $this->unit[$person];
            foreach ($own as $section => $cost) {
                $sums[$unit][$section] = ($sums[$unit][$section] ?? 0) + $cost + ($worth[$section] ?? 0);
            }
        }
        $near = [];
        foreach ($sums as $unit => $own) {
            asort($own);
            $most = \count($sums) <= self::FEW ? \INF : reset($own) + self::NEAR * $this->one;
            $close = array_filter($own, static fn(int $cost): bool => $cost <= $most);
            $close = \count($close) < 2 ? \array_slice($own, 0, 2, true) : $close;
            $near[$unit] = array_keys($close + [Flow::NOWHERE => 0]);
        }

        return $near;
    }
}
