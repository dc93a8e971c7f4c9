<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Platform;

use MintDoor\Core\Platform\Division;
use MintDoor\Core\Platform\DivisionTree;
use MintDoor\Core\Platform\Levels;
use MintDoor\Demo\Dice;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class DivisionTreeTest extends TestCase
{
    /** @return iterable<string, array{DivisionTree}> forests of up to forty divisions */
    public static function forests(): iterable
    {
        for ($seed = 1; $seed <= 30; ++$seed) {
            $dice = new Dice($seed);
            $divisions = [];
            for ($n = 0, $many = $dice->between(1, 40); $n < $many; ++$n) {
                // Only those that are there already are above, so that there is no ring.
                $parent = 0 === $n || $dice->chance(20) ? null : 'd'.$dice->between(0, $n - 1);
                $levels = $dice->chance(30) ? new Levels($n, ["Year $n"]) : null;
                $divisions[] = new Division("d$n", "Division $n", $parent, levels: $levels);
            }
            yield "forest $seed" => [new DivisionTree($divisions)];
        }
    }

    #[DataProvider('forests')]
    public function testReachAndWithinSayTheSame(DivisionTree $tree): void
    {
        foreach ($tree->all() as $of) {
            $reach = $tree->reach([$of->code]);
            foreach ($tree->all() as $each) {
                self::assertSame($tree->within($each->code, $of->code), \in_array($each->code, $reach, true));
            }
        }
    }

    #[DataProvider('forests')]
    public function testWhoReachesADivisionReachesAllBelowIt(DivisionTree $tree): void
    {
        foreach ($tree->all() as $division) {
            $reach = $tree->reach([$division->code]);
            self::assertEqualsCanonicalizing($reach, $tree->reach($reach), 'reaching further brings nothing');
            if (null !== $division->parent) {
                self::assertSame([], array_diff($reach, $tree->reach([$division->parent])));
            }
        }
    }

    #[DataProvider('forests')]
    public function testReachOfSeveralIsThatOfEach(DivisionTree $tree): void
    {
        $codes = array_map(static fn(Division $each): string => $each->code, \array_slice($tree->all(), 0, 3));
        $each = array_merge(...array_map(static fn(string $code): array => $tree->reach([$code]), $codes));
        self::assertEqualsCanonicalizing(array_values(array_unique($each)), $tree->reach($codes));
    }

    #[DataProvider('forests')]
    public function testEachIsReadOnceAndBelowItsParent(DivisionTree $tree): void
    {
        $rows = $tree->inOrder();
        self::assertCount(\count($tree->all()), $rows);
        $way = [];
        foreach ($rows as ['division' => $division, 'depth' => $depth]) {
            $way = [...\array_slice($way, 0, $depth), $division->code];
            self::assertSame($division->parent, $way[$depth - 1] ?? null);
        }
    }

    #[DataProvider('forests')]
    public function testLevelsAreOnesOwnOrThoseAbove(DivisionTree $tree): void
    {
        foreach ($tree->all() as $division) {
            $expected = $division->levels
                ?? (null === $division->parent ? null : $tree->levels($division->parent));
            self::assertSame($expected, $tree->levels($division->code));
        }
    }

    public function testARingIsFoundAndHangsNothing(): void
    {
        $tree = new DivisionTree([
            new Division('a', 'A', 'c'),
            new Division('b', 'B', 'a'),
            new Division('c', 'C', 'b'),
            new Division('d', 'D', 'c'),
            new Division('e', 'E', 'e'),
            new Division('f', 'F', 'nowhere'),
        ]);
        self::assertSame(['a', 'b', 'c', 'e'], $tree->rings());
        self::assertSame(['d', 'c', 'b', 'a'], $tree->above('d'));
        self::assertSame(['f'], $tree->above('f'));
        self::assertSame([], $tree->above('nowhere'));
        $read = array_map(static fn(array $row): string => $row['division']->code, $tree->inOrder());
        self::assertEqualsCanonicalizing(['a', 'b', 'c', 'd', 'e', 'f'], $read);
        // Whatever somebody sends is read, and refused afterwards.
        $odd = new DivisionTree([new Division('', '', ''), new Division('0', '', '0'), new Division('b', '', '')]);
        self::assertCount(3, $odd->inOrder());
    }

    public function testLevelsAreCalledByTheirNames(): void
    {
        $levels = new Levels(0, ['Reception', 'Year 1', 'Année 2']);
        self::assertSame(['Reception', 'Year 1', 'Année 2', null], array_map($levels->nameOf(...), [0, 1, 2, 3]));
        self::assertSame([0, 1, 2, null], array_map($levels->called(...), ['reception', 'YEAR  1', 'annee 2', 'Year']));
        self::assertSame(2, $levels->last());
        self::assertFalse((new Levels(1, []))->has(1));
        foreach ($levels->names as $index => $name) {
            self::assertSame($levels->first + $index, $levels->called($name));
        }
    }
}
