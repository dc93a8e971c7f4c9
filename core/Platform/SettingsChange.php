<?php

declare(strict_types=1);

namespace MintDoor\Core\Platform;

/** Settings as they are and as somebody wants them: what becomes otherwise. */
final readonly class SettingsChange
{
    public function __construct(public Settings $before, public Settings $after) {}

    /** @return list<Difference> the platform first, then divisions, terms and days off */
    public function differences(): array
    {
        [$before, $after] = [$this->before, $this->after];

        return [
            ...self::whole('platform', $after->name, ['name' => $before->name], ['name' => $after->name]),
            ...self::whole('look', '', get_object_vars($before->look), get_object_vars($after->look)),
            ...self::whole('mail', '', get_object_vars($before->mail), get_object_vars($after->mail)),
            ...self::whole('labels', '', get_object_vars($before->labels), get_object_vars($after->labels)),
            ...$this->among('division', self::divisions($before), self::divisions($after)),
            ...$this->among('term', array_column($before->terms, null, 'code'), array_column(
                $after->terms,
                null,
                'code',
            )),
            ...$this->among('days-off', self::daysOff($before), self::daysOff($after)),
            ...$this->among('letterhead', self::letterheads($before), self::letterheads($after)),
            ...$this->among(
                'registration',
                array_column($before->registrations, null, 'division'),
                array_column($after->registrations, null, 'division'),
            ),
            ...$this->among('starter', self::starters($before), self::starters($after)),
            ...$this->among(
                'detail',
                array_column($before->details, null, 'code'),
                array_column($after->details, null, 'code'),
            ),
            ...self::order($before, $after),
            ...$this->among(
                'people-kind',
                array_column($before->kinds, null, 'code'),
                array_column($after->kinds, null, 'code'),
            ),
        ];
    }

    /**
     * What there is once.
     *
     * @param 'platform'|'look'|'mail'|'labels' $of
     * @param array<array-key, mixed>  $was
     * @param array<array-key, mixed>  $is
     *
     * @return list<Difference>
     */
    private static function whole(string $of, string $which, array $was, array $is): array
    {
        $fields = self::fields($was, $is);

        return [] === $fields ? [] : [new Difference($of, $which, 'changed', $fields)];
    }

    /** @return list<Difference> whether details that stay are shown in another order */
    private static function order(Settings $before, Settings $after): array
    {
        $codes = array_column($after->details, 'code');
        $were = array_values(array_intersect(array_column($before->details, 'code'), $codes));
        $are = array_values(array_intersect($codes, $were));

        return $were === $are ? [] : [new Difference('details', '', 'changed')];
    }

    /** @return array<string, Letterhead> by code of the division; of everybody by an empty one */
    private static function letterheads(Settings $settings): array
    {
        return array_column($settings->letterheads, null, 'division');
    }

    /** @return array<string, Starter> by what tells them apart */
    private static function starters(Settings $settings): array
    {
        $all = [];
        foreach ($settings->starters as $starter) {
            $all[$starter->key()] = $starter;
        }

        return $all;
    }

    /** @return array<string, Division> by code */
    private static function divisions(Settings $settings): array
    {
        return array_column($settings->divisions->all(), null, 'code');
    }

    /** @return array<string, DaysOff> by what tells them apart */
    private static function daysOff(Settings $settings): array
    {
        $all = [];
        foreach ($settings->daysOff as $days) {
            $all[$days->name.' '.$days->from.' '.($days->division ?? '')] = $days;
        }

        return $all;
    }

    /**
     * @param 'division'|'term'|'days-off'|'letterhead'|'registration'|'starter'|'detail'|'people-kind' $of
     * @param array<string, Division|Term|DaysOff|Letterhead|Registration|Starter|Detail|OwnKind> $before
     * @param array<string, Division|Term|DaysOff|Letterhead|Registration|Starter|Detail|OwnKind> $after
     *
     * @return list<Difference>
     */
    private function among(string $of, array $before, array $after): array
    {
        $differences = [];
        foreach ($after as $key => $each) {
            $was = $before[$key] ?? null;
            $fields = null === $was ? [] : self::fields(get_object_vars($was), get_object_vars($each));
            if (null === $was || [] !== $fields) {
                $differences[] = new Difference($of, $this->name($each), null === $was ? 'made' : 'changed', $fields);
            }
        }
        foreach (array_diff_key($before, $after) as $each) {
            $differences[] = new Difference($of, $this->name($each), 'gone');
        }

        return $differences;
    }

    /** What people call it; empty for what is written around messages to everybody. */
    private function name(Division|Term|DaysOff|Letterhead|Registration|Starter|Detail|OwnKind $each): string
    {
        if ($each instanceof Starter) {
            return $each->site;
        }
        if (!$each instanceof Letterhead && !$each instanceof Registration) {
            return $each->name;
        }
        $code = (string) $each->division;

        return $this->after->divisions->find($code)->name ?? $this->before->divisions->find($code)->name ?? $code;
    }

    /**
     * @param array<array-key, mixed> $was
     * @param array<array-key, mixed> $is
     *
     * @return list<FieldDifference>
     */
    private static function fields(array $was, array $is): array
    {
        $fields = [];
        foreach ($is as $field => $value) {
            if ($was[$field] != $value) {
                $fields[] = new FieldDifference((string) $field, self::said($was[$field]), self::said($value));
            }
        }

        return $fields;
    }

    private static function said(mixed $value): string
    {
        if (\is_array($value)) {
            $words = array_map(self::said(...), $value);

            return implode(', ', array_filter($words, static fn(string $word): bool => '' !== $word));
        }

        return match (true) {
            $value instanceof Levels => implode(', ', $value->names),
            $value instanceof \BackedEnum => (string) $value->value,
            \is_bool($value) => $value ? 'yes' : 'no',
            \is_scalar($value) => (string) $value,
            default => '',
        };
    }
}
