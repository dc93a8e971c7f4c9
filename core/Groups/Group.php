<?php

declare(strict_types=1);

namespace MintDoor\Core\Groups;

/** What the rules need to know of a group. */
final readonly class Group
{
    /** @param ?int $most so many people fit; null for no limit */
    public function __construct(public string $id, public ?int $most = null) {}
}
