<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use MintDoor\Core\Time\Time;

/** Instants of the core between the database (`DATETIME`, UTC) and the contract (RFC 3339, open ends as null). */
final class Instant
{
    /** The same instants come many times in a list. */
    private const REMEMBERED = 1_000;

    /** @var array<string, int> */
    private static array $read = [];

    /** @var array<int, string> */
    private static array $written = [];

    private function __construct() {}

    public static function fromSql(string $dateTime): int
    {
        if (\count(self::$read) > self::REMEMBERED) {
            self::$read = [];
        }

        return self::$read[$dateTime] ??= (int) strtotime($dateTime.' UTC');
    }

    public static function toSql(int $instant): string
    {
        return gmdate('Y-m-d H:i:s', $instant);
    }

    public static function toJson(int $instant): ?string
    {
        if ($instant <= Time::BEGINNING || $instant >= Time::FOREVER) {
            return null;
        }
        if (\count(self::$written) > self::REMEMBERED) {
            self::$written = [];
        }

        return self::$written[$instant] ??= gmdate('Y-m-d\TH:i:s\Z', $instant);
    }
}
