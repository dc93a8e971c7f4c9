<?php

declare(strict_types=1);

namespace MintDoor\Core\Platform;

/** A part of the organisation that sites and people belong to, as it is set. */
final readonly class Division
{
    /**
     * @param ?string $parent   code of the division it is a part of; null for one that is part of none
     * @param bool    $minors   whether its learners are minors
     * @param string  $language BCP 47, of letters to those who settled none
     * @param string  $timeZone of the IANA database, for those who settled none
     * @param ?Levels $levels   null for those of the division above; above none, levels have numbers and no names
     * @param string  $welcome  said to whoever is new there; empty for nothing
     * @param bool    $retired  kept for what was, and offered no more
     */
    public function __construct(
        public string $code,
        public string $name,
        public ?string $parent = null,
        public bool $minors = false,
        public string $language = 'en-GB',
        public string $timeZone = 'UTC',
        public ?Levels $levels = null,
        public string $welcome = '',
        public bool $retired = false,
    ) {}

    /** The same below another division, or retired or not; null leaves what is. */
    public function with(?string $parent = null, ?bool $retired = null): self
    {
        return new self(
            $this->code,
            $this->name,
            $parent ?? $this->parent,
            $this->minors,
            $this->language,
            $this->timeZone,
            $this->levels,
            $this->welcome,
            $retired ?? $this->retired,
        );
    }
}
