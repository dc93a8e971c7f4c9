<?php

declare(strict_types=1);

namespace MintDoor\People;

use MintDoor\Core\People\FurtherName;
use MintDoor\Core\People\NameKind;
use MintDoor\People\Entity\Person;
use MintDoor\Shared\Row;

/** What the directory says of somebody: names, level, number and address. */
final readonly class Facts
{
    public function __construct(
        public string $given,
        public string $family,
        public ?string $preferred = null,
        /** @var list<FurtherName> names besides */
        public array $further = [],
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
            FurtherName::ofStored($person->furtherNames),
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
            FurtherName::ofStored($row->stringOrNull('further_names')),
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
            // Until there were names of other kinds, a former family name was a field of its own.
            null === $text('former')
                ? FurtherName::ofPlain($kept['further'] ?? [])
                : [new FurtherName(NameKind::Former, '', (string) $text('former'))],
            \is_int($kept['level'] ?? null) ? $kept['level'] : null,
            $text('number'),
            $text('email'),
            $text('ownKind'),
        );
    }

    /**
     * As they are kept, to be put back, and as the contract has them.
     *
     * @return array{given: string, family: string, preferred: ?string,
     *     further: list<array{kind: string, given: string, family: string}>, level: ?int, number: ?string,
     *     email: ?string, ownKind: ?string}
     */
    public function kept(): array
    {
        return [
            'given' => $this->given,
            'family' => $this->family,
            'preferred' => $this->preferred,
            'further' => FurtherName::plain($this->further),
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
            $this->further,
            $this->level,
            ownKind: $this->ownKind,
        );
    }

    /** @return list<'given'|'family'|'preferred'|'further'|'level'|'number'|'email'|'ownKind'> what differs */
    public function changes(self $other): array
    {
        [$own, $theirs] = [$this->kept(), $other->kept()];

        return array_values(
            array_filter(
                array_keys($theirs),
                static fn(string $name): bool => json_encode($own[$name]) !== json_encode($theirs[$name]),
            ),
        );
    }

    /** Names besides, for the words somebody is found by. */
    public function furtherNames(): string
    {
        return implode(' ', array_map(static fn(FurtherName $each): string => $each->shown(), $this->further));
    }

    /** The usual names. */
    public function names(): string
    {
        return implode(' ', array_filter([$this->preferred, $this->given, $this->family]));
    }
}
