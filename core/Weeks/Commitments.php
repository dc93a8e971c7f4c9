<?php

declare(strict_types=1);

namespace MintDoor\Core\Weeks;

use MintDoor\Core\Roster\Timeline;

/** What a change of where somebody is meets: the meetings of the site, and those they have elsewhere. */
final readonly class Commitments
{
    /**
     * @param list<Meeting> $here      of the site, those to come
     * @param list<Meeting> $elsewhere theirs, of other sites
     */
    public function __construct(public array $here = [], public array $elsewhere = []) {}

    /**
     * What they would come to have at the same time as something else. What clashes already stays as it is.
     *
     * @return list<Clash> those that are first, first; `one` is what they would come to have
     */
    public function clashes(Timeline $before, Timeline $after): array
    {
        $gained = [] === $this->here ? [] : Attending::gained($before, $after, $this->here);
        if ([] === $gained) {
            return [];
        }
        $new = [];
        foreach ($gained as $meeting) {
            $new[$meeting->hours.' '.$meeting->from] = true;
        }
        $kept = array_filter(
            Attending::of($after, $this->here),
            static fn(Meeting $meeting): bool => !isset($new[$meeting->hours.' '.$meeting->from]),
        );
        $clashes = [
            ...Clashes::between($gained, [...$this->elsewhere, ...array_values($kept)]),
            ...Clashes::among($gained),
        ];
        usort($clashes, static fn(Clash $a, Clash $b): int => $a->one->from <=> $b->one->from);

        return $clashes;
    }
}
