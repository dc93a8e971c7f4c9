<?php

declare(strict_types=1);

namespace MintDoor\Weeks;

/** Schema `Rooms`. */
final readonly class RoomsAnswer
{
    /** @param list<array{room: string, building: string}> $rooms in which something meets from now on */
    public function __construct(public array $rooms) {}
}
