<?php

declare(strict_types=1);

namespace MintDoor\Roster;

use MintDoor\Core\Roles\Standing;
use MintDoor\Core\Roster\Cause;
use MintDoor\Core\Roster\Reason;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Repository\SiteDoors;

/** A reason as the contract has it: once for staff, with who could change it, once for the person. */
final readonly class ReasonJson
{
    /** Causes whose details are the staff's: the person learns that they are blocked, and to ask. */
    private const PRIVATE_VALUES = ['blocked', 'account-closed'];

    public function __construct(private Roles $roles, private SiteDoors $doors) {}

    /** @return array<string, mixed> schema `Reason` */
    public function forStaff(Reason $reason, Standing $viewer): array
    {
        return [
            'entry' => $reason->entry->value,
            'causes' => array_map(
                fn(Cause $cause): array => [
                    'code' => $cause->code,
                    'values' => (object) Values::json($cause->values, $this->doorName(...)),
                    'change' => $cause->change,
                    'mine' => null !== $cause->needs && $viewer->may($cause->needs),
                    'givers' => null === $cause->needs ? [] : $this->roles->book()->holdersOf($cause->needs),
                ],
                $reason->causes,
            ),
        ];
    }

    /** @return array<string, mixed> schema `Reason` */
    public function forThePerson(Reason $reason): array
    {
        $cause = $reason->deciding();
        $values = \in_array($cause->code, self::PRIVATE_VALUES, true)
            ? []
            : array_diff_key($cause->values, ['door' => 1, 'doorKind' => 1]);

        return [
            'entry' => $reason->entry->value,
            'causes' => [
                [
                    'code' => $cause->code,
                    'values' => (object) Values::json($values, $this->doorName(...)),
                    'change' => 'none',
                    'mine' => false,
                    'givers' => [],
                ],
            ],
        ];
    }

    private function doorName(string $doorId): string
    {
        return $this->doors->nameOf($doorId);
    }
}
