<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

/** Schema `AccountList`: what became of the rows from a position on. */
final readonly class AccountListAnswer
{
    /**
     * @param list<RowOutcome> $rows
     * @param list<string>     $withoutPassword ids, to make sign-in cards for
     * @param ?int             $next            position after which the next rows begin
     */
    public function __construct(public array $rows, public array $withoutPassword, public ?int $next) {}
}
