<?php

declare(strict_types=1);

namespace MintDoor\Core\Roles;

use MintDoor\Core\People\NumberFormat;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Platform\Look;
use MintDoor\Core\Platform\SettingsProblem;
use MintDoor\Core\Sites\SiteKind;
use MintDoor\Core\Text\Folding;
use MintDoor\Core\Text\Nicknames;

/** What holds of rules whatever a platform decides, so that no setting of them can break what the rest relies on. */
final class RuleLaws
{
    /** Role names of LIS 2.0 and LTI 1.3 a role may stand for; a sub-role follows after `#`. */
    public const STANDARDS = [
        'Instructor',
        'TeachingAssistant',
        'TeachingAssistant#Grader',
        'ContentDeveloper',
        'Mentor',
        'Learner',
        'Observer',
        'Guest',
        'Administrator',
        'Member',
    ];

    private const LONGEST_NAME = 60;
    private const LONGEST_CAUTION = 200;
    private const MOST_ROLES = 40;
    private const MOST_SITE_KINDS = 40;
    private const LONGEST_QUESTION = 200;
    private const LONGEST_CHOICE = 100;
    private const MOST_QUESTIONS = 5;
    private const MOST_CHOICES = 20;

    private function __construct() {}

    /**
     * @param array<string, int> $holders   people who hold a role or will, by its code
     * @param list<string>       $divisions codes of all there are
     * @param array<string, int> $sites     how many there are of a kind, by its code
     *
     * @return list<SettingsProblem> none where the rules may be so
     */
    public static function check(
        Rules $before,
        Rules $after,
        array $holders,
        array $divisions,
        array $sites = [],
    ): array {
        $problems = [];
        $names = $ranks = [];
        foreach ($after->roles->all() as $role) {
            array_push(
                $problems,
                ...self::role($role, $after->roles, $divisions),
                ...self::kept($role, $before->roles->find($role->code)),
            );
            $names[mb_strtolower(trim($role->name))][] = $role->code;
            $ranks[$role->rank][] = $role->code;
        }
        foreach ([['name', $names], ['rank', $ranks]] as [$field, $uses]) {
            foreach ($uses as $codes) {
                if (\count($codes) > 1) {
                    $problems[] = new SettingsProblem("roles/$codes[1]/$field", 'taken-'.$field, ['by' => $codes[0]]);
                }
            }
        }
        foreach ($before->roles->all() as $role) {
            if (null === $after->roles->find($role->code) && ($holders[$role->code] ?? 0) > 0) {
                $problems[] = new SettingsProblem('roles/'.$role->code, 'still-held', [
                    'people' => $holders[$role->code],
                ]);
            }
        }
        if (\count($after->roles->all()) > self::MOST_ROLES) {
            $problems[] = new SettingsProblem('roles', 'too-many-roles', ['most' => self::MOST_ROLES]);
        }
        if ([] === array_filter($after->roles->all(), static fn(Role $role): bool => $role->lead)) {
            $problems[] = new SettingsProblem('roles', 'no-lead-role');
        }

        foreach (array_diff(array_keys($after->outside), $divisions) as $division) {
            $problems[] = new SettingsProblem('outside/'.$division, 'no-such-division');
        }

        return [
            ...$problems,
            ...self::numbers($after->numbers),
            ...self::limits($after->limits),
            ...self::nicknames($after->nicknames()),
            ...self::siteKinds($after->siteKinds, $after->roles, $sites, $after->limits->seats),
            ...mb_strlen($after->question) > self::LONGEST_QUESTION
                ? [new SettingsProblem('question', 'too-long')]
                : [],
        ];
    }

