<?php

declare(strict_types=1);

namespace MintDoor\Items;

/** A group that a sentence may name: an item of `groups` of schema `Items`. */
final readonly class GroupOffered
{
    /**
     * @param string $split  name of the way of dividing people that it is of
     * @param bool   $chosen whether people choose it by themselves, or have chosen it
     */
    public function __construct(public string $id, public string $name, public string $split, public bool $chosen) {}
}
