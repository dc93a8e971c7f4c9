<?php

declare(strict_types=1);

namespace MintDoor\Cohorts;

use MintDoor\Shared\FactsFirst;
use MintDoor\Shared\Somebody;

/** Schema `Cohort`: a cohort with its rule, and what the rule names. */
final readonly class CohortAnswer implements \JsonSerializable
{
    use FactsFirst;

    /**
     * @param ?array<string, mixed> $rule   as `RuleCodec` writes it; null for a list
     * @param list<Somebody>        $names  of the sites, sections and cohorts the rule names, by id
     * @param list<LinkShown>       $links  to sites the caller may know of
     * @param int                   $others how many it has besides
     * @param list<Somebody>        $readBy cohorts whose rule reads it, as far as the caller uses them
     */
    public function __construct(
        public CohortShown $facts,
        public ?array $rule,
        public array $names,
        public array $links,
        public int $others,
        public array $readBy,
    ) {}
}
