<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use Symfony\Component\Validator\Constraints as Assert;

/** What is said of a first step: one of `FirstStepState`. */
final readonly class FirstStepRequest
{
    public function __construct(
        #[Assert\Choice(['open', 'done', 'left-out'], message: 'desk.say-how-far-step')] public string $state,
    ) {}
}
