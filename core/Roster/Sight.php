<?php

declare(strict_types=1);

namespace MintDoor\Core\Roster;

use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Roles\Role;
use MintDoor\Core\Roles\RoleBook;
use MintDoor\Core\Roles\Standing;

/**
 * Who sees whom in a site: everybody everybody, unless the site says that its sections do not see one another. Then
 * leads and staff of no section see all; everybody else sees themselves, those who share a section with them, and those
 * whom all see: leads, and staff of no section. What somebody is in is what their timeline says at the instant
 * that is looked at; whose eyes they are looked at with is what these are now.
 */
final readonly class Sight
{
    private const OF_STAFF = [
        Permission::EnterDraft,
        Permission::SeeActivity,
        Permission::LetIn,
        Permission::KeepDoors,
        Permission::WriteToPeople,
        Permission::SeeHistory,
    ];

    /** @param ?list<string> $sections ids of those whose people are seen; null for everybody */
    public function __construct(public string $personId, public ?array $sections = null) {}

    public static function of(Standing $standing): self
    {
        return new self($standing->personId, $standing->sections);
    }

    /**
     * Whose people are seen by somebody who is here in some roles and sections of a site whose sections do not see one
     * another.
     *
     * @param list<string> $roles    codes
     * @param list<string> $sections ids
     *
     * @return ?list<string> ids of sections, null for everybody
     */
    public static function reach(array $roles, array $sections, RoleBook $book): ?array
    {
        foreach ($book->pick($roles) as $role) {
            if ($role->lead || ([] === $sections && self::staffs($role))) {
                return null;
            }
        }

        return $sections;
    }

    public function all(): bool
    {
        return null === $this->sections;
    }

    /** @param ?Segment $segment what they are there at the instant that is looked at; null where they never were */
    public function sees(string $person, ?Segment $segment, RoleBook $book): bool
    {
        if (null === $this->sections || null === $segment || $person === $this->personId) {
            return true;
        }
        $highest = $book->pick($segment->roles)[0] ?? null;
        $seenByAll =
            true === $highest?->lead || ([] === $segment->sections && null !== $highest && self::staffs($highest));

        return $seenByAll || [] !== array_intersect($segment->sections, $this->sections);
    }

    /**
     * Codes of the roles by which somebody is seen by all: whatever section they are in, and only while in none.
     *
     * @return array{list<string>, list<string>}
     */
    public static function seenByAll(RoleBook $book): array
    {
        $codes = static fn(callable $which): array => array_map(
            static fn(Role $role): string => $role->code,
            array_values(array_filter($book->all(), $which)),
        );

        return [
            $codes(static fn(Role $role): bool => $role->lead),
            $codes(static fn(Role $role): bool => self::staffs($role)),
        ];
    }

    /**
     * Whether a role is that of somebody who works with the learners of a site: neither theirs nor a guest's. Lists
     * that go over many sites ask for one of these permissions, and need not ask again (`SeenSites`, `TodayScope`).
     */
    private static function staffs(Role $role): bool
    {
        return !$role->takesSeat
            && [] !== array_filter(
                $role->permissions,
                static fn(Permission $may): bool => \in_array($may, self::OF_STAFF, true),
            );
    }
}
