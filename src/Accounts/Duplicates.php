<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use MintDoor\Accounts\Repository\Namesakes;
use MintDoor\Accounts\Repository\ToldApartPairs;
use MintDoor\Core\Accounts\Likeness;
use MintDoor\Core\Intake\Known;
use MintDoor\Core\Intake\KnownName;
use MintDoor\Core\People\PersonVisibility;
use MintDoor\Core\Text\Folding;
use MintDoor\History\KeptUntilChange;
use MintDoor\People\PersonRow;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Instant;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Row;

/** People who are likely in the directory twice, for administrators. */
final readonly class Duplicates
{
    private const SHOWN = 100;

    /** Namesakes of one name that are looked at; where more share it, a name says nothing. */
    private const NAMESAKES = 12;

    /** Groups of one name that are looked at. */
    private const GROUPS = 4_000;

    public function __construct(
        private Namesakes $namesakes,
        private ToldApartPairs $apart,
        private PlatformClock $clock,
        private KeptUntilChange $kept,
    ) {}

    public function of(Caller $caller): DuplicatesAnswer
    {
        $divisions = $caller->platformAdministrator ? null : $caller->divisions;
        $apart = $this->apart->all();
        $pairs = array_values(
            array_filter(
                $this->kept->get(
                    'duplicates '.json_encode($divisions, \JSON_THROW_ON_ERROR),
                    fn(): array => $this->pairs($divisions),
                ),
                static fn(DuplicatePair $pair): bool => !isset($apart[$pair->one.$pair->other]),
            ),
        );
        $shown = \array_slice($pairs, 0, self::SHOWN);
        $people = [];
        foreach ($shown as $pair) {
            array_push($people, $pair->one, $pair->other);
        }
        $facts = $this->namesakes->facts($people);
        $sites = $this->namesakes->sites($people);

        $one = static fn(string $id): OneOfTwo => self::one($facts[$id], $sites[$id] ?? 0);

        return new DuplicatesAnswer(
            \count($pairs),
            array_map(
                static fn(DuplicatePair $pair): LikelyOne => new LikelyOne(
                    [$one($pair->one), $one($pair->other)],
                    $pair->evidence,
                ),
                $shown,
            ),
        );
    }

    /**
     * @param ?list<string> $divisions codes; null for all
     *
     * @return list<DuplicatePair> the best evidence first, then by name
     */
    private function pairs(?array $divisions): array
    {
        $groups = $this->namesakes->groups($divisions, self::NAMESAKES, self::GROUPS);
        $rows = $this->namesakes->facts(array_merge([], ...$groups));
        $known = array_map(self::known(...), $rows);
        $pairs = [];
        foreach ($groups as $group) {
            foreach ($group as $place => $one) {
                foreach (\array_slice($group, $place + 1) as $other) {
                    $likeness = isset($known[$one], $known[$other]) ? Likeness::of($known[$one], $known[$other]) : null;
                    if (null !== $likeness) {
                        $pairs[$one.$other] = new DuplicatePair($one, $other, $likeness->evidence);
                    }
                }
            }
        }
        $rank = static fn(DuplicatePair $pair): array => [
            -\count($pair->evidence),
            $rows[$pair->one]->string('sort_name'),
            $pair->one,
        ];
        usort($pairs, static fn(DuplicatePair $a, DuplicatePair $b): int => $rank($a) <=> $rank($b));

        return $pairs;
    }

    /** Says that two are two, or takes that back. */
    public function tellApart(string $one, string $other, bool $apart, Caller $caller): void
    {
        $apart
            ? $this->apart->tell($one, $other, $caller->id, $this->clock->instant())
            : $this->apart->takeBack($one, $other);
    }

    /** @param Row $row with `PersonRow::COLUMNS` and `used_at` */
    private static function one(Row $row, int $sites): OneOfTwo
    {
        $usedAt = $row->instantOrNull('used_at');

        return new OneOfTwo(
            PersonRow::shown($row, PersonVisibility::Full),
            $sites,
            null !== $row->stringOrNull('login'),
            null === $usedAt ? null : Instant::toJson($usedAt),
            Instant::toJson(self::since($row->id('person_id'))),
        );
    }

    /** When somebody came into the directory: ids carry the time they were made (RFC 9562, version 7). */
    private static function since(string $id): int
    {
        return intdiv((int) hexdec(substr(str_replace('-', '', $id), 0, 12)), 1_000);
    }

    private static function known(Row $row): Known
    {
        $words = static fn(string $column): array => Folding::tokens((string) $row->stringOrNull($column));

        return new Known(
            PersonRow::person($row),
            $words('given_name'),
            $words('family_name'),
            $words('preferred_name'),
            array_map(KnownName::ofName(...), PersonRow::furtherNames($row)),
            array_map(Folding::identifier(...), PersonRow::identifiers($row)),
        );
    }
}
