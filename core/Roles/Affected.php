<?php

declare(strict_types=1);

namespace MintDoor\Core\Roles;

/** How many would gain or lose a permission, each counted once a site. */
final readonly class Affected
{
    public function __construct(
        public Permission $permission,
        public bool $gain,
        public int $people,
        public int $sites,
    ) {}
}
