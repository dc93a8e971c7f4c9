<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Core\Roster\Census;
use MintDoor\Core\Roster\CountedStretch;
use MintDoor\Core\Roster\State;
use MintDoor\Core\Time\DayRun;
use MintDoor\Doors\Repository\DoorNumbers;
use MintDoor\Doors\Repository\SentenceDoors;
use MintDoor\Roster\SegmentRow;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Problem;

/** How the seats of a door filled: how many who came through it were here at the end of each day until today. */
final readonly class DoorDays
{
    /** Days that are told apart; of longer times it is every second one, and so on. */
    private const MOST = 120;

    public function __construct(private SentenceDoors $doors, private DoorNumbers $numbers) {}

    /** @throws Problem of type `NotFound` */
    public function of(SiteAccess $access, string $door): DoorDaysAnswer
    {
        $found = $this->doors->all($access->site->id, $door)[0] ?? throw Problem::notFound('door');
        $stretches = array_map(
            SegmentRow::counted(...),
            $this->numbers->held($access->site->id, $door, DoorContextLoader::holding(), $access->now),
        );
        $first = min(
            [$access->now, ...array_map(static fn(CountedStretch $each): int => $each->window->from, $stretches)]
        );
        $run = DayRun::between($first, $access->now, $access->now, $access->zone(), self::MOST);
        // Of today what is so now.
        $instants = array_map(static fn(int $end): int => min($access->now, $end), $run->ends($access->zone()));

        return new DoorDaysAnswer(
            $run->each,
            $run->days,
            Census::at($instants, $stretches)->people[State::Current->value],
            null === $found->terms ? null : SentenceDoor::of($found)->policy->seats,
        );
    }
}
