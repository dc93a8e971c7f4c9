<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use Symfony\Component\Validator\Constraints as Assert;

/** The answer of a division. */
final readonly class ApprovalRequest
{
    public function __construct(
        #[Assert\Choice(['yes', 'no'], message: 'doors.answer-yes-no')] public string $answer,
    ) {}
}
