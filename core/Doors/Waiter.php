<?php

declare(strict_types=1);

namespace MintDoor\Core\Doors;

/** Somebody in the waiting line of a site. */
final readonly class Waiter
{
    /**
     * @param int     $arrival      a number that the database gave out when they came; no two are the same
     * @param int     $ahead        how far staff moved them up; 0 for nobody's doing
     * @param ?int    $offeredUntil until when a seat is kept for them; null while they wait
     * @param ?string $section      id of the one they will come into, where it is known
     */
    public function __construct(
        public int $arrival,
        public string $personId,
        public string $doorId,
        public int $ahead = 0,
        public ?int $offeredUntil = null,
        public ?string $section = null,
    ) {}

    /** The same, for whom a seat is kept. */
    public function offered(int $until): self
    {
        return new self($this->arrival, $this->personId, $this->doorId, $this->ahead, $until, $this->section);
    }
}
