<?php

declare(strict_types=1);

namespace MintDoor\Core\Doors;

/** A key as it was typed, taken apart. */
final readonly class KeyParts
{
    /**
     * @param list<string> $before words before the number
     * @param string       $number five digits
     * @param list<string> $after  words after it
     */
    public function __construct(public array $before, public string $number, public array $after) {}
}
