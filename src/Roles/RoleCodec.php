<?php

declare(strict_types=1);

namespace MintDoor\Roles;

use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Roles\Band;
use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Roles\Role;
use MintDoor\Core\Sites\LevelBand;

/** A role between the core and its stored settings. */
final class RoleCodec
{
    private function __construct()
    {
    }

    /** @return array<string, mixed> everything but the code */
    public static function settings(Role $role): array
    {
        $codes = static fn (array $cases): array => array_map(static fn (\BackedEnum $case): int|string => $case->value, $cases);
        $levels = static fn (?LevelBand $band): ?array => null === $band ? null : [$band->lowest, $band->highest];

        return [
            'name' => $role->name, 'standard' => $role->standard, 'rank' => $role->rank,
            'permissions' => $codes($role->permissions), 'for' => $codes($role->for), 'suggestFor' => $codes($role->suggestFor),
            'givenBy' => $role->givenBy, 'lead' => $role->lead, 'takesSeat' => $role->takesSeat, 'listed' => $role->listed,
            'caution' => $role->caution, 'learnersOf' => $levels($role->learnersOf),
            'bands' => array_map(static fn (Band $band): array => [
                'name' => $band->name, 'divisions' => $band->divisions, 'levels' => $levels($band->levels), 'permissions' => $codes($band->permissions),
            ], $role->bands),
        ];
    }

    /** @param array<array-key, mixed> $settings as `settings()` wrote them */
    public static function role(string $code, array $settings): Role
    {
        return new Role(
            $code,
            self::string($settings['name'] ?? ''),
            self::string($settings['standard'] ?? ''),
            (int) self::string($settings['rank'] ?? 0),
            self::permissions($settings['permissions'] ?? []),
            self::kinds($settings['for'] ?? []),
            self::kinds($settings['suggestFor'] ?? []),
            self::strings($settings['givenBy'] ?? []),
            true === ($settings['lead'] ?? false),
            true === ($settings['takesSeat'] ?? false),
            false !== ($settings['listed'] ?? true),
            isset($settings['caution']) ? self::string($settings['caution']) : null,
            self::levels($settings['learnersOf'] ?? null),
            array_map(static fn (array $band): Band => new Band(
                self::string($band['name'] ?? ''),
                self::strings($band['divisions'] ?? []),
                self::levels($band['levels'] ?? null),
                self::permissions($band['permissions'] ?? []),
            ), array_values(array_filter((array) ($settings['bands'] ?? []), is_array(...)))),
        );
    }

    private static function string(mixed $value): string
    {
        return \is_scalar($value) ? (string) $value : '';
    }

    /** @return list<string> */
    private static function strings(mixed $values): array
    {
        return array_values(array_map(self::string(...), (array) $values));
    }

    /** @return list<Permission> */
    private static function permissions(mixed $values): array
    {
        return array_values(array_filter(array_map(Permission::tryFrom(...), self::strings($values))));
    }

    /** @return list<PersonKind> */
    private static function kinds(mixed $values): array
    {
        return array_values(array_filter(array_map(PersonKind::tryFrom(...), self::strings($values))));
    }

    private static function levels(mixed $values): ?LevelBand
    {
        $values = self::strings($values);

        return 2 === \count($values) ? new LevelBand((int) $values[0], (int) $values[1]) : null;
    }
}
