<?php

declare(strict_types=1);

namespace MintDoor\Shared;

/**
 * Paths that are open to whoever is not signed in. They take little, and are served by processes of their own
 * (`config/serve/nginx.conf`), so that nobody from outside keeps those inside waiting.
 */
final class OpenPaths
{
    /**
     * The same stand in `config/packages/security.yaml`; those that change something, with `/join`, in
     * `config/serve/nginx.conf`. A test compares.
     */
    public const PATTERN = '^/api/v1/(health|look|sign-in|first-password|forgotten-password|join/look|join/account'
        .'|register|register/look|register/confirm|previews/[0-9a-f-]{36}|calendars/[\w-]{43}[.]ics)$';

    private function __construct() {}

    public static function has(string $path): bool
    {
        return 1 === preg_match('#'.self::PATTERN.'#D', $path);
    }
}
