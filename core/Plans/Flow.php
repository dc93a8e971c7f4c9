<?php

declare(strict_types=1);

namespace MintDoor\Core\Plans;

/**
 * People on sections with places, at the least cost: a minimum-cost flow from a source by way of each person to one
 * section, or to nowhere, kept as who is where. What one person could do for another is a path over sections, so the
 * graph that is searched has a node a section and a hub, whatever the number of people: chains of moves that end at a
 * free place, or close, are its cycles, and the cheapest move between each two sections is all that is known of people.
 *
 * Costs are whole numbers; n people and m sections. Ahuja, Magnanti, Orlin, "Network Flows" (1993), 9.6 (cycles that
 * cost less than nothing are cancelled until there is none) and 9.4 (what is cheapest is told by prices).
 *
 * @internal
 */
final class Flow
{
    /** Where those are who have no place; it takes everybody. */
    public const NOWHERE = -1;

    private const HUB = -2;

    /** @var array<int, int> section by person */
    private array $at = [];

    /** @var array<int, array<int, true>> people by section */
    private array $in = [];

    /** @var array<int, array<int, array{int, int}>> cheapest move by where from and to: what it costs, and whose */
    private array $moves = [];

    /** @var array<int, int> by section, and `HUB`: how far the cheapest chain that ends there goes down */
    private array $depth = [];

    /**
     * @param array<int, array<int, int>> $costs by person and section, `NOWHERE` among them; where none is said, they
     *     cannot be
     * @param array<int, int>             $left  places by section
     */
    public function __construct(private array $costs, private array $left)
    {
        $this->in = array_fill_keys([...array_keys($left), self::NOWHERE], []);
        foreach ($costs as $person => $own) {
            // The cheapest with a place, to begin with.
            asort($own);
            foreach ($own as $to => $_) {
                if (self::NOWHERE === $to || $this->left[$to] > 0) {
                    $this->put($person, $to);
                    break;
                }
            }
        }
        $this->look(array_keys($this->in));
    }

    /** @return array<int, int> section by person */
    public function at(): array
    {
        return $this->at;
    }

    /**
     * The same people and places at other costs, from where they are now.
     *
     * @param array<int, array<int, int>> $costs as before
     */
    public function cost(array $costs): void
    {
        $this->costs = $costs;
        $this->look(array_keys($this->in));
    }

    /**
     * Moves people until no other way costs less.
     *
     * @param ?\Closure(): bool $goesOn asked before each step; nothing is lost of those that were made
     *
     * @return bool whether that is reached, and it was not told to stop before
     */
    public function settle(?\Closure $goesOn = null): bool
    {
        while ([] !== ($moves = $this->saving())) {
            if (null !== $goesOn && !$goesOn()) {
                return false;
            }
            $touched = [];
            foreach ($moves as [$person, $to]) {
                $touched[$this->at[$person]] = $touched[$to] = true;
                $this->put($person, $to);
            }
            $this->look(array_keys($touched));
        }

        return true;
    }

    /**
     * What a place is worth where nothing costs less than it is: nothing where one is left. Whatever costs the same has
     * every place taken that is worth something, and everybody where their cost and the worth of the place is least.
     *
     * @return array<int, int> by section, 0 or more
     */
    public function worth(): array
    {
        $hub = $this->depth[self::HUB];

        return array_map(static fn(int $depth): int => $hub - $depth, array_intersect_key($this->depth, $this->in));
    }

    /**
     * Costs whose cheapest ways are those that are cheapest now, and of these the ones that cost least of something
     * further; only once it is settled.
     *
     * @param array<int, array<int, int>> $more  by person and section, 0 or more each
     * @param int                         $above more than all that a way can cost of it
     *
     * @return array<int, array<int, int>>
     */
    public function among(array $more, int $above): array
    {
        $worth = $this->worth();
        $next = [];
        foreach ($this->costs as $person => $own) {
            $least = \PHP_INT_MAX;
            foreach ($own as $section => $cost) {
                $least = min($least, $cost + $worth[$section]);
            }
            foreach ($own as $section => $cost) {
                $beyond = (int) ($cost + $worth[$section] > $least);
                $full = (int) ($worth[$section] > 0);
                $next[$person][$section] = $above * ($beyond - $full) + $more[$person][$section];
            }
        }

        return $next;
    }

