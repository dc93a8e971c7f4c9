<?php

declare(strict_types=1);

namespace MintDoor\Doors;

/** Schema `Arrivals`: the first minutes of a class. */
final readonly class ArrivalsAnswer
{
    /**
     * @param ?string $now instant
     * @param array{came: int, approval: int, seat: int} $numbers all there are; the lists hold the first of them
     * @param list<Arrival> $came
     * @param list<int> $minutes how many came in each minute of the last hour
     * @param list<Mistyping> $mistyping
     * @param list<WaitingShown> $waiting
     */
    public function __construct(
        public ?string $now,
        public array $numbers,
        public array $came,
        public array $minutes,
        public array $mistyping,
        public array $waiting,
    ) {}
}
