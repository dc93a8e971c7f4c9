<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Intake;

use MintDoor\Core\Intake\Circumstances;
use MintDoor\Core\Intake\Known;
use MintDoor\Core\Intake\Matcher;
use MintDoor\Core\Intake\Outcome;
use MintDoor\Core\Intake\PastedLine;
use MintDoor\Core\Intake\PastedText;
use MintDoor\Core\Intake\Reading;
use MintDoor\Core\Intake\Wording;
use MintDoor\Core\People\NumberFormat;
use MintDoor\Core\Roles\Rules;
use MintDoor\Core\Sites\LevelBand;
use MintDoor\Core\Sites\Site;
use MintDoor\Core\Text\NameKeys;
use MintDoor\Core\Text\Nicknames;

/**
 * Reads the evaluation set and counts. People are looked up by the keys the database looks them up by, so that whom the
 * keys miss is missed here too.
 *
 * @phpstan-type Counts array{lines: int, meant: int, right: int, wrong: int, missed: list<string>,
 *     mistakes: list<string>}
 */
final class Evaluation
{
    /** @return array<string, Counts> by kind of noise */
    public static function matcher(EvaluationSet $set): array
    {
        $lines = $set->lines();
        $formats = self::formats();
        $text = new PastedText($formats, EvaluationSet::DIVISIONS);
        $directory = $set->directory();
        $found = [];
        foreach ($lines as $line) {
            $found[] = $text->lines($line['text'])[0] ?? new PastedLine(1, $line['text'], [], [], false);
        }
        $wording = self::wording($found, $directory);
        [$byKey, $byIdentifier] = self::indexes($directory);
        $matcher = new Matcher($formats, $wording);
        $for = new Circumstances(new Site('s', EvaluationSet::DIVISION, new LevelBand(...EvaluationSet::LEVELS)));
        $answers = [];
        foreach ($found as $line) {
            $some = [];
            foreach (
                [
                    ...array_map(static fn(string $key): array => $byKey[$key] ?? [], $wording->keys($line)),
                    ...array_map(
                        static fn(string $each): array => $byIdentifier[mb_strtolower($each)] ?? [],
                        $matcher->identifiers($line),
                    ),
                ] as $hits
            ) {
                foreach ($hits as $at) {
                    $some[$at] = $directory[$at];
                }
            }
            $answers[] = self::answer($matcher->read([$line], array_values($some), $for)[0]);
        }

        return self::count($lines, $answers);
    }

    /**
     * What comes to mind first: identifiers in full, names in full, and otherwise the name most like it.
     *
     * @return array<string, Counts>
     */
    public static function baseline(EvaluationSet $set): array
    {
        $byIdentifier = $byName = $names = [];
        foreach ($set->people as $row) {
            foreach (array_filter([$row->number, $row->login, $row->email]) as $identifier) {
                $byIdentifier[mb_strtolower($identifier)] = $row->id;
            }
            $name = mb_strtolower($row->given.' '.$row->family);
            $byName[$name] ??= $row->id;
            $names[] = [$name, $row->id];
        }
        $lines = $set->lines();
        $answers = [];
        foreach ($lines as $line) {
            $typed = mb_strtolower(trim($line['text']));
            $answers[] = $byIdentifier[$typed] ?? ($byName[$typed] ?? self::nearest($typed, $names));
        }

        return self::count($lines, $answers);
    }

    /**
     * @param array<string, Counts> $kinds
     *
     * @return array{precision: float, recall: float, lines: int, kinds: int}
     */
    public static function sum(array $kinds): array
    {
        $right = array_sum(array_column($kinds, 'right'));
        $wrong = array_sum(array_column($kinds, 'wrong'));

        return [
            'precision' => $right / max(1, $right + $wrong),
            'recall' => $right / max(1, array_sum(array_column($kinds, 'meant'))),
            'lines' => array_sum(array_column($kinds, 'lines')),
            'kinds' => \count($kinds),
        ];
    }

    /**
     * @param list<PastedLine> $lines
     * @param list<Known>      $directory
     */
    public static function wording(array $lines, array $directory, ?Nicknames $nicknames = null): Wording
    {
        $keys = [];
        foreach (Wording::words($lines) as $word) {
            $keys += array_fill_keys(NameKeys::slips($word), true);
        }
        $names = array_unique(array_merge(...array_map(static fn(Known $known): array => $known->names(), $directory)));

        return new Wording(
            $nicknames ?? new Nicknames(),
            array_values(
                array_filter(
                    $names,
                    static fn(string $name): bool => []
                        !== array_intersect_key($keys, array_fill_keys(NameKeys::slips($name), true)),
                ),
            ),
            $lines,
        );
    }

    /** @return list<NumberFormat> */
    public static function formats(): array
    {
        return Rules::first(['juniors'], ['seniors'])->numbers;
    }

    private static function answer(Reading $reading): string
    {
        return match ($reading->outcome) {
            Outcome::Match => $reading->candidates[0]->known->person->id,
            Outcome::Choose => 'ask',
            Outcome::NoPerson => 'no-person',
            default => 'nobody',
        };
    }

    /** @param list<array{string, string}> $names */
    private static function nearest(string $typed, array $names): string
    {
        $best = 0;
        $who = 'nobody';
        foreach ($names as [$name, $id]) {
            $alike = similar_text($typed, $name);
            if ($alike > $best) {
                [$best, $who] = [$alike, $id];
            }
        }

        return $who;
    }

    /**
     * @param list<Known> $directory
     *
     * @return array{array<string, list<int>>, array<string, list<int>>}
     */
    private static function indexes(array $directory): array
    {
        $byKey = $byIdentifier = [];
        foreach ($directory as $at => $known) {
            foreach ($known->keys() as $key) {
                $byKey[$key][] = $at;
            }
            foreach ($known->identifiers as $identifier) {
                $byIdentifier[$identifier][] = $at;
                $byIdentifier[explode('@', $identifier)[0]][] = $at;
            }
        }

        return [$byKey, $byIdentifier];
    }

    /**
     * @param list<array{kind: string, text: string, means: string}> $lines
     * @param list<string>                                           $answers
     *
     * @return array<string, Counts>
     */
    private static function count(array $lines, array $answers): array
    {
        $kinds = [];
        foreach ($lines as $at => ['kind' => $kind, 'text' => $text, 'means' => $means]) {
            $kinds[$kind] ??= [
                'lines' => 0,
                'meant' => 0,
                'right' => 0,
                'wrong' => 0,
                'missed' => [],
                'mistakes' => [],
            ];
            $person = !\in_array($means, ['ask', 'nobody', 'no-person'], true);
            $taken = !\in_array($answers[$at], ['ask', 'nobody', 'no-person'], true);
            ++$kinds[$kind]['lines'];
            $kinds[$kind]['meant'] += (int) $person;
            $kinds[$kind]['right'] += (int) ($taken && $answers[$at] === $means);
            $kinds[$kind]['wrong'] += (int) ($taken && $answers[$at] !== $means);
            if ($taken && $answers[$at] !== $means) {
                $kinds[$kind]['mistakes'][] = $text.' → '.$answers[$at].', not '.$means;
            } elseif ($person && !$taken) {
                $kinds[$kind]['missed'][] = $text.' is '.$means.': '.$answers[$at];
            }
        }

        return $kinds;
    }
}
