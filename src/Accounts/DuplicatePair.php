<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

/** Two who are likely one. */
final readonly class DuplicatePair
{
    /**
     * @param string       $one      id, the smaller
     * @param string       $other    id
     * @param list<string> $evidence codes
     */
    public function __construct(public string $one, public string $other, public array $evidence) {}
}
