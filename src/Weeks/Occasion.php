<?php

declare(strict_types=1);

namespace MintDoor\Weeks;

use MintDoor\Shared\Somebody;

/** Schema `Occasion`: a meeting, as it is named. */
final readonly class Occasion
{
    /**
     * @param string    $hours     id
     * @param ?Somebody $site      null where one does not see which it is
     * @param ?string   $sectionId null for the site as a whole; `section` is its name
     * @param string    $from      instant; `until` too
     */
    public function __construct(
        public string $hours,
        public ?Somebody $site,
        public ?string $sectionId,
        public ?string $section,
        public string $name,
        public string $from,
        public string $until,
        public string $room,
        public string $building,
    ) {}
}
