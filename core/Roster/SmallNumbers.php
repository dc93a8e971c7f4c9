<?php

declare(strict_types=1);

namespace MintDoor\Core\Roster;

/**
 * What is told of what people did, to those who may see numbers and nobody's name: of few people a number says too much
 * of each.
 */
final readonly class SmallNumbers
{
    /** Of fewer people than this nothing is told but how many there are. */
    public const LEAST = 5;

    private function __construct() {}

    /** Whether what so many people did may be told as a number. */
    public static function may(int $people): bool
    {
        return $people >= self::LEAST;
    }

    /**
     * A sum of which nobody can take away what they see, and keep what they must not: what may not be told is in none.
     *
     * @param list<array{people: int, did: int}> $groups
     *
     * @return array{people: int, did: int} of the groups that may be told
     */
    public static function sum(array $groups): array
    {
        $told = array_filter($groups, static fn(array $group): bool => self::may($group['people']));

        return [
            'people' => array_sum(array_column($told, 'people')),
            'did' => array_sum(array_column($told, 'did')),
        ];
    }
}
