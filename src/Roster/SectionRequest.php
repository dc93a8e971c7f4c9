<?php

declare(strict_types=1);

namespace MintDoor\Roster;

use MintDoor\Shared\Id;
use Symfony\Component\Validator\Constraints as Assert;

/** One section as it is to be. Days are of the site's time zone; the last one is included. */
final readonly class SectionRequest
{
    public function __construct(
        #[Assert\NotBlank(message: 'roster.name-section', normalizer: 'trim')]
        #[Assert\Length(max: 80, maxMessage: 'roster.shorten-section-name')] public string $name,
        /** Null for a new one. */
        #[Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'shared.no-such-section')] public ?string $id = null,
        #[Assert\Range(notInRangeMessage: 'roster.section-seats-1-100-000', min: 1, max: 100_000)]
        public ?int $seats = null,
        #[Assert\Date(message: 'shared.write-first-day-year')] public ?string $from = null,
        #[Assert\Date(message: 'shared.write-last-day-year')] public ?string $until = null,
        /** When it meets, in words. */
        #[Assert\Length(max: 120, maxMessage: 'roster.shorten-meets')] public string $meets = '',
        public bool $retired = false,
    ) {}
}
