<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

/** Schema `AccountBatch`: what rows of people come to. */
final readonly class AccountBatchAnswer
{
    /**
     * @param array<string, int>    $verdicts  how many rows have each
     * @param int                   $addressed how many of those that are ready have an address
     * @param list<AccountRowShown> $rows      those that need a look first
     */
    public function __construct(
        public int $total,
        public array $verdicts,
        public int $addressed,
        public array $rows,
    ) {}
}
