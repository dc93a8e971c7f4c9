<?php

declare(strict_types=1);

namespace MintDoor\Groups;

use Symfony\Component\Validator\Constraints as Assert;

/** A split as it is to be, with all its groups in their order. Who is in one that is left out is in none then. */
final readonly class SplitRequest
{
    public const MOST_GROUPS = 500;

    public const MOST_SIZE = 1_000;

    /** @param list<GroupRequest> $groups */
    public function __construct(
        #[Assert\NotBlank(message: 'groups.name-split', normalizer: 'trim')]
        #[Assert\Length(max: 80, maxMessage: 'groups.shorten-name')] public string $name,
        #[Assert\Count(max: self::MOST_GROUPS, maxMessage: 'groups.fewer-groups')]
        #[Assert\Valid] public array $groups,
        #[Assert\Range(notInRangeMessage: 'groups.size-1-1000', min: 1, max: self::MOST_SIZE)]
        public ?int $least = null,
        #[Assert\Range(notInRangeMessage: 'groups.size-1-1000', min: 1, max: self::MOST_SIZE)]
        public ?int $most = null,
    ) {}
}
