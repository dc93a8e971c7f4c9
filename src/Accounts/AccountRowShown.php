<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use MintDoor\People\PersonShown;

/** A row of people and what it comes to: member `rows` of schema `AccountBatch`. */
final readonly class AccountRowShown
{
    /**
     * @param int                                            $row        its number
     * @param string                                         $text       as it was written
     * @param list<array{code: string, values: \stdClass}>   $reasons
     * @param list<array{code: string, values: \stdClass}>   $cautions
     * @param \stdClass                                      $details    as they would be kept, by code
     * @param ?PersonShown                                   $known      whom of the directory it is for
     * @param list<PersonShown>                              $candidates whom it may be for
     */
    public function __construct(
        public int $row,
        public string $text,
        public string $given,
        public string $family,
        public ?string $preferred,
        public string $kind,
        public ?string $ownKind,
        public string $division,
        public ?int $level,
        public ?string $number,
        public ?string $email,
        public ?string $login,
        public \stdClass $details,
        public string $verdict,
        public array $reasons,
        public array $cautions,
        public ?PersonShown $known,
        public array $candidates,
    ) {}
}
