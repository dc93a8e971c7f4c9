<?php

declare(strict_types=1);

namespace MintDoor\Core\Cohorts;

use MintDoor\Core\Time\Window;

/** That somebody is in a site for a time, as its roster says. */
final readonly class Place
{
    /**
     * @param string       $site     id
     * @param list<string> $roles    codes
     * @param list<string> $sections ids
     */
    public function __construct(
        public string $site,
        public Window $window,
        public array $roles = [],
        public array $sections = [],
    ) {}
}
