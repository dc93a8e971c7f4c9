<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Roles;

use MintDoor\Core\People\Outside;
use MintDoor\Core\People\Person;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Platform\Division;
use MintDoor\Core\Platform\DivisionTree;
use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Roles\RoleBook;
use MintDoor\Core\Roles\Rules;
use MintDoor\Demo\Dice;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Whatever is set for a division holds for those below it. */
final class RulesOverDivisionsTest extends TestCase
{
    /** @return iterable<string, array{DivisionTree}> trees below `juniors` and `seniors` */
    public static function trees(): iterable
    {
        for ($seed = 1; $seed <= 20; ++$seed) {
            $dice = new Dice($seed);
            $divisions = [new Division('juniors', 'Juniors'), new Division('seniors', 'Seniors')];
            for ($n = 0; $n < 12; ++$n) {
                $divisions[] = new Division("d$n", "Division $n", $divisions[$dice->below(\count($divisions))]->code);
            }
            yield "tree $seed" => [new DivisionTree($divisions)];
        }
    }

    #[DataProvider('trees')]
    public function testALearnerBelowMayWhatOneAboveMay(DivisionTree $tree): void
    {
        $book = Rules::first(['juniors'], ['seniors'])->over($tree)->roles;
        $may = static fn(string $division): array => $book->find('learner')?->permissionsOf(
            new Person('', PersonKind::Learner, $division, 7),
        ) ?? [];
        self::assertNotEquals($may('juniors'), $may('seniors'));
        foreach ($tree->all() as $division) {
            $top = $tree->above($division->code);
            self::assertSame($may((string) end($top)), $may($division->code));
            self::assertContains(Permission::Enter, $may($division->code));
        }
    }

    #[DataProvider('trees')]
    public function testWhoIsAskedIsSaidByTheNearestDivisionThatSaysSo(DivisionTree $tree): void
    {
        $first = Rules::first(['juniors'], ['seniors']);
        $rules = new Rules(
            $first->roles,
            [],
            $first->limits,
            [],
            ['juniors' => Outside::Closed, 'd0' => Outside::Open]
        );
        $over = $rules->over($tree);
        foreach ($tree->all() as $division) {
            $expected = match (true) {
                $tree->within($division->code, 'd0') => Outside::Open,
                $tree->within($division->code, 'juniors') => Outside::Closed,
                default => Outside::Ask,
            };
            self::assertSame($expected, $over->outside($division->code));
        }
    }

    #[DataProvider('trees')]
    public function testABookKnowsWhoIsOfADivision(DivisionTree $tree): void
    {
        $book = Rules::first(['juniors'], ['seniors'])->over($tree)->roles;
        foreach ($tree->all() as $division) {
            self::assertTrue($book->isOf($division->code, ['juniors', 'seniors']));
            self::assertSame($tree->within($division->code, 'juniors'), $book->isOf($division->code, ['juniors']));
        }
        self::assertFalse($book->isOf('juniors', []));
        self::assertTrue((new RoleBook([]))->isOf('nowhere', ['nowhere']));
    }
}
