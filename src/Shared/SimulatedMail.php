<?php

declare(strict_types=1);

namespace MintDoor\Shared;

/** The carrier that delivers messages into the platform instead of the outside. */
final class SimulatedMail
{
    /** Of `MAILER_DSN`. */
    public const SCHEME = 'simulated';

    private function __construct() {}

    /** Whether messages stay in the platform. */
    public static function inUse(string $dsn): bool
    {
        return str_starts_with($dsn, self::SCHEME.'://');
    }
}
