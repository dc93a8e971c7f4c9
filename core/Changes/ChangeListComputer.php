<?php

declare(strict_types=1);

namespace MintDoor\Core\Changes;

use MintDoor\Core\Roster\Leads;

/**
 * Computes a change list of many lines. Verdicts see the whole change list: seats are given in line order, once more is
 * as good as once, whoever is on it to become two things has to be settled, and a line that only another one makes
 * possible is looked at again after it.
 */
final readonly class ChangeListComputer
{
    /** What another line may still change. */
    private const MAY_CHANGE = ['last-lead', 'lead-ends', 'leads-full', Laws::SECTION_FULL, ...Laws::NO_SEAT];

    public function __construct(private LineComputer $computer) {}

    /**
     * @param array<array-key, LineWanted> $lines in order
     *
     * @return array<array-key, ComputedChange> by the same keys, in the same order
     */
    public function compute(ChangeListContext $context, array $lines): array
    {
        $first = $different = [];
        foreach ($lines as $key => $line) {
            $first[$line->person] ??= $key;
            $other = $lines[$first[$line->person]]->wanted != $line->wanted;
            $different[$line->person] = ($different[$line->person] ?? false) || $other;
        }

        return $this->inTurn(
            $context,
            array_map(static fn(LineWanted $line): string => $line->person, $lines),
            function (ChangeContext $one, int|string $key) use ($lines, $different, $first): ComputedChange {
                $line = $lines[$key];

                return $different[$line->person] || $first[$line->person] !== $key
                    ? $this->computer->besides($one, !$different[$line->person])
                    : $this->computer->compute($one, $line->wanted);
            },
        );
    }

    /**
     * The change list that takes applied lines back, the last one first.
     *
     * @param array<array-key, LineToUndo> $lines
     *
     * @return array<array-key, ComputedChange>
     */
    public function undo(ChangeListContext $context, array $lines): array
    {
        return $this->inTurn(
            $context,
            array_map(static fn(LineToUndo $line): string => $line->person, $lines),
            fn(ChangeContext $one, int|string $key): ComputedChange => $this->computer->undo(
                $one,
                $lines[$key]->effects,
            ),
        );
    }

    /**
     * Lines of any kind, each from what the ones before it leave; those that have to wait for another are looked at
     * again.
     *
     * @param array<array-key, string>                            $people  person id by line
     * @param \Closure(ChangeContext, int|string): ComputedChange $compute
     *
     * @return array<array-key, ComputedChange>
     */
    public function inTurn(ChangeListContext $context, array $people, \Closure $compute): array
    {
        $state = new ChangeListState($context, new Leads($context->roles));
        $lines = [];
        $left = array_keys($people);
        do {
            $again = [];
            $progress = false;
            foreach ($left as $key) {
                $line = $compute($state->of($people[$key]), $key);
                $lines[$key] = $line;
                if ([] !== $line->effects) {
                    $state->apply($people[$key], $line);
                    $progress = true;
                } elseif (\in_array(($line->reasons[0] ?? null)?->code, self::MAY_CHANGE, true)) {
                    $again[] = $key;
                }
            }
            $left = $again;
            if (!$progress) {
                $changed = $this->changePlaces($state, array_intersect_key($people, array_flip($left)), $compute);
                $left = array_values(array_diff($left, array_keys($changed)));
                $lines = array_replace($lines, $changed);
                $progress = [] !== $changed;
            }
        } while ($progress && [] !== $left);

        // In line order, also where some were looked at again; `$lines` fills up in that order the first time round.
        return $lines;
    }

    /**
     * Lines into full sections that go together though none goes first, as when two people change places. Where they
     * would leave a section with more people than seats, lines are left out: those first that free no seat, the last of
     * them first.
     *
     * @param array<array-key, string>                            $people  person id by line, of those that are left
     * @param \Closure(ChangeContext, int|string): ComputedChange $compute
     *
     * @return array<array-key, ComputedChange> those that go, by line
     */
    private function changePlaces(ChangeListState $state, array $people, \Closure $compute): array
    {
        $lines = [];
        foreach ($people as $key => $person) {
            $line = $compute($state->of($person)->inEmptySections(), $key);
            if ([] !== $line->effects) {
                $lines[$key] = $line;
            }
        }
        while ([] !== $lines) {
            $after = clone $state;
            foreach ($lines as $key => $line) {
                $after->apply($people[$key], $line);
            }
            $was = $state->overfull();
            $over = array_keys(
                array_filter(
                    $after->overfull(),
                    static fn(int $many, string $id): bool => $many > $was[$id],
                    \ARRAY_FILTER_USE_BOTH
                ),
            );
            if ([] === $over) {
                foreach ($lines as $key => $line) {
                    $state->apply($people[$key], $line);
                }

                return $lines;
            }
            $into = array_filter(
                $lines,
                static fn(ComputedChange $line): bool => [] !== array_intersect($line->after->sections ?? [], $over),
            );
            $only = array_filter(
                $into,
                static fn(ComputedChange $line): bool => [] === ($line->before->sections ?? [])
            );
            unset($lines[array_key_last($only) ?? array_key_last($into) ?? array_key_last($lines)]);
        }

        return [];
    }
}
