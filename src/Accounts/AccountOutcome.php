<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use MintDoor\Core\Accounts\AccountDraft;
use MintDoor\Core\Changes\Note;

/** What becomes of one row of people. */
final readonly class AccountOutcome
{
    /**
     * @param ?string    $person  id of who gets the account; null where nobody does
     * @param ?string    $known   the same, where they were in the directory before
     * @param list<Note> $reasons why nobody does
     */
    public function __construct(
        public AccountDraft $draft,
        public ?string $person,
        public ?string $login,
        public ?string $known,
        public array $reasons,
    ) {}
}
