<?php

declare(strict_types=1);

namespace MintDoor\Core\Doors;

use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;

/** How a door stands at an instant. */
enum DoorState: string
{
    case Open = 'open';
    /** Open, but each one waits for somebody's word. */
    case ByApproval = 'by-approval';
    case Shut = 'shut';
    /** Opens by itself later. */
    case NotYet = 'not-yet';
    /** Shut by itself. */
    case Over = 'over';

    public static function of(bool $open, bool $approval, Window $hours, int $now): self
    {
        return match (true) {
            !$open => self::Shut,
            $now >= $hours->until => self::Over,
            $now < $hours->from => self::NotYet,
            default => $approval ? self::ByApproval : self::Open,
        };
    }

    /** The instant at which hours change it next; null when they never do. */
    public static function changesAt(bool $open, Window $hours, int $now): ?int
    {
        $next = array_filter(
            [$hours->from, $hours->until],
            static fn(int $instant): bool => $instant > $now && $instant < Time::FOREVER,
        );

        return $open && [] !== $next ? min($next) : null;
    }
}
