<?php

declare(strict_types=1);

namespace MintDoor\Doors;

/** A section that may be chosen at a door. */
final readonly class SectionChoice
{
    /**
     * @param string     $meets when, in words
     * @param ?string    $next  instant of its next meeting
     * @param ?DoorClash $clash what whoever is signed in has at the same time
     */
    public function __construct(
        public string $id,
        public string $name,
        public string $meets,
        public ?string $next = null,
        public ?DoorClash $clash = null,
    ) {}
}
