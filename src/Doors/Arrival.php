<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Shared\Somebody;

/** Somebody who came in: member `came` of schema `Arrivals`. */
final readonly class Arrival
{
    /**
     * @param ?string $at instant
     * @param string $door id
     */
    public function __construct(
        public ?Somebody $person,
        public ?string $at,
        public string $door,
    ) {}
}
