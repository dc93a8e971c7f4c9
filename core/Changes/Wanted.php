<?php

declare(strict_types=1);

namespace MintDoor\Core\Changes;

use MintDoor\Core\Time\Window;

/** What somebody wants done to one person in one site. */
final readonly class Wanted
{
    /**
     * @param ?string $role    code, for letting in and for a change of role; null lets somebody in as they were here
     *     before, or as what is suggested for them
     * @param ?Window $window  for letting in, pausing, keeping out and a change of dates; null means from now on, for
     *     good. A change of dates that begins at `Time::BEGINNING` leaves the beginning as it is
     * @param ?string $section id, for letting in and for putting into one
     * @param bool    $asks     for letting in: whether it waits for a yes of the person's division
     * @param bool    $leadEnds whether somebody said that a site will have no lead from a day on, and means it
     * @param bool    $sure    whether somebody said that a role above learner, which comes only because it is
     *     suggested, is meant
     * @param list<string> $sections ids, for a change of sections
     * @param bool    $clash   whether somebody said that being wanted in two places at once is meant
     */
    public function __construct(
        public Verb $verb,
        public ?string $role = null,
        public ?Window $window = null,
        public ?string $section = null,
        public bool $sure = false,
        public bool $asks = false,
        public bool $leadEnds = false,
        public array $sections = [],
        public bool $clash = false,
    ) {}
}
