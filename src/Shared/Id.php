<?php

declare(strict_types=1);

namespace MintDoor\Shared;

/** UUIDs between their text and the sixteen bytes the database holds. */
final class Id
{
    public const PATTERN = '[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}';

    /** Nobody's and nothing's. */
    public const NONE = '00000000-0000-0000-0000-000000000000';

    private function __construct() {}

    public static function text(string $binary): string
    {
        $hex = bin2hex($binary);

        return substr($hex, 0, 8)
            .'-'
            .substr($hex, 8, 4)
            .'-'
            .substr($hex, 12, 4)
            .'-'
            .substr($hex, 16, 4)
            .'-'
            .substr($hex, 20);
    }

    /** @throws \InvalidArgumentException when the text is no UUID */
    public static function binary(string $text): string
    {
        if (1 !== preg_match('/^'.self::PATTERN.'$/Di', $text)) {
            throw new \InvalidArgumentException('Not a UUID.');
        }

        return (string) hex2bin(str_replace('-', '', $text));
    }
}
