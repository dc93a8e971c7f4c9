<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

/** Two who are likely one person: an item of schema `Duplicates`. */
final readonly class LikelyOne
{
    /**
     * @param array{OneOfTwo, OneOfTwo} $people
     * @param list<string>              $evidence codes
     */
    public function __construct(public array $people, public array $evidence) {}
}
