<?php

declare(strict_types=1);

namespace MintDoor\Roster;

use Symfony\Component\Validator\Constraints as Assert;

/** All sections of a site as they are to be, in their order. One that is left out is as it was, behind them. */
final readonly class SectionsRequest
{
    public const MOST = 200;

    /** @param list<SectionRequest> $sections */
    public function __construct(
        #[Assert\Count(max: self::MOST, maxMessage: 'roster.site-200-sections')]
        #[Assert\Valid] public array $sections,
        /** Whether sections do not see one another. */
        public bool $apart = false,
        /** Whether learners may be in several. */
        public bool $several = false,
    ) {}
}
