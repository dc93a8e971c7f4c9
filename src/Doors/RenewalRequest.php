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
        #[Assert\Count(min: 1, max: 300, minMessage: 'doors.choose-whose-keys-renew')]
        #[Assert\All([new Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'shared.no-such-door')])]
        public array $doors,
        #[Assert\Date(message: 'doors.write-first-day-year')]
        public ?string $fromDay = null,
        #[Assert\Date(message: 'doors.write-last-day-year-month')]
        public ?string $untilDay = null,
    ) {}
}
