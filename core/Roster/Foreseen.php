<?php

declare(strict_types=1);

namespace MintDoor\Core\Roster;

/** Something that happens to somebody in a site by itself. */
final readonly class Foreseen
{
    /**
     * @param int      $at     instant
     * @param ?Segment $before what they are until then; null where they are nothing there
     * @param ?Segment $after  what they are from then on
     * @param bool     $frees  whether a seat is free then
     * @param bool     $takes  whether they hold a seat from then on
     */
    public function __construct(
        public int $at,
        public Happens $what,
        public ?Segment $before,
        public ?Segment $after,
        public bool $frees,
        public bool $takes,
    ) {}
}
