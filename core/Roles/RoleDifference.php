<?php

declare(strict_types=1);

namespace MintDoor\Core\Roles;

/** What the second of two roles may besides, and may not, of what the first may. */
final readonly class RoleDifference
{
    /**
     * @param list<Permission> $also
     * @param list<Permission> $not
     */
    private function __construct(public array $also, public array $not) {}

    /**
     * @param list<Permission> $before
     * @param list<Permission> $after
     */
    public static function ofPermissions(array $before, array $after): self
    {
        return new self(self::without($after, $before), self::without($before, $after));
    }

    /**
     * @param list<Permission> $some
     * @param list<Permission> $others
     *
     * @return list<Permission>
     */
    private static function without(array $some, array $others): array
    {
        return array_values(
            array_filter($some, static fn(Permission $permission): bool => !\in_array($permission, $others, true)),
        );
    }
}
