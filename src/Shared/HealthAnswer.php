<?php

declare(strict_types=1);

namespace MintDoor\Shared;

/** Schema `Health`: how the platform is; it says nothing of anybody. */
final readonly class HealthAnswer
{
    /** @param list<'scheduler'|'queue'|'mail'|'disk'> $late what somebody should look at */
    public function __construct(
        public bool $well,
        public array $late,
        public int $schedulerSeconds,
        public int $queueSeconds,
        public int $failedJobs,
        public int $mailSeconds,
        public float $diskFree,
    ) {}
}
