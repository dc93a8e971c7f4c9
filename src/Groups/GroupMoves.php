<?php

declare(strict_types=1);

namespace MintDoor\Groups;

use MintDoor\Changes\ChangeLists;
use MintDoor\Changes\Entity\ChangeList;
use MintDoor\Core\Groups\JudgedMove;
use MintDoor\Core\Groups\Move;
use MintDoor\Core\Groups\Moves;
use MintDoor\Core\Groups\MoveVerdict;
use MintDoor\Core\Groups\Split;
use MintDoor\Groups\Entity\GroupSplit;
use MintDoor\Groups\Repository\GroupPlaces;
use MintDoor\Groups\Repository\SiteGroups;
use MintDoor\History\Happening;
use MintDoor\History\History;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;

/**
 * Puts people of a site into groups: what was moved in one sitting is one change list, which is taken back as a whole.
 * Runs inside a transaction, under the site's lock.
 */
final readonly class GroupMoves
{
    /** Kind of such a change list. */
    public const KIND = 'groups';

    private const MOVED = 'group-moved';

    /** So often somebody comes into a group within an hour, by themselves. */
    private const MOST_AN_HOUR = 20;

    private const HOUR = 3_600;

    public function __construct(
        private SplitsQuery $query,
        private SiteGroups $groups,
        private GroupPlaces $places,
        private ChangeLists $lists,
        private History $history,
    ) {}

    /**
     * What would become of moves; changes nothing.
     *
     * @param array<string, Move> $moves by person
     *
     * @return array<string, JudgedMove>
     */
    public function judged(SiteAccess $access, GroupSplit $split, array $moves): array
    {
        $state = $this->query->stateOf($split, $access->now);
        // Whom the caller does not see is not there for them.
        $seen = null === $access->standing->sections
            ? $state->places
            : $this->places->of($split, $access->now, $access->standing->sections);
        $judged = Moves::judge($state, array_intersect_key($moves, $seen));
        $not = static fn(Move $move): JudgedMove => new JudgedMove($move, MoveVerdict::NotHere);

        return array_replace(array_map($not, $moves), $judged);
    }

    /** @param array<string, Move> $moves by person */
    public function make(SiteAccess $access, GroupSplit $split, array $moves): MovesAnswer
    {
        return $this->keep($access, $split, $this->judged($access, $split, $moves), null);
    }

    /**
     * Somebody moves themselves: no more come in than fit, and no change list is made of it.
     *
     * @throws Problem of type `NotReady` where they cannot
     */
    public function own(SiteAccess $access, GroupSplit $split, ?string $to): void
    {
        $person = $access->caller->id;
        $state = $this->query->stateOf($split, $access->now);
        $move = new Move($person, $to, $state->places[$person] ?? null);
        $verdict = Moves::judge($state, [$person => $move], true)[$person]->verdict;
        if (MoveVerdict::There === $verdict) {
            return;
        }
        if (MoveVerdict::Ready !== $verdict) {
            throw new Problem(
                ProblemType::NotReady,
                MoveVerdict::Full === $verdict ? 'groups.full-now' : 'groups.no-such-group',
            );
        }
        if ($this->places->since($split, $person, $access->now - self::HOUR) >= self::MOST_AN_HOUR) {
            throw new Problem(ProblemType::NotReady, 'groups.too-often');
        }
        $this->places->put($split, [$person => $to], $person, $access->now);
        $after = $state->with([$person => $to]);
        $this->release($after, [$to], $access->now);
        $this->tell($access, $split, [$person => $move], false);
        $left = null === $move->from ? null : $this->groups->of($split)[$move->from] ?? null;
        if (null !== $left && $left->founded && 0 === $after->counts()[$left->id]) {
            $left->gone = true;
        }
    }

    /** Takes a change list back, for whom nobody moved since. Groups that are gone are there again for them. */
    public function undo(SiteAccess $access, GroupSplit $split, ChangeList $list): MovesAnswer
    {
        $moves = array_map(static fn(Move $move): Move => $move->back(), KeptMoves::read($list->undoData)->moves);
        $wanted = array_column($moves, 'to');
        foreach ($this->groups->all($split) as $group) {
            $group->gone = $group->gone && !\in_array($group->id, $wanted, true);
        }
        $this->groups->flush();

        return $this->keep($access, $split, $this->judged($access, $split, $moves), $list);
    }

    /**
     * Who left the site has their place again when they come back, as long as it is free.
     *
     * @param Split                      $state as it is with them
     * @param array<int|string, ?string> $into  ids of groups that somebody came into
     */
    private function release(Split $state, array $into, int $now): void
    {
        $counts = $state->counts();
        foreach (array_unique(array_filter($into)) as $id) {
            $most = ($state->groups[$id] ?? null)?->most;
            if (null !== $most && $counts[$id] >= $most) {
                $there = array_map(strval(...), array_keys($state->places, $id, true));
                $this->places->release($id, $there, $now);
            }
        }
    }

    /** @param array<string, JudgedMove> $judged */
    private function keep(SiteAccess $access, GroupSplit $split, array $judged, ?ChangeList $undoes): MovesAnswer
    {
        $ready = array_filter($judged, static fn(JudgedMove $each): bool => $each->isReady());
        $moves = array_map(static fn(JudgedMove $each): Move => $each->move, $ready);
        $list = null;
        if ([] !== $moves) {
            $this->places->put(
                $split,
                array_map(static fn(Move $move): ?string => $move->to, $moves),
                $access->caller->id,
                $access->now,
            );
            $after = $this->query->stateOf($split, $access->now);
            $this->release($after, array_column($moves, 'to'), $access->now);
            $list = $this->lists->begin(
                self::KIND,
                $access->site->id,
                mb_substr($split->name.': '.$access->row->string('title'), 0, 160),
                'applied',
                $access->caller,
                $undoes?->id,
                (new KeptMoves($split->id, $moves))->kept(),
            );
            $list->finish(\count($judged), \count($moves));
            $this->tell($access, $split, $moves, null !== $undoes);
            ++$split->version;
        }

        return new MovesAnswer(array_values(array_map(MovedShown::of(...), $judged)), $list?->id);
    }

    /** @param non-empty-array<string, Move> $moves */
    private function tell(SiteAccess $access, GroupSplit $split, array $moves, bool $undone): void
    {
        $names = array_map(static fn($group): string => $group->name, $this->groups->all($split));
        $happened = [];
        foreach ($moves as $person => $move) {
            $happened[] = new Happening(
                self::MOVED,
                [
                    'split' => $split->name,
                    'from' => $names[$move->from] ?? '',
                    'to' => $names[$move->to] ?? '',
                    'undone' => $undone,
                ],
                (string) $person,
            );
        }
        $this->history->writeAll($access->site->id, $access->caller, $happened);
    }
}
