<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Sites\SiteName;

/** Schema `Joined`: where one stands after going through a door. */
final readonly class Joined
{
    /**
     * @param ?int $place in the line
     * @param ?string $opensAt instant, where the site is not open yet
     */
    public function __construct(
        public string $passage,
        public ?int $place,
        public SiteName $site,
        public ?string $opensAt,
    ) {}
}
