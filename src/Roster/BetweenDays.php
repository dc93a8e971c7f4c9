<?php

declare(strict_types=1);

namespace MintDoor\Roster;

use Symfony\Component\Validator\Constraints as Assert;
use Symfony\Component\Validator\Context\ExecutionContextInterface;

final readonly class BetweenDays
{
    public function __construct(
        #[Assert\Date(message: 'shared.write-first-day-year')] public string $from,
        #[Assert\Date(message: 'shared.write-last-day-year')] public string $until,
    ) {}

    #[Assert\Callback]
    public function check(ExecutionContextInterface $context): void
    {
        if ($this->from > $this->until) {
            $context->buildViolation('roster.second-day-before-first')->atPath('until')->addViolation();
        }
    }
}
