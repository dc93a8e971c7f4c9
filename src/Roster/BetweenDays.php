<?php

declare(strict_types=1);

namespace MintDoor\Roster;

use Symfony\Component\Validator\Constraints as Assert;
use Symfony\Component\Validator\Context\ExecutionContextInterface;

final readonly class BetweenDays
{
    public function __construct(
        #[Assert\Date(message: 'Write the first day as year-month-day, such as 2026-09-07.')] public string $from,
        #[Assert\Date(message: 'Write the last day as year-month-day, such as 2026-12-18.')] public string $until,
    ) {}

    #[Assert\Callback]
    public function check(ExecutionContextInterface $context): void
    {
        if ($this->from > $this->until) {
            $context->buildViolation('The second day is before the first. Swap them.')->atPath('until')->addViolation();
        }
    }
}
