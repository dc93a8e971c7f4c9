<?php

declare(strict_types=1);

namespace MintDoor\Changes;

/** Schema `SiteInZone`: a site with the time zone its days are in. */
final readonly class SiteInZone
{
    public function __construct(public string $id, public string $title, public string $timeZone) {}
}
