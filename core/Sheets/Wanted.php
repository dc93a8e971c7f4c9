<?php

declare(strict_types=1);

namespace MintDoor\Core\Sheets;

use MintDoor\Core\Time\Window;

/** What somebody wants done to one person in one site. */
final readonly class Wanted
{
    /**
     * @param ?string $role    code, for letting in and for a change of role
     * @param ?Window $window  for letting in, pausing, keeping out and a change of dates; null means from now on, for good.
     *                         A change of dates that begins at `Time::BEGINNING` leaves the beginning as it is
     * @param ?string $section for letting in
     */
    public function __construct(
        public Verb $verb,
        public ?string $role = null,
        public ?Window $window = null,
        public ?string $section = null,
    ) {
    }
}
