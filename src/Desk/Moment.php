<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use Symfony\Component\Validator\Constraints as Assert;

/** A day and a time of it, in a site's zone. */
final readonly class Moment
{
    public function __construct(
        #[Assert\Date(message: 'desk.write-day-year-month')] public string $day,
        #[Assert\Regex(
            '/^([01]\d|2[0-3]):[0-5]\d$/D',
            message: 'desk.write-time-hours-minutes',
        )]
        public string $time = '09:00',
    ) {}
}
