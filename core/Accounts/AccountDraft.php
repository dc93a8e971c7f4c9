<?php

declare(strict_types=1);

namespace MintDoor\Core\Accounts;

use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Text\Folding;

/** A person as a row says them, before it is known whether they are new. */
final readonly class AccountDraft
{
    /**
     * @param int                                        $row      of the text, from 1
     * @param string                                     $text     as it was typed
     * @param ?string                                    $number   as it is stored
     * @param ?string                                    $email    lower case
     * @param ?string                                    $login    lower case
     * @param list<array{field: string, code: string}> $problems what is wrong with it, by field
     */
    public function __construct(
        public int $row,
        public string $text,
        public string $given,
        public string $family,
        public ?string $preferred,
        public PersonKind $kind,
        public string $division,
        public ?int $level = null,
        public ?string $number = null,
        public ?string $email = null,
        public ?string $login = null,
        public array $problems = [],
    ) {}

    /** @return array<string, string> number, address and login as they are compared, by field */
    public function identifiers(): array
    {
        return array_map(
            Folding::identifier(...),
            array_filter(
                ['number' => $this->number, 'email' => $this->email, 'login' => $this->login],
                static fn(?string $each): bool => null !== $each,
            ),
        );
    }

    /** The login that is made of a name: given and family name in plain letters, parted by a dot. */
    public function loginOfName(): string
    {
        $part = static fn(string $name, int $most): string => implode(
            '-',
            \array_slice(Folding::tokens($name), 0, $most),
        );

        return substr(
            trim($part($this->preferred ?? $this->given, 1).'.'.$part($this->family, 3), '.'),
            0,
            self::LONGEST_LOGIN - 4,
        )
            ?: 'person';
    }

    public const LONGEST_LOGIN = 80;
}
