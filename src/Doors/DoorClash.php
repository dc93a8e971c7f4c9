<?php

declare(strict_types=1);

namespace MintDoor\Doors;

/** Schema `DoorClash`: what somebody who stands before a door has at the same time. */
final readonly class DoorClash
{
    /**
     * @param string $site  its title
     * @param string $at    instant of the first time
     * @param int    $times how often
     */
    public function __construct(public string $site, public string $at, public int $times) {}
}