    /**
     * @param list<string> $divisions
     *
     * @return list<SettingsProblem>
     */
    private static function role(Role $role, RoleBook $book, array $divisions): array
    {
        $at = 'roles/'.$role->code.'/';
        $problems = [];
        $wrong = static function (bool $is, string $field, string $code, string ...$values) use (
            &$problems,
            $at,
        ): void {
            if ($is) {
                $problems[] = new SettingsProblem(
                    $at.$field,
                    $code,
                    array_filter($values, is_string(...), \ARRAY_FILTER_USE_KEY),
                );
            }
        };
        $wrong('' === trim($role->name), 'name', 'no-name');
        $wrong(mb_strlen($role->name) > self::LONGEST_NAME, 'name', 'too-long');
        $wrong(mb_strlen((string) $role->caution) > self::LONGEST_CAUTION, 'caution', 'too-long');
        $wrong(1 !== preg_match('/^[a-z][a-z0-9-]{1,31}$/D', $role->code), 'code', 'bad-code');
        $wrong(!\in_array($role->standard, self::STANDARDS, true), 'standard', 'no-such-standard');
        $wrong($role->rank < 1 || $role->rank > 999, 'rank', 'rank-out-of-range');
        $wrong([] === $role->for, 'for', 'for-nobody');
        $wrong([] === $role->permissions, 'permissions', 'may-nothing');
        $wrong(
            []
                !== array_filter(
                    $role->suggestFor,
                    static fn(PersonKind $kind): bool => !\in_array($kind, $role->for, true),
                ),
            'suggestFor',
            'suggested-for-others',
        );
        if ($role->lead) {
            $wrong(!$role->listed, 'listed', 'lead-unlisted');
            $wrong([PersonKind::Staff] !== $role->for, 'for', 'lead-for-others');
            $wrong(!\in_array(Permission::RunSite, $role->permissions, true), 'permissions', 'lead-runs-site');
        }
        $wrong(
            !$role->lead && \in_array(Permission::RunSite, $role->permissions, true),
            'permissions',
            'only-leads-run',
        );
        $wrong(
            \in_array(PersonKind::Learner, $role->for, true) && \in_array(Permission::LetIn, $role->permissions, true),
            'permissions',
            'learners-let-in',
        );
        foreach (
            [
                [$role->permissions, 'permissions'],
                ...array_map(
                    static fn(Band $band, int $index): array => [$band->permissions, "bands/$index/permissions"],
                    $role->bands,
                    array_keys($role->bands),
                ),
            ] as [$permissions, $field]
        ) {
            foreach ($permissions as $permission) {
                foreach ($permission->needs() as $needed) {
                    $wrong(
                        !\in_array($needed, $permissions, true),
                        $field,
                        'needs-permission',
                        permission: $permission->value,
                        needed: $needed->value,
                    );
                }
            }
        }
        foreach ($role->bands as $index => $band) {
            $wrong([] !== array_diff($band->divisions, $divisions), "bands/$index/divisions", 'no-such-division');
            $wrong(
                []
                    !== array_udiff(
                        $band->permissions,
                        $role->permissions,
                        static fn(Permission $a, Permission $b): int => $a->value <=> $b->value,
                    ),
                "bands/$index/permissions",
                'band-above-role',
                band: $band->name,
            );
        }
        foreach ($role->givenBy as $code) {
            $giver = $book->find($code);
            $wrong(null === $giver, 'givenBy', 'no-such-giver', giver: $code);
            if (null !== $giver) {
                $wrong($giver->rank < $role->rank, 'givenBy', 'given-from-below', giver: $code);
                $wrong(
                    !\in_array(Permission::LetIn, $giver->permissions, true),
                    'givenBy',
                    'giver-lets-nobody-in',
                    giver: $code,
                );
            }
        }

        return $problems;
    }

    /**
     * What sites rely on stays as it was made: seats and leads are counted by it.
     *
     * @return list<SettingsProblem>
     */
    private static function kept(Role $role, ?Role $before): array
    {
        return [
            ...null !== $before && $before->lead !== $role->lead
                ? [new SettingsProblem("roles/$role->code/lead", 'lead-stays')]
                : [],
            ...null !== $before && $before->takesSeat !== $role->takesSeat
                ? [new SettingsProblem("roles/$role->code/takesSeat", 'seat-stays')]
                : [],
        ];
    }

    /**
     * @param list<NumberFormat> $formats
     *
     * @return list<SettingsProblem>
     */
    private static function numbers(array $formats): array
    {
        $problems = [];
        foreach ($formats as $index => $format) {
            $at = "numbers/$index/";
            if (mb_strlen($format->name) > self::LONGEST_NAME) {
                $problems[] = new SettingsProblem($at.'name', 'too-long');
            }
            if ('' === trim($format->name)) {
                $problems[] = new SettingsProblem($at.'name', 'no-name');
            }
            if (1 !== preg_match('/^[A-Z]{0,6}$/D', $format->prefix)) {
                $problems[] = new SettingsProblem($at.'prefix', 'bad-prefix');
            }
            if ($format->digits < 2 || $format->digits > 16) {
                $problems[] = new SettingsProblem($at.'digits', 'digits-out-of-range');
            }
            foreach (\array_slice($formats, 0, $index) as $other) {
                if ($other->prefix === $format->prefix && $other->digits === $format->digits) {
                    $problems[] = new SettingsProblem($at.'digits', 'same-format', ['by' => $other->name]);
                }
            }
        }

        return $problems;
    }

    /**
     * @param list<list<string>> $rows
     *
     * @return list<SettingsProblem>
     */
    private static function nicknames(array $rows): array
    {
        $problems =
            \count($rows) > Nicknames::MOST_ROWS
                ? [new SettingsProblem('nicknames', 'too-many-names', ['most' => Nicknames::MOST_ROWS])]
                : [];
        $tooLong = static fn(string $name): bool => mb_strlen($name) > Nicknames::LONGEST_NAME;
        $notOneWord = static function (string $name): bool {
            $words = Folding::tokens($name);

            return 1 !== \count($words) || \strlen($words[0]) < 2;
        };
        foreach ($rows as $index => $row) {
            $wrong = match (true) {
                \count($row) < 2 => 'no-short-name',
                \count($row) > Nicknames::MOST_NAMES => 'too-many-in-a-row',
                [] !== array_filter($row, $tooLong) => 'too-long',
                [] !== array_filter($row, $notOneWord) => 'not-one-word',
                default => null,
            };
            if (null !== $wrong) {
                $problems[] = new SettingsProblem("nicknames/$index", $wrong, [
                    'name' => mb_substr($row[0] ?? '', 0, Nicknames::LONGEST_NAME),
                ]);
            }
        }

        return $problems;
    }

