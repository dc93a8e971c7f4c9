<?php

declare(strict_types=1);

namespace MintDoor\Weeks;

/** Schema `Hours`. */
final readonly class HoursShown
{
    /**
     * @param list<int>                  $days     of the week, where the rule is of days of a week
     * @param ?string                    $until    last day, of those
     * @param ?string                    $rule     RFC 5545, where it says more
     * @param ?string                    $zone     null for that of the site
     * @param list<MeetingChangeRequest> $changes
     * @param int                        $meetings that are held, from the first to the last
     * @param list<string>               $off      days on which there is none for the platform's calendar
     * @param ?string                    $next     instant of the next one; `last` of the last one
     */
    public function __construct(
        public string $id,
        public ?string $section,
        public string $name,
        public string $first,
        public string $time,
        public int $minutes,
        public array $days,
        public int $every,
        public ?string $until,
        public ?string $rule,
        public string $room,
        public string $building,
        public bool $rests,
        public array $changes,
        public ?string $zone,
        public int $meetings,
        public array $off,
        public ?string $next,
        public ?string $last,
    ) {}
}
