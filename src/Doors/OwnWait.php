<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Sites\SiteName;

/** What somebody waits with: an item of schema `OwnWaits`. */
final readonly class OwnWait
{
    /**
     * @param string $what for a seat, or for a yes
     * @param ?string $since instant
     * @param ?int $place in the line
     * @param ?int $of how many are in it
     * @param ?string $offeredUntil instant until which a seat is kept
     */
    public function __construct(
        public int $id,
        public SiteName $site,
        public string $timeZone,
        public string $what,
        public ?string $since,
        public ?int $place,
        public ?int $of,
        public ?string $offeredUntil,
    ) {}
}
