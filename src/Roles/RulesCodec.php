<?php

declare(strict_types=1);

namespace MintDoor\Roles;

use MintDoor\Core\People\NumberFormat;
use MintDoor\Core\People\Outside;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Roles\Band;
use MintDoor\Core\Roles\Limits;
use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Roles\Role;
use MintDoor\Core\Roles\RoleBook;
use MintDoor\Core\Roles\Rules;
use MintDoor\Core\Sites\LevelBand;
use MintDoor\Core\Sites\Question;
use MintDoor\Core\Sites\SiteKind;

/** Rules between the core and the JSON they are stored and answered as. */
final class RulesCodec
{
    private function __construct() {}

    /**
     * @return array{
     *     roles: list<array<string, mixed>>,
     *     numbers: list<array<string, mixed>>,
     *     limits: array<string, int>,
     *     nicknames: list<list<string>>,
     *     outside: list<array{division: string, rule: string}>,
     *     siteKinds: list<array<string, mixed>>,
     *     question: string,
     * } schema `Rules`
     */
    public static function write(Rules $rules): array
    {
        return [
            'roles' => self::writeRoles($rules->roles),
            'numbers' => array_map(
                static fn(NumberFormat $format): array => [
                    'name' => $format->name,
                    'kinds' => array_map(static fn(PersonKind $kind): string => $kind->value, $format->kinds),
                    'prefix' => $format->prefix,
                    'digits' => $format->digits,
                    'checked' => $format->checked,
                ],
                $rules->numbers,
            ),
            'limits' => get_object_vars($rules->limits),
            'nicknames' => $rules->nicknames(),
            'outside' => array_map(
                static fn(string $division, Outside $rule): array => ['division' => $division, 'rule' => $rule->value],
                array_keys($rules->outside),
                array_values($rules->outside),
            ),
            'siteKinds' => array_map(self::writeSiteKind(...), $rules->siteKinds),
            'question' => $rules->question,
        ];
    }

    /** @return list<array<string, mixed>> schema `RoleRules` */
    public static function writeRoles(RoleBook $roles): array
    {
        return array_map(self::writeRole(...), $roles->all());
    }

    /** @param array<array-key, mixed> $data as `write()` made it; what is not understood is left out */
    public static function read(array $data): Rules
    {
        $maps = static fn(mixed $list): array => array_values(array_filter((array) $list, is_array(...)));
        $limits = array_filter((array) ($data['limits'] ?? []), is_int(...));

        return new Rules(
            new RoleBook(array_map(self::readRole(...), $maps($data['roles'] ?? []))),
            array_map(
                static fn(array $each): NumberFormat => new NumberFormat(
                    self::string($each['name'] ?? ''),
                    self::kinds($each['kinds'] ?? []),
                    self::string($each['prefix'] ?? ''),
                    (int) self::string($each['digits'] ?? 0),
                    true === ($each['checked'] ?? false),
                ),
                $maps($data['numbers'] ?? []),
            ),
            new Limits(...array_intersect_key($limits, get_object_vars(new Limits()))),
            array_map(self::strings(...), array_values((array) ($data['nicknames'] ?? []))),
            self::outside($maps($data['outside'] ?? [])),
            array_map(self::readSiteKind(...), $maps($data['siteKinds'] ?? [])),
            self::string($data['question'] ?? ''),
        );
    }

    /** @return array<string, mixed> schema `SiteKindRules` */
    private static function writeSiteKind(SiteKind $kind): array
    {
        return [
            ...get_object_vars($kind),
            'roles' => array_map(
                static fn(string $people, string $role): array => ['people' => $people, 'role' => $role],
                array_keys($kind->roles),
                array_values($kind->roles),
            ),
            'questions' => array_map(get_object_vars(...), $kind->questions),
        ];
    }

    /** @param array<array-key, mixed> $data */
    private static function readSiteKind(array $data): SiteKind
    {
        $maps = static fn(mixed $list): array => array_values(array_filter((array) $list, is_array(...)));
        $roles = [];
        foreach ($maps($data['roles'] ?? []) as $row) {
            $people = PersonKind::tryFrom(self::string($row['people'] ?? ''));
            if (null !== $people) {
                $roles[$people->value] = self::string($row['role'] ?? '');
            }
        }

        return new SiteKind(
            self::string($data['code'] ?? ''),
            self::string($data['name'] ?? ''),
            self::string($data['glyph'] ?? ''),
            isset($data['seats']) ? (int) self::string($data['seats']) : null,
            false !== ($data['listed'] ?? true),
            $roles,
            array_map(
                static fn(array $row): Question => new Question(
                    self::string($row['text'] ?? ''),
                    self::strings($row['choices'] ?? []),
                ),
                $maps($data['questions'] ?? []),
            ),
        );
    }

    /**
     * @param list<array<array-key, mixed>> $rows
     *
     * @return array<string, Outside> by division
     */
    private static function outside(array $rows): array
    {
        $outside = [];
        foreach ($rows as $row) {
            $rule = Outside::tryFrom(self::string($row['rule'] ?? ''));
            if (null !== $rule) {
                $outside[self::string($row['division'] ?? '')] = $rule;
            }
        }
        ksort($outside);

        return $outside;
    }

    /** @return array<string, mixed> schema `RoleRules` */
    private static function writeRole(Role $role): array
    {
        $codes = static fn(array $cases): array => array_map(
            static fn(\BackedEnum $case): int|string => $case->value,
            $cases,
        );
        $levels = static fn(?LevelBand $band): ?array => null === $band ? null : [$band->lowest, $band->highest];

        return [
            'code' => $role->code,
            'name' => $role->name,
            'standard' => $role->standard,
            'rank' => $role->rank,
            'permissions' => $codes($role->permissions),
            'for' => $codes($role->for),
            'suggestFor' => $codes($role->suggestFor),
            'givenBy' => $role->givenBy,
            'lead' => $role->lead,
            'takesSeat' => $role->takesSeat,
            'listed' => $role->listed,
            'caution' => $role->caution,
            'learnersOf' => $levels($role->learnersOf),
            'bands' => array_map(
                static fn(Band $band): array => [
                    'name' => $band->name,
                    'divisions' => $band->divisions,
                    'levels' => $levels($band->levels),
                    'permissions' => $codes($band->permissions),
                ],
                $role->bands,
            ),
        ];
    }

    /** @param array<array-key, mixed> $settings */
    private static function readRole(array $settings): Role
    {
        return new Role(
            self::string($settings['code'] ?? ''),
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
            array_map(
                static fn(array $band): Band => new Band(
                    self::string($band['name'] ?? ''),
                    self::strings($band['divisions'] ?? []),
                    self::levels($band['levels'] ?? null),
                    self::permissions($band['permissions'] ?? []),
                ),
                array_values(array_filter((array) ($settings['bands'] ?? []), is_array(...))),
            ),
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

        return 2 === \count($values) && (int) $values[0] <= (int) $values[1]
            ? new LevelBand((int) $values[0], (int) $values[1])
            : null;
    }
}
