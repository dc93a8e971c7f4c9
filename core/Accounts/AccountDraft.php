<?php

declare(strict_types=1);

namespace MintDoor\Core\Accounts;

use MintDoor\Core\People\FurtherName;
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
     * @param ?string                                    $ownKind  code of a kind that the platform has beside the four
     * @param array<string, string>                      $details  as they are kept, by code
     * @param list<FurtherName>                          $further  names besides
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
        public ?string $ownKind = null,
        public array $details = [],
        public array $further = [],
    ) {}

    /** The same, with something that is wrong with it. */
    public function wrong(string $field, string $code): self
    {
        return new self(
            $this->row,
            $this->text,
            $this->given,
            $this->family,
            $this->preferred,
            $this->kind,
            $this->division,
            $this->level,
            $this->number,
            $this->email,
            $this->login,
            [...$this->problems, ['field' => $field, 'code' => $code]],
            $this->ownKind,
            $this->details,
            $this->further,
        );
    }

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
