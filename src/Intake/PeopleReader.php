<?php

declare(strict_types=1);

namespace MintDoor\Intake;

use MintDoor\Core\Intake\Circumstances;
use MintDoor\Core\Intake\Known;
use MintDoor\Core\Intake\Matcher;
use MintDoor\Core\Intake\PastedLine;
use MintDoor\Core\Intake\PastedText;
use MintDoor\Core\Intake\Reading;
use MintDoor\Core\People\PersonVisibility;
use MintDoor\Core\People\Reach;
use MintDoor\Core\Text\Folding;
use MintDoor\Core\Text\Nicknames;
use MintDoor\Core\Text\TooMuch;
use MintDoor\Intake\Repository\Lookup;
use MintDoor\People\PersonRow;
use MintDoor\People\Repository\Directory;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Caring;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Id;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Row;
use MintDoor\Sites\Repository\Divisions;

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
    ) {}

    /**
     * @return list<PastedLine>
     *
     * @throws Problem of type `Invalid` when there are more than so many
     */
    public function lines(string $text, int $most): array
    {
        $pasted = new PastedText(
            $this->roles->rules()->numbers,
            $this->divisions->names(),
        );
        try {
            return $pasted->lines($text, $most);
        } catch (TooMuch $much) {
            throw Problem::tooMuch($much->problem, $much->row, $most);
        }
    }

    /**
     * @param list<PastedLine> $lines
     *
     * @return array{list<Reading>, array<string, array{Row, PersonVisibility}>, Circumstances} one reading a line;
     *     whoever is
     *     spoken of, by id
     */
    public function readings(array $lines, Caller $caller, Circumstances $for): array
    {
        $rules = $this->roles->rules();
        $wording = $this->lookup->wording($lines, new Nicknames($rules->nicknames()));
        $matcher = new Matcher($rules->numbers, $wording);
        $site = '' === $for->site->id ? Id::NONE : $for->site->id;
        [$found, $crowded] = $this->lookup->people(
            $lines,
            $wording,
            $matcher,
            $site,
            $this->divisions->withCode($for->site->division)->id ?? Id::NONE,
            array_values($for->remembered),
        );
        [$rows, $known] = $this->within($found, $lines, $caller);
        $this->lookups->count(self::missed($lines, $rows), $caller);
        $for = new Circumstances($for->site, $for->kinds, $for->remembered, $crowded, $this->clock->instant());

        return [$matcher->read($lines, $known, $for), $rows, $for];
    }

    /**
     * Short texts, each of which is to mean one person.
     *
     * @param list<string> $texts
     *
     * @return list<array{?Reading, array<string, array{Row, PersonVisibility}>}> by place; null for a text that is
     *     nobody
     */
    public function read(array $texts, Caller $caller, Circumstances $for): array
    {
        $lines = [];
        foreach ($texts as $place => $text) {
            $line = $this->lines($text, 1_000)[0] ?? null;
            if (null !== $line) {
                $lines[$place] = $line;
            }
        }
        [$readings, $rows] = $this->readings(array_values($lines), $caller, $for);
        $byPlace = array_combine(array_keys($lines), $readings);

        return array_map(static fn(int $place): array => [$byPlace[$place] ?? null, $rows], array_keys($texts));
    }

    /**
     * Numbers and addresses that are nobody's who may be shown.
     *
     * @param list<PastedLine>                 $lines
     * @param array<string, array{Row, PersonVisibility}> $rows  of those who may be
     *
     * @return list<string>
     */
    private static function missed(array $lines, array $rows): array
    {
        $typed = array_merge([], ...array_map(static fn(PastedLine $line): array => $line->identifiers, $lines));
        $found = array_map(
            Folding::identifier(...),
            array_merge(
                [],
                ...array_map(static fn(array $each): array => PersonRow::proofs($each[0]), array_values($rows)),
            ),
        );

        return array_values(array_diff(array_unique($typed), $found));
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
     * Those one may be told of. Beyond one's reach an identifier counts when it is there in full, never when it is
     * near.
     *
     * @param list<Row>        $found
     * @param list<PastedLine> $lines
     *
     * @return array{array<string, array{Row, PersonVisibility}>, list<Known>} by person
     */
    private function within(array $found, array $lines, Caller $caller): array
    {
        $reach = $this->directory->reachOf($caller);
        $here = array_values(array_filter($found, static fn(Row $row): bool => null !== $row->stringOrNull('state')));
        $whole = $this->caring->known($here, $caller);
        $typed = array_fill_keys(
            array_merge(...array_map(static fn(PastedLine $line): array => $line->identifiers, $lines) ?: [[]]),
            true,
        );
        $rows = $known = [];
        foreach ($found as $row) {
            $person = PersonRow::person($row);
            $own = array_map(Folding::identifier(...), PersonRow::identifiers($row));
            $exact = array_values(
                array_filter($own, static fn(string $identifier): bool => isset($typed[$identifier])),
            );
            $visibility = self::visibility($row, $reach, $whole, self::named($row, $typed));
            if (PersonVisibility::Hidden !== $visibility) {
                $rows[$person->id] = [$row, $visibility];
                $words = static fn(string $column): array => Folding::tokens((string) $row->stringOrNull($column));
                $known[] = new Known(
                    $person,
                    $words('given_name'),
                    $words('family_name'),
                    $words('preferred_name'),
                    $words('former_name'),
                    PersonVisibility::Full === $visibility ? $own : $exact,
                );
            }
        }

        return [$rows, $known];
    }
}
