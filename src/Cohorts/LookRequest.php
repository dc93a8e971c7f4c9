<?php

declare(strict_types=1);

namespace MintDoor\Cohorts;

/** A rule that is being written. */
final readonly class LookRequest
{
    /**
     * @param array<string, mixed> $rule     as `RuleCodec` reads it
     * @param ?string              $division code; null for the whole platform
     * @param ?string              $cohort   id of the one it is written for; null for one that is not there yet
     * @param bool                 $sites    whether it is to be said what becomes of each site
     */
    public function __construct(
        public array $rule,
        public ?string $division = null,
        public ?string $cohort = null,
        public bool $sites = false,
    ) {}
}
