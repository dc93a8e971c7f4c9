<?php

declare(strict_types=1);

namespace MintDoor\Doors;

/** What a door does by itself next: schema `DoorNext`. */
final readonly class DoorNext
{
    /**
     * @param ?string $at instant
     * @param int $n invitations that lapse that day
     */
    public function __construct(
        public string $what,
        public ?string $at,
        public int $n,
    ) {}
}
