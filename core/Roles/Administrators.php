<?php

declare(strict_types=1);

namespace MintDoor\Core\Roles;

/** Who administers the platform: somebody always does. */
final class Administrators
{
    private function __construct() {}

    /**
     * Whether somebody may become, stay or stop being an administrator.
     *
     * @param bool $was    a platform administrator
     * @param bool $will   be one
     * @param int  $others further platform administrators whose accounts are open
     * @param bool $open   whether the person has an open account
     *
     * @return ?string why not: "last-administrator", "no-account"; null where it may be
     */
    public static function refusal(bool $was, bool $will, int $others, bool $open): ?string
    {
        return match (true) {
            $was && !$will && 0 === $others => 'last-administrator',
            !$was && $will && !$open => 'no-account',
            default => null,
        };
    }
}
