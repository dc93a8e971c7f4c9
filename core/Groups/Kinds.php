<?php

declare(strict_types=1);

namespace MintDoor\Core\Groups;

/** A group for each of the things that people are: a section, a level, a label. */
final class Kinds
{
    private function __construct() {}

    /**
     * @param array<string, list<string>> $kinds what each is, by person, in the order that counts where it is several
     * @param list<string>                $order those kinds that have an order of their own; others follow by name
     *
     * @return array<string, list<string>> people by kind; each person once, with the first of what they are
     */
    public static function groups(array $kinds, array $order = []): array
    {
        $groups = [];
        foreach ($kinds as $person => $own) {
            [] === $own || ($groups[$own[0]][] = (string) $person);
        }
        $place = array_flip($order);
        uksort(
            $groups,
            static fn(int|string $a, int|string $b): int => [$place[$a] ?? \PHP_INT_MAX, 0] <=> [
                $place[$b] ?? \PHP_INT_MAX,
                0,
            ] ?: strnatcasecmp((string) $a, (string) $b),
        );

        return $groups;
    }
}
