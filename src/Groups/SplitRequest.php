<?php

declare(strict_types=1);

namespace MintDoor\Groups;

use Symfony\Component\Validator\Constraints as Assert;

/** A split as it is to be, with all its groups in their order. Who is in one that is left out is in none then. */
final readonly class SplitRequest
{
    public const ARRIVES = ['none', 'emptiest', 'alike', 'wishes'];

    public const MOST_GROUPS = 500;

    public const MOST_SIZE = 1_000;

    /**
     * @param list<GroupRequest> $groups
     * @param 'none'|'emptiest'|'alike'|'wishes' $arrives
     */
    public function __construct(
        #[Assert\NotBlank(message: 'groups.name-split', normalizer: 'trim')]
        #[Assert\Length(max: 80, maxMessage: 'groups.shorten-name')] public string $name,
        #[Assert\Count(max: self::MOST_GROUPS, maxMessage: 'groups.fewer-groups')]
        #[Assert\Valid] public array $groups,
        #[Assert\Range(notInRangeMessage: 'groups.size-1-1000', min: 1, max: self::MOST_SIZE)]
        public ?int $least = null,
        #[Assert\Range(notInRangeMessage: 'groups.size-1-1000', min: 1, max: self::MOST_SIZE)]
        public ?int $most = null,
        /** The days on which people choose their groups by themselves; the first may be left out for at once. */
        #[Assert\Date(message: 'groups.write-day')] public ?string $choosesFrom = null,
        #[Assert\Date(message: 'groups.write-day')] public ?string $choosesUntil = null,
        /** Whether they may found groups then, too. */
        public bool $founds = false,
        /** Whether those who have chosen none are put into one when it is over. */
        public bool $settles = false,
        /** Into which group whoever comes later is put by itself. */
        #[Assert\Choice(self::ARRIVES, message: 'groups.say-arrives')] public string $arrives = 'none',
    ) {}
}
