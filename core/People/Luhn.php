<?php

declare(strict_types=1);

namespace MintDoor\Core\People;

/** The check digit of ISO/IEC 7812-1, annex B (the Luhn formula). */
final class Luhn
{
    private function __construct() {}

    /** @param numeric-string $digits the digits without the check digit */
    public static function checkDigit(string $digits): int
    {
        $sum = 0;
        foreach (str_split(strrev($digits)) as $place => $digit) {
            $value = (int) $digit * (0 === $place % 2 ? 2 : 1);
            $sum += $value > 9 ? $value - 9 : $value;
        }

        return (10 - ($sum % 10)) % 10;
    }
}
