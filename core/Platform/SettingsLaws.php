<?php

declare(strict_types=1);

namespace MintDoor\Core\Platform;

/** What settings must keep to before they can be put in force. */
final class SettingsLaws
{
    public const LONGEST_NAME = 120;

    public const LONGEST_WELCOME = 2_000;

    public const LONGEST_LEVEL = 40;

    public const MOST_LEVELS = 40;

    public const MOST_DIVISIONS = 500;

    /** Divisions one below the other. */
    public const DEEPEST = 8;

    public const MOST_TERMS = 500;

    public const MOST_DAYS_OFF = 1_000;

    /** Days that a term, or days off, may last. */
    private const LONGEST_TERM = 800;

    private const LONGEST_OFF = 366;

    public const LONGEST_FOOTER = 1_000;

    public const LONGEST_ADDRESS = 254;

    public const MOST_DOMAINS = 50;

    public const MOST_STARTERS = 200;

    public const MOST_LABELS = 500;

    private const LONGEST_LABEL = 40;

    public const MOST_DETAILS = 30;

    public const MOST_CHOICES = 200;

    private const LONGEST_DETAIL = 40;

    public const MOST_KINDS = 30;

    /** Kinds of people that there always are. */
    public const KINDS = ['learner', 'staff', 'guardian', 'external'];

    private const CODE = '/^[a-z][a-z0-9-]{1,31}$/D';

    private function __construct() {}

    /**
     * @param list<string> $languages those that letters can be written in, such as `en`
     *
     * @return list<SettingsProblem>
     */
    public static function check(Settings $before, Settings $after, SettingsUse $use, array $languages): array
    {
        return [
            ...self::name($after->name, 'name'),
            ...self::divisions($after->divisions, $use, $languages),
            ...self::gone($before, $after, $use),
            ...self::terms($after),
            ...self::daysOff($after),
            ...self::look($after->look),
            ...self::mail($after->mail),
            ...self::letterheads($after),
            ...self::registrations($after, $languages),
            ...self::starters($after, $use),
            ...self::labels($after->labels),
            ...self::details($before, $after, $use),
            ...self::kinds($before, $after, $use),
        ];
    }

    /** @return list<SettingsProblem> */
    private static function name(string $name, string $where, int $longest = self::LONGEST_NAME): array
    {
        return match (true) {
            '' === trim($name) => [new SettingsProblem($where, 'no-name')],
            mb_strlen($name) > $longest => [new SettingsProblem($where, 'too-long', ['most' => $longest])],
            default => [],
        };
    }

    /**
     * @param list<string> $languages
     *
     * @return list<SettingsProblem>
     */
    private static function divisions(DivisionTree $tree, SettingsUse $use, array $languages): array
    {
        $all = $tree->all();
        if ([] === array_filter($all, static fn(Division $division): bool => !$division->retired)) {
            return [new SettingsProblem('divisions', 'no-division')];
        }
        if (\count($all) > self::MOST_DIVISIONS) {
            return [new SettingsProblem('divisions', 'too-many', ['most' => self::MOST_DIVISIONS])];
        }
        $problems = array_map(
            static fn(string $code): SettingsProblem => new SettingsProblem("divisions/$code/parent", 'ring'),
            $tree->rings(),
        );
        $names = [];
        foreach ($all as $division) {
            array_push(
                $problems,
                ...self::division($division, $tree, $languages),
                ...self::levels($division, $tree, $use),
                ...$division->retired ? self::stillUsed($division, $tree, $use) : [],
            );
            $name = ($division->parent ?? '').'/'.mb_strtolower(trim($division->name));
            if (isset($names[$name])) {
                $problems[] = new SettingsProblem("divisions/$division->code/name", 'taken-name', [
                    'by' => $names[$name],
                ]);
            }
            $names[$name] ??= $division->code;
        }

        return $problems;
    }

