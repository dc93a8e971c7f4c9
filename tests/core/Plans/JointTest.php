<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Plans;

use MintDoor\Core\Plans\Candidate;
use MintDoor\Core\Plans\Conditions;
use MintDoor\Core\Plans\Joint;
use MintDoor\Core\Plans\Lot;
use MintDoor\Core\Plans\Moves;
use MintDoor\Core\Plans\Question;
use MintDoor\Core\Plans\Tally;
use MintDoor\Core\Plans\Why;
use MintDoor\Demo\Dice;
use PHPUnit\Framework\TestCase;

/** Several sites planned together: whoever is in several of them needs a place in each, at other hours. */
final class JointTest extends TestCase
{
    private const SITES = ['harmony' => ['h1', 'h2', 'h3'], 'choir' => ['c1', 'c2', 'c3']];

    public function testNobodyIsInTwoPlacesAtOnce(): void
    {
        $alone = 0;
        for ($seed = 1; $seed <= 25; ++$seed) {
            [$questions, $sameTime] = self::drawn(new Dice($seed));
            $joint = Question::together($questions, $sameTime);
            $plan = Planned::of($joint);
            self::assertSame(0, self::twice($plan->places + $joint->stay, $sameTime), "seed $seed");
            // Each by itself would have some.
            $each = [];
            foreach ($questions as $site => $question) {
                $each += Joint::keyed(Planned::of($question)->places + $question->stay, $site);
            }
            $alone += self::twice($each, $sameTime);
        }
        self::assertGreaterThan(0, $alone);
    }

    public function testWhereNothingMeetsAtTheSameTimeEachIsAsGoodAsByItself(): void
    {
        for ($seed = 1; $seed <= 25; ++$seed) {
            [$questions] = self::drawn(new Dice($seed));
            $joint = Question::together($questions, []);
            self::assertTrue($joint->conditions->none());
            $why = Joint::why($questions, $joint, Planned::of($joint));
            foreach ($questions as $site => $question) {
                $own = Why::all($question, Planned::of($question));
                self::assertSame(array_keys($own), array_keys($why[$site]), 'the same people');
                self::assertEquals(Tally::of($own), Tally::of($why[$site]), "seed $seed, $site");
            }
        }
    }

    public function testOfFewNoOtherWayIsBetter(): void
    {
        for ($seed = 1; $seed <= 15; ++$seed) {
            [$questions, $sameTime] = self::drawn(new Dice(100 + $seed), 2, Moves::All);
            $joint = Question::together($questions, $sameTime);
            $found = self::cost($joint, Planned::of($joint)->places);
            self::assertSame(self::least($joint, $sameTime), $found, "seed $seed");
        }
    }

    public function testWhoStaysInOneSiteHasNothingElseThenInTheOther(): void
    {
        $harmony = Question::of([new Candidate('ada', 'h1')], ['h1' => 9, 'h2' => 9], Moves::Nobody);
        $choir = Question::of([new Candidate('ada', null, ['c1'])], ['c1' => 9, 'c2' => 9], Moves::Nobody);
        $joint = Question::together(['harmony' => $harmony, 'choir' => $choir], [['h1', 'c1'], ['h2', 'c2']]);
        self::assertSame(['ada/choir' => 'c2'], Planned::of($joint)->places);
    }

    public function testWhatMeetsAtThatTimeInAnotherSiteIsSaidToBeInTheWay(): void
    {
        $of = static fn(string $wish, int $places): Question => Question::of(
            [new Candidate('ada', null, [$wish])],
            [$wish => 9, $wish.'2' => $places],
            Moves::Nobody,
        );
        $questions = ['harmony' => $of('h1', 0), 'choir' => $of('c1', 9)];
        $joint = Question::together($questions, [['h1', 'c1']]);
        $why = Joint::why($questions, $joint, Planned::of($joint));
        self::assertSame(['h1', []], [$why['harmony']['ada']->section, $why['harmony']['ada']->kept]);
        self::assertSame(['c12', ['c1']], [$why['choir']['ada']->section, $why['choir']['ada']->kept]);
        self::assertSame([], [...$why['choir']['ada']->full, ...$why['choir']['ada']->cannot]);
    }

