<?php

declare(strict_types=1);

namespace MintDoor\Plans;

use MintDoor\Shared\Id;
use Symfony\Component\Validator\Constraints as Assert;

/** What somebody wishes. */
final readonly class WishesRequest
{
    /** @param list<string> $sections ids, the first wish first; none takes back what was said */
    public function __construct(
        #[Assert\Count(max: PlanRequest::MOST_SECTIONS, maxMessage: 'plans.fewer-sections')]
        #[Assert\Unique(message: 'plans.wish-once')]
        #[Assert\All([
            new Assert\Type('string'),
            new Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'shared.no-such-section'),
        ])]
        public array $sections,
    ) {}
}
