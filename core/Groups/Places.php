<?php

declare(strict_types=1);

namespace MintDoor\Core\Groups;

/**
 * People in groups while they are moved about, and what that costs, kept up with each move. People and groups go by
 * their numbers.
 *
 * What a group costs by how many of some kind it has is looked up in a table for each kind, whatever was asked of it.
 *
 * @internal
 */
final class Places
{
    public int $broken = 0;

    public int $soft = 0;

    /** @var array<int, int> group by person */
    public array $at;

    /** @var array<int, int> how many people each group has */
    public array $held;

    /** @var array<int, array<int, int>> people by group, in no order */
    public array $in;

    /** @var array<int, int> where each stands among those of their group */
    private array $place;

    public readonly int $people;

    public readonly int $groups;

    /** @var list<string> ids by number */
    public readonly array $ids;

    /** @var array<int, list<int>> numbers of the kinds each is of, wished for only */
    private array $softKinds;

    /** @var array<int, list<int>> those that must be kept */
    private array $hardKinds;

    /** @var array<int, array<int, int>> what a group costs that has so many, by kind */
    private array $tables = [];

    /** @var array<int, array<int, int>> how many each group has, by kind */
    private array $counts = [];

    /** @var array<int, int> weights of what is to be even */
    private array $weights = [];

    /** @var array<int, array<int, int>> how far each is above the mean, in what is to be even */
    private array $above = [];

    /** @var array<int, array<int, int>> by group, added up */
    private array $sums = [];

    /** @var array<int, array<int, int>> what being with somebody costs (less than nothing: spares), by person */
    private array $near;

    /** @var array<int, array<int, int>> the same of pairs that must be kept, by one each */
    private array $tied;

    /** @var array<int, array<int, int>> what leaving the groups costs that somebody is to stay in, by person */
    private array $homes = [];

    /** @var array<int, int> */
    private array $least;

    /** @var array<int, int> */
    private array $most;

    /** @param array<string, int> $places number of the group by person, of everybody */
    public function __construct(Question $question, array $places)
    {
        $this->ids = $question->people;
        $this->people = \count($question->people);
        $this->groups = \count($question->sizes);
        $this->least = array_column($question->sizes, 'least');
        $this->most = array_column($question->sizes, 'most');
        $this->at = array_map(static fn(string $person): int => $places[$person], $question->people);
        $this->softKinds = $this->hardKinds = $this->near = $this->tied = array_fill(0, $this->people, []);
        $numbers = array_flip($question->people);
        foreach ($question->wishes as $wish) {
            $this->learn($wish, $numbers);
        }
        $this->held = array_fill(0, $this->groups, 0);
        $this->in = array_fill(0, $this->groups, []);
        $this->place = [];
        foreach ($this->at as $person => $group) {
            $this->place[$person] = $this->held[$group]++;
            $this->in[$group][] = $person;
        }
        $cost = Cost::of($question, $places);
        [$this->broken, $this->soft] = [$cost->broken, $cost->soft];
    }

    /** @return array<string, int> number of the group by person */
    public function all(): array
    {
        return array_combine($this->ids, $this->at);
    }

    /** Whether a group takes one more, and another can spare one. */
    public function mayMove(int $from, int $to): bool
    {
        return $this->held[$from] > $this->least[$from] && $this->held[$to] < $this->most[$to];
    }

    /** @return array{int, int} what moving somebody adds to what is broken, and to the rest */
    public function gain(int $person, int $to): array
    {
        $from = $this->at[$person];
        $soft = $broken = 0;
        foreach ($this->softKinds[$person] as $kind) {
            $table = $this->tables[$kind];
            $counts = $this->counts[$kind];
            $soft += $table[$counts[$from] - 1] - $table[$counts[$from]]
                + $table[$counts[$to] + 1] - $table[$counts[$to]];
        }
        foreach ($this->hardKinds[$person] as $kind) {
            $table = $this->tables[$kind];
            $counts = $this->counts[$kind];
            $broken += $table[$counts[$from] - 1] - $table[$counts[$from]]
                + $table[$counts[$to] + 1] - $table[$counts[$to]];
        }
        foreach ($this->weights as $number => $weight) {
            $above = $this->above[$number][$person];
            $sums = $this->sums[$number];
            $soft += $weight
                * (abs($sums[$from] - $above) - abs($sums[$from]) + abs($sums[$to] + $above) - abs($sums[$to]));
        }
        foreach ($this->near[$person] as $other => $cost) {
            $there = $this->at[$other];
            if ($there === $to) {
                $soft += $cost;
            } elseif ($there === $from) {
                $soft -= $cost;
            }
        }
        foreach ($this->tied[$person] as $other => $cost) {
            $there = $this->at[$other];
            if ($there === $to) {
                $broken += $cost;
            } elseif ($there === $from) {
                $broken -= $cost;
            }
        }
        if (isset($this->homes[$person])) {
            $soft += ($this->homes[$person][$from] ?? 0) - ($this->homes[$person][$to] ?? 0);
        }
        [$has, $had] = [$this->held[$to], $this->held[$from]];
        $broken += ($has >= $this->most[$to] ? 1 : 0) - ($has < $this->least[$to] ? 1 : 0)
            + ($had <= $this->least[$from] ? 1 : 0) - ($had > $this->most[$from] ? 1 : 0);

        return [$broken, $soft];
    }

