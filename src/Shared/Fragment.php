<?php

declare(strict_types=1);

namespace MintDoor\Shared;

/** A piece of SQL with its values. */
final readonly class Fragment
{
    /** @param array<array-key, mixed> $values by place or by name */
    public function __construct(public string $sql, public array $values) {}
}
