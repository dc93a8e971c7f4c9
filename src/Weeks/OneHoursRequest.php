<?php

declare(strict_types=1);

namespace MintDoor\Weeks;

use MintDoor\Core\Weeks\Hours;
use MintDoor\Core\Weeks\Place;
use MintDoor\Core\Weeks\WeeklyRule;
use MintDoor\Shared\Id;
use Symfony\Component\Validator\Constraints as Assert;

/** Hours as they are to be: on days of a week, by a rule of recurrence a calendar brought, or once. */
final readonly class OneHoursRequest
{
    /**
     * @param list<int>                  $days    of the week, 1 for Monday; none for a single meeting, or with a rule
     * @param list<MeetingChangeRequest> $changes
     */
    public function __construct(
        #[Assert\Date(message: 'weeks.write-day')] public string $first,
        #[Assert\Regex('/^([01]\d|2[0-3]):[0-5]\d$/D', message: 'weeks.write-time')] public string $time,
        #[Assert\Range(notInRangeMessage: 'weeks.minutes-5-1440', min: Hours::SHORTEST, max: Hours::LONGEST)]
        public int $minutes,
        /** Null for new ones. */
        #[Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'weeks.no-such-hours')] public ?string $id = null,
        /** Null for the site as a whole. */
        #[Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'shared.no-such-section')] public ?string $section = null,
        #[Assert\Length(max: 80, maxMessage: 'weeks.shorten-name')] public string $name = '',
        #[Assert\Count(max: 7)]
        #[Assert\All([new Assert\Type('int'), new Assert\Range(min: 1, max: 7)])]
        public array $days = [],
        /** Of every so many weeks. */
        #[Assert\Range(notInRangeMessage: 'weeks.every-1-12', min: 1, max: WeeklyRule::MOST_WEEKS)]
        public int $every = 1,
        /** The last day, where there are days of a week. */
        #[Assert\Date(message: 'shared.write-last-day-year')] public ?string $until = null,
        /** RFC 5545, 3.3.10, in place of days of a week. */
        #[Assert\Length(max: 500, maxMessage: 'weeks.no-rule')] public ?string $rule = null,
        #[Assert\Length(max: Place::LONGEST, maxMessage: 'weeks.shorten-place')] public string $room = '',
        #[Assert\Length(max: Place::LONGEST, maxMessage: 'weeks.shorten-place')] public string $building = '',
        /** Whether it is off on days off of the platform's calendar. */
        public bool $rests = true,
        #[Assert\Count(max: Hours::MOST_CHANGES, maxMessage: 'weeks.fewer-changes')]
        #[Assert\Valid] public array $changes = [],
        /** The name of a time zone; null for that of the site. */
        #[Assert\Length(max: 64, maxMessage: 'weeks.no-zone')] public ?string $zone = null,
    ) {}
}
