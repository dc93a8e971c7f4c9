<?php

declare(strict_types=1);

namespace MintDoor\Core\Roles;

use MintDoor\Core\People\NumberFormat;
use MintDoor\Core\People\Outside;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Text\Nicknames;

/**
 * Everything a platform decides for itself: its roles, how its numbers are written, which names are shortened, and its
 * limits.
 */
final readonly class Rules
{
    /** Rows by line, names by tab: every request unpacks the rules, and few ask for these. */
    private string $nicknames;

    /**
     * @param list<NumberFormat>  $numbers
     * @param array<string, Outside> $outside by division: how it has it that its people are let in by others
     * @param list<list<string>> $nicknames given names and what they are shortened to (`Nicknames`)
     */
    public function __construct(
        public RoleBook $roles,
        public array $numbers,
        public Limits $limits,
        array $nicknames = [],
        public array $outside = [],
    ) {
        $this->nicknames = implode("\n", array_map(static fn(array $row): string => implode("\t", $row), $nicknames));
    }

    public function outside(string $division): Outside
    {
        return $this->outside[$division] ?? Outside::Ask;
    }

    /** @return list<list<string>> given names, each with what it is shortened to (`Nicknames`) */
    public function nicknames(): array
    {
        return '' === $this->nicknames
            ? []
            : array_map(static fn(string $row): array => explode("\t", $row), explode("\n", $this->nicknames));
    }

    /**
     * What a new platform starts with.
     *
     * @param list<string> $juniors codes of the divisions whose learners have junior rules
     * @param list<string> $seniors codes of the divisions whose learners have senior rules
     */
    public static function first(array $juniors, array $seniors): self
    {
        return new self(
            FirstRoles::book($juniors, $seniors),
            [
                new NumberFormat('Learner number', [PersonKind::Learner], '', 7, true),
                new NumberFormat('Staff number', [PersonKind::Staff], 'S', 5, false),
            ],
            new Limits(),
            Nicknames::FIRST_ROWS,
        );
    }
}
