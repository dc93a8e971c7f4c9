<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

/** The answer of `undoAccounts`: how many accounts go, and which stay. */
final readonly class TakenBack
{
    /**
     * @param int                                              $ready how many go
     * @param list<array{row: int, name: string, why: string}> $left  `why` is a code
     */
    public function __construct(public int $ready, public array $left) {}
}
