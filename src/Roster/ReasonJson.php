<?php

declare(strict_types=1);

namespace MintDoor\Roster;

use MintDoor\Core\Roles\Standing;
use MintDoor\Core\Roster\Cause;
use MintDoor\Core\Roster\Reason;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Repository\Sections;
use MintDoor\Roster\Repository\SiteDoors;

/** A reason as the contract has it: once for staff, with who could change it, once for the person. */
final readonly class ReasonJson
{
    /** Causes whose details are the staff's: the person learns that they are blocked, and to ask. */
    private const PRIVATE_VALUES = ['blocked', 'account-closed'];

    public function __construct(private Roles $roles, private SiteDoors $doors, private Sections $sections) {}

    public function forStaff(Reason $reason, Standing $viewer): ReasonShown
    {
        return new ReasonShown(
            $reason->entry->value,
            array_map(
                fn(Cause $cause): CauseShown => new CauseShown(
                    $cause->code,
                    (object) Values::json($cause->values, $this->doors->nameOf(...), $this->sections->nameOf(...)),
                    $cause->change,
                    null !== $cause->needs && $viewer->may($cause->needs),
                    null === $cause->needs ? [] : $this->roles->book()->holdersOf($cause->needs),
                ),
                $reason->causes,
            ),
        );
    }

    public function forThePerson(Reason $reason): ReasonShown
    {
        $cause = $reason->deciding();
        $values = \in_array($cause->code, self::PRIVATE_VALUES, true)
            ? []
            : array_diff_key($cause->values, ['door' => 1, 'doorKind' => 1]);

        return new ReasonShown($reason->entry->value, [
            new CauseShown(
                $cause->code,
                (object) Values::json($values, $this->doors->nameOf(...), $this->sections->nameOf(...)),
                'none',
                false,
                [],
            ),
        ]);
    }
}
