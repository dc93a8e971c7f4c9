<?php

declare(strict_types=1);

namespace MintDoor\Groups;

use MintDoor\Core\Groups\Computer;
use MintDoor\Core\Groups\Cost;
use MintDoor\Core\Groups\PairWish;
use MintDoor\Core\Groups\Question;
use MintDoor\Core\Groups\Repair;
use MintDoor\Core\Groups\WayOut;

/** What is asked of the groups of a split, as the core takes it. */
final readonly class AskedGroups
{
    /**
     * @param list<string>       $groups ids, by their numbers
     * @param array<string, int> $now    number of the group by person, of those who are in one
     * @param list<AskedWish>    $wishes
     */
    public function __construct(
        public Question $question,
        public array $groups,
        public array $now,
        public array $wishes,
        public bool $few,
    ) {}

    /** @param \Closure(int, int): bool $goesOn as of `Computer` */
    public function compute(string $seed, \Closure $goesOn): ComputedGroups
    {
        $places = $this->few
            ? Repair::compute($this->question, $this->now, $seed, goesOn: $goesOn)
            : Computer::compute($this->question, $seed, goesOn: $goesOn);
        $wayOut = null;
        if (Cost::of($this->question, $places)->broken > 0) {
            $parts = $this->parts($places);
            $found = WayOut::find($this->question, array_column($parts, 'numbers'), $seed, goesOn: $goesOn);
            $wayOut = null === $found ? null : $parts[$found]['out'];
        }

        return new ComputedGroups(
            array_map(fn(int $number): string => $this->groups[$number], $places),
            Repair::moved($this->now, $places),
            $wayOut,
        );
    }

    /**
     * What may be given up, the smallest first: two people who are to be together or apart, then whole wishes; those
     * that are broken before those that are kept.
     *
     * @param array<string, int> $places
     *
     * @return list<array{numbers: list<int>, out: GivenUp}>
     */
    private function parts(array $places): array
    {
        $parts = [];
        foreach ($this->wishes as $n => $asked) {
            if (!$asked->wish->must) {
                continue;
            }
            $pairs = \in_array($asked->wish->kind, ['together', 'apart', 'free'], true);
            foreach ($pairs ? array_chunk($asked->numbers(), 1) : [$asked->numbers()] as $numbers) {
                $first = [] === $numbers ? null : $this->question->wishes[$numbers[0]];
                $people = $pairs && $first instanceof PairWish ? [$first->one, $first->other] : [];
                $parts[] = [
                    'numbers' => $numbers,
                    'out' => new GivenUp($n, $people),
                    'order' => [$pairs ? 0 : 1, $this->isBroken($numbers, $places) ? 0 : 1, $n],
                ];
            }
        }
        usort($parts, static fn(array $one, array $other): int => $one['order'] <=> $other['order']);

        return array_map(
            static fn(array $part): array => ['numbers' => $part['numbers'], 'out' => $part['out']],
            $parts,
        );
    }

    /**
     * @param list<int>          $numbers
     * @param array<string, int> $places
     */
    private function isBroken(array $numbers, array $places): bool
    {
        $question = $this->question;
        $none = new Question($question->people, $question->sizes);
        $wishes = array_values(array_intersect_key($question->wishes, array_flip($numbers)));
        $alone = new Question($question->people, $question->sizes, $wishes);

        return Cost::of($alone, $places)->broken > Cost::of($none, $places)->broken;
    }
}
