<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Sites\SiteName;

/** A seat that somebody loses unless they come: member `quiet` of schema `OwnWaits`. */
final readonly class QuietSeat
{
    /**
     * @param ?string $until instant
     */
    public function __construct(
        public SiteName $site,
        public string $timeZone,
        public ?string $until,
    ) {}
}
