<?php

declare(strict_types=1);

namespace MintDoor\Shared;

/**
 * A page of a list, and where the next one begins.
 *
 * @template T of object|array<array-key, mixed>
 */
final readonly class Page
{
    /**
     * @param list<T> $items
     * @param ?string $next  a cursor; null on the last page
     */
    public function __construct(public array $items, public ?string $next) {}
}