    public function testConditionsOfASiteAreItsOwn(): void
    {
        $of = static fn(array $places, Conditions $conditions): Question => Question::of(
            [new Candidate('ada'), new Candidate('bo')],
            $places,
            Moves::All,
            $conditions,
        );
        $joint = Question::together([
            'harmony' => $of(['h1' => 2, 'h2' => 2], new Conditions([['ada', 'bo']])),
            'choir' => $of(['c1' => 2, 'c2' => 2], new Conditions([], [['ada', 'bo']])),
        ], [['h1', 'c1']]);
        $places = Planned::of($joint)->places;
        self::assertSame($places['ada/harmony'], $places['bo/harmony']);
        self::assertNotSame($places['ada/choir'], $places['bo/choir']);
        self::assertSame('h2', $places['ada/harmony'], 'one of them is in c1');
    }

    public function testALotIsThatOfItsSiteWhateverIsPlannedWithIt(): void
    {
        $lot = new Lot('seed of harmony', ['c1' => 'seed of choir']);
        self::assertSame((new Lot('seed of harmony'))->of('ada', 'h1'), $lot->of('ada/harmony', 'h1'));
        self::assertSame((new Lot('seed of choir'))->of('ada', 'c1'), $lot->of('ada/choir', 'c1'));
    }

    /** @return array{array<string, Question>, list<list<string>>} */
    private static function drawn(Dice $dice, int $people = 8, Moves $moves = Moves::Nobody): array
    {
        $questions = [];
        foreach (self::SITES as $site => $ids) {
            $candidates = [];
            for ($n = 0; $n < $people; ++$n) {
                $at = $dice->chance(20) ? $dice->some($ids, 1)[0] : null;
                $candidates[] = new Candidate("p$n", $at, $dice->some($ids, 2), $dice->some($ids, $dice->below(2)));
            }
            $places = [];
            foreach ($ids as $id) {
                $places[$id] = $dice->between(1, 2 + intdiv($people, 2));
            }
            $questions[$site] = Question::of($candidates, $places, $moves);
        }
        $sameTime = [];
        foreach (self::SITES['harmony'] as $n => $one) {
            $sameTime[] = [$one, self::SITES['choir'][($n + $dice->below(2)) % 3]];
        }
        // Those who are in two places at once already are not its doing.
        $stay = [];
        foreach ($questions as $site => $question) {
            $stay += Joint::keyed($question->stay, $site);
        }

        return [$questions, 0 === self::twice($stay, $sameTime) ? $sameTime : []];
    }

    /**
     * @param array<string, string> $places
     * @param list<list<string>>    $sameTime
     */
    private static function twice(array $places, array $sameTime): int
    {
        $by = [];
        foreach ($places as $id => $section) {
            $by[Joint::personOf((string) $id)][$section] = true;
        }
        $twice = 0;
        foreach ($by as $own) {
            foreach ($sameTime as [$one, $other]) {
                $twice += (int) isset($own[$one], $own[$other]);
            }
        }

        return $twice;
    }

    /**
     * The sum of squares of what was wished before, and more for nowhere than for anything else.
     *
     * @param array<string, string> $places
     */
    private static function cost(Question $question, array $places): int
    {
        $cost = 0;
        foreach ($question->people as $person) {
            $at = $places[$person->id] ?? null;
            $cost += null === $at ? ($person->placed ? 72 : 36) : ((int) $person->rank($at) - 1) ** 2;
        }

        return $cost;
    }

    /** @param list<list<string>> $sameTime */
    private static function least(Question $question, array $sameTime): int
    {
        $places = array_column($question->sections, 'places', 'id');
        $ways = [[]];
        foreach ($question->people as $person) {
            $longer = [];
            foreach ($ways as $way) {
                $longer[] = $way;
                foreach (array_keys($places) as $section) {
                    null === $person->rank($section) || ($longer[] = [...$way, $person->id => $section]);
                }
            }
            $ways = $longer;
        }
        $least = \PHP_INT_MAX;
        foreach ($ways as $way) {
            $held = array_count_values($way);
            $fits = [] === array_filter(
                $held,
                static fn(int $n, string $id): bool => $n > $places[$id],
                \ARRAY_FILTER_USE_BOTH
            );
            if ($fits && 0 === self::twice($way, $sameTime)) {
                $least = min($least, self::cost($question, $way));
            }
        }

        return $least;
    }
}
