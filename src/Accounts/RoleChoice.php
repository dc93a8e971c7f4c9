<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use MintDoor\Sites\SiteName;

/** A site where two who are merged have different roles. */
final readonly class RoleChoice
{
    /** @param list<string> $roles codes */
    public function __construct(public SiteName $site, public array $roles) {}
}
