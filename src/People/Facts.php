<?php

declare(strict_types=1);

namespace MintDoor\People;

use MintDoor\People\Entity\Person;
use MintDoor\Shared\Row;

/** What the directory says of somebody: names, level, number and address. */
final readonly class Facts
{
    public function __construct(
        public string $given,
        public string $family,
        public ?string $preferred = null,
        public ?string $former = null,
        public ?int $level = null,
        public ?string $number = null,
        public ?string $email = null,
        /** Code of the kind of people that the platform has beside the four. */
        public ?string $ownKind = null,
    ) {}

    public static function of(Person $person): self
    {
        return new self(
            $person->givenName,
            $person->familyName,
            $person->preferredName,
            $person->formerName,
            $person->level,
            $person->number,
            $person->email,
            $person->ownKind,
        );
    }

    public static function ofRow(Row $row): self
    {
        return new self(
            $row->string('given_name'),
            $row->string('family_name'),
            $row->stringOrNull('preferred_name'),
            $row->stringOrNull('former_name'),
            $row->intOrNull('level'),
            $row->stringOrNull('number'),
            $row->stringOrNull('email'),
            $row->stringOrNull('own_kind'),
        );
    }

    /** @param array<array-key, mixed> $kept as `kept()` */
    public static function read(array $kept): self
    {
        $text = static fn(string $name): ?string => \is_string($kept[$name] ?? null) ? $kept[$name] : null;

        return new self(
            (string) $text('given'),
            (string) $text('family'),
            $text('preferred'),
            $text('former'),
            \is_int($kept['level'] ?? null) ? $kept['level'] : null,
            $text('number'),
            $text('email'),
            $text('ownKind'),
        );
    }

    /**
     * As they are kept, to be put back, and as the contract has them.
     *
     * @return array{given: string, family: string, preferred: ?string, former: ?string, level: ?int, number: ?string,
     *     email: ?string, ownKind: ?string}
     */
    public function kept(): array
    {
        return [
            'given' => $this->given,
            'family' => $this->family,
            'preferred' => $this->preferred,
            'former' => $this->former,
            'level' => $this->level,
            'number' => $this->number,
            'email' => $this->email,
            'ownKind' => $this->ownKind,
        ];
    }

    /** Without what only one person can have. */
    public function withoutNumberAndAddress(): self
    {
        return new self(
            $this->given,
            $this->family,
            $this->preferred,
            $this->former,
            $this->level,
            ownKind: $this->ownKind,
        );
    }

    /** @return list<'given'|'family'|'preferred'|'former'|'level'|'number'|'email'|'ownKind'> what differs */
    public function changes(self $other): array
    {
        $theirs = $other->kept();

        return array_values(
            array_filter(
                array_keys($theirs),
                fn(string $name): bool => (string) $this->{$name} !== (string) $theirs[$name],
            ),
        );
    }

    /** Every name, for the words somebody is found by. */
    public function names(): string
    {
        return implode(' ', array_filter([$this->preferred, $this->given, $this->family, $this->former]));
    }
}
