<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Shared\Instant;

/** What somebody is told whom a door does not let in, and what to do next. */
final class Refusals
{
    private function __construct() {}

    /** @return string the key of it */
    public static function sentence(string $code): string
    {
        return 'doors.refusal.'.$code;
    }

    /**
     * @param array<string, mixed> $values
     *
     * @return array<string, mixed> instants as the contract has them
     */
    public static function values(array $values): array
    {
        foreach (['from', 'until', 'at'] as $instant) {
            if (\is_int($values[$instant] ?? null)) {
                $values[$instant] = Instant::toJson($values[$instant]);
            }
        }

        return $values;
    }
}
