<?php

declare(strict_types=1);

namespace MintDoor\Roster;

use MintDoor\Core\Roles\RoleBook;
use MintDoor\Core\Roster\Segment;
use MintDoor\Shared\Instant;

/** Schema `Stretch`: a piece of somebody's timeline. */
final readonly class Stretch
{
    /** Of a long life the last ones. */
    private const MOST = 60;

    private function __construct(
        public ?string $from,
        public ?string $until,
        public string $state,
        public ?string $role,
    ) {}

    /**
     * @param list<Segment> $segments
     *
     * @return list<self>
     */
    public static function all(array $segments, RoleBook $roles): array
    {
        return array_map(
            static fn(Segment $each): self => new self(
                Instant::toJson($each->window->from),
                Instant::toJson($each->window->until),
                $each->state->value,
                ($roles->pick($each->roles)[0] ?? null)?->code,
            ),
            \array_slice($segments, -self::MOST),
        );
    }
}