    /** @param array{int, int} $gain as `gain()` says of it */
    public function move(int $person, int $to, array $gain): void
    {
        $from = $this->at[$person];
        foreach ([$this->softKinds[$person], $this->hardKinds[$person]] as $kinds) {
            foreach ($kinds as $kind) {
                --$this->counts[$kind][$from];
                ++$this->counts[$kind][$to];
            }
        }
        foreach ($this->weights as $number => $_) {
            $above = $this->above[$number][$person];
            $this->sums[$number][$from] -= $above;
            $this->sums[$number][$to] += $above;
        }
        $last = array_pop($this->in[$from]);
        if ($last !== $person && null !== $last) {
            $this->in[$from][$this->place[$person]] = $last;
            $this->place[$last] = $this->place[$person];
        }
        --$this->held[$from];
        $this->in[$to][] = $person;
        $this->place[$person] = $this->held[$to]++;
        $this->at[$person] = $to;
        $this->broken += $gain[0];
        $this->soft += $gain[1];
    }

    /** @param array<string, int> $numbers of people */
    private function learn(Wish $wish, array $numbers): void
    {
        $weight = $wish->weight();
        if ($wish instanceof CountWish) {
            $table = [];
            for ($count = 0; $count <= \count($wish->who); ++$count) {
                $table[] = max(1, $weight) * Cost::outside($count, $wish->least, $wish->most);
            }
            $this->kind($wish->who, $table, 0 === $weight, $numbers);
        } elseif ($wish instanceof MetWish) {
            foreach ($wish->before as $together) {
                $table = [];
                for ($count = 0; $count <= \count($together); ++$count) {
                    $table[] = max(1, $weight) * $count * max(0, $count - 1 - $wish->most);
                }
                $this->kind($together, $table, 0 === $weight, $numbers);
            }
        } elseif ($wish instanceof EvenWish) {
            $above = array_fill(0, $this->people, 0);
            $sums = array_fill(0, $this->groups, 0);
            foreach ($wish->above as $person => $far) {
                if (isset($numbers[$person])) {
                    $above[$numbers[$person]] = $far;
                    $sums[$this->at[$numbers[$person]]] += $far;
                }
            }
            $this->weights[] = $weight;
            $this->above[] = $above;
            $this->sums[] = $sums;
        } elseif ($wish instanceof StayWish) {
            foreach (array_intersect_key($wish->places, $numbers) as $person => $home) {
                $homes = $this->homes[$numbers[$person]] ?? [];
                $this->homes[$numbers[$person]] = [$home => ($homes[$home] ?? 0) + $weight] + $homes;
            }
        } elseif ($wish instanceof PairWish && isset($numbers[$wish->one], $numbers[$wish->other])) {
            [$one, $other] = [$numbers[$wish->one], $numbers[$wish->other]];
            $cost = max(1, $weight) * ($wish->together ? -1 : 1);
            foreach ([[$one, $other], [$other, $one]] as [$a, $b]) {
                if (0 === $weight) {
                    $this->tied[$a][$b] = ($this->tied[$a][$b] ?? 0) + $cost;
                } else {
                    $this->near[$a][$b] = ($this->near[$a][$b] ?? 0) + $cost;
                }
            }
        }
    }

    /**
     * @param list<string>       $who
     * @param list<int>          $table
     * @param array<string, int> $numbers
     */
    private function kind(array $who, array $table, bool $hard, array $numbers): void
    {
        $kind = \count($this->tables);
        $counts = array_fill(0, $this->groups, 0);
        foreach ($who as $person) {
            $number = $numbers[$person] ?? null;
            if (null !== $number) {
                ++$counts[$this->at[$number]];
                $hard ? ($this->hardKinds[$number][] = $kind) : ($this->softKinds[$number][] = $kind);
            }
        }
        // One place more: what adding somebody to all of them would cost is never asked in earnest.
        $this->tables[] = [...$table, $table[\count($table) - 1]];
        $this->counts[] = $counts;
    }
}
