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
    private const MAY_CHANGE = ['last-lead', 'lead-ends', 'leads-full', ...Laws::NO_SEAT];

    public function __construct(private LineComputer $computer) {}

    /**
     * @param array<array-key, array{string, Wanted}> $lines person id and what is wanted, in order
     *
     * @return array<array-key, ComputedChange> by the same keys, in the same order
     */
    public function compute(ChangeListContext $context, array $lines): array
    {
        $first = $different = [];
        foreach ($lines as $key => [$person, $wanted]) {
            $first[$person] ??= $key;
            $different[$person] = ($different[$person] ?? false) || $lines[$first[$person]][1] != $wanted;
        }

        return $this->all(
            $context,
            array_map(static fn(array $line): string => $line[0], $lines),
            function (ChangeContext $one, int|string $key) use ($lines, $different, $first): ComputedChange {
                [$person, $wanted] = $lines[$key];

                return $different[$person] || $first[$person] !== $key
                    ? $this->computer->besides($one, !$different[$person])
                    : $this->computer->compute($one, $wanted);
            },
        );
    }

    /**
     * The change list that takes applied lines back, the last one first.
     *
     * @param array<array-key, array{string, list<Effect>}> $lines person id and effects as they were applied
     *
     * @return array<array-key, ComputedChange>
     */
    public function undo(ChangeListContext $context, array $lines): array
    {
        return $this->all(
            $context,
            array_map(static fn(array $line): string => $line[0], $lines),
            fn(ChangeContext $one, int|string $key): ComputedChange => $this->computer->undo($one, $lines[$key][1]),
        );
    }

    /**
     * @param array<array-key, string>             $people  person id by line
     * @param callable(ChangeContext, int|string): ComputedChange $compute
     *
     * @return array<array-key, ComputedChange>
     */
    private function all(ChangeListContext $context, array $people, callable $compute): array
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
        } while ($progress && [] !== $left);

        // In line order, also where some were looked at again; `$lines` fills up in that order the first time round.
        return $lines;
    }
}
