<?php

declare(strict_types=1);

namespace MintDoor\Doors;

/** Schema `DoorDays`: how many who came through a door were here at the end of each day. */
final readonly class DoorDaysAnswer
{
    /**
     * @param int          $each days from one to the next
     * @param list<string> $days the last one is today, as it is now
     * @param list<int>    $held one number a day
     * @param ?int         $seats for as many as the door is
     */
    public function __construct(
        public int $each,
        public array $days,
        public array $held,
        public ?int $seats,
    ) {}
}
