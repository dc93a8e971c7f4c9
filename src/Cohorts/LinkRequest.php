<?php

declare(strict_types=1);

namespace MintDoor\Cohorts;

use Symfony\Component\Validator\Constraints as Assert;

/** What of a connection may become another. */
final readonly class LinkRequest
{
    /** @param 'at-once'|'days'|'term' $leaves when whoever no longer belongs loses access */
    public function __construct(
        #[Assert\Date(message: 'cohorts.write-day')] public ?string $from = null,
        #[Assert\Choice(ConnectRequest::LEAVES, message: 'cohorts.say-leaves')] public string $leaves = 'at-once',
        #[Assert\Range(notInRangeMessage: 'cohorts.days-1-366', min: 1, max: 366)] public ?int $days = null,
        /** Whether the caller stands behind it from now on. */
        public bool $mine = false,
    ) {}
}
