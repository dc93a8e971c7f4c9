<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use Symfony\Component\Validator\Constraints as Assert;

/** The answer of a division. */
final readonly class ApprovalRequest
{
    public function __construct(#[Assert\Choice(['yes', 'no'], message: 'Answer yes or no.')] public string $answer) {}
}
