<?php

declare(strict_types=1);

namespace MintDoor\Roster;

use MintDoor\Core\Roles\RoleBook;
use MintDoor\Core\Roster\Segment;
use MintDoor\Shared\Instant;

/** Schema `Standing`: what somebody is in a site for a time. */
final readonly class StandingShown
{
    /**
     * @param ?string      $role  the highest of them that there still is
     * @param list<string> $roles codes
     * @param ?string      $from  instant; null for no beginning, as `until` for no end
     * @param list<string> $sections ids
     */
    private function __construct(
        public string $state,
        public ?string $role,
        public array $roles,
        public ?string $since,
        public ?string $from,
        public ?string $until,
        public array $sections,
    ) {}

    public static function of(?Segment $segment, RoleBook $roles): ?self
    {
        return null === $segment
            ? null
            : new self(
                $segment->state->value,
                ($roles->pick($segment->roles)[0] ?? null)?->code,
                $segment->roles,
                Instant::toJson($segment->since),
                Instant::toJson($segment->window->from),
                Instant::toJson($segment->window->until),
                $segment->sections,
            );
    }
}
