<?php

declare(strict_types=1);

namespace MintDoor\Shared;

/**
 * A list that is whole.
 *
 * @template T of object|array<array-key, mixed>
 */
final readonly class Items
{
    /** @param list<T> $items */
    public function __construct(public array $items) {}
}
