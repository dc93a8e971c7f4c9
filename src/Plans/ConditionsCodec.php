<?php

declare(strict_types=1);

namespace MintDoor\Plans;

use MintDoor\Core\Plans\Balance;
use MintDoor\Core\Plans\Conditions;

/** Conditions of a plan as they are kept. */
final class ConditionsCodec
{
    private function __construct() {}

    /** @param array<array-key, mixed> $kept as `kept()` */
    public static function read(array $kept): Conditions
    {
        $least = $balances = [];
        foreach ((array) ($kept['least'] ?? []) as $one) {
            $one = (array) $one;
            if (\is_string($one['section'] ?? null) && \is_int($one['people'] ?? null)) {
                $least[$one['section']] = $one['people'];
            }
        }
        foreach ((array) ($kept['balances'] ?? []) as $one) {
            $one = (array) $one;
            $kinds = [];
            foreach ((array) ($one['kinds'] ?? []) as $each) {
                $each = (array) $each;
                if (\is_string($each['person'] ?? null) && \is_string($each['kind'] ?? null)) {
                    $kinds[$each['person']] = $each['kind'];
                }
            }
            $balances[] = new Balance($kinds, \is_int($one['tolerance'] ?? null) ? $one['tolerance'] : 0);
        }

        return new Conditions(
            self::groups($kept['together'] ?? []),
            self::groups($kept['apart'] ?? []),
            $least,
            $balances,
            self::groups($kept['oneself'] ?? []),
            self::groups($kept['sameTime'] ?? []),
        );
    }

    /** @return array<string, mixed> */
    public static function kept(Conditions $conditions): array
    {
        $least = $balances = [];
        foreach ($conditions->least as $section => $people) {
            $least[] = ['section' => (string) $section, 'people' => $people];
        }
        foreach ($conditions->balances as $balance) {
            $kinds = [];
            foreach ($balance->kinds as $person => $kind) {
                $kinds[] = ['person' => (string) $person, 'kind' => $kind];
            }
            $balances[] = ['kinds' => $kinds, 'tolerance' => $balance->tolerance];
        }

        return [
            'together' => $conditions->together,
            'apart' => $conditions->apart,
            'least' => $least,
            'balances' => $balances,
            'oneself' => $conditions->oneself,
            'sameTime' => $conditions->sameTime,
        ];
    }

    /** @return list<list<string>> ids, two in each or more */
    public static function groups(mixed $kept): array
    {
        $groups = array_map(
            static fn(mixed $group): array => array_values(array_filter((array) $group, is_string(...))),
            array_values((array) $kept),
        );

        return array_values(array_filter($groups, static fn(array $group): bool => \count($group) > 1));
    }
}
