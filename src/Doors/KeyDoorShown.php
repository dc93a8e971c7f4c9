<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Sites\SiteName;

/** A key door of a site whose doors one keeps: an item of schema `KeyDoors`. */
final readonly class KeyDoorShown
{
    /**
     * @param ?string $key for those who may hand it out
     * @param ?string $untilAt instant
     */
    public function __construct(
        public string $id,
        public string $name,
        public ?string $key,
        public string $state,
        public SiteName $site,
        public string $term,
        public ?string $untilAt,
        public string $timeZone,
    ) {}
}
