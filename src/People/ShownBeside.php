<?php

declare(strict_types=1);

namespace MintDoor\People;

/** What lists show beside somebody. */
final readonly class ShownBeside
{
    /**
     * @param list<string>          $labels  names
     * @param array<string, string> $details by code; what is not known is missing
     */
    public function __construct(public array $labels = [], public array $details = []) {}
}
