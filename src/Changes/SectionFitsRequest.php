<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use MintDoor\Shared\Id;
use Symfony\Component\Validator\Constraints as Assert;

/** Some people who are to come into one of the sections of a site. */
final readonly class SectionFitsRequest
{
    /** People, so that each section is looked at in one go. */
    public const MOST = 1_000;

    /** @param list<string> $people ids */
    public function __construct(
        #[Assert\Count(
            min: 1,
            max: self::MOST,
            minMessage: 'shared.choose-somebody-first',
            maxMessage: 'changes.choose-1-000-people',
        )]
        #[Assert\All([
            new Assert\Type('string'),
            new Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'shared.not-persons-id'),
        ])]
        public array $people,
        #[Assert\Length(max: 32, maxMessage: 'shared.no-such-role')] public ?string $role = null,
        #[Assert\Date(message: 'shared.write-first-day-year')]
        public ?string $fromDay = null,
        #[Assert\Date(message: 'shared.write-last-day-year')]
        public ?string $untilDay = null,
    ) {}
}
