<?php

declare(strict_types=1);

namespace MintDoor\Core\Roster;

/** The state of an enrollment; the order is the order in which the rules look for the first that holds. */
enum State: string
{
    case Blocked = 'blocked';
    case Current = 'current';
    case Paused = 'paused';
    case Upcoming = 'upcoming';
    case Waiting = 'waiting';
    case Ended = 'ended';
    case Removed = 'removed';

    /** In, or on the way in: one does not let such a person in again. */
    public function here(): bool
    {
        return \in_array($this, [self::Current, self::Paused, self::Upcoming, self::Waiting], true);
    }

    /** @return non-empty-list<string> values of the states in which somebody is here */
    public static function valuesHere(): array
    {
        return [self::Current->value, self::Paused->value, self::Upcoming->value, self::Waiting->value];
    }
}
