<?php

declare(strict_types=1);

namespace MintDoor\Weeks;

use MintDoor\Core\Weeks\Place;
use Symfony\Component\Validator\Constraints as Assert;

/** Which week is asked for, by one of its days; today's where none is said. For a room, which room. */
final readonly class WeekAsked
{
    public function __construct(
        #[Assert\Date(message: 'weeks.write-day')] public ?string $day = null,
        #[Assert\Length(max: 64, maxMessage: 'weeks.no-zone')] public ?string $zone = null,
        #[Assert\Length(max: Place::LONGEST, maxMessage: 'weeks.shorten-place')] public string $room = '',
        #[Assert\Length(max: Place::LONGEST, maxMessage: 'weeks.shorten-place')] public string $building = '',
    ) {}
}
