<?php

declare(strict_types=1);

namespace MintDoor\Groups;

/** Schema `GroupMoves`: what became of a sitting. */
final readonly class MovesAnswer
{
    /**
     * @param list<MovedShown> $moves
     * @param ?string          $changeList id; null where nobody was moved
     */
    public function __construct(public array $moves, public ?string $changeList) {}
}
