<?php

declare(strict_types=1);

namespace MintDoor\Weeks;

use MintDoor\Core\Weeks\Hours;
use Symfony\Component\Validator\Constraints as Assert;

/** All hours of a site as they are to be, in their order; those that are left out are no more. */
final readonly class HoursRequest
{
    /** @param list<OneHoursRequest> $hours */
    public function __construct(
        #[Assert\Count(max: Hours::MOST_OF_SITE, maxMessage: 'weeks.fewer-hours')]
        #[Assert\Valid] public array $hours,
    ) {}
}
