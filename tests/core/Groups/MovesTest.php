<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Groups;

use MintDoor\Core\Groups\Group;
use MintDoor\Core\Groups\JudgedMove;
use MintDoor\Core\Groups\Kinds;
use MintDoor\Core\Groups\Move;
use MintDoor\Core\Groups\Moves;
use MintDoor\Core\Groups\MoveVerdict;
use MintDoor\Core\Groups\Split;
use MintDoor\Demo\Dice;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Who may be moved from one group to another, and what becomes of a sitting as a whole. */
final class MovesTest extends TestCase
{
    #[TestWith(['ada', 'blue', null, MoveVerdict::Ready])]
    #[TestWith(['ada', null, null, MoveVerdict::There])]
    #[TestWith(['ada', 'blue', 'red', MoveVerdict::ChangedSince])]
    #[TestWith(['bea', 'blue', 'red', MoveVerdict::Ready])]
    #[TestWith(['bea', null, 'red', MoveVerdict::Ready])]
    #[TestWith(['bea', 'red', 'blue', MoveVerdict::There])]
    #[TestWith(['bea', 'green', 'red', MoveVerdict::NoGroup])]
    #[TestWith(['cem', 'red', null, MoveVerdict::NotHere])]
    public function testOneMove(string $person, ?string $to, ?string $from, MoveVerdict $verdict): void
    {
        $split = new Split([new Group('red', 1), new Group('blue')], ['ada' => null, 'bea' => 'red']);
        $judged = Moves::judge($split, [$person => new Move($person, $to, $from)]);
        self::assertSame($verdict, $judged[$person]->verdict);
    }

    public function testPeopleOfFullGroupsChangePlaces(): void
    {
        $split = new Split([new Group('red', 1), new Group('blue', 1)], ['ada' => 'red', 'bea' => 'blue']);
        $moves = ['ada' => new Move('ada', 'blue', 'red'), 'bea' => new Move('bea', 'red', 'blue')];
        foreach ([true, false] as $strict) {
            $judged = Moves::judge($split, $moves, $strict);
            self::assertSame([true, true], array_values(array_map(self::ready(...), $judged)));
            self::assertSame(['ada' => 'blue', 'bea' => 'red'], Moves::after($split, $judged)->places);
        }
    }

    public function testWhoComesFirstHasTheLastPlace(): void
    {
        $split = new Split([new Group('red', 1)], ['ada' => null, 'bea' => null]);
        $moves = ['bea' => new Move('bea', 'red', null), 'ada' => new Move('ada', 'red', null)];
        $judged = Moves::judge($split, $moves, true);
        self::assertSame([MoveVerdict::Ready, MoveVerdict::Full], [$judged['bea']->verdict, $judged['ada']->verdict]);
        $meant = Moves::judge($split, $moves);
        self::assertSame([true, true], [$meant['bea']->over, $meant['ada']->over]);
        self::assertSame(2, Moves::after($split, $meant)->counts()['red']);
    }

    public function testWhoeverStaysKeepsTheirPlaceFromOthers(): void
    {
        // Bea cannot leave, as blue is full; then nobody fits where she is.
        $split = new Split(
            [new Group('red', 1), new Group('blue', 1)],
            ['ada' => null, 'bea' => 'red', 'cem' => 'blue'],
        );
        $judged = Moves::judge(
            $split,
            ['ada' => new Move('ada', 'red', null), 'bea' => new Move('bea', 'blue', 'red')],
            true,
        );
        self::assertSame([MoveVerdict::Full, MoveVerdict::Full], array_column($judged, 'verdict'));
    }

    public function testLaws(): void
    {
        $filled = 0;
        for ($seed = 1; $seed <= 300; ++$seed) {
            [$split, $moves] = self::drawn(new Dice($seed));
            foreach ([true, false] as $strict) {
                $judged = Moves::judge($split, $moves, $strict);
                $after = Moves::after($split, $judged);
                self::assertSame(array_keys($split->places), array_keys($after->places), 'nobody comes or goes');
                self::assertSame(array_keys($moves), array_keys($judged));
                $before = $split->counts();
                foreach ($after->counts() as $group => $people) {
                    $most = $split->groups[$group]->most ?? \PHP_INT_MAX;
                    if ($strict) {
                        self::assertLessThanOrEqual(max($most, $before[$group]), $people, "seed $seed");
                        $filled += $people === $most ? 1 : 0;
                    }
                }
                $ready = array_filter($judged, self::ready(...));
                $back = array_map(static fn(JudgedMove $each): Move => $each->move->back(), $ready);
                $undone = Moves::after($after, Moves::judge($after, $back));
                self::assertSame($split->places, $undone->places, "taken back, seed $seed");
            }
        }
        self::assertGreaterThan(100, $filled);
    }

    public function testAGroupForEachKind(): void
    {
        $kinds = ['ada' => ['violin', 'viola'], 'bea' => [], 'cem' => ['cello'], 'dana' => ['violin']];
        self::assertSame(
            ['cello' => ['cem'], 'violin' => ['ada', 'dana']],
            Kinds::groups($kinds),
        );
        self::assertSame(['violin', 'cello'], array_keys(Kinds::groups($kinds, ['violin', 'viola', 'cello'])));
        self::assertSame([2, 10], array_keys(Kinds::groups(['a' => ['10'], 'b' => ['2']])), 'as numbers');
    }

    /** @return array{Split, array<string, Move>} */
    private static function drawn(Dice $dice): array
    {
        $groups = [];
        for ($n = $dice->between(1, 5); $n > 0; --$n) {
            $groups[] = new Group("g$n", $dice->between(0, 3) > 0 ? $dice->between(1, 4) : null);
        }
        $anywhere = static fn(): ?string => $dice->between(0, 3) > 0
            ? $groups[$dice->between(0, \count($groups) - 1)]->id
            : null;
        $places = $moves = [];
        for ($n = $dice->between(1, 14); $n > 0; --$n) {
            $places["p$n"] = $anywhere();
            if ($dice->between(0, 2) > 0) {
                $from = $dice->between(0, 9) > 0 ? $places["p$n"] : $anywhere();
                $moves["p$n"] = new Move("p$n", $anywhere(), $from);
            }
        }

        return [new Split($groups, $places), $moves];
    }

    private static function ready(JudgedMove $each): bool
    {
        return $each->isReady();
    }
}
