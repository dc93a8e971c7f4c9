<?php

declare(strict_types=1);

namespace MintDoor\Plans;

use MintDoor\Shared\Id;
use Symfony\Component\Validator\Constraints as Assert;

/** A section as a plan is to use it. */
final readonly class PlanSectionRequest
{
    public function __construct(
        #[Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'shared.no-such-section')] public string $id,
        /** Null for as many as it has seats. */
        #[Assert\Range(notInRangeMessage: 'plans.places-0-9999', min: 0, max: 9_999)] public ?int $places = null,
        /** How many it has at least, where it has anybody. */
        #[Assert\Range(notInRangeMessage: 'plans.places-0-9999', min: 0, max: 9_999)] public ?int $least = null,
    ) {}
}
