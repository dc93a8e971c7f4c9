<?php

declare(strict_types=1);

namespace MintDoor\Groups;

use MintDoor\Core\Groups\Arriving;
use MintDoor\Core\Groups\Move;
use MintDoor\Groups\Entity\GroupSplit;
use MintDoor\Groups\Repository\GroupPlaces;
use MintDoor\Groups\Repository\SiteGroups;
use MintDoor\Roster\SiteAccess;

/** Puts those who chose no group into those that were computed for them, and those who came later into theirs. */
final readonly class GroupSettler
{
    public function __construct(
        private GroupPlaces $places,
        private SiteGroups $groups,
        private GroupMoves $moves,
        private GroupLetters $letters,
        private GroupSources $sources,
        private SplitsQuery $query,
    ) {}

    /**
     * Puts those who came later into groups, where nothing is to be computed for it. Runs in a transaction, under the
     * lock of the split.
     *
     * @param list<string> $people ids
     */
    public function arrive(SiteAccess $access, GroupSplit $split, array $people): void
    {
        $groups = $this->groups->of($split);
        $theirs = 'alike' === $split->arrives ? $this->sources->theirs($access, $split, $groups, $people) : null;
        $this->put(
            $access,
            $split,
            Arriving::moves($this->query->stateOf($split, $access->now), $people, $theirs),
        );
    }

    /**
     * Runs in a transaction, under the lock of the split.
     *
     * @param ?list<string> $only ids of those who are meant; null for everybody who is in none
     */
    public function settle(SiteAccess $access, GroupSplit $split, ComputedGroups $found, ?array $only = null): void
    {
        $moves = [];
        $groups = $this->groups->of($split);
        foreach ($this->places->of($split, $access->now) as $person => $group) {
            $to = $found->places[$person] ?? null;
            $meant = null === $only || \in_array((string) $person, $only, true);
            if ($meant && null === $group && isset($groups[$to])) {
                $moves[(string) $person] = new Move((string) $person, $to, null);
            }
        }
        $this->put($access, $split, $moves);
    }

    /** @param array<string, Move> $moves by person */
    private function put(SiteAccess $access, GroupSplit $split, array $moves): void
    {
        if ([] === $moves) {
            return;
        }
        $groups = $this->groups->of($split);
        $this->moves->make($access, $split, $moves);
        // Who never could choose is not told of groups that may be for staff alone.
        if (null !== $split->opensAt) {
            $name = static fn(Move $move): string => ($groups[(string) $move->to] ?? null)->name ?? '';
            $this->letters->put($access, $split, array_map($name, $moves));
        }
    }
}