    private function put(int $person, int $to): void
    {
        $from = $this->at[$person] ?? null;
        if (null !== $from) {
            unset($this->in[$from][$person]);
            self::NOWHERE === $from || ++$this->left[$from];
        }
        $this->in[$to][$person] = true;
        $this->at[$person] = $to;
        self::NOWHERE === $to || --$this->left[$to];
    }

    /**
     * The cheapest move from some sections to each other one. O(people there · m).
     *
     * @param list<int> $sections
     */
    private function look(array $sections): void
    {
        foreach ($sections as $from) {
            $best = [];
            foreach ($this->in[$from] as $person => $_) {
                $own = $this->costs[$person][$from];
                foreach ($this->costs[$person] as $to => $cost) {
                    if ($to !== $from && (!isset($best[$to]) || $cost - $own < $best[$to][0])) {
                        $best[$to] = [$cost - $own, $person];
                    }
                }
            }
            $this->moves[$from] = $best;
        }
    }

    /**
     * Moves that save something together, and leave no section with more people than places: a cycle of arcs that costs
     * less than nothing. Whoever leaves a section leaves a place (from the hub to it), and a place that is left needs
     * nobody to leave (from it to the hub). Bellman and Ford, O(m³), by nodes that changed, stopped as soon as the arcs
     * by which nodes were reached close.
     *
     * @return list<array{int, int}> people and where they go; none where nothing can be saved
     */
    private function saving(): array
    {
        $nodes = array_keys($this->in);
        $depth = array_fill_keys([...$nodes, self::HUB], 0);
        $by = $cycle = [];
        $changed = $depth;
        while ([] !== $changed && [] === $cycle) {
            $next = [];
            foreach ($changed as $from => $_) {
                $own = $depth[$from];
                if (self::HUB === $from) {
                    foreach ($nodes as $to) {
                        if ($own < $depth[$to]) {
                            $depth[$to] = $own;
                            $by[$to] = $from;
                            $next[$to] = true;
                        }
                    }
                    continue;
                }
                foreach ($this->moves[$from] as $to => [$delta]) {
                    if ($own + $delta < $depth[$to]) {
                        $depth[$to] = $own + $delta;
                        $by[$to] = $from;
                        $next[$to] = true;
                    }
                }
                if ($own < $depth[self::HUB] && (self::NOWHERE === $from || $this->left[$from] > 0)) {
                    $depth[self::HUB] = $own;
                    $by[self::HUB] = $from;
                    $next[self::HUB] = true;
                }
            }
            $changed = $next;
            $cycle = [] === $next ? [] : $this->cycles($by);
        }
        $this->depth = $depth;

        return $cycle;
    }

    /**
     * Moves along all cycles of the arcs by which nodes were reached last: each costs less than nothing, and no two
     * share a node.
     *
     * @param array<int, int> $by by node: from where it was reached
     *
     * @return list<array{int, int}> people and where they go; none where there is no cycle
     */
    private function cycles(array $by): array
    {
        $seen = $moves = [];
        foreach ($by as $start => $_) {
            $node = $start;
            while (isset($by[$node]) && !isset($seen[$node])) {
                $seen[$node] = $start;
                $node = $by[$node];
            }
            if (($seen[$node] ?? null) !== $start || !isset($by[$node])) {
                continue;
            }
            $first = $node;
            do {
                $from = $by[$node];
                if (self::HUB !== $from && self::HUB !== $node) {
                    $moves[] = [$this->moves[$from][$node][1], $node];
                }
                $node = $from;
            } while ($node !== $first);
        }

        return $moves;
    }
}
