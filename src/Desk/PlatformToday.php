<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Shared\HealthAnswer;

/** Schema `PlatformToday`: what somebody administers, in numbers, and how the platform is. */
final readonly class PlatformToday
{
    /**
     * @param list<array{division: string, draft: int, open: int, closed: int}> $sites by division
     * @param ?HealthAnswer     $health     for those who administer all of it
     * @param ?FirstStepsAnswer $firstSteps likewise
     */
    public function __construct(
        public array $sites,
        public ?HealthAnswer $health,
        public ?FirstStepsAnswer $firstSteps,
    ) {}
}
