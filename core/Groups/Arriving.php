<?php

declare(strict_types=1);

namespace MintDoor\Core\Groups;

/** Into which groups those come who are in none: each into the emptiest that has room, of those that are for them. */
final class Arriving
{
    private function __construct() {}

    /**
     * @param list<string>                     $people ids, in turn; who is in a group already stays there
     * @param ?array<string, list<string>> $theirs ids of the groups that are for each; null where all are for everybody
     *
     * @return array<string, Move> by person; who fits nowhere has none
     */
    public static function moves(Split $split, array $people, ?array $theirs = null): array
    {
        $held = $split->counts();
        $moves = [];
        foreach ($people as $person) {
            if (null !== ($split->places[$person] ?? null) || isset($moves[$person])) {
                continue;
            }
            $to = null;
            foreach ($split->groups as $id => $group) {
                $fits = null === $group->most || $held[$id] < $group->most;
                $meant = null === $theirs || \in_array((string) $id, $theirs[$person] ?? [], true);
                if ($fits && $meant && (null === $to || $held[$id] < $held[$to])) {
                    $to = (string) $id;
                }
            }
            if (null !== $to) {
                ++$held[$to];
                $moves[$person] = new Move($person, $to, null);
            }
        }

        return $moves;
    }
}
