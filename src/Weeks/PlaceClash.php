<?php

declare(strict_types=1);

namespace MintDoor\Weeks;

/** Schema `PlaceClash`: hours of the site that want their room when something else does. */
final readonly class PlaceClash
{
    /**
     * @param string    $hours id
     * @param Occasion  $with  what is there besides, the first time
     * @param int       $times how often
     */
    public function __construct(public string $hours, public Occasion $with, public int $times) {}
}
