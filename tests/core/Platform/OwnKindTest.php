<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Platform;

use MintDoor\Core\People\Person;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Platform\Division;
use MintDoor\Core\Platform\DivisionTree;
use MintDoor\Core\Platform\OwnKind;
use MintDoor\Core\Platform\RoleKnown;
use MintDoor\Core\Platform\Settings;
use MintDoor\Core\Platform\SettingsLaws;
use MintDoor\Core\Platform\SettingsProblem;
use MintDoor\Core\Platform\SettingsUse;
use MintDoor\Core\Platform\Starter;
use MintDoor\Core\Roles\Role;
use MintDoor\Core\Roles\RoleBook;
use MintDoor\Core\Roles\Rules;
use MintDoor\Core\Roles\Standing;
use MintDoor\Core\Sites\Site;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class OwnKindTest extends TestCase
{
    /** Whatever roles there are, a kind of one's own may hold no more than the one it is like. */
    public function testAKindOfOnesOwnNeverMayMoreThanTheOneItIsLike(): void
    {
        $rules = Rules::first([], []);
        $tree = new DivisionTree([new Division('all', 'All')]);
        $codes = array_map(static fn(Role $role): string => $role->code, $rules->roles->all());
        $site = new Site('s', 'all');
        $kept = 0;
        mt_srand(7);
        for ($n = 0; $n < 200; ++$n) {
            $like = PersonKind::cases()[mt_rand(0, 3)];
            $some = array_values(array_filter($codes, static fn(): bool => 0 === mt_rand(0, 2)));
            $own = new OwnKind('own', 'Own', $like->value, $some);
            $book = $rules->over($tree, [$own])->roles;
            foreach ($codes as $code) {
                $plain = $book->mayHold($code, new Person('a', $like, 'all', 1), $site);
                $verdict = $book->mayHold($code, new Person('a', $like, 'all', 1, own: 'own'), $site);
                $listed = [] === $some || \in_array($code, $some, true);
                self::assertSame($plain->allowed && $listed, $verdict->allowed, "$like->value $code");
                if ($plain->allowed && !$listed) {
                    ++$kept;
                    self::assertSame(['wrong-kind', 'Own'], [$verdict->code, $verdict->values['own'] ?? null]);
                }
                // A kind that is not known any more counts as the one it was like.
                $gone = $book->mayHold($code, new Person('a', $like, 'all', 1, own: 'gone'), $site);
                self::assertEquals($plain, $gone);
            }
        }
        self::assertGreaterThan(100, $kept);
    }

    public function testTheRoleOfferedFirstIsOneTheyMayHold(): void
    {
        $giver = new Standing('giver', true, []);
        $person = new Person('a', PersonKind::External, 'all', own: 'alumni');
        $site = new Site('s', 'all');
        $suggested = self::book([])->suggest($giver, $person, $site);
        self::assertNotNull($suggested);
        $others = array_diff(
            array_map(static fn(Role $role): string => $role->code, self::book([])->all()),
            [$suggested],
        );
        $kept = self::book([new OwnKind('alumni', 'Alumna', 'external', array_values($others))]);
        self::assertNotSame($suggested, $kept->suggest($giver, $person, $site));
    }

    /** @param list<OwnKind> $kinds */
    #[DataProvider('slips')]
    public function testKindsKeepTheLaws(array $kinds, string $expected, SettingsUse $use): void
    {
        $problems = array_map(
            static fn(SettingsProblem $each): string => $each->where.' '.$each->code,
            SettingsLaws::check(
                self::settings([new OwnKind('alumni', 'Alumna', 'external')]),
                self::settings($kinds),
                $use,
                ['en'],
            ),
        );
        self::assertSame('' === $expected ? [] : [$expected], $problems);
    }

    /** @return iterable<string, array{list<OwnKind>, string, SettingsUse}> */
    public static function slips(): iterable
    {
        $guest = new RoleKnown('guest', ['external', 'guardian']);
        $none = new SettingsUse(roles: ['guest' => $guest]);
        $used = new SettingsUse(roles: ['guest' => $guest], kinds: ['alumni' => 2]);
        yield 'sound' => [[new OwnKind('alumni', 'Alumna', 'external', ['guest'])], '', $used];
        yield 'gone' => [[], '', $none];
        yield 'gone in use' => [[], 'kinds kind-in-use', $used];
        yield 'other' => [[new OwnKind('alumni', 'Alumna', 'staff')], 'kinds/0/like kind-in-use', $used];
        yield 'like nobody' => [[new OwnKind('visitor', 'Visitor', 'robot')], 'kinds/0/like no-such-people', $none];
        yield 'no name' => [[new OwnKind('visitor', '', 'staff')], 'kinds/0/name no-name', $none];
        yield 'one of the four' => [[new OwnKind('staff', 'Team', 'staff')], 'kinds/0/name taken-kind', $none];
        yield 'two of a name' => [
            [new OwnKind('a1', 'Guest', 'staff'), new OwnKind('a2', 'GUEST', 'staff')],
            'kinds/1/name taken-kind',
            $none,
        ];
        yield 'role of others' => [
            [new OwnKind('a1', 'Visitor', 'learner', ['guest'])],
            'kinds/0/roles role-of-others',
            $none,
        ];
        yield 'no role' => [[new OwnKind(
            'a1',
            'Visitor',
            'external',
            ['king']
        )], 'kinds/0/roles role-of-others', $none];
    }

    public function testAStarterIsForKindsThatMayHoldItsRole(): void
    {
        $use = new SettingsUse(
            codes: ['HALL' => true],
            roles: ['guest' => new RoleKnown('guest', ['external']), 'other' => new RoleKnown('other', ['external'])],
        );
        $with = static fn(string ...$roles): Settings => new Settings(
            'Mint',
            new DivisionTree([new Division('all', 'All')]),
            [],
            [],
            starters: [new Starter('all', 'HALL', 'guest', ['alumni'])],
            kinds: [new OwnKind('alumni', 'Alumna', 'external', array_values($roles))],
        );
        $problems = static fn(Settings $after): array => array_map(
            static fn(SettingsProblem $each): string => $each->where.' '.$each->code,
            SettingsLaws::check(self::settings([]), $after, $use, ['en']),
        );
        self::assertSame([], $problems($with()));
        self::assertSame([], $problems($with('guest')));
        self::assertSame(['starters/0/role role-for-others'], $problems($with('other')));
    }

    /** @param list<OwnKind> $kinds */
    private static function book(array $kinds): RoleBook
    {
        return Rules::first([], [])->over(new DivisionTree([new Division('all', 'All')]), $kinds)->roles;
    }

    /** @param list<OwnKind> $kinds */
    private static function settings(array $kinds): Settings
    {
        return new Settings('Mint', new DivisionTree([new Division('all', 'All')]), [], [], kinds: $kinds);
    }
}
