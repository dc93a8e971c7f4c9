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

    /** @var array<int, int> by how much a section is too small, or unlike the others */
    private array $bad;

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
        $this->bad = array_fill_keys(array_keys($this->in), 0);
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

    /** Moves a unit, also where there is no room for the moment: of those who change places one goes first. */
    public function move(int $unit, int $to): void
    {
        $from = $this->at[$unit];
        if ($from === $to) {
            return;
        }
        $this->cost += $this->units->costs[$unit][$to] - $this->units->costs[$unit][$from];
        foreach ($this->units->foes[$unit] as $foe => $pairs) {
            $there = $this->at[$foe];
            if (Flow::NOWHERE !== $there) {
                $this->broken += $pairs * ((int) ($there === $to) - (int) ($there === $from));
            }
        }
        foreach ($this->units->selves[$unit] as $self => $people) {
            $there = $this->units->atOnce[$this->at[$self]] ?? [];
            $this->broken += $people * ((int) isset($there[$to]) - (int) isset($there[$from]));
        }
        $this->leave($unit, $from);
        $this->enter($unit, $to);
        Flow::NOWHERE === $from || $this->count($unit, $from, -1);
        Flow::NOWHERE === $to || $this->count($unit, $to, 1);
    }

    private function count(int $unit, int $section, int $times): void
    {
        $people = $times * $this->units->sizes[$unit];
        $held = $this->held[$section] += $people;
        $this->left[$section] -= $people;
        $bad = max(0, ($this->units->least[$section] ?? 0) - $held);
        foreach ($this->units->shares as $balance => $shares) {
            $kinds = &$this->kinds[$balance][$section];
            foreach ($this->units->unitKinds[$balance][$unit] as $kind => $n) {
                $kinds[$kind] += $times * $n;
            }
            $there = array_sum($kinds);
            $all = $this->units->counted[$balance];
            $most = $this->units->tolerances[$balance] * $all;
            foreach ($shares as $kind => $of) {
                $off = abs($kinds[$kind] * $all - $there * $of) - $most;
                if ($off > 0) {
                    $bad += intdiv($off - 1, $all) + 1;
                }
            }
            unset($kinds);
        }
        // Not where there are only those who stay.
        [] === $this->in[$section] && $bad = 0;
        $this->broken += $bad - $this->bad[$section];
        $this->bad[$section] = $bad;
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
}
