<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use Symfony\Component\Validator\Constraints as Assert;

/** As of when the people of a site are looked at: a day and a time of its zone, or each section's own next meeting. */
final readonly class FirstDayAsked
{
    public function __construct(
        #[Assert\Date(message: 'desk.write-day-year-month')] public ?string $day = null,
        #[Assert\Regex('/^([01]\d|2[0-3]):[0-5]\d$/D', message: 'desk.write-time-hours-minutes')]
        public string $time = '09:00',
    ) {}
}
