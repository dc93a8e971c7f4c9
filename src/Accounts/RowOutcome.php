<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use MintDoor\Messages\SentMessage;

/** What became of a row of people: member `rows` of schema `AccountList`. */
final readonly class RowOutcome
{
    /**
     * @param ?string                                      $outcome null until it is worked off
     * @param list<array{code: string, values: \stdClass}> $reasons
     * @param ?string                                      $made    whether a person was made, or an account only
     * @param ?string                                      $person  id
     */
    public function __construct(
        public int $row,
        public string $given,
        public string $family,
        public ?string $email,
        public ?string $outcome,
        public array $reasons,
        public ?string $made,
        public ?string $person,
        public ?string $login,
        public ?SentMessage $message,
    ) {}
}
