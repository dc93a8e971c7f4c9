<?php

declare(strict_types=1);

namespace MintDoor\Roster;

use MintDoor\Core\Platform\Levels;
use MintDoor\People\Repository\Labels;
use MintDoor\Shared\Id;
use Symfony\Component\Validator\Constraints as Assert;

final readonly class RosterFilter
{
    /** @var list<'name'|'kind'|'level'|'division'|'number'|'role'|'section'|'state'|'since'|'seen'> */
    public const SORTS = ['name', 'kind', 'level', 'division', 'number', 'role', 'section', 'state', 'since', 'seen'];

    public function __construct(
        #[Assert\Length(max: 200, maxMessage: 'shared.look-less-200-characters')] public ?string $q = null,
        #[Assert\Length(max: 32, maxMessage: 'shared.no-such-role')] public ?string $role = null,
        #[Assert\Choice(
            ['here', 'current', 'paused', 'upcoming', 'waiting', 'blocked', 'ended', 'removed'],
            message: 'shared.no-such-state',
        )]
        public string $state = 'here',
        #[Assert\Range(
            notInRangeMessage: 'shared.levels-go-1-40',
            min: 1,
            max: Levels::HIGHEST
        )] public ?int $level = null,
        #[Assert\Length(max: 32, maxMessage: 'shared.no-such-division')] public ?string $division = null,
        /** An id, or none. */
        #[Assert\Regex('/^(none|'.Id::PATTERN.')$/D', message: 'shared.no-such-section')]
        public ?string $section = null,
        /** Id of a group; behind "none-" that of a way of dividing people, for who is in none of its groups. */
        #[Assert\Regex('/^(none-)?'.Id::PATTERN.'$/D', message: 'roster.no-such-group')]
        public ?string $group = null,
        /** A kind of door, or the id of one. */
        #[Assert\Regex(
            '/^(staff|key|invitation|cohort|feed|preview|'.Id::PATTERN.')$/D',
            message: 'shared.no-such-door',
        )]
        public ?string $door = null,
        /** "never", or not for so many days. */
        #[Assert\Regex('/^(never|[1-9]\d{0,2})$/D', message: 'roster.say-never-number-days')]
        public ?string $seen = null,
        /** Days within which the present stretch ends. */
        #[Assert\Range(notInRangeMessage: 'roster.choose-1-999-days', min: 1, max: 999)] public ?int $ends = null,
        /** Days within which they came. */
        #[Assert\Range(notInRangeMessage: 'roster.choose-1-999-days', min: 1, max: 999)] public ?int $joined = null,
        #[Assert\Length(max: Labels::LONGEST, maxMessage: 'roster.no-label-long')] public ?string $label = null,
        /** Of which details: "instrument=viola&mark=10..15" (`DetailWanted::all()`). */
        #[Assert\Length(max: 400, maxMessage: 'people.details-too-long')] public ?string $details = null,
        /** A day at whose end the roster is looked at, past or to come; null for now. */
        #[Assert\Date(message: 'roster.write-day-year-month')] public ?string $asOf = null,
        public bool $unlisted = false,
        #[Assert\Choice(choices: self::SORTS, message: 'roster.roster-cannot-sorted')]
        public string $sort = 'name',
        #[Assert\Choice(['up', 'down'], message: 'roster.sort-up-down')] public string $direction = 'up',
        public ?string $cursor = null,
        #[Assert\Range(notInRangeMessage: 'roster.page-1-500-rows', min: 1, max: 500)] public int $limit = 60,
    ) {}

    /** Whether it asks for more than who is here. */
    public function narrows(): bool
    {
        return 'here' !== $this->state
            || '' !== ($this->q ?? '')
            || '' !== ($this->role ?? '')
            || []
                !== array_filter(
                    [
                        $this->level,
                        $this->division,
                        $this->section,
                        $this->group,
                        $this->door,
                        $this->seen,
                        $this->ends,
                        $this->joined,
                        $this->label,
                        $this->details,
                    ],
                    static fn(mixed $value): bool => null !== $value,
                );
    }
}
