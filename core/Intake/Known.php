<?php

declare(strict_types=1);

namespace MintDoor\Core\Intake;

use MintDoor\Core\People\NameKind;
use MintDoor\Core\People\Person;
use MintDoor\Core\Text\NameKeys;

/** Somebody of the directory, as far as a line may be meant by them. */
final readonly class Known
{
    /**
     * @param list<string>    $given       folded words
     * @param list<string>    $family      folded words
     * @param list<string>    $preferred   folded words of a name used in place of the given one
     * @param list<KnownName> $further     names besides
     * @param list<string>    $identifiers as they are compared
     */
    public function __construct(
        public Person $person,
        public array $given,
        public array $family,
        public array $preferred,
        public array $further,
        public array $identifiers,
    ) {}

    /** @return list<string> pairs of names they are looked up by */
    public function keys(): array
    {
        return NameKeys::ofPerson(
            [$this->given, $this->preferred, ...array_column($this->further, 'given')],
            [$this->family, ...array_column($this->further, 'family')],
        );
    }

    /** @return list<string> */
    public function addresses(): array
    {
        return array_values(
            array_filter($this->identifiers, static fn(string $each): bool => str_contains($each, '@')),
        );
    }

    /** @return list<string> */
    public function numbers(): array
    {
        return array_values(
            array_filter(
                $this->identifiers,
                static fn(string $each): bool => 1 === preg_match('/^[a-z]{0,4}\d{4,}$/D', $each),
            ),
        );
    }

    /** @return list<string> folded words of family names of before */
    public function former(): array
    {
        $former = array_filter($this->further, static fn(KnownName $each): bool => NameKind::Former === $each->kind);

        return array_merge([], ...array_column($former, 'family'));
    }

    /**
     * Numbers or addresses of a line that are not theirs, each once.
     *
     * @return list<Piece>
     */
    public function lacks(PastedLine $line, PieceKind ...$kinds): array
    {
        $strange = [];
        foreach ($line->pieces as $piece) {
            if (\in_array($piece->kind, $kinds, true) && !\in_array($piece->identifier, $this->identifiers, true)) {
                $strange[$piece->identifier] ??= $piece;
            }
        }

        return array_values($strange);
    }

    /** @return list<string> every folded word of a name of theirs */
    public function names(): array
    {
        return [
            ...$this->given,
            ...$this->preferred,
            ...$this->family,
            ...array_merge([], ...array_column($this->further, 'given')),
            ...array_merge([], ...array_column($this->further, 'family')),
        ];
    }
}
