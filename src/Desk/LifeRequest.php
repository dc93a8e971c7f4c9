<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use Symfony\Component\Validator\Constraints as Assert;

final readonly class LifeRequest
{
    public function __construct(
        #[Assert\Choice(['draft', 'open', 'closed'], message: 'A site is a draft, open or closed.')]
        public string $state,
        /** A day of the site's zone: opens at its beginning, closes after it; null for now. */
        #[Assert\Date(message: 'Write the day as year-month-day, such as 2027-01-11.')] public ?string $on = null,
    ) {}
}
