<?php

declare(strict_types=1);

namespace MintDoor\Groups;

/** Schema `GroupList`: what a change list of moves did. */
final readonly class GroupListAnswer
{
    /**
     * @param string          $split id
     * @param string          $name  of the split
     * @param list<GroupLine> $lines
     */
    public function __construct(public string $split, public string $name, public array $lines) {}
}
