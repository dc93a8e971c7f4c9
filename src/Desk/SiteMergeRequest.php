<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Shared\Id;
use Symfony\Component\Validator\Constraints as Assert;

/** Sites that become sections of one of them: looked at only, or merged. */
final readonly class SiteMergeRequest
{
    public const MOST = 20;

    /**
     * @param string                $into  id of the site that stays
     * @param list<string>          $sites ids of those that become part of it
     * @param bool                  $apart whether its sections do not see one another
     * @param array<string, string> $roles by person: the role of whoever has different ones in them
     */
    public function __construct(
        #[Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'desk.merge.no-such-site')] public string $into,
        #[Assert\Count(
            min: 1,
            max: self::MOST,
            minMessage: 'desk.merge.choose-sites',
            maxMessage: 'desk.merge.most-sites',
        )]
        #[Assert\Unique(message: 'desk.merge.site-twice')]
        #[Assert\All([
            new Assert\Type('string'),
            new Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'desk.merge.no-such-site'),
            new Assert\NotEqualTo(propertyPath: 'into', message: 'desk.merge.site-twice'),
        ])]
        public array $sites,
        public bool $apart = true,
        #[Assert\Count(max: 2_000)]
        #[Assert\All([new Assert\Type('string'), new Assert\Length(max: 32)])]
        public array $roles = [],
        public bool $apply = false,
    ) {}
}
