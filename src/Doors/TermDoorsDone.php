<?php

declare(strict_types=1);

namespace MintDoor\Doors;

/** What became of the doors of a site when its term changed. */
final readonly class TermDoorsDone
{
    /**
     * @param list<string>   $names of those that were renewed, made or shut
     * @param list<string>   $left  of those that are not the actor's to keep, and stay as they are
     * @param list<DoorKept> $kept  how those of the site were before
     */
    public function __construct(public array $names = [], public array $left = [], public array $kept = []) {}
}