    /** @return list<SettingsProblem> */
    private static function limits(Limits $limits): array
    {
        $problems = [];
        foreach (
            [
                'seats' => [1, 100_000],
                'leads' => [1, 100],
                'changeList' => [1, Limits::LONGEST_LIST],
                'removalFew' => [0, 100],
                'removalShare' => [1, 100],
                'careHome' => [1, 720],
                'careBeyond' => [1, 8_760],
                'mailOutside' => [0, 100_000],
                'mailAgain' => [0, 100],
                'mailPerson' => [1, 1_000],
                'passwordLinks' => [1, 10_000],
                'lookups' => [1, 100_000],
                'cardDays' => [1, 365],
                'keepMessages' => [7, 3_650],
                'keepAddresses' => [7, 3_650],
                'keepAnswers' => [1, 168],
                'archiveAfter' => [1, 60],
            ] as $field => [$least, $most]
        ) {
            if ($limits->{$field} < $least || $limits->{$field} > $most) {
                $problems[] = new SettingsProblem(
                    "limits/$field",
                    'out-of-range',
                    ['least' => $least, 'most' => $most]
                );
            }
        }

        return $problems;
    }

    /**
     * @param list<SiteKind>     $kinds
     * @param array<string, int> $sites how many there are of a kind, by its code
     * @param int                $most  seats that a site may have
     *
     * @return list<SettingsProblem>
     */
    private static function siteKinds(array $kinds, RoleBook $roles, array $sites, int $most): array
    {
        $problems = [];
        $codes = $names = [];
        foreach ($kinds as $kind) {
            $at = 'siteKinds/'.$kind->code.'/';
            $name = mb_strtolower(trim($kind->name));
            $wrong = match (true) {
                1 !== preg_match('/^[a-z][a-z0-9-]{1,31}$/D', $kind->code) => ['code', 'bad-code'],
                isset($codes[$kind->code]) => ['code', 'bad-code'],
                '' === $name => ['name', 'no-name'],
                mb_strlen($kind->name) > self::LONGEST_NAME => ['name', 'too-long'],
                isset($names[$name]) => ['name', 'taken-name'],
                '' !== $kind->glyph && !\in_array($kind->glyph, Look::GLYPHS, true) => ['glyph', 'no-such-glyph'],
                null !== $kind->seats && ($kind->seats < 1 || $kind->seats > $most) => ['seats', 'seats-of-kind'],
                default => null,
            };
            if (null !== $wrong) {
                $problems[] = new SettingsProblem($at.$wrong[0], $wrong[1], [
                    'by' => $names[$name] ?? '',
                    'most' => $most,
                ]);
            }
            array_push($problems, ...self::questions($kind, $at), ...self::rolesOf($kind, $roles, $at));
            $codes[$kind->code] = true;
            $names[$name] ??= $kind->code;
        }
        foreach (array_diff_key($sites, $codes) as $code => $many) {
            $problems[] = new SettingsProblem('siteKinds/'.$code, 'kind-in-use', ['sites' => $many]);
        }
        if ([] === $kinds || \count($kinds) > self::MOST_SITE_KINDS) {
            $problems[] = new SettingsProblem('siteKinds', 'number-of-kinds', ['most' => self::MOST_SITE_KINDS]);
        }

        return $problems;
    }

    /** @return list<SettingsProblem> */
    private static function questions(SiteKind $kind, string $at): array
    {
        $problems =
            \count($kind->questions) > self::MOST_QUESTIONS
                ? [new SettingsProblem($at.'questions', 'too-many-questions', ['most' => self::MOST_QUESTIONS])]
                : [];
        foreach ($kind->questions as $index => $question) {
            $choices = $question->choices;
            $wrong = match (true) {
                '' === trim($question->text) => 'no-question',
                mb_strlen($question->text) > self::LONGEST_QUESTION => 'too-long',
                1 === \count($choices), \count($choices) > self::MOST_CHOICES => 'number-of-choices',
                array_unique($choices) !== $choices => 'same-choice',
                [] !== array_filter(
                    $choices,
                    static fn(string $choice): bool =>
                        '' === trim($choice) || mb_strlen($choice) > self::LONGEST_CHOICE,
                ) => 'bad-choice',
                default => null,
            };
            if (null !== $wrong) {
                $problems[] = new SettingsProblem("{$at}questions/$index", $wrong, ['most' => self::MOST_CHOICES]);
            }
        }

        return $problems;
    }

    /** @return list<SettingsProblem> where a kind of site would offer people what they may not hold */
    private static function rolesOf(SiteKind $kind, RoleBook $roles, string $at): array
    {
        $problems = [];
        foreach ($kind->roles as $people => $code) {
            $role = $roles->find($code);
            if (null === $role || !\in_array(PersonKind::from($people), $role->for, true)) {
                $problems[] = new SettingsProblem(
                    "{$at}roles/$people",
                    'role-for-others',
                    ['role' => $role->name ?? $code]
                );
            }
        }

        return $problems;
    }
}
