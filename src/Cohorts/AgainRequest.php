<?php

declare(strict_types=1);

namespace MintDoor\Cohorts;

use Symfony\Component\Validator\Constraints as Assert;

/** People who belong and whom staff took out before: they are to come all the same. */
final readonly class AgainRequest
{
    /** @param list<string> $people ids */
    public function __construct(
        #[Assert\Count(min: 1, max: 500, minMessage: 'cohorts.choose-people', maxMessage: 'cohorts.fewer-people')]
        public array $people,
    ) {}
}
