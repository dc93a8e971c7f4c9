<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Core\Sites\Section;
use MintDoor\Shared\Id;
use Symfony\Component\Validator\Constraints as Assert;

/** Sections of a site that become a site of their own: looked at only, or taken out. */
final readonly class SiteSplitRequest
{
    /**
     * @param list<string> $sections ids
     * @param string       $title    of the new site
     * @param string       $code     short code of the new site
     */
    public function __construct(
        #[Assert\Count(
            min: 1,
            max: Section::MOST_OF_ONE,
            minMessage: 'desk.split.choose-sections',
            maxMessage: 'changes.most-sections',
        )]
        #[Assert\Unique(message: 'desk.split.choose-sections')]
        #[Assert\All([
            new Assert\Type('string'),
            new Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'shared.no-such-section'),
        ])]
        public array $sections,
        #[Assert\Length(max: 400)] public string $title = '',
        #[Assert\Length(max: 100)] public string $code = '',
        public bool $apply = false,
    ) {}
}
