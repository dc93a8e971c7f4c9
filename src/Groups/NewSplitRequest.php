<?php

declare(strict_types=1);

namespace MintDoor\Groups;

use MintDoor\Shared\Id;
use Symfony\Component\Validator\Constraints as Assert;

/** A new split, and what its groups are made from. */
final readonly class NewSplitRequest
{
    public const WAYS = ['count', ...self::KINDS, 'split'];

    /** What people are, a group being made for each. */
    public const KINDS = ['section', 'level', 'division', 'label', 'detail'];

    /**
     * @param 'count'|'section'|'level'|'division'|'label'|'detail'|'split' $from
     * @param list<string> $labels for `label`: a group for each; whoever bears several is in the first of them
     */
    public function __construct(
        #[Assert\NotBlank(message: 'groups.name-split', normalizer: 'trim')]
        #[Assert\Length(max: 80, maxMessage: 'groups.shorten-name')] public string $name,
        #[Assert\Choice(self::WAYS, message: 'groups.say-from')] public string $from = 'count',
        /** Id of the section whose people it divides; null for those of the whole site. */
        #[Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'shared.no-such-section')] public ?string $section = null,
        #[Assert\Range(notInRangeMessage: 'groups.size-1-1000', min: 1, max: SplitRequest::MOST_SIZE)]
        public ?int $least = null,
        #[Assert\Range(notInRangeMessage: 'groups.size-1-1000', min: 1, max: SplitRequest::MOST_SIZE)]
        public ?int $most = null,
        /** For `count`: how many. */
        #[Assert\Range(notInRangeMessage: 'groups.count-0-500', min: 0, max: SplitRequest::MOST_GROUPS)]
        public int $count = 0,
        /** For `count`: what each is called, before its number. */
        #[Assert\Length(max: 60, maxMessage: 'groups.shorten-called')] public string $called = '',
        #[Assert\Count(max: 60, maxMessage: 'groups.fewer-labels')]
        #[Assert\Unique(message: 'groups.label-once')]
        #[Assert\All([
            new Assert\Type('string'),
            new Assert\Length(min: 1, max: 40, minMessage: 'groups.no-label', maxMessage: 'groups.no-label'),
        ])]
        public array $labels = [],
        /** For `detail`: its code. */
        #[Assert\Length(max: 40, maxMessage: 'groups.no-detail')] public string $detail = '',
        /** For `split`: its id. */
        #[Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'groups.no-such-split')] public ?string $split = null,
        /** Whether people are put into the groups that are made from what they are. */
        public bool $people = true,
    ) {}
}
