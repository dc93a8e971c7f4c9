<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use MintDoor\Core\Accounts\AccountLine;
use MintDoor\Intake\PersonSeen;

/** What rows of people come to. */
final readonly class RowsRead
{
    /**
     * @param list<AccountLine>         $lines
     * @param array<string, PersonSeen> $people whoever is spoken of, by id
     */
    public function __construct(public array $lines, public array $people) {}

    /** Where whoever a row is for is written to. */
    public function address(AccountLine $line): ?string
    {
        return null === $line->known
            ? $line->draft->email
            : ($this->people[$line->known] ?? null)?->row->stringOrNull('email');
    }
}
