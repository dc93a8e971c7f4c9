<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Shared\Id;
use Symfony\Component\Validator\Constraints as Assert;
use Symfony\Component\Validator\Context\ExecutionContextInterface;

final readonly class ChosenInvitations
{
    /**
     * @param list<string> $invitations ids
     * @param bool         $all         every one that is not answered, said on purpose, in place of some
     */
    public function __construct(
        #[Assert\Count(max: InviteRequest::MOST)]
        #[Assert\All([new Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'doors.no-such-invitation')])]
        public array $invitations = [],
        public bool $all = false,
    ) {}

    #[Assert\Callback]
    public function check(ExecutionContextInterface $context): void
    {
        if ($this->all === ([] !== $this->invitations)) {
            $context
                ->buildViolation('doors.choose-invitations-say-all')
                ->atPath('invitations')
                ->addViolation();
        }
    }
}
