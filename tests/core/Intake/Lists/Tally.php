<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Intake\Lists;

/** Counts what a reader makes of whole lists, as the README beside this says. */
final class Tally
{
    /**
     * @param list<WholeList>                    $lists
     * @param callable(WholeList): list<Answer> $read
     *
     * @return array<string, Count> by kind of line
     */
    public static function of(array $lists, callable $read): array
    {
        $kinds = [];
        foreach ($lists as $list) {
            $answers = array_fill_keys(array_keys($list->lines), []);
            foreach ($read($list) as $answer) {
                $answers[$answer->line][] = $answer;
            }
            foreach ($list->lines as $at => $line) {
                self::line($kinds[$line->kind] ??= new Count(), $line, $answers[$at]);
            }
        }
        ksort($kinds);

        return $kinds;
    }

    /** @param array<string, Count> $kinds */
    public static function sum(array $kinds): Count
    {
        $sum = new Count();
        foreach ($kinds as $count) {
            $sum->add($count);
        }

        return $sum;
    }

    /** @param list<Answer> $answers */
    private static function line(Count $count, Line $line, array $answers): void
    {
        ++$count->lines;
        $taken = array_filter(array_map(static fn(Answer $each): ?string => $each->taken(), $answers));
        $meant = array_filter(array_map(
            static fn(Label $label): string => 'out' === $label->type ? '' : $label->who,
            $line->labels,
        ));
        $count->taken += \count($taken);
        $wrong = array_diff($taken, $meant);
        $count->wrong += \count($wrong);
        if ([] !== $wrong) {
            $count->said[] = 'WRONG '.$line->text.' → '.implode(' ', $wrong).', not '.implode(' ', $meant);
        }
        foreach ($line->labels as $label) {
            $matches = \in_array($label->who, $taken, true);
            $asks = array_filter(
                $answers,
                static fn(Answer $each): bool => \in_array($each->says, ['choose', 'unknown'], true)
            );
            $offers = [] !== array_filter(
                $asks,
                static fn(Answer $each): bool => \in_array($label->who, $each->people, true)
            );
            $nobody = [] === array_filter($answers, static fn(Answer $each): bool => 'nobody' !== $each->says);
            $repeat = [] !== array_filter(
                $answers,
                static fn(Answer $each): bool => 'repeat' === $each->says && $each->taken() === $label->who,
            );
            $right = match ($label->type) {
                'person' => $matches,
                'repeat' => $repeat,
                'nobody' => $nobody,
                'stranger' => [] === $wrong && [] !== $asks,
                default => ('careful' === $label->type && $matches) || (!$matches && $offers),
            };
            match ($label->type) {
                'person' => [++$count->persons, $count->found += (int) $right],
                'repeat' => [++$count->repeats, $count->repeated += (int) $right],
                'nobody' => [++$count->nobodies, $count->passed += (int) $right],
                default => [++$count->careful, $count->held += (int) $right],
            };
            if (\in_array($label->type, ['person', 'ask', 'careful', 'out'], true) && !$matches && [] !== $asks) {
                ++$count->asked;
                $count->offered += (int) $offers;
            }
            if (!$right) {
                $count->said[] = "$label->type $label->who: $line->text → ".implode('; ', array_map(
                    static fn(Answer $each): string => trim($each->says.' '.implode(' ', $each->people)),
                    $answers,
                ));
            }
        }
    }
}
