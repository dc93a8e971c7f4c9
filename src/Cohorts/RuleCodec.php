<?php

declare(strict_types=1);

namespace MintDoor\Cohorts;

use MintDoor\Core\Cohorts\Rule;
use MintDoor\Core\Cohorts\RuleKind;

/**
 * Rules between the core and what is stored and sent: `{"kind": "labels", "names": […]}`, `{"kind": "levels", "lowest":
 * 7, "highest": 8}`, `{"kind": "in", "site": "…", "section": null, "role": "learner"}`, `{"kind": "cohort", "cohort":
 * "…"}`, `{"kind": "all", "parts": […]}`.
 */
final class RuleCodec
{
    private function __construct() {}

    /**
     * @param array<array-key, mixed> $data
     *
     * @throws WrongRule
     */
    public static function read(array $data): Rule
    {
        $rule = self::part($data, 1, '');
        if ($rule->size() > Rule::MOST_PARTS) {
            throw new WrongRule('too-long', '');
        }

        return $rule;
    }

    /** @return array<string, mixed> as `read()` takes it */
    public static function write(Rule $rule): array
    {
        $data = match ($rule->kind) {
            RuleKind::Levels => ['lowest' => $rule->lowest, 'highest' => $rule->highest],
            RuleKind::In => ['site' => $rule->site, 'section' => $rule->section, 'role' => $rule->role],
            RuleKind::Cohort => ['cohort' => $rule->cohort],
            RuleKind::All, RuleKind::Any, RuleKind::Not => ['parts' => array_map(self::write(...), $rule->parts)],
            default => ['names' => $rule->names],
        };

        return ['kind' => $rule->kind->value, ...$data];
    }

    /** @param array<array-key, mixed> $data */
    private static function part(array $data, int $deep, string $pointer): Rule
    {
        $kind = RuleKind::tryFrom(self::text($data, 'kind') ?? '') ?? throw new WrongRule('no-kind', $pointer);
        if ($deep > Rule::DEEPEST) {
            throw new WrongRule('too-deep', $pointer);
        }
        if ($kind->joins()) {
            $parts = [];
            foreach (array_values((array) ($data['parts'] ?? [])) as $n => $part) {
                $parts[] = self::part((array) $part, $deep + 1, "$pointer/parts/$n");
            }
            $first = $parts[0] ?? throw new WrongRule('no-parts', $pointer);

            return match ($kind) {
                RuleKind::All => Rule::all(...$parts),
                RuleKind::Any => Rule::any(...$parts),
                default => Rule::not(1 === \count($parts) ? $first : Rule::all(...$parts)),
            };
        }

        return self::atom($kind, $data, $pointer);
    }

    /** @param array<array-key, mixed> $data */
    private static function atom(RuleKind $kind, array $data, string $pointer): Rule
    {
        $names = array_map(trim(...), array_filter((array) ($data['names'] ?? []), is_string(...)));
        $names = array_values(array_filter($names, static fn(string $name): bool => '' !== $name));
        if (\in_array($kind, [RuleKind::Kinds, RuleKind::Divisions, RuleKind::Labels], true) && [] === $names) {
            throw new WrongRule('nobody-named', $pointer);
        }

        return match ($kind) {
            RuleKind::Kinds => Rule::kinds(...$names),
            RuleKind::Divisions => Rule::divisions(...$names),
            RuleKind::Labels => Rule::labels(...$names),
            RuleKind::Levels => self::levels($data, $pointer),
            RuleKind::In => Rule::in(
                self::text($data, 'site') ?? throw new WrongRule('no-site', $pointer),
                self::text($data, 'section'),
                self::text($data, 'role'),
            ),
            default => Rule::cohort(self::text($data, 'cohort') ?? throw new WrongRule('no-cohort', $pointer)),
        };
    }

    /** @param array<array-key, mixed> $data */
    private static function levels(array $data, string $pointer): Rule
    {
        $lowest = $data['lowest'] ?? null;
        $highest = $data['highest'] ?? $lowest;
        if (!\is_int($lowest) || !\is_int($highest) || $lowest > $highest) {
            throw new WrongRule('levels', $pointer);
        }

        return Rule::levels($lowest, $highest);
    }

    /** @param array<array-key, mixed> $data */
    private static function text(array $data, string $name): ?string
    {
        $value = $data[$name] ?? null;

        return \is_string($value) && '' !== $value ? $value : null;
    }
}
