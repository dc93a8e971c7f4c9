<?php

declare(strict_types=1);

namespace MintDoor\Groups;

/** Schema `GroupNamed`. */
final readonly class GroupNamed
{
    public function __construct(public string $id, public string $name) {}
}
