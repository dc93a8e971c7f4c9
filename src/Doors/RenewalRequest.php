<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Shared\Id;
use Symfony\Component\Validator\Constraints as Assert;

/** Keys that are renewed together. Days are of each site's time zone; the last one is included. */
final readonly class RenewalRequest
{
    /** @param list<string> $doors ids */
    public function __construct(
        #[Assert\Count(min: 1, max: 300, minMessage: 'Choose whose keys to renew.')]
        #[Assert\All([new Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'There is no such door.')])]
        public array $doors,
        #[Assert\Date(message: 'Write the first day as year-month-day, such as 2027-01-11.')]
        public ?string $fromDay = null,
        #[Assert\Date(message: 'Write the last day as year-month-day, such as 2027-03-26.')]
        public ?string $untilDay = null,
    ) {}
}
