<?php

declare(strict_types=1);

namespace MintDoor\Roster;

use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Roles\Standing;
use MintDoor\Core\Roster\Segment;
use MintDoor\Core\Sites\Site;
use MintDoor\Hall\Caller;
use MintDoor\Hall\Problem;
use MintDoor\Hall\Row;

/** A site as one caller meets it at an instant: the site, and what they are in it. */
final readonly class SiteAccess
{
    /** @param ?Segment $segment the caller's own enrollment there, now */
    public function __construct(
        public Site $site,
        public Row $row,
        public Caller $caller,
        public Standing $standing,
        public ?Segment $segment,
        public int $now,
    ) {
    }

    public function may(Permission $permission): bool
    {
        return $this->standing->may($permission);
    }

    /** @throws Problem of type `NotAllowed` */
    public function require(Permission $permission, string $sentence): self
    {
        if (!$this->may($permission)) {
            throw Problem::notAllowed($sentence);
        }

        return $this;
    }

    public function zone(): \DateTimeZone
    {
        return new \DateTimeZone($this->row->string('time_zone'));
    }
}
