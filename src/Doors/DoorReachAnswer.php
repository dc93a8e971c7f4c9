<?php

declare(strict_types=1);

namespace MintDoor\Doors;

/** How many could come through a door: schema `DoorReach`. */
final readonly class DoorReachAnswer implements \JsonSerializable
{
    /**
     * @param array{could: int, here: int, blocked: int, not: int} $people
     * @param ?int                                                 $seats  null for no limit
     */
    public function __construct(private array $people, private ?int $seats) {}

    /** @return array{could: int, here: int, blocked: int, not: int, seats: ?int} */
    public function jsonSerialize(): array
    {
        return [...$this->people, 'seats' => $this->seats];
    }
}
