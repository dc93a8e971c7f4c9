<?php

declare(strict_types=1);

namespace MintDoor\People;

use MintDoor\Core\People\FurtherName;
use MintDoor\Core\People\Person;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\People\PersonVisibility;
use MintDoor\Core\People\Reach;
use MintDoor\Core\Time\Time;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Named;
use MintDoor\Shared\Row;

/** A person read with division and account, between the database, the core and the contract. */
final class PersonRow
{
    public const TABLES = 'person p JOIN division pd ON pd.id = p.division_id '
        .'LEFT JOIN account a ON a.person_id = p.id';

    public const COLUMNS = 'p.id AS person_id, p.kind AS person_kind, p.own_kind, p.level, p.given_name, p.family_name,
        p.preferred_name, p.further_names, p.number, p.email, p.sort_name, p.division_id AS person_division_id,
        pd.code AS person_division, pd.name AS person_division_name, a.login, a.closed_from,
        COALESCE(a.language, pd.language) AS person_language, COALESCE(a.time_zone, pd.time_zone) AS person_zone';

    private function __construct() {}

    /** Their `AlikeNumber`. */
    public static function alike(Row $row): int
    {
        return AlikeNumber::of($row->string('person_kind'), $row->id('person_division_id'), $row->intOrNull('level'));
    }

    public static function person(Row $row): Person
    {
        return new Person(
            $row->id('person_id'),
            PersonKind::from($row->string('person_kind')),
            $row->string('person_division'),
            $row->intOrNull('level'),
            $row->instantOrNull('closed_from') ?? Time::FOREVER,
            $row->stringOrNull('own_kind'),
        );
    }

    /** The caller as the rules see them. */
    public static function caller(Caller $caller): Person
    {
        return new Person(
            $caller->id,
            PersonKind::from($caller->kind),
            $caller->division,
            $caller->level,
            $caller->accountClosedFrom,
            $caller->ownKind,
        );
    }

    /**
     * How somebody is called.
     *
     * @param string $prefix of the columns `given_name`, `family_name` and `preferred_name`
     */
    public static function name(Row $row, string $prefix = ''): string
    {
        return trim(
            ($row->stringOrNull($prefix.'preferred_name') ?? $row->string($prefix.'given_name'))
                .' '
                .$row->string($prefix.'family_name'),
        );
    }

    /** All names a person may be looked for by. */
    public static function names(Row $row): string
    {
        return implode(
            ' ',
            array_filter([
                $row->stringOrNull('preferred_name'),
                $row->string('given_name'),
                $row->string('family_name'),
                ...array_map(static fn(FurtherName $each): string => $each->shown(), self::furtherNames($row)),
            ]),
        );
    }

    /** @return list<FurtherName> */
    public static function furtherNames(Row $row): array
    {
        return FurtherName::ofStored($row->stringOrNull('further_names'));
    }

    /** @return list<string> */
    public static function identifiers(Row $row): array
    {
        return array_values(
            array_filter([$row->stringOrNull('number'), $row->stringOrNull('login'), $row->stringOrNull('email')]),
        );
    }

    /** @return list<string> what only who knows somebody can name: a login can be guessed from the name */
    public static function proofs(Row $row): array
    {
        return array_values(array_filter([$row->stringOrNull('number'), $row->stringOrNull('email')]));
    }

    public static function shown(Row $row, PersonVisibility $visibility): PersonShown
    {
        $full = PersonVisibility::Full === $visibility;
        $number = $row->stringOrNull('number');

        return new PersonShown(
            $row->id('person_id'),
            $row->string('given_name'),
            $row->string('family_name'),
            $row->stringOrNull('preferred_name'),
            $full ? FurtherName::plain(self::furtherNames($row)) : [],
            $row->string('person_kind'),
            $row->stringOrNull('own_kind'),
            $row->intOrNull('level'),
            new Named($row->string('person_division'), $row->string('person_division_name')),
            match (true) {
                null === $number, PersonVisibility::Hidden === $visibility => null,
                $full => $number,
                default => Reach::masked($number),
            },
            $full ? $row->stringOrNull('login') : null,
            $full ? $row->stringOrNull('email') : null,
        );
    }
}
