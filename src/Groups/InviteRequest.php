<?php

declare(strict_types=1);

namespace MintDoor\Groups;

use MintDoor\Shared\Id;
use Symfony\Component\Validator\Constraints as Assert;

/** Whom somebody asks into the group they are in. */
final readonly class InviteRequest
{
    /** @param list<string> $people ids */
    public function __construct(
        #[Assert\Count(min: 1, max: 20, minMessage: 'groups.invite-somebody', maxMessage: 'groups.invite-fewer')]
        #[Assert\All([
            new Assert\Type('string'),
            new Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'shared.not-persons-id'),
        ])]
        public array $people,
    ) {}
}
