<?php

declare(strict_types=1);

namespace MintDoor\Core\Intake;

use MintDoor\Core\People\Person;
use MintDoor\Core\People\PersonKind;

/** What some pieces of a line say of somebody, beside their name. */
final readonly class Hint
{
    /**
     * @param non-empty-list<int> $pieces of the line, by their place
     * @param list<int>        $levels    any of these; none where it says nothing of a level
     * @param list<string>     $divisions codes
     * @param list<PersonKind> $kinds
     * @param list<string>     $sections  ids of the site's
     * @param bool             $sure      whether it can mean nothing else; a small number in a row may be a level
     */
    public function __construct(
        public array $pieces,
        public array $levels = [],
        public array $divisions = [],
        public array $kinds = [],
        public array $sections = [],
        public bool $sure = true,
    ) {}

    public function fits(Person $person): bool
    {
        return ([] === $this->levels || \in_array($person->level, $this->levels, true))
            && ([] === $this->divisions || \in_array($person->division, $this->divisions, true))
            && ([] === $this->kinds || \in_array($person->kind, $this->kinds, true));
    }

    /** Whether it tells people apart; a section tells nobody apart. */
    public function tells(): bool
    {
        return [] !== $this->levels || [] !== $this->divisions || [] !== $this->kinds;
    }

    /** The same of a line of which these pieces begin later. */
    public function moved(int $by): self
    {
        return new self(
            array_map(static fn(int $at): int => $at - $by, $this->pieces),
            $this->levels,
            $this->divisions,
            $this->kinds,
            $this->sections,
            $this->sure,
        );
    }
}
