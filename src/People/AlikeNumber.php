<?php

declare(strict_types=1);

namespace MintDoor\People;

/**
 * One number for all people of the same kind, division and level: who are alike to rules. Rosters keep it, so that a
 * million enrollments are counted by who is in them without reading their people (`bin/bench`: preview of a change of
 * rules). 60 bits of a hash, so that it need not be given out.
 */
final class AlikeNumber
{
    /** Of the person `p`. */
    public const SQL = "CONV(
        LEFT(MD5(CONCAT(p.kind, ' ', LOWER(HEX(p.division_id)), ' ', COALESCE(p.level, ''))), 15), 16, 10
    )";

    private const DIGITS = 15;

    private function __construct() {}

    /** @param string $division its id */
    public static function of(string $kind, string $division, ?int $level): int
    {
        $hash = md5($kind.' '.str_replace('-', '', strtolower($division)).' '.$level);

        return (int) hexdec(substr($hash, 0, self::DIGITS));
    }
}
