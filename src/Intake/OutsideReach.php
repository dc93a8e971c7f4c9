<?php

declare(strict_types=1);

namespace MintDoor\Intake;

use MintDoor\Core\People\Reach;
use MintDoor\Core\Text\Folding;
use MintDoor\People\PersonRow;
use MintDoor\Roles\Roles;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Row;

/** People one has nothing to do with: whether letting them in waits for a yes of their division. */
final readonly class OutsideReach
{
    public function __construct(private Roles $roles) {}

    /** Whether somebody would wait for a yes of their division, found by what was typed and let in. */
    public function asks(Row $row, string $typed, SiteAccess $access, Reach $reach): bool
    {
        $person = PersonRow::person($row);

        return self::maybe($row, $access)
            && !$reach->within($person)
            && $this->roles->rules()->outside($person->division)->waits($person, $reach, self::named($typed, $row));
    }

    /** Whether somebody may be beyond the caller's reach: of another division, and not an administrator's. */
    public static function maybe(Row $person, SiteAccess $access): bool
    {
        $division = $person->string('person_division');

        return !$access->standing->administrator
            && $division !== $access->site->division
            && !$access->caller->administers($division)
            && $person->id('person_id') !== $access->caller->id;
    }

    /** Whether what was typed names somebody by their number or address in full; their login does not. */
    public static function named(string $typed, Row $person): bool
    {
        $own = array_map(
            Folding::identifier(...),
            array_filter([$person->stringOrNull('number'), $person->stringOrNull('email')]),
        );
        $words = preg_split('/[\s<>,;()"\']+/u', mb_scrub($typed), -1, \PREG_SPLIT_NO_EMPTY) ?: [];

        return [] !== array_intersect($own, array_map(Folding::identifier(...), $words));
    }
}
