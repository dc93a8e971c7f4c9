<?php

declare(strict_types=1);

namespace MintDoor\Plans;

use Symfony\Component\Validator\Constraints as Assert;
use Symfony\Component\Validator\Context\ExecutionContextInterface;

/** In what sections are to be alike. */
final readonly class BalanceRequest
{
    public function __construct(
        #[Assert\Choice(['level', 'division', 'label'], message: 'plans.balance-by')] public string $by,
        /** How many more or fewer a section may have than its share. */
        #[Assert\Range(notInRangeMessage: 'plans.tolerance-0-99', min: 0, max: 99)] public int $tolerance,
        /** By name, for a label. */
        #[Assert\Length(max: 40, maxMessage: 'plans.no-label')]
        public string $label = '',
    ) {}

    #[Assert\Callback]
    public function check(ExecutionContextInterface $context): void
    {
        if ('label' === $this->by && '' === trim($this->label)) {
            $context
                ->buildViolation('plans.no-label')
                ->atPath('label')
                ->addViolation();
        }
    }
}
