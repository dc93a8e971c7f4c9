<?php

declare(strict_types=1);

namespace MintDoor\Core\Platform;

/** A holiday, or several days one after the other on which nothing is held; both ends are off. */
final readonly class DaysOff
{
    /**
     * @param string  $from     year-month-day
     * @param string  $until    year-month-day; the same for a single day
     * @param ?string $division code of the one that has them off, with those below; null for all
     */
    public function __construct(
        public string $name,
        public string $from,
        public string $until,
        public ?string $division = null,
    ) {}

    public function has(string $day): bool
    {
        return $this->from <= $day && $day <= $this->until;
    }
}
