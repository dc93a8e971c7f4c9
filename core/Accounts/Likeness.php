<?php

declare(strict_types=1);

namespace MintDoor\Core\Accounts;

use MintDoor\Core\Intake\Known;
use MintDoor\Core\Text\NameKeys;

/**
 * Whether two people of the directory are likely the same one, entered twice. A name alone is no reason where many
 * share it: it takes an address in common, a number that is missing or one digit off, and nothing that tells them
 * apart.
 */
final readonly class Likeness
{
    /**
     * @param list<string> $evidence codes, the strongest first: "same-address", "same-name", "name-of-before",
     *     "one-digit-off", "no-number", "same-level"
     */
    private function __construct(public array $evidence) {}

    /** @return ?self null when they are not likely the same */
    public static function of(Known $a, Known $b): ?self
    {
        [$one, $other] = [$a->person, $b->person];
        [$numberA, $numberB] = [$a->numbers()[0] ?? null, $b->numbers()[0] ?? null];
        $address = [] !== array_intersect($a->addresses(), $b->addresses());
        $name =
            self::names($a->given, $a->preferred, $b->given, $b->preferred)
            && self::names($a->family, [], $b->family, []);
        $before =
            !$name
            && self::names($a->given, $a->preferred, $b->given, $b->preferred)
            && self::names($a->family, $a->former(), $b->family, $b->former());
        $oneOff =
            null !== $numberA
            && null !== $numberB
            && $numberA !== $numberB
            && \strlen($numberA) === \strlen($numberB)
            && self::slip($numberA, $numberB);
        // Where neither has a number, namesakes of one division are likely one only when no two addresses tell them
        // apart.
        $bare = null === $numberA && null === $numberB;
        $none = $bare
            ? $one->division === $other->division && ([] === $a->addresses() || [] === $b->addresses())
            : null === $numberA || null === $numberB;
        $levels = null !== $one->level && null !== $other->level;
        $evidence = array_keys(
            array_filter([
                'same-address' => $address,
                'same-name' => $name,
                'name-of-before' => $before,
                'one-digit-off' => $oneOff,
                'no-number' => $none,
                'same-level' => $levels && $one->level === $other->level,
            ]),
        );
        $apart = $one->kind !== $other->kind || ($levels && abs($one->level - $other->level) > 1);
        $likely = ($name || $before) && ($address || (!$apart && ($none || $oneOff)));

        return $likely ? new self($evidence) : null;
    }

    /** One digit wrong, or two neighbours swapped. */
    private static function slip(string $a, string $b): bool
    {
        $wrong = array_values(array_filter(range(0, \strlen($a) - 1), static fn(int $at): bool => $a[$at] !== $b[$at]));

        return 1 === \count($wrong)
            || (2 === \count($wrong)
                && 1 === $wrong[1] - $wrong[0]
                && $a[$wrong[0]] === $b[$wrong[1]]
                && $a[$wrong[1]] === $b[$wrong[0]]);
    }

    /**
     * Whether one of two names of one person is one of another's.
     *
     * @param list<string> $a
     * @param list<string> $moreA
     * @param list<string> $b
     * @param list<string> $moreB
     */
    private static function names(array $a, array $moreA, array $b, array $moreB): bool
    {
        $joined = static fn(array $words): string => implode(
            '',
            array_map(static fn(mixed $word): string => NameKeys::canon(\is_string($word) ? $word : ''), $words),
        );
        $of = static fn(array ...$names): array => array_filter(
            array_map($joined, $names),
            static fn(string $name): bool => '' !== $name,
        );

        return [] !== array_intersect($of($a, $moreA), $of($b, $moreB));
    }
}
