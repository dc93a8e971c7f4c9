<?php

declare(strict_types=1);

namespace MintDoor\Core\Roles;

use MintDoor\Core\People\NumberFormat;
use MintDoor\Core\People\Outside;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Platform\DivisionTree;
use MintDoor\Core\Platform\OwnKind;
use MintDoor\Core\Sites\Question;
use MintDoor\Core\Sites\SiteKind;

/**
 * Everything a platform decides for itself: its roles, how its numbers are written, which names are shortened, its
 * limits, its kinds of sites, and what it asks whoever asks for a place.
 */
final readonly class Rules
{
    /** Rows by line, names by tab: every request unpacks the rules, and few ask for these. */
    private string $nicknames;

    /**
     * @param list<NumberFormat>  $numbers
     * @param array<string, Outside> $outside by division: how it has it that its people are let in by others
     * @param list<list<string>> $nicknames given names and what they are shortened to (`Nicknames`)
     * @param list<SiteKind>  $siteKinds the first is that of a site of which nothing else is said
     * @param string          $question what whoever asks for a place is asked where the kind of site asks nothing of
     *                                  its own; empty for why they ask
     */
    public function __construct(
        public RoleBook $roles,
        public array $numbers,
        public Limits $limits,
        array $nicknames = [],
        public array $outside = [],
        public array $siteKinds = [],
        public string $question = '',
    ) {
        $this->nicknames = implode("\n", array_map(static fn(array $row): string => implode("\t", $row), $nicknames));
    }

    /**
     * The same, where whatever holds for a division holds for those below it that have nothing of their own.
     *
     * @param list<OwnKind> $ownKinds kinds of people beside the four
     */
    public function over(DivisionTree $tree, array $ownKinds = []): self
    {
        $outside = [];
        foreach ($tree->all() as $division) {
            foreach ($tree->above($division->code) as $above) {
                if (isset($this->outside[$above])) {
                    $outside[$division->code] = $this->outside[$above];
                    break;
                }
            }
        }

        return new self(
            new RoleBook(
                array_map(static fn(Role $role): Role => $role->over($tree), $this->roles->all()),
                $tree,
                $this->siteKinds,
                $ownKinds,
            ),
            $this->numbers,
            $this->limits,
            $this->nicknames(),
            $outside,
            $this->siteKinds,
            $this->question,
        );
    }

    /** Whether sites of a kind are among the places to join. */
    public function lists(string $kind): bool
    {
        return array_column($this->siteKinds, 'listed', 'code')[$kind] ?? true;
    }

    /** @return list<Question> asked of whoever asks for a place in a site of a kind, beside the platform's own */
    public function questionsOf(string $kind): array
    {
        return array_column($this->siteKinds, 'questions', 'code')[$kind] ?? [];
    }

    /** What a kind of site is called; its code where it is not known any more. */
    public function nameOfKind(string $code): string
    {
        return array_column($this->siteKinds, 'name', 'code')[$code] ?? $code;
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
            [],
            siteKinds: [
                new SiteKind('course', 'Course'),
                new SiteKind('workshop', 'Workshop'),
                new SiteKind('club', 'Club'),
            ],
        );
    }
}
