<?php

declare(strict_types=1);

namespace MintDoor\Weeks;

/** Schema `WeekDay`. */
final readonly class WeekDay
{
    /**
     * @param ?string                                $off      what the day is off for; null for none
     * @param list<MeetingShown>                     $meetings by their beginning
     * @param list<array{from: string, until: string}> $free   stretches that nothing takes, instants
     * @param list<WalkShown>                        $walks
     */
    public function __construct(
        public string $day,
        public ?string $off,
        public array $meetings,
        public array $free,
        public array $walks,
    ) {}
}
