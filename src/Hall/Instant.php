<?php

declare(strict_types=1);

namespace MintDoor\Hall;

use MintDoor\Core\Time\Time;

/** Instants of the core between the database (`DATETIME`, UTC) and the contract (RFC 3339, open ends as null). */
final class Instant
{
    private function __construct()
    {
    }

    public static function fromSql(string $dateTime): int
    {
        return (int) strtotime($dateTime.' UTC');
    }

    public static function toSql(int $instant): string
    {
        return gmdate('Y-m-d H:i:s', $instant);
    }

    public static function toJson(int $instant): ?string
    {
        return $instant <= Time::BEGINNING || $instant >= Time::FOREVER ? null : gmdate('Y-m-d\TH:i:s\Z', $instant);
    }
}
