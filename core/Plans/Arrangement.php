<?php

declare(strict_types=1);

namespace MintDoor\Core\Plans;

/**
 * Who is where while a plan is searched for, in units of people who are in one place all of them: what moving one costs
 * and breaks is known without looking at the others. Sections never have more people than places.
 *
 * @internal
 */
final class Arrangement
{
    /** @var array<int, int> section by unit */
    private array $at;

    /** @var array<int, array<int, int>> units by section, numbered from 0 on */
    private array $in;

    /** @var array<int, int> where a unit stands among those of its section */
    private array $place = [];

    /** @var array<int, int> people by section, with those who stay */
    private array $held;

    /** @var array<int, int> places left by section */
    private array $left;

    /** @var list<array<int, array<string, int>>> people of a kind, by balance and section */
    private array $kinds;

    /** What all of it costs. */
    public int $cost = 0;

    /** By how much conditions are broken, 0 where nobody is placed. */
    public int $broken = 0;

    /** Everybody nowhere. */
    public function __construct(private readonly Units $units)
    {
        $this->left = $units->places;
        $this->held = $units->held;
        $this->kinds = $units->kinds;
        $this->in = array_fill_keys([Flow::NOWHERE, ...array_keys($this->left)], []);
        $this->at = [];
        foreach (array_keys($units->sizes) as $unit) {
            $this->enter($unit, Flow::NOWHERE);
            $this->cost += $units->costs[$unit][Flow::NOWHERE];
        }
    }

    public function at(int $unit): int
    {
        return $this->at[$unit];
    }

    /** @return array<int, int> section by unit */
    public function all(): array
    {
        return $this->at;
    }

    /** @return array<int, int> units that are in a section, numbered from 0 on */
    public function in(int $section): array
    {
        return $this->in[$section];
    }

    /** Whether there is room for so many people more, or fewer, in a section. */
    public function fits(int $section, int $people): bool
    {
        return Flow::NOWHERE === $section || $people <= $this->left[$section];
    }

    /** Moves a unit, also where there is no room for the moment: two that change places go one after the other. */
    public function move(int $unit, int $to): void
    {
        $from = $this->at[$unit];
        if ($from === $to) {
            return;
        }
        $this->cost += $this->units->costs[$unit][$to] - $this->units->costs[$unit][$from];
        $this->broken -= $this->brokenIn($from) + $this->brokenIn($to);
        foreach ($this->units->foes[$unit] as $foe => $pairs) {
            $there = $this->at[$foe];
            if (Flow::NOWHERE !== $there) {
                $this->broken += $pairs * ((int) ($there === $to) - (int) ($there === $from));
            }
        }
        $this->count($unit, $from, -1);
        $this->count($unit, $to, 1);
        $this->leave($unit, $from);
        $this->enter($unit, $to);
        $this->broken += $this->brokenIn($from) + $this->brokenIn($to);
    }

    private function count(int $unit, int $section, int $times): void
    {
        if (Flow::NOWHERE === $section) {
            return;
        }
        $people = $times * $this->units->sizes[$unit];
        $this->held[$section] += $people;
        $this->left[$section] -= $people;
        foreach ($this->units->unitKinds as $balance => $all) {
            foreach ($all[$unit] as $kind => $n) {
                $this->kinds[$balance][$section][$kind] += $times * $n;
            }
        }
    }

    private function enter(int $unit, int $section): void
    {
        $this->at[$unit] = $section;
        $this->place[$unit] = \count($this->in[$section]);
        $this->in[$section][] = $unit;
    }

    private function leave(int $unit, int $section): void
    {
        // The last one takes its place, so that nobody else moves up.
        $last = (int) array_pop($this->in[$section]);
        if ($last !== $unit) {
            $this->in[$section][$this->place[$unit]] = $last;
            $this->place[$last] = $this->place[$unit];
        }
    }

    /** By how much a section is too small, or unlike the others; not where there are only those who stay. */
    private function brokenIn(int $section): int
    {
        if (Flow::NOWHERE === $section || [] === $this->in[$section]) {
            return 0;
        }
        $held = $this->held[$section];
        $broken = max(0, ($this->units->least[$section] ?? 0) - $held);
        foreach ($this->units->shares as $balance => $shares) {
            foreach ($shares as $kind => $of) {
                $broken += Conditions::beyond(
                    $this->kinds[$balance][$section][$kind],
                    $held,
                    $of,
                    $this->units->all,
                    $this->units->tolerances[$balance],
                );
            }
        }

        return $broken;
    }
}
