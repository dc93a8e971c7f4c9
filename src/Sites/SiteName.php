<?php

declare(strict_types=1);

namespace MintDoor\Sites;

/** Schema `SiteName`: a site by id and title. */
final readonly class SiteName
{
    public function __construct(public string $id, public string $title) {}
}
