<?php

declare(strict_types=1);

namespace MintDoor\Roster;

use MintDoor\Core\Roles\RoleBook;
use MintDoor\Core\Roster\Segment;
use MintDoor\Core\Roster\State;
use MintDoor\Core\Time\Window;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Row;

/** Segments between the core, their table and the contract. */
final class SegmentRow
{
    private function __construct() {}

    /** @param Row $row with `state`, `roles`, `from_at`, `until_at`, `since_at`, `holds_seat` */
    public static function segment(Row $row): Segment
    {
        return new Segment(
            new Window($row->instant('from_at'), $row->instant('until_at')),
            State::from($row->string('state')),
            $row->list('roles'),
            $row->bool('holds_seat'),
            $row->instant('since_at'),
        );
    }

    /** Of what is still to come, or of what was, so many stretches are told. */
    private const MOST_STRETCHES = 60;

    /**
     * @param list<Segment> $segments
     *
     * @return list<array<string, mixed>> schema `Stretch`, the last ones
     */
    public static function stretches(array $segments, RoleBook $roles): array
    {
        return array_map(
            static fn(Segment $each): array => [
                'from' => Instant::toJson($each->window->from),
                'until' => Instant::toJson($each->window->until),
                'state' => $each->state->value,
                'role' => ($roles->pick($each->roles)[0] ?? null)?->code,
            ],
            \array_slice($segments, -self::MOST_STRETCHES),
        );
    }

    /** @return array<string, mixed>|null schema `Standing` */
    public static function json(?Segment $segment, RoleBook $roles): ?array
    {
        return null === $segment
            ? null
            : [
                'state' => $segment->state->value,
                'role' => ($roles->pick($segment->roles)[0] ?? null)?->code,
                'roles' => $segment->roles,
                'since' => Instant::toJson($segment->since),
                'from' => Instant::toJson($segment->window->from),
                'until' => Instant::toJson($segment->window->until),
            ];
    }
}
