<?php

declare(strict_types=1);

namespace MintDoor\Plans;

use MintDoor\Shared\Id;
use Symfony\Component\Validator\Constraints as Assert;

/** Plans of which other sites are computed with one. */
final readonly class PlanWithRequest
{
    public const MOST = 9;

    /** @param list<string> $sites ids */
    public function __construct(
        #[Assert\Count(max: self::MOST, maxMessage: 'plans.fewer-sites')]
        #[Assert\Unique(message: 'plans.site-once')]
        #[Assert\All([
            new Assert\Type('string'),
            new Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'plans.not-sites-id'),
        ])]
        public array $sites,
    ) {}
}
