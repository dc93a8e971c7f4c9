<?php

declare(strict_types=1);

namespace MintDoor\People;

use MintDoor\Core\Text\Folding;

/** The words a person is found by, as the index of the directory holds them. */
final class Terms
{
    private const LONGEST = 250;

    private function __construct() {}

    /** @return list<string> no repeats; together, each led by a blank, never longer than their column */
    public static function of(string $names, ?string $number, ?string $login, string $further = ''): array
    {
        $terms = [];
        $length = 0;
        foreach (Folding::tokens($names.' '.$number.' '.$login.' '.$further) as $term) {
            $length += 1 + \strlen($term);
            if ($length > self::LONGEST) {
                break;
            }
            $terms[] = $term;
        }

        return $terms;
    }
}
