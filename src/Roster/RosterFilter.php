<?php

declare(strict_types=1);

namespace MintDoor\Roster;

use Symfony\Component\Validator\Constraints as Assert;

final readonly class RosterFilter
{
    public const SORTS = ['name', 'kind', 'level', 'division', 'number', 'role', 'state', 'since', 'seen'];

    public function __construct(
        #[Assert\Length(max: 200, maxMessage: 'Look for less: 200 characters at most.')]
        public ?string $q = null,
        #[Assert\Length(max: 32, maxMessage: 'There is no such role.')]
        public ?string $role = null,
        #[Assert\Choice(['here', 'current', 'paused', 'upcoming', 'waiting', 'kept-out', 'ended', 'taken-out'], message: 'There is no such state.')]
        public string $state = 'here',
        public bool $unlisted = false,
        #[Assert\Choice(choices: self::SORTS, message: 'The roster cannot be sorted by this.')]
        public string $sort = 'name',
        #[Assert\Choice(['up', 'down'], message: 'Sort up or down.')]
        public string $direction = 'up',
        public ?string $cursor = null,
        #[Assert\Range(notInRangeMessage: 'A page has 1 to 500 rows.', min: 1, max: 500)]
        public int $limit = 100,
    ) {
    }
}
