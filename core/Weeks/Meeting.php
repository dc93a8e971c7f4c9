<?php

declare(strict_types=1);

namespace MintDoor\Core\Weeks;

/** One time at which a site, or a section of it, meets: `[from, until)`. */
final readonly class Meeting
{
    /**
     * @param string  $hours   id of the hours it is one of
     * @param string  $site    id
     * @param ?string $section id, null where the whole site meets
     */
    public function __construct(
        public string $hours,
        public string $site,
        public ?string $section,
        public int $from,
        public int $until,
        public Place $place = new Place(),
    ) {}

    public function overlaps(self $other): bool
    {
        return $this->from < $other->until && $other->from < $this->until;
    }

    /** Whether two are the same for whoever is there: one of the same hours at the same time. */
    public function is(self $other): bool
    {
        return $this->hours === $other->hours && $this->from === $other->from;
    }
}
