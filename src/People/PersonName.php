<?php

declare(strict_types=1);

namespace MintDoor\People;

/** How somebody is called, and how lists sort them. */
final class PersonName
{
    private function __construct() {}

    /** By the name they go by, where they have one. */
    public static function shown(string $given, string $family, ?string $preferred): string
    {
        return trim(($preferred ?? $given).' '.$family);
    }

    /** "Family, Given". */
    public static function sorted(string $given, string $family): string
    {
        return $family.', '.$given;
    }
}
