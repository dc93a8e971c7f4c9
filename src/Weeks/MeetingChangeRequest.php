<?php

declare(strict_types=1);

namespace MintDoor\Weeks;

use MintDoor\Core\Weeks\Hours;
use MintDoor\Core\Weeks\Place;
use Symfony\Component\Validator\Constraints as Assert;

/** One meeting that is off, or at another time or place. Also schema `MeetingChange`. */
final readonly class MeetingChangeRequest
{
    public function __construct(
        #[Assert\Date(message: 'weeks.write-day')] public string $day,
        /** Null where it is off. */
        #[Assert\Date(message: 'weeks.write-day')] public ?string $toDay = null,
        #[Assert\Regex('/^(([01]\d|2[0-3]):[0-5]\d)?$/D', message: 'weeks.write-time')] public string $time = '',
        #[Assert\Range(notInRangeMessage: 'weeks.minutes-5-1440', min: 0, max: Hours::LONGEST)] public int $minutes = 0,
        #[Assert\Length(max: Place::LONGEST, maxMessage: 'weeks.shorten-place')] public string $room = '',
        #[Assert\Length(max: Place::LONGEST, maxMessage: 'weeks.shorten-place')] public string $building = '',
    ) {}
}
