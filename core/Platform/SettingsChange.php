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
        $named = $before->name === $after->name
            ? []
            : [new Difference('platform', $after->name, 'changed', [
                new FieldDifference('name', $before->name, $after->name),
            ])];

        return [
            ...$named,
            ...$this->among('division', self::divisions($before), self::divisions($after)),
            ...$this->among('term', array_column($before->terms, null, 'code'), array_column(
                $after->terms,
                null,
                'code',
            )),
            ...$this->among('days-off', self::daysOff($before), self::daysOff($after)),
        ];
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
     * @param 'division'|'term'|'days-off'          $of
     * @param array<string, Division|Term|DaysOff> $before
     * @param array<string, Division|Term|DaysOff> $after
     *
     * @return list<Difference>
     */
    private function among(string $of, array $before, array $after): array
    {
        $differences = [];
        foreach ($after as $key => $each) {
            $was = $before[$key] ?? null;
            $fields = null === $was ? [] : self::fields($was, $each);
            if (null === $was || [] !== $fields) {
                $differences[] = new Difference($of, $each->name, null === $was ? 'made' : 'changed', $fields);
            }
        }
        foreach (array_diff_key($before, $after) as $each) {
            $differences[] = new Difference($of, $each->name, 'gone');
        }

        return $differences;
    }

    /** @return list<FieldDifference> */
    private static function fields(Division|Term|DaysOff $before, Division|Term|DaysOff $after): array
    {
        [$was, $is] = [get_object_vars($before), get_object_vars($after)];
        $fields = [];
        foreach ($is as $field => $value) {
            if ($was[$field] != $value) {
                $fields[] = new FieldDifference($field, self::said($was[$field]), self::said($value));
            }
        }

        return $fields;
    }

    private static function said(mixed $value): string
    {
        return match (true) {
            $value instanceof Levels => implode(', ', $value->names),
            \is_bool($value) => $value ? 'yes' : 'no',
            \is_scalar($value) => (string) $value,
            default => '',
        };
    }
}
