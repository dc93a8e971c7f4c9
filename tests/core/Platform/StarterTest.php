<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Platform;

use MintDoor\Core\Platform\Division;
use MintDoor\Core\Platform\DivisionTree;
use MintDoor\Core\Platform\RoleKnown;
use MintDoor\Core\Platform\Settings;
use MintDoor\Core\Platform\SettingsLaws;
use MintDoor\Core\Platform\SettingsProblem;
use MintDoor\Core\Platform\SettingsUse;
use MintDoor\Core\Platform\Starter;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\DataProviderExternal;
use PHPUnit\Framework\TestCase;

final class StarterTest extends TestCase
{
    #[DataProviderExternal(DivisionTreeTest::class, 'forests')]
    public function testWhoeverIsBelowADivisionBelongsToIt(DivisionTree $tree): void
    {
        foreach ($tree->all() as $of) {
            $starter = new Starter($of->code, 'START', 'learner');
            foreach ($tree->all() as $each) {
                self::assertSame(
                    $tree->within($each->code, $of->code),
                    $starter->covers(['learner'], $each->code, null, $tree),
                );
                self::assertFalse($starter->covers(['staff'], $each->code, null, $tree));
            }
        }
    }

    public function testLevelsNarrowItAndWhoHasNoneIsOutside(): void
    {
        $tree = new DivisionTree([new Division('aa', 'Aa')]);
        $starter = new Starter('aa', 'START', 'learner', ['learner'], 3, 5);
        $covers = static fn(?int $level): bool => $starter->covers(['learner'], 'aa', $level, $tree);
        self::assertSame(
            [false, true, true, false, false],
            array_map($covers, [2, 3, 5, 6, null]),
        );
    }

    #[DataProvider('slips')]
    public function testWhatCannotBeIsSaidAtItsField(Starter $starter, string $field, string $code): void
    {
        self::assertSame(["starters/0/$field $code"], self::problems($starter));
    }

    /** @return iterable<string, array{Starter, string, string}> */
    public static function slips(): iterable
    {
        yield 'no site' => [new Starter('aa', '', 'learner'), 'site', 'no-site'];
        yield 'not there' => [new Starter('aa', 'GONE', 'learner'), 'site', 'no-such-site'];
        yield 'no division' => [new Starter('bb', 'START', 'learner'), 'division', 'no-such-division'];
        yield 'retired' => [new Starter('old', 'START', 'learner'), 'division', 'retired-division'];
        yield 'no role' => [new Starter('aa', 'START', 'magician'), 'role', 'no-such-role'];
        yield 'role open' => [new Starter('aa', 'START', ''), 'role', 'no-role'];
        yield 'a lead' => [new Starter('aa', 'START', 'lead', ['staff']), 'role', 'no-such-role'];
        yield 'not for them' => [new Starter('aa', 'START', 'learner', ['staff']), 'role', 'role-for-others'];
        yield 'nobody' => [new Starter('aa', 'START', 'learner', []), 'kinds', 'for-nobody'];
        yield 'half' => [new Starter('aa', 'START', 'learner', ['learner'], 3), 'lowest', 'half-levels'];
        yield 'turned' => [new Starter('aa', 'START', 'learner', ['learner'], 5, 3), 'highest', 'levels-turned'];
        yield 'too high' => [new Starter('aa', 'START', 'learner', ['learner'], 5, 41), 'lowest', 'off-the-ladder'];
    }

    public function testTheSameIsSetOnce(): void
    {
        $twice = [new Starter('aa', 'START', 'learner'), new Starter('aa', 'START', 'learner', ['learner'], 1, 2)];
        self::assertSame(['starters/1/site taken-starter'], self::problems(...$twice));
        self::assertSame([], self::problems($twice[0], new Starter('aa', 'START', 'guest')));
    }

    /** @return list<string> */
    private static function problems(Starter ...$starters): array
    {
        $tree = new DivisionTree([new Division('aa', 'Aa'), new Division('old', 'Old', retired: true)]);
        $settings = new Settings('Elm Grove', $tree, [], [], starters: array_values($starters));
        $use = new SettingsUse(codes: ['START' => true], roles: [
            'learner' => new RoleKnown('learner', ['learner']),
            'guest' => new RoleKnown('guest', ['learner', 'external']),
            'lead' => new RoleKnown('lead', ['staff'], true),
        ]);

        return array_map(
            static fn(SettingsProblem $each): string => "$each->where $each->code",
            SettingsLaws::check($settings, $settings, $use, ['en']),
        );
    }
}
