<?php

declare(strict_types=1);

namespace MintDoor\Shared;

/** With what somebody is signed in, in two words, from what the browser says of itself. */
final class Device
{
    /** What is looked for, in order: some browsers name others, too. */
    private const BROWSERS = [
        'Edg/' => 'Edge',
        'OPR/' => 'Opera',
        'Firefox/' => 'Firefox',
        'Chrom' => 'Chrome',
        'Safari/' => 'Safari',
    ];

    private const SYSTEMS = [
        'iPhone' => 'iPhone',
        'iPad' => 'iPad',
        'Android' => 'Android',
        'Windows' => 'Windows',
        'Mac OS' => 'Mac',
        'Linux' => 'Linux',
    ];

    private function __construct() {}

    public static function of(?string $userAgent): string
    {
        $find = static function (array $names) use ($userAgent): ?string {
            foreach ($names as $sign => $name) {
                if (str_contains((string) $userAgent, (string) $sign)) {
                    return (string) $name;
                }
            }

            return null;
        };

        return implode(', ', array_filter([$find(self::BROWSERS), $find(self::SYSTEMS)]));
    }
}
