<?php

declare(strict_types=1);

namespace MintDoor\Shared;

/**
 * How columns hold text where the database's own order will not do. That one takes "müller" for "muller" and "a " for
 * "a", as people do who look for somebody, which must not happen to what is compared exactly.
 */
final class Charset
{
    /** Codes and numbers: printable ASCII, compared byte by byte. */
    public const CODE = ['charset' => 'ascii', 'collation' => 'ascii_bin'];

    /** Any text, compared as it is: logins, addresses. */
    public const EXACT = ['charset' => 'utf8mb4', 'collation' => 'utf8mb4_bin'];

    private function __construct() {}
}
