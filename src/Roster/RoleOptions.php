<?php

declare(strict_types=1);

namespace MintDoor\Roster;

use MintDoor\Core\People\Person;
use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Roles\Role;
use MintDoor\Core\Roles\RoleBook;
use MintDoor\Core\Roles\RoleDifference;

/** The roles one may give to somebody in a site, and those one may not. */
final class RoleOptions
{
    private function __construct() {}

    /**
     * Every role, with whether this viewer may give it to this person here, and if not why and who can; and what it
     * would change for somebody who is here.
     *
     * @param list<string> $present roles held now, none for who is not here
     *
     * @return list<array<string, mixed>> schema `RoleOption`
     */
    public static function of(RoleBook $book, SiteAccess $access, Person $person, array $present = []): array
    {
        $now = $book->permissions($present, $person);
        $codes = static fn(array $permissions): array => array_map(
            static fn(Permission $permission): string => $permission->value,
            $permissions,
        );

        return array_map(static function (Role $role) use ($book, $access, $person, $present, $now, $codes): array {
            $verdict = $book->mayGive($role->code, $access->standing, $person, $access->site);
            $difference = [] === $present ? null : RoleDifference::ofPermissions($now, $role->permissionsOf($person));

            return [
                'role' => $role->code,
                'allowed' => $verdict->allowed,
                'code' => $verdict->code,
                'values' => (object) $verdict->values,
                'givers' => $verdict->givers,
                'also' => $codes($difference->also ?? []),
                'not' => $codes($difference->not ?? []),
            ];
        }, $book->all());
    }
}
