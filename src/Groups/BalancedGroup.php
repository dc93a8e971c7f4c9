<?php

declare(strict_types=1);

namespace MintDoor\Groups;

/** Schema `BalancedGroup`. */
final readonly class BalancedGroup
{
    /**
     * @param string       $group   id
     * @param list<Amount> $amounts
     * @param bool         $wrong   whether one of them is too small or too large
     */
    public function __construct(public string $group, public array $amounts, public bool $wrong) {}
}
