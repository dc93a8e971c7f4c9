<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use Symfony\Component\Validator\Constraints as Assert;

final readonly class LifeRequest
{
    public function __construct(
        #[Assert\Choice(['draft', 'open', 'closed'], message: 'desk.site-draft-open-closed')]
        public string $state,
        /** A day of the site's zone: opens at its beginning, closes after it; null for now. */
        #[Assert\Date(message: 'desk.write-day-year-month-day')] public ?string $on = null,
    ) {}
}
