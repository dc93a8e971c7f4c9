<?php

declare(strict_types=1);

namespace MintDoor\Cohorts;

use Symfony\Component\Validator\Constraints as Assert;

/** A cohort as it is to be. What it is, a list or a rule, is said when it is made and stays. */
final readonly class CohortRequest
{
    /**
     * @param ?string               $division code; null for the whole platform
     * @param ?array<string, mixed> $rule     as `RuleCodec` reads it; null for a list
     * @param list<string>          $people   ids of those a list that is made begins with
     */
    public function __construct(
        #[Assert\NotBlank(message: 'cohorts.name-it', normalizer: 'trim')]
        #[Assert\Length(max: 80, maxMessage: 'cohorts.shorten-name')] public string $name,
        public ?string $division = null,
        public ?array $rule = null,
        #[Assert\Count(max: 10_000, maxMessage: 'cohorts.fewer-people')]
        public array $people = [],
    ) {}
}