    /**
     * @param list<string> $languages
     *
     * @return list<SettingsProblem>
     */
    private static function division(Division $division, DivisionTree $tree, array $languages): array
    {
        $at = "divisions/$division->code/";
        $problems = self::name($division->name, $at.'name');
        $wrong = static function (bool $is, string $field, string $code, string|int ...$values) use (
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
        $wrong(1 !== preg_match(self::CODE, $division->code), 'code', 'bad-code');
        $parent = $division->parent;
        $wrong(null !== $parent && null === $tree->find($parent), 'parent', 'no-such-division');
        $wrong(\count($tree->above($division->code)) > self::DEEPEST, 'parent', 'too-deep', most: self::DEEPEST);
        $wrong(
            !$division->retired && true === $tree->find($parent ?? '')?->retired,
            'parent',
            'parent-retired',
        );
        $language = strtolower((string) strtok($division->language, '-'));
        $wrong(!\in_array($language, $languages, true), 'language', 'no-such-language');
        $wrong(!\in_array($division->timeZone, \DateTimeZone::listIdentifiers(), true), 'timeZone', 'no-such-zone');
        $wrong(mb_strlen(
            $division->welcome
        ) > self::LONGEST_WELCOME, 'welcome', 'too-long', most: self::LONGEST_WELCOME);

        return $problems;
    }

    /** @return list<SettingsProblem> */
    private static function levels(Division $division, DivisionTree $tree, SettingsUse $use): array
    {
        $at = "divisions/$division->code/levels";
        $levels = $division->levels;
        $problems = [];
        if (null !== $levels) {
            if ($levels->first < 1 || $levels->last() > Levels::HIGHEST) {
                $problems[] = new SettingsProblem($at, 'off-the-ladder', ['most' => Levels::HIGHEST]);
            }
            if (\count($levels->names) > self::MOST_LEVELS) {
                $problems[] = new SettingsProblem($at, 'too-many', ['most' => self::MOST_LEVELS]);
            }
            $names = [];
            foreach ($levels->names as $index => $name) {
                array_push($problems, ...self::name($name, "$at/$index", self::LONGEST_LEVEL));
                $folded = Levels::fold($name);
                if (isset($names[$folded]) && '' !== $folded) {
                    $problems[] = new SettingsProblem("$at/$index", 'taken-name', ['by' => $names[$folded]]);
                }
                $names[$folded] ??= $name;
            }
        }
        $held = $tree->levels($division->code);
        foreach ($use->levels[$division->code] ?? [] as $level => $people) {
            if (false === $held?->has($level)) {
                $problems[] = new SettingsProblem($at, 'level-in-use', ['level' => $level, 'people' => $people]);
            }
        }

        return $problems;
    }

    /** @return list<SettingsProblem> */
    private static function stillUsed(Division $division, DivisionTree $tree, SettingsUse $use): array
    {
        $at = "divisions/$division->code/retired";
        $people = $use->people[$division->code] ?? 0;
        $sites = $use->sites[$division->code] ?? 0;
        $below = array_filter(
            $tree->all(),
            static fn(Division $each): bool => $each->parent === $division->code && !$each->retired,
        );

        return [
            ...0 !== $people + $sites
                ? [new SettingsProblem($at, 'division-in-use', ['people' => $people, 'sites' => $sites])]
                : [],
            ...[] !== $below
                ? [new SettingsProblem($at, 'divisions-below', ['divisions' => \count($below)])]
                : [],
        ];
    }

    /**
     * What something points to is kept for it; a division may be retired.
     *
     * @return list<SettingsProblem>
     */
    private static function gone(Settings $before, Settings $after, SettingsUse $use): array
    {
        $problems = [];
        foreach ($before->divisions->all() as $division) {
            if (null === $after->divisions->find($division->code) && ($use->traces[$division->code] ?? 0) > 0) {
                $problems[] = new SettingsProblem("divisions/$division->code", 'division-stays');
            }
        }
        $kept = array_column($after->terms, null, 'code');
        foreach ($before->terms as $term) {
            $sites = $use->terms[$term->code] ?? 0;
            if (!isset($kept[$term->code]) && $sites > 0) {
                $problems[] = new SettingsProblem("terms/$term->code", 'term-in-use', ['sites' => $sites]);
            }
        }

        return $problems;
    }

    /** @return list<SettingsProblem> */
    private static function terms(Settings $settings): array
    {
        $problems =
            \count($settings->terms) > self::MOST_TERMS
                ? [new SettingsProblem('terms', 'too-many', ['most' => self::MOST_TERMS])]
                : [];
        $codes = [];
        foreach ($settings->terms as $term) {
            $at = "terms/$term->code/";
            if (1 !== preg_match(self::CODE, $term->code)) {
                $problems[] = new SettingsProblem($at.'code', 'bad-code');
            }
            if (isset($codes[$term->code])) {
                $problems[] = new SettingsProblem($at.'code', 'taken-code');
            }
            $codes[$term->code] = true;
            array_push(
                $problems,
                ...self::name($term->name, $at.'name'),
                ...self::days($term->startsOn, $term->endsOn, $at, ['startsOn', 'endsOn'], self::LONGEST_TERM),
                ...self::of($term->division, $settings, $at),
            );
        }

        return $problems;
    }

    /** @return list<SettingsProblem> */
    private static function daysOff(Settings $settings): array
    {
        $problems =
            \count($settings->daysOff) > self::MOST_DAYS_OFF
                ? [new SettingsProblem('daysOff', 'too-many', ['most' => self::MOST_DAYS_OFF])]
                : [];
        foreach ($settings->daysOff as $index => $days) {
            $at = "daysOff/$index/";
            array_push(
                $problems,
                ...self::name($days->name, $at.'name'),
                ...self::days($days->from, $days->until, $at, ['from', 'until'], self::LONGEST_OFF),
                ...self::of($days->division, $settings, $at),
            );
        }

        return $problems;
    }

    /**
     * @param array{string, string} $fields
     *
     * @return list<SettingsProblem>
     */
    private static function days(string $first, string $last, string $at, array $fields, int $longest): array
    {
        $problems = [];
        foreach ([$first, $last] as $index => $day) {
            $read = \DateTimeImmutable::createFromFormat('!Y-m-d', $day);
            if (false === $read || $read->format('Y-m-d') !== $day) {
                $problems[] = new SettingsProblem($at.$fields[$index], '' === $day ? 'no-day' : 'not-a-day');
            }
        }
        if ([] !== $problems) {
            return $problems;
        }
        $lasts = (new \DateTimeImmutable($first))->diff(new \DateTimeImmutable($last));

        return match (true) {
            1 === $lasts->invert => [new SettingsProblem($at.$fields[1], 'ends-before')],
            $lasts->days >= $longest => [new SettingsProblem($at.$fields[1], 'too-many-days', ['most' => $longest])],
            default => [],
        };
    }

    /** @return list<SettingsProblem> */
    private static function of(?string $division, Settings $settings, string $at): array
    {
        return null !== $division && null === $settings->divisions->find($division)
            ? [new SettingsProblem($at.'division', 'no-such-division')]
            : [];
    }

    /** @return list<SettingsProblem> */
    private static function look(Look $look): array
    {
        $accent = '' === $look->accent ? null : Accent::read($look->accent);

        return [
            ...'' === $look->mark || \in_array($look->mark, Look::GLYPHS, true)
                ? []
                : [new SettingsProblem('look/mark', 'no-such-glyph')],
            ...'' !== $look->accent && null === $accent ? [new SettingsProblem('look/accent', 'no-colour')] : [],
            ...null !== $accent && !$accent->fits()
                ? [new SettingsProblem('look/accent', 'too-pale', [
                    'contrast' => number_format($accent->contrast(), 1),
                    'would' => $accent->fitting(),
                ])]
                : [],
        ];
    }

    /** @return list<SettingsProblem> where messages cannot be carried like this */
    public static function mail(MailServer $mail): array
    {
        $problems = self::address($mail->from, 'mail/from');
        if (MailCarrier::Server !== $mail->carrier) {
            return $problems;
        }
        $host = filter_var($mail->host, \FILTER_VALIDATE_DOMAIN, \FILTER_FLAG_HOSTNAME);
        if (false === $host && false === filter_var(trim($mail->host, '[]'), \FILTER_VALIDATE_IP)) {
            $problems[] = new SettingsProblem('mail/host', '' === $mail->host ? 'no-host' : 'not-a-host');
        }
        if ($mail->port < 1 || $mail->port > 65_535) {
            $problems[] = new SettingsProblem('mail/port', 'out-of-range', ['least' => 1, 'most' => 65_535]);
        }
        if (mb_strlen($mail->user) > self::LONGEST_ADDRESS) {
            $problems[] = new SettingsProblem('mail/user', 'too-long', ['most' => self::LONGEST_ADDRESS]);
        }
        if ('' === $mail->from) {
            $problems[] = new SettingsProblem('mail/from', 'no-address');
        }
        $here = \in_array($mail->host, ['localhost', '127.0.0.1', '[::1]', '::1'], true);
        if (MailSecurity::None === $mail->security && !$here) {
            $problems[] = new SettingsProblem('mail/security', 'open-outside');
        }

        return $problems;
    }

    /** @return list<SettingsProblem> */
    private static function letterheads(Settings $settings): array
    {
        $problems = [];
        $seen = [];
        foreach ($settings->letterheads as $index => $letterhead) {
            $at = "letterheads/$index/";
            $of = $letterhead->division ?? '';
            if (isset($seen[$of])) {
                $problems[] = new SettingsProblem($at.'division', 'taken-letterhead');
            }
            $seen[$of] = true;
            foreach (['sender' => self::LONGEST_NAME, 'footer' => self::LONGEST_FOOTER] as $field => $most) {
                if (mb_strlen($letterhead->{$field}) > $most) {
                    $problems[] = new SettingsProblem($at.$field, 'too-long', ['most' => $most]);
                }
            }
            if (1 === preg_match('/\R/', $letterhead->sender)) {
                $problems[] = new SettingsProblem($at.'sender', 'one-line');
            }
            foreach (['quietFrom', 'quietUntil'] as $field) {
                if (
                    '' !== $letterhead->{$field}
                    && 1 !== preg_match('/^([01]\d|2[0-3]):[0-5]\d$/D', $letterhead->{$field})
                ) {
                    $problems[] = new SettingsProblem($at.$field, 'not-a-time');
                }
            }
            if (('' === $letterhead->quietFrom) !== ('' === $letterhead->quietUntil)) {
                $field = '' === $letterhead->quietFrom ? 'quietFrom' : 'quietUntil';
                $problems[] = new SettingsProblem($at.$field, 'half-quiet');
            }
            array_push(
                $problems,
                ...self::address($letterhead->replyTo, $at.'replyTo'),
                ...self::of($letterhead->division, $settings, $at),
            );
        }

        return $problems;
    }

    /** @return list<SettingsProblem> */
    private static function address(string $address, string $where): array
    {
        $is = '' === $address || false !== filter_var($address, \FILTER_VALIDATE_EMAIL);

        return $is && \strlen($address) <= self::LONGEST_ADDRESS ? [] : [new SettingsProblem($where, 'not-an-address')];
    }

    /**
     * @param list<string> $languages
     *
     * @return list<SettingsProblem>
     */
    private static function registrations(Settings $settings, array $languages): array
    {
        $problems = [];
        $seen = [];
        foreach ($settings->registrations as $index => $registration) {
            $at = "registrations/$index/";
            if (isset($seen[$registration->division])) {
                $problems[] = new SettingsProblem($at.'division', 'taken-registration');
            }
            $seen[$registration->division] = true;
            array_push($problems, ...self::of($registration->division, $settings, $at));
            // Lists are read by numbers, and doors open for levels: nobody gives themselves either.
            if ([] !== $registration->asks && !$registration->approved) {
                $problems[] = new SettingsProblem($at.'asks', 'asks-unapproved');
            }
            $language = strtolower((string) strtok($registration->language, '-'));
            if ('' !== $registration->language && !\in_array($language, $languages, true)) {
                $problems[] = new SettingsProblem($at.'language', 'no-such-language');
            }
            if (RegistrationFor::Domains === $registration->for && [] === $registration->domains) {
                $problems[] = new SettingsProblem($at.'domains', 'no-domain');
            }
            foreach ($registration->domains as $domain) {
                $is = false !== filter_var($domain, \FILTER_VALIDATE_DOMAIN, \FILTER_FLAG_HOSTNAME);
                if (!$is || !str_contains($domain, '.')) {
                    $problems[] = new SettingsProblem($at.'domains', 'not-a-domain', [
                        'domain' => mb_substr($domain, 0, 60),
                    ]);
                }
            }
            if (\count($registration->domains) > self::MOST_DOMAINS) {
                $problems[] = new SettingsProblem($at.'domains', 'too-many', ['most' => self::MOST_DOMAINS]);
            }
        }

        return $problems;
    }

    /** @return list<SettingsProblem> */
    private static function starters(Settings $settings, SettingsUse $use): array
    {
        $problems =
            \count($settings->starters) > self::MOST_STARTERS
                ? [new SettingsProblem('starters', 'too-many', ['most' => self::MOST_STARTERS])]
                : [];
        $seen = [];
        foreach ($settings->starters as $index => $starter) {
            $at = "starters/$index/";
            $role = $use->roles[$starter->role] ?? null;
            $retired = true === $settings->divisions->find($starter->division)?->retired;
            $levels = [$starter->lowest, $starter->highest];
            $wrong = [
                ...'' === $starter->site ? ['site' => 'no-site'] : [],
                ...'' !== $starter->site && !isset($use->codes[$starter->site]) ? ['site' => 'no-such-site'] : [],
                ...isset($seen[$starter->key()]) ? ['site' => 'taken-starter'] : [],
                ...$retired ? ['division' => 'retired-division'] : [],
                ...'' === $starter->role ? ['role' => 'no-role'] : [],
                ...'' !== $starter->role && (null === $role || $role->lead) ? ['role' => 'no-such-role'] : [],
                ...[] === $starter->kinds ? ['kinds' => 'for-nobody'] : [],
                ...[] !== array_diff($starter->kinds, self::allKinds($settings)) ? ['kinds' => 'no-such-people'] : [],
                ...null !== $role && !self::mayHold($role, $starter->kinds, $settings->kinds)
                    ? ['role' => 'role-for-others']
                    : [],
                ...(null === $starter->lowest) !== (null === $starter->highest) ? ['lowest' => 'half-levels'] : [],
                ...null !== $starter->lowest && $starter->lowest > ($starter->highest ?? Levels::HIGHEST)
                    ? ['highest' => 'levels-turned']
                    : [],
                ...[] !== array_filter(
                    $levels,
                    static fn(?int $each): bool => 0 >= ($each ?? 1) || Levels::HIGHEST < $each
                )
                    ? ['lowest' => 'off-the-ladder']
                    : [],
            ];
            foreach ($wrong as $field => $code) {
                $problems[] = new SettingsProblem($at.$field, $code, ['most' => Levels::HIGHEST]);
            }
            $seen[$starter->key()] = true;
            array_push($problems, ...self::of($starter->division, $settings, $at));
        }

        return $problems;
    }

    /** @return list<SettingsProblem> */
    private static function labels(LabelsKept $labels): array
    {
        if ($labels->free) {
            return [];
        }
        $problems = match (true) {
            [] === $labels->names => [new SettingsProblem('labels/names', 'no-labels')],
            \count($labels->names) > self::MOST_LABELS => [
                new SettingsProblem('labels/names', 'too-many', ['most' => self::MOST_LABELS]),
            ],
            default => [],
        };
        $seen = [];
        foreach ($labels->names as $index => $name) {
            $at = "labels/names/$index";
            array_push($problems, ...self::name($name, $at, self::LONGEST_LABEL));
            $folded = LabelsKept::fold($name);
            if (isset($seen[$folded])) {
                $problems[] = new SettingsProblem($at, 'taken-label', ['by' => $seen[$folded]]);
            }
            if (1 === preg_match('/[\p{C},;]/u', $name)) {
                $problems[] = new SettingsProblem($at, 'label-signs', ['label' => $name]);
            }
            $seen[$folded] ??= $name;
        }

        return $problems;
    }

    /** @return list<SettingsProblem> */
    private static function details(Settings $before, Settings $after, SettingsUse $use): array
    {
        $problems =
            \count($after->details) > self::MOST_DETAILS
                ? [new SettingsProblem('details', 'too-many', ['most' => self::MOST_DETAILS])]
                : [];
        $were = array_column($before->details, null, 'code');
        $codes = $names = [];
        foreach ($after->details as $index => $detail) {
            $at = "details/$index/";
            $held = $use->details[$detail->code] ?? [];
            $people = array_sum($held);
            $was = $were[$detail->code] ?? $detail;
            $unseen = array_filter(
                $detail->changedBy,
                static fn(DetailReader $each): bool => !$detail->isSeenBy($each),
            );
            array_push($problems, ...self::called($detail, $at.'name', $codes, $names, 'taken-detail'));
            foreach (
                [
                    [[] !== array_diff($detail->kinds, self::allKinds($after)), 'kinds', 'no-such-people', []],
                    [[] !== $unseen, 'changedBy', 'changed-unseen', []],
                    [$was->type !== $detail->type && $people > 0, 'type', 'detail-in-use', ['people' => $people]],
                ] as [$wrong, $field, $code, $values]
            ) {
                $problems = [...$problems, ...$wrong ? [new SettingsProblem($at.$field, $code, $values)] : []];
            }
            array_push($problems, ...DetailType::Choice === $detail->type ? self::choices($detail, $at, $held) : []);
        }

        return $problems;
    }

    /**
     * @param array<string, int> $held people by what is kept
     *
     * @return list<SettingsProblem>
     */
    private static function choices(Detail $detail, string $at, array $held): array
    {
        $at .= 'choices';
        $problems = match (true) {
            [] === $detail->choices => [new SettingsProblem($at, 'no-choices')],
            \count($detail->choices) > self::MOST_CHOICES => [
                new SettingsProblem($at, 'too-many', ['most' => self::MOST_CHOICES]),
            ],
            default => [],
        };
        $seen = [];
        foreach ($detail->choices as $index => $choice) {
            array_push($problems, ...self::name($choice, "$at/$index", self::LONGEST_DETAIL));
            $folded = Detail::fold($choice);
            if ('' === $folded || isset($seen[$folded])) {
                $problems[] = new SettingsProblem("$at/$index", 'taken-choice', ['by' => $seen[$folded] ?? $choice]);
            }
            $seen[$folded] ??= $choice;
        }
        foreach ($held as $choice => $people) {
            if (null === $detail->read((string) $choice)->text) {
                $problems[] = new SettingsProblem($at, 'choice-in-use', ['label' => $choice, 'people' => $people]);
            }
        }

        return $problems;
    }

    /**
     * What is wrong with what something of a list is called.
     *
     * @param array<string, true>            $codes of those before it, by code
     * @param array<string, string>          $names of those before it, folded
     * @param 'taken-detail'|'taken-kind' $taken
     *
     * @return list<SettingsProblem>
     */
    private static function called(
        Detail|OwnKind $one,
        string $at,
        array &$codes,
        array &$names,
        string $taken,
    ): array {
        $folded = Detail::fold($one->name);
        $problems = self::name($one->name, $at, self::LONGEST_DETAIL);
        foreach (
            [
                [1 !== preg_match(self::CODE, $one->code), 'bad-code', []],
                ['' === $folded && '' !== trim($one->name), 'no-name', []],
                [isset($codes[$one->code]), $taken, ['by' => $one->name]],
                [isset($names[$folded]), $taken, ['by' => $names[$folded] ?? '']],
                [1 === preg_match('/[\p{C},;]/u', $one->name), 'label-signs', ['label' => $one->name]],
            ] as [$wrong, $code, $values]
        ) {
            $problems = [...$problems, ...$wrong ? [new SettingsProblem($at, $code, $values)] : []];
        }
        $codes[$one->code] = true;
        $names[$folded] ??= $one->name;

        return $problems;
    }

    /** @return list<string> codes */
    private static function allKinds(Settings $settings): array
    {
        return [...self::KINDS, ...array_column($settings->kinds, 'code')];
    }

    /**
     * @param list<string>  $kinds
     * @param list<OwnKind> $own
     */
    private static function mayHold(RoleKnown $role, array $kinds, array $own): bool
    {
        $byCode = array_column($own, null, 'code');
        foreach ($kinds as $kind) {
            $one = $byCode[$kind] ?? null;
            if (!\in_array($one->like ?? $kind, $role->for, true) || false === $one?->mayHold($role->code)) {
                return false;
            }
        }

        return true;
    }

    /** @return list<SettingsProblem> */
    private static function kinds(Settings $before, Settings $settings, SettingsUse $use): array
    {
        $problems =
            \count($settings->kinds) > self::MOST_KINDS
                ? [new SettingsProblem('kinds', 'too-many', ['most' => self::MOST_KINDS])]
                : [];
        $were = array_column($before->kinds, 'like', 'code');
        $codes = array_fill_keys(self::KINDS, true);
        $names = [];
        foreach ($settings->kinds as $index => $kind) {
            $at = "kinds/$index/";
            $people = $use->kinds[$kind->code] ?? 0;
            $none = array_filter(
                $kind->roles,
                static fn(string $role): bool => !isset($use->roles[$role])
                    || !\in_array($kind->like, $use->roles[$role]->for, true),
            );
            array_push($problems, ...self::called($kind, $at.'name', $codes, $names, 'taken-kind'));
            foreach (
                [
                    [!\in_array($kind->like, self::KINDS, true), 'like', 'no-such-people', []],
                    [[] !== $none, 'roles', 'role-of-others', []],
                    [
                        $people > 0 && ($were[$kind->code] ?? $kind->like) !== $kind->like,
                        'like',
                        'kind-in-use',
                        ['people' => $people, 'label' => $kind->name],
                    ],
                ] as [$wrong, $field, $code, $values]
            ) {
                $problems = [...$problems, ...$wrong ? [new SettingsProblem($at.$field, $code, $values)] : []];
            }
        }
        foreach (array_diff_key($use->kinds, $codes) as $code => $people) {
            $problems[] = new SettingsProblem('kinds', 'kind-in-use', ['people' => $people, 'label' => (string) $code]);
        }

        return $problems;
    }
}
