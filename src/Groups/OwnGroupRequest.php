<?php

declare(strict_types=1);

namespace MintDoor\Groups;

use MintDoor\Shared\Id;
use Symfony\Component\Validator\Constraints as Assert;

/** Into which group somebody wants to go. */
final readonly class OwnGroupRequest
{
    /** @param ?string $group id; null to leave the one they are in */
    public function __construct(
        #[Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'groups.no-such-group')] public ?string $group,
    ) {}
}
