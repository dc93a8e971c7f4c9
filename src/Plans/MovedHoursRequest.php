<?php

declare(strict_types=1);

namespace MintDoor\Plans;

use MintDoor\Core\Weeks\Hours;
use MintDoor\Shared\Id;
use Symfony\Component\Validator\Constraints as Assert;

/** At which other hour a section would meet, every week. */
final readonly class MovedHoursRequest
{
    /** @param list<int> $days of the week, 1 for Monday */
    public function __construct(
        #[Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'shared.no-such-section')] public string $section,
        #[Assert\Count(min: 1, max: 7, minMessage: 'plans.choose-day')]
        #[Assert\All([new Assert\Type('int'), new Assert\Range(min: 1, max: 7)])]
        public array $days,
        #[Assert\Regex('/^([01]\d|2[0-3]):[0-5]\d$/D', message: 'weeks.write-time')] public string $time,
        #[Assert\Range(notInRangeMessage: 'weeks.minutes-5-1440', min: Hours::SHORTEST, max: Hours::LONGEST)]
        public int $minutes,
    ) {}
}
