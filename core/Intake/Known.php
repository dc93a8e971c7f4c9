<?php

declare(strict_types=1);

namespace MintDoor\Core\Intake;

use MintDoor\Core\People\Person;
use MintDoor\Core\Text\NameKeys;

/** Somebody of the directory, as far as a line may be meant by them. */
final readonly class Known
{
    /**
     * @param list<string> $given       folded words
     * @param list<string> $family      folded words
     * @param list<string> $preferred   folded words of a name used in place of the given one
     * @param list<string> $former      folded words of a family name of before
     * @param list<string> $identifiers as they are compared
     */
    public function __construct(
        public Person $person,
        public array $given,
        public array $family,
        public array $preferred,
        public array $former,
        public array $identifiers,
    ) {}

    /** @return list<string> pairs of names they are looked up by */
    public function keys(): array
    {
        return NameKeys::ofPerson([$this->given, $this->preferred], [$this->family, $this->former]);
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

    /** @return list<string> every folded word of a name of theirs */
    public function names(): array
    {
        return [...$this->given, ...$this->preferred, ...$this->family, ...$this->former];
    }
}
