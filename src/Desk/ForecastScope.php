<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Shared\Fragment;

/** Of whom a forecast is, and what of it its reader may know. */
final readonly class ForecastScope
{
    /**
     * @param Fragment  $people   of sites `s` and segments `g`: whose timelines are looked at
     * @param ?Fragment $sites    of sites `s`: whose doors, dates and seats are looked at; null for none
     * @param ?Fragment $cohorts  of cohorts `c`; null for none
     * @param ?string   $division code of the one whose terms are told; null for none
     * @param bool      $doors    whether doors, offers and invitations are told
     */
    public function __construct(
        public Fragment $people,
        public ?Fragment $sites,
        public ?Fragment $cohorts,
        public ?string $division,
        public bool $doors,
        public \DateTimeZone $zone,
    ) {}
}
