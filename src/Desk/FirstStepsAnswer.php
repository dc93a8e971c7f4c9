<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Core\Platform\FirstStep;
use MintDoor\Core\Platform\FirstSteps;

/** Schema `FirstSteps`. */
final readonly class FirstStepsAnswer
{
    /**
     * @param list<array{step: string, state: string, next: ?string}> $steps in order; `next` is the open one after it,
     *     going round
     * @param bool                                      $begun whether any was done or left out
     */
    private function __construct(public array $steps, public bool $begun) {}

    public static function of(FirstSteps $steps): self
    {
        return new self(
            array_map(
                static fn(FirstStep $step): array => [
                    'step' => $step->value,
                    'state' => $steps->state($step)->value,
                    'next' => $steps->after($step)?->value,
                ],
                FirstStep::cases(),
            ),
            $steps->begun(),
        );
    }
}
