<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Platform;

use MintDoor\Core\Platform\Division;
use MintDoor\Core\Platform\DivisionMove;
use MintDoor\Core\Platform\DivisionTree;
use MintDoor\Core\Platform\Levels;
use MintDoor\Demo\Dice;
use PHPUnit\Framework\Attributes\DataProviderExternal;
use PHPUnit\Framework\TestCase;

final class DivisionMoveTest extends TestCase
{
    #[DataProviderExternal(DivisionTreeTest::class, 'forests')]
    public function testMovedAndPutBackTheDivisionsAreAsTheyWere(DivisionTree $tree): void
    {
        $dice = new Dice(\count($tree->all()));
        for ($n = 0; $n < 20; ++$n) {
            $move = self::some($tree, $dice);
            if ([] !== $move->refusals($tree)) {
                continue;
            }
            $after = $move->after($tree);
            self::assertSame([], $after->rings(), 'nothing comes below itself');
            self::assertCount(\count($tree->all()), $after->all());
            self::assertSame($move->retire, $after->find($move->from)?->retired);
            if (null !== $move->below) {
                self::assertSame([], $move->goes($after), 'nothing stays below it');
            }
            $made = new DivisionMove(
                $move->from,
                $move->people,
                $move->sites,
                $move->below,
                $move->retire,
                $move->goes($tree),
            );
            self::assertEquals($tree, $made->back($after));
        }
    }

    public function testWhatWasDoneSinceStays(): void
    {
        $division = static fn(string $code, ?string $parent = null): Division => new Division($code, $code, $parent);
        $tree = new DivisionTree([$division('a'), $division('b'), $division('c', 'a'), $division('d', 'a')]);
        $move = new DivisionMove('a', null, null, 'b', false, ['c', 'd']);
        $since = new DivisionTree([$division('a'), $division('b'), $division('c', 'd'), $division('d', 'b')]);
        self::assertSame('d', $move->back($since)->find('c')?->parent);
        self::assertSame('a', $move->back($since)->find('d')?->parent);
    }

    public function testWhereNothingCanGoIsSaid(): void
    {
        $tree = new DivisionTree([
            new Division('a', 'A'),
            new Division('b', 'B', 'a'),
            new Division('old', 'Old', retired: true),
        ]);
        $wrong = static fn(?string $to, string $from = 'a'): array => (new DivisionMove(
            $from,
            $to,
            $to,
            $to,
            false,
        ))->refusals($tree);
        self::assertSame(['from' => 'no-such-division'], $wrong('b', 'nowhere'));
        self::assertSame(array_fill_keys(['people', 'sites', 'below'], 'no-such-division'), $wrong('nowhere'));
        self::assertSame(array_fill_keys(['people', 'sites', 'below'], 'same-division'), $wrong('a'));
        self::assertSame(array_fill_keys(['people', 'sites', 'below'], 'retired-division'), $wrong('old'));
        self::assertSame(['below' => 'below-itself'], $wrong('b'));
        self::assertSame(['people' => 'nothing-moves'], $wrong(null));
    }

    public function testWhoHasALevelGoesWhereItIs(): void
    {
        $tree = new DivisionTree([
            new Division('a', 'A'),
            new Division('top', 'Top', levels: new Levels(3, ['Year 1', 'Year 2'])),
            new Division('b', 'B', 'top'),
        ]);
        $takes = static fn(?int $level, string $to): bool => (new DivisionMove('a', $to, null, null, false))->takes(
            $level,
            $tree,
        );
        self::assertSame(
            [true, false, true, false],
            [$takes(null, 'b'), $takes(2, 'b'), $takes(4, 'b'), $takes(5, 'b')],
        );
        self::assertTrue((new DivisionMove('b', 'a', null, null, false))->takes(39, $tree));
    }

    private static function some(DivisionTree $tree, Dice $dice): DivisionMove
    {
        $codes = array_map(static fn(Division $each): string => $each->code, $tree->all());
        \assert([] !== $codes);
        $one = static fn(): ?string => $dice->chance(50) ? $dice->one($codes) : null;

        return new DivisionMove($dice->one($codes), $one(), $one(), $one(), $dice->chance(50));
    }
}
