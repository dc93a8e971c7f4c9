<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Hall\Id;
use Symfony\Component\Validator\Constraints as Assert;

final readonly class ChosenInvitations
{
    /** @param list<string> $invitations ids; none for all that are not answered */
    public function __construct(
        #[Assert\Count(max: InviteWish::MOST)]
        #[Assert\All([new Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'There is no such invitation.')])]
        public array $invitations = [],
    ) {
    }
}
