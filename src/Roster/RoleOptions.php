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
     * @return list<RoleOption>
     */
    public static function of(RoleBook $book, SiteAccess $access, Person $person, array $present = []): array
    {
        $now = $book->permissions($present, $person);

        return array_map(
            static function (Role $role) use ($book, $access, $person, $present, $now): RoleOption {
                $verdict = $book->mayGive($role->code, $access->standing, $person, $access->site);
                $difference = [] === $present
                    ? null
                    : RoleDifference::ofPermissions(
                        $now,
                        $role->permissionsOf($person)
                    );

                return new RoleOption(
                    $role->code,
                    $verdict->allowed,
                    $verdict->code,
                    (object) $verdict->values,
                    $verdict->givers,
                    self::codes($difference->also ?? []),
                    self::codes($difference->not ?? []),
                );
            },
            $book->all()
        );
    }

    /**
     * @param list<Permission> $permissions
     *
     * @return list<string>
     */
    private static function codes(array $permissions): array
    {
        return array_map(static fn(Permission $permission): string => $permission->value, $permissions);
    }
}
