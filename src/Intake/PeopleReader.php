<?php

declare(strict_types=1);

namespace MintDoor\Intake;

use MintDoor\Core\Intake\Circumstances;
use MintDoor\Core\Intake\Hand;
use MintDoor\Core\Intake\Known;
use MintDoor\Core\Intake\KnownName;
use MintDoor\Core\Intake\Matcher;
use MintDoor\Core\Intake\PastedLine;
use MintDoor\Core\Intake\PastedText;
use MintDoor\Core\People\PersonVisibility;
use MintDoor\Core\People\Reach;
use MintDoor\Core\Platform\LevelNames;
use MintDoor\Core\Text\Folding;
use MintDoor\Core\Text\Nicknames;
use MintDoor\Core\Text\TooMuch;
use MintDoor\Intake\Repository\Lookup;
use MintDoor\People\PersonRow;
use MintDoor\People\Repository\Directory;
use MintDoor\Platform\Repository\Divisions;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Caring;
use MintDoor\Roster\Sights;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Id;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Row;

/** Reads whom lines mean, as far as somebody may be told of people. */
final readonly class PeopleReader
{
    public function __construct(
        private Directory $directory,
        private Lookup $lookup,
        private Divisions $divisions,
        private Roles $roles,
        private Caring $caring,
        private Lookups $lookups,
        private PlatformClock $clock,
        private Sights $sights,
    ) {}

    /**
     * @param array<string, string> $sections names of a site's, by id
     *
     * @return list<PastedLine>
     *
     * @throws Problem of type `Invalid` when there are more than so many
     */
    public function lines(string $text, int $most, array $sections = [], Hand $hand = new Hand()): array
    {
        try {
            return $this->text($sections)->lines($text, $most, $hand);
        } catch (TooMuch $much) {
            throw Problem::tooMuch($much->problem, $much->row, $most);
        }
    }

    /** @param array<string, string> $sections names of a site's, by id */
    private function text(array $sections = []): PastedText
    {
        $tree = $this->divisions->tree();

        return new PastedText(
            $this->roles->rules()->numbers,
            array_column($tree->all(), 'name', 'code'),
            new LevelNames($tree),
            $sections,
        );
    }

    /**
     * @param list<PastedLine> $lines
     * @param ?SiteAccess      $access where it is about a site: only those count whom the caller sees there
     */
    public function readings(
        array $lines,
        Caller $caller,
        Circumstances $for,
        ?SiteAccess $access = null,
    ): Readings {
        $rules = $this->roles->rules();
        $wording = $this->lookup->wording($lines, new Nicknames($rules->nicknames()));
        $matcher = new Matcher($rules->numbers, $wording);
        $found = $this->lookup->people(
            $lines,
            $wording,
            $matcher,
            '' === $for->site->id ? Id::NONE : $for->site->id,
            $this->divisions->withCode($for->site->division)->id ?? Id::NONE,
            array_values($for->remembered),
        );
        $typed = self::identifiers($lines);
        $rows = null === $access
            ? $found->rows
            : array_values(array_filter($found->rows, fn(Row $row): bool => $this->sights->seesRow($access, $row)));
        $people = $this->within($rows, $typed, $caller);
        $this->lookups->count(self::missed($typed, $people), $caller);
        $for = new Circumstances($for->site, $for->kinds, $for->remembered, $found->crowded, $this->clock->instant());
        $known = array_map(
            static fn(PersonSeen $each): Known => self::known($each, $typed),
            array_values($people),
        );

        return new Readings($matcher->read($lines, $known, $for), $people, $for);
    }

    /**
     * Short texts, each of which is to mean one person.
     *
     * @param list<string> $texts whose readings have the place of the text as their number
     */
    public function read(array $texts, Caller $caller, Circumstances $for): Readings
    {
        $lines = [];
        foreach ($texts as $place => $text) {
            $line = $this->lines($text, 1_000)[0] ?? null;
            null === $line || ($lines[] = $line->numbered($place)->byHand(true, true));
        }

        return $this->readings($lines, $caller, $for);
    }

    /**
     * @param list<PastedLine> $lines
     *
     * @return array<string, true> identifiers, by themselves
     */
    private static function identifiers(array $lines): array
    {
        $typed = array_merge([], ...array_map(static fn(PastedLine $line): array => $line->identifiers, $lines));

        return array_fill_keys($typed, true);
    }

    /**
     * Numbers and addresses that are nobody's who may be shown.
     *
     * @param array<string, true>       $typed  identifiers, by themselves
     * @param array<string, PersonSeen> $people those who may be
     *
     * @return list<string>
     */
    private static function missed(array $typed, array $people): array
    {
        $proofs = array_map(static fn(PersonSeen $each): array => PersonRow::proofs($each->row), array_values($people));
        $found = array_map(Folding::identifier(...), array_merge([], ...$proofs));

        return array_values(array_diff(array_map(strval(...), array_keys($typed)), $found));
    }

    /** @param array<string, true> $whole of those of the site the ones who are known in full */
    private static function visibility(Row $row, Reach $reach, array $whole, bool $named): PersonVisibility
    {
        return match (true) {
            isset($whole[$row->id('person_id')]) => PersonVisibility::Full,
            // Who is in the site is no secret there.
            null !== $row->stringOrNull('state') => PersonVisibility::Masked,
            default => $reach->visibility(PersonRow::person($row), $named),
        };
    }

    /** @param array<string, true> $typed identifiers, by themselves */
    private static function named(Row $row, array $typed): bool
    {
        $proofs = array_map(Folding::identifier(...), PersonRow::proofs($row));

        return [] !== array_filter($proofs, static fn(string $each): bool => isset($typed[$each]));
    }

    /**
     * Those one may be told of.
     *
     * @param list<Row>           $found
     * @param array<string, true> $typed identifiers, by themselves
     *
     * @return array<string, PersonSeen> by id
     */
    private function within(array $found, array $typed, Caller $caller): array
    {
        $reach = $this->directory->reachOf($caller);
        $here = array_values(array_filter($found, static fn(Row $row): bool => null !== $row->stringOrNull('state')));
        $whole = $this->caring->known($here, $caller);
        $people = [];
        foreach ($found as $row) {
            $visibility = self::visibility($row, $reach, $whole, self::named($row, $typed));
            if (PersonVisibility::Hidden !== $visibility) {
                $people[$row->id('person_id')] = new PersonSeen($row, $visibility);
            }
        }

        return $people;
    }

    /**
     * Beyond one's reach an identifier counts when it is there in full, never when it is near.
     *
     * @param array<string, true> $typed identifiers, by themselves
     */
    private static function known(PersonSeen $person, array $typed): Known
    {
        $row = $person->row;
        $words = static fn(string $column): array => Folding::tokens((string) $row->stringOrNull($column));
        $own = array_map(Folding::identifier(...), PersonRow::identifiers($row));
        $exact = array_filter($own, static fn(string $identifier): bool => isset($typed[$identifier]));

        return new Known(
            PersonRow::person($row),
            $words('given_name'),
            $words('family_name'),
            $words('preferred_name'),
            array_map(KnownName::ofName(...), PersonRow::furtherNames($row)),
            PersonVisibility::Full === $person->visibility ? $own : array_values($exact),
        );
    }
}
