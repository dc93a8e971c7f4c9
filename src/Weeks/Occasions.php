<?php

declare(strict_types=1);

namespace MintDoor\Weeks;

use MintDoor\Core\Weeks\Meeting;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Somebody;
use MintDoor\Weeks\Repository\StoredHours;

/** Meetings by the names of their site and section. */
final readonly class Occasions
{
    public function __construct(private StoredHours $stored) {}

    /** @param ?array<string, mixed> $seen sites whose names may be said, by id; null for all */
    public function of(Meeting $meeting, ?array $seen = null): Occasion
    {
        $known = null === $seen || isset($seen[$meeting->site]);
        // Read with the meeting before, so that this asks nobody.
        $hours = $this->stored->find($meeting->hours);
        $name = HoursCodec::nameOf($hours->terms ?? []);

        return new Occasion(
            $meeting->hours,
            $known && null !== $hours ? new Somebody($meeting->site, $hours->site->title) : null,
            $known ? $hours?->section?->id : null,
            $known ? $hours?->section?->name : null,
            $known ? $name : '',
            (string) Instant::toJson($meeting->from),
            (string) Instant::toJson($meeting->until),
            $meeting->place->room,
            $meeting->place->building,
        );
    }
}
