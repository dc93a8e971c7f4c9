<?php

declare(strict_types=1);

namespace MintDoor\Core\Groups;

/**
 * Judges moves between the groups of a split as a whole: two people may change places in groups that are full. Somebody
 * who was moved since they were looked at is left where they are.
 */
final class Moves
{
    private function __construct() {}

    /**
     * @param array<string, Move> $moves  one a person, by their ids; those named first go first where places are few
     * @param bool                $strict whether no more may come in than fit
     *
     * @return array<string, JudgedMove> by person
     */
    public static function judge(Split $split, array $moves, bool $strict = false): array
    {
        $judged = [];
        foreach ($moves as $person => $move) {
            $judged[(string) $person] = new JudgedMove($move, self::alone($split, $move));
        }
        if ($strict) {
            return self::fitting($split, $judged);
        }
        $counts = self::after($split, $judged)->counts();
        foreach ($judged as $person => $each) {
            $group = null === $each->move->to ? null : $split->groups[$each->move->to] ?? null;
            if ($each->isReady() && null !== $group?->most && $counts[$group->id] > $group->most) {
                $judged[$person] = new JudgedMove($each->move, $each->verdict, true);
            }
        }

        return $judged;
    }

    /** @param array<string, JudgedMove> $judged */
    public static function after(Split $split, array $judged): Split
    {
        $places = [];
        foreach ($judged as $person => $each) {
            $each->isReady() && ($places[$person] = $each->move->to);
        }

        return $split->with($places);
    }

    /** What becomes of a move as if nobody else were moved, and everybody fitted. */
    private static function alone(Split $split, Move $move): MoveVerdict
    {
        return match (true) {
            !\array_key_exists($move->person, $split->places) => MoveVerdict::NotHere,
            null !== $move->to && !isset($split->groups[$move->to]) => MoveVerdict::NoGroup,
            $split->places[$move->person] === $move->to => MoveVerdict::There,
            $split->places[$move->person] !== $move->from => MoveVerdict::ChangedSince,
            default => MoveVerdict::Ready,
        };
    }

    /**
     * Of those who come into a group the last ones stay where they were, as long as there are more than fit; that may
     * fill the groups they were to leave.
     *
     * @param array<string, JudgedMove> $judged
     *
     * @return array<string, JudgedMove>
     */
    private static function fitting(Split $split, array $judged): array
    {
        $counts = self::after($split, $judged)->counts();
        do {
            $refused = false;
            foreach (array_reverse($judged, true) as $person => $each) {
                $to = $each->move->to;
                $most = null === $to ? null : ($split->groups[$to] ?? null)?->most;
                if ($each->isReady() && null !== $most && $counts[$to] > $most) {
                    $judged[$person] = new JudgedMove($each->move, MoveVerdict::Full);
                    --$counts[$to];
                    $from = $split->places[$each->move->person];
                    null === $from || ($counts[$from] = ($counts[$from] ?? 0) + 1);
                    $refused = true;
                }
            }
        } while ($refused);

        return $judged;
    }
}
