<?php

declare(strict_types=1);

namespace MintDoor\Desk;

/** Schema `ReachMoved`: that somebody would administer more or fewer divisions than before. */
final readonly class ReachMoved
{
    /**
     * @param list<string> $also names of divisions
     * @param list<string> $not  names of divisions
     */
    public function __construct(public string $name, public array $also, public array $not) {}
}
