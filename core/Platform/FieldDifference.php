<?php

declare(strict_types=1);

namespace MintDoor\Core\Platform;

/** What a field said before, and what it says after; empty where there is nothing. */
final readonly class FieldDifference
{
    public function __construct(public string $field, public string $before, public string $after) {}
}
