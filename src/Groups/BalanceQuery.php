<?php

declare(strict_types=1);

namespace MintDoor\Groups;

use MintDoor\Core\Groups\CountWish;
use MintDoor\Core\Groups\MetWish;
use MintDoor\Core\Groups\Move;
use MintDoor\Core\Groups\PairWish;
use MintDoor\Core\Groups\Report;
use MintDoor\Groups\Entity\GroupSplit;
use MintDoor\Roster\SiteAccess;

/** How the groups of a split meet what they are to be like, also as they would be if people were moved. */
final readonly class BalanceQuery
{
    /** So many people are named for a wish at most. */
    private const MOST_NAMED = 40;

    public function __construct(private GroupQuestions $questions) {}

    /** @param array<string, Move> $moves by person, as if they were made */
    public function of(SiteAccess $access, GroupSplit $split, array $moves): BalanceAnswer
    {
        $asked = $this->questions->of($access, $split);
        $places = self::places($asked, $moves);
        $report = Report::of($asked->question, $places);
        $wishes = [];
        $hard = 0;
        foreach ($asked->wishes as $one) {
            $lacks = $least = $whole = 0;
            foreach ($one->numbers() as $number) {
                $kept = $report->wishes[$number];
                $lacks += $kept->lacks;
                $least += $kept->least;
                $whole += $kept->whole;
            }
            $hard += $one->wish->must && 'even' !== $one->wish->kind ? $lacks : 0;
            $wishes[] = new BalancedWish(
                $lacks,
                $least,
                $whole,
                self::groups($asked, $one, $places),
                self::people($asked, $one, $places),
            );
        }

        return new BalanceAnswer(
            $wishes,
            $hard,
            max(0, $report->cost->broken - $hard),
            $report->met(),
            $report->best(),
            $report->isBest(),
        );
    }

    /**
     * @param array<string, Move> $moves
     *
     * @return array<string, int> number of the group by person, of those who are in one then
     */
    private static function places(AskedGroups $asked, array $moves): array
    {
        $numbers = array_flip($asked->groups);
        $places = $asked->now;
        foreach (array_intersect_key($moves, array_flip($asked->question->people)) as $person => $move) {
            unset($places[$person]);
            if (null !== $move->to && isset($numbers[$move->to])) {
                $places[$person] = $numbers[$move->to];
            }
        }

        return $places;
    }

    /**
     * @param array<string, int> $places
     *
     * @return list<BalancedGroup>
     */
    private static function groups(AskedGroups $asked, AskedWish $one, array $places): array
    {
        $shown = [];
        foreach ($asked->groups as $number => $group) {
            $here = array_keys($places, $number, true);
            if ('even' === $one->wish->kind) {
                $values = array_intersect_key($one->values, array_flip($here));
                $mean = [] === $values ? null : round(array_sum($values) / \count($values), 2);
                $shown[] = new BalancedGroup($group, null === $mean ? [] : [new Amount('', $mean)], false);
                continue;
            }
            $amounts = [];
            $wrong = false;
            foreach ($one->names as $n => $name) {
                $wish = $asked->question->wishes[$one->from + $n];
                if ($wish instanceof CountWish) {
                    $count = \count(array_intersect($wish->who, $here));
                    $amounts[] = new Amount($name, $count);
                    $wrong = $wrong || $count < $wish->least || $count > $wish->most;
                }
            }[] === $one->names || ($shown[] = new BalancedGroup($group, $amounts, $wrong));
        }

        return $shown;
    }

    /**
     * @param array<string, int> $places
     *
     * @return list<list<string>> ids: two of whom it is not so, or somebody and those they are with again
     */
    private static function people(AskedGroups $asked, AskedWish $one, array $places): array
    {
        $named = [];
        foreach ($one->numbers() as $number) {
            $wish = $asked->question->wishes[$number];
            if ($wish instanceof PairWish) {
                $same = isset($places[$wish->one], $places[$wish->other])
                    && $places[$wish->one] === $places[$wish->other];
                $same === $wish->together || ($named[] = [$wish->one, $wish->other]);
            } elseif ($wish instanceof MetWish) {
                $named = [...$named, ...self::again($wish, $places)];
            }
        }

        return \array_slice($named, 0, self::MOST_NAMED);
    }

    /**
     * @param array<string, int> $places
     *
     * @return list<list<string>> those of one group of before who are in one group again, and too many of them
     */
    private static function again(MetWish $wish, array $places): array
    {
        $again = [];
        foreach ($wish->before as $together) {
            $by = [];
            foreach ($together as $person) {
                isset($places[$person]) && ($by[$places[$person]][] = $person);
            }
            foreach ($by as $people) {
                \count($people) - 1 > $wish->most && ($again[] = $people);
            }
        }

        return $again;
    }
}
