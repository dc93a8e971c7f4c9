<?php

declare(strict_types=1);

namespace MintDoor\Core\Accounts;

use MintDoor\Core\Changes\Note;
use MintDoor\Core\Changes\Verdict;
use MintDoor\Core\Intake\Candidate;

/** What a row of accounts comes to. */
final readonly class AccountLine
{
    /**
     * @param list<Note>      $reasons    why it is not ready
     * @param list<Note>      $cautions   what to know before
     * @param ?string         $login      of the account that would be made
     * @param ?string         $known      id of the person of the directory it is for; null for somebody new
     * @param list<Candidate> $candidates people of the directory it may mean
     */
    public function __construct(
        public AccountDraft $draft,
        public Verdict $verdict,
        public array $reasons = [],
        public array $cautions = [],
        public ?string $login = null,
        public ?string $known = null,
        public array $candidates = [],
    ) {}
}
