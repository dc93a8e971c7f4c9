<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Plans;

use MintDoor\Core\Plans\Because;
use MintDoor\Core\Plans\Candidate;
use MintDoor\Core\Plans\Moves;
use MintDoor\Core\Plans\Plan;
use MintDoor\Core\Plans\PlanSection;
use MintDoor\Core\Plans\Question;
use MintDoor\Core\Plans\Tally;
use MintDoor\Core\Plans\Why;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** What a plan is asked, what it comes to, and why everybody is where they are. */
final class TallyTest extends TestCase
{
    public function testItCountsWishesThatCameTrueAndThoseThatDidNot(): void
    {
        $question = Question::of(
            [
                new Candidate('ada', null, ['b', 'a']),
                new Candidate('bo', null, ['a']),
                new Candidate('cy', null, ['b']),
                new Candidate('di'),
                new Candidate('ed', null, ['a']),
                new Candidate('flo', 'b'),
            ],
            ['a' => 3, 'b' => 2],
            Moves::Nobody,
        );
        $plan = new Plan(['ada' => 'a', 'bo' => 'a', 'cy' => 'a', 'di' => 'b'], ['ed']);
        $tally = Tally::of(Why::all($question, $plan));
        self::assertSame([1 => 1, 2 => 1], $tally->wishes);
        self::assertSame(
            ['stays' => 1, 'makes-room' => 0, 'wish' => 2, 'unnamed' => 1, 'wishless' => 1, 'nowhere' => 1],
            $tally->because,
        );
    }

    public function testWhySaysWhatTheyWishedMoreAndWhatWouldPlaceThem(): void
    {
        $question = Question::of(
            [new Candidate('ada', null, ['c', 'a', 'b'], ['c']), new Candidate('bo', null, ['b'], ['a'])],
            ['a' => 0, 'b' => 1, 'c' => 5],
            Moves::Nobody,
        );
        $why = Why::all($question, new Plan(['ada' => 'b'], ['bo']));
        self::assertEquals(new Why(Because::Wish, 'b', 3, ['a'], ['c']), $why['ada']);
        self::assertEquals(new Why(Because::Nowhere, null, null, ['b'], [], ['b', 'c'], ['a']), $why['bo']);
    }

    /** @param list<string> $stay */
    #[TestWith([Moves::Nobody, false, ['ada'], 1], 'nobody moves')]
    #[TestWith([Moves::All, false, [], 2], 'all may')]
    #[TestWith([Moves::All, true, ['ada'], 1], 'all but her')]
    #[TestWith([Moves::Few, false, [], 2], 'to make room')]
    #[TestWith([Moves::Few, true, ['ada'], 1], 'to make room, but for her')]
    public function testWhoeverIsInASectionStaysUnlessPeopleMove(
        Moves $moves,
        bool $named,
        array $stay,
        int $left,
    ): void {
        $candidates = [new Candidate('ada', 'a', ['b'], stays: $named), new Candidate('bo', null, ['a'])];
        $question = Question::of($candidates, ['a' => 2, 'b' => null], $moves);
        self::assertSame($stay, array_keys($question->stay));
        self::assertEquals(
            [new PlanSection('a', $left), new PlanSection('b', \count($question->people))],
            $question->sections,
        );
    }

    public function testWhoeverMayMoveAndWishesNothingWishesToBeWhereTheyAre(): void
    {
        $question = Question::of([new Candidate('ada', 'a', cannot: ['a', 'b'])], ['a' => 1, 'b' => 1], Moves::All);
        self::assertSame([['a'], ['b']], [$question->people[0]->wishes, $question->people[0]->cannot]);
    }

    public function testWhoeverSaidNoWishAndStaysWhereTheyAreGotNoneOfTheirWishes(): void
    {
        $question = Question::of(
            [new Candidate('ada', 'a'), new Candidate('bo', 'a'), new Candidate('cy', 'a', ['a'])],
            ['a' => 2, 'b' => 2],
            Moves::All,
        );
        $why = Why::all($question, new Plan(['ada' => 'a', 'bo' => 'b', 'cy' => 'a'], []));
        self::assertEquals(
            [new Why(Because::Stays, 'a'), new Why(Because::Wishless, 'b', full: ['a']), new Why(
                Because::Wish,
                'a',
                1
            )],
            array_values($why),
        );
    }

    public function testWhoeverComesLateIsPlacedWithTheFewestMoves(): void
    {
        $question = Question::of(
            [new Candidate('ada', 'a', ['b']), new Candidate('bo', 'a', cannot: ['b']), new Candidate(
                'cy',
                null,
                [],
                ['b']
            )],
            ['a' => 2, 'b' => 2],
            Moves::Few,
        );
        $why = Why::all($question, Planned::of($question));
        self::assertSame(
            ['makes-room', 'stays', 'wishless'],
            array_map(static fn(Why $one): string => $one->because->value, array_values($why)),
        );
        self::assertSame(['b', 'a', 'a'], [$why['ada']->section, $why['bo']->section, $why['cy']->section]);
    }

    public function testMoreWhoStayThanThereArePlacesLeaveNone(): void
    {
        $question = Question::of([new Candidate('ada', 'a'), new Candidate('bo', 'a')], ['a' => 1], Moves::Nobody);
        self::assertSame(0, $question->sections[0]->places);
    }

    public function testWhoIsInASectionOutsideThePlanIsGivenAPlace(): void
    {
        $question = Question::of([new Candidate('ada', 'z', ['gone', 'a'])], ['a' => 1], Moves::Nobody);
        self::assertSame([['a'], []], [$question->people[0]->wishes, $question->stay]);
    }
}
