<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Shared\Somebody;

/** Schema `Waiting`: somebody who waits at a door. */
final readonly class WaitingShown
{
    /**
     * @param string $what for a seat, or for a yes
     * @param ?int $place in the line, from 1
     * @param ?string $since instant
     * @param ?string $moved why they were moved up
     * @param ?string $offeredUntil instant until which a seat is kept for them
     */
    public function __construct(
        public int $id,
        public Somebody $person,
        public string $kind,
        public ?int $level,
        public string $division,
        public string $what,
        public ?int $place,
        public Somebody $door,
        public ?string $since,
        public ?string $why,
        public ?string $moved,
        public ?string $offeredUntil,
    ) {}
}
