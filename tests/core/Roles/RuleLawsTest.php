<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Roles;

use MintDoor\Core\People\NumberFormat;
use MintDoor\Core\People\NumberReading;
use MintDoor\Core\People\Person;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Platform\SettingsProblem;
use MintDoor\Core\Roles\Administrators;
use MintDoor\Core\Roles\Holders;
use MintDoor\Core\Roles\Limits;
use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Roles\RoleBook;
use MintDoor\Core\Roles\RoleDifference;
use MintDoor\Core\Roles\RuleChange;
use MintDoor\Core\Roles\RuleLaws;
use MintDoor\Core\Roles\Rules;
use MintDoor\Core\Roles\Standing;
use MintDoor\Core\Sites\Question;
use MintDoor\Core\Sites\Site;
use MintDoor\Demo\Dice;
use MintDoor\Roles\RulesCodec;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class RuleLawsTest extends TestCase
{
    private const DIVISIONS = ['juniors', 'seniors'];

    public function testWhatAPlatformStartsWithKeepsTheLaws(): void
    {
        self::assertSame([], self::problems(static fn(array $rules): array => $rules));
    }

    /**
     * @return iterable<string, array{string, callable(array<string, mixed>): array<string, mixed>}> the problem, and
     *     what brings it about
     */
    public static function slips(): iterable
    {
        $role = static fn(int $index, string $field, mixed $value): callable => static function (array $rules) use (
            $index,
            $field,
            $value,
        ): array {
            $rules['roles'][$index][$field] = $value;

            return $rules;
        };
        yield 'a role nobody is called by' => ['no-name', $role(1, 'name', ' ')];
        yield 'a name without an end' => ['too-long', $role(1, 'name', str_repeat('x', 61))];
        yield 'a caution nobody reads' => ['too-long', $role(1, 'caution', str_repeat('x', 201))];
        $kinds = static fn(array ...$kinds): callable => static fn(array $rules): array => [
            ...$rules,
            'siteKinds' => $kinds,
        ];
        $course = ['code' => 'course', 'name' => 'Course'];
        yield 'a kind of site nobody can name' => ['no-name', $kinds(['code' => 'course', 'name' => ' '])];
        yield 'a kind of site with a long name' => [
            'too-long',
            $kinds(['code' => 'course', 'name' => str_repeat('x', 61)]),
        ];
        yield 'two kinds of one name' => ['taken-name', $kinds($course, ['code' => 'class', 'name' => 'COURSE'])];
        yield 'two kinds of one code' => ['bad-code', $kinds($course, ['code' => 'course', 'name' => 'Class'])];
        yield 'a code that is none' => ['bad-code', $kinds(['code' => 'Å course', 'name' => 'Course'])];
        yield 'no kind of site' => ['number-of-kinds', $kinds()];
        yield 'a question nobody reads' => [
            'too-long',
            static fn(array $rules): array => [...$rules, 'question' => str_repeat('x', 201)],
        ];
        yield 'more roles than anybody can tell apart' => [
            'too-many-roles',
            static fn(array $rules): array => [
                ...$rules,
                'roles' => [
                    ...$rules['roles'],
                    ...array_map(
                        static fn(int $n): array => [
                            ...$rules['roles'][8],
                            'code' => 'guest-'.$n,
                            'name' => 'Guest '.$n,
                            'rank' => 200 + $n,
                        ],
                        range(1, 32),
                    ),
                ],
            ],
        ];
        yield 'two roles of one name' => ['taken-name', $role(1, 'name', 'lead tutor')];
        yield 'two roles of one rank' => ['taken-rank', $role(1, 'rank', 100)];
        yield 'a standard nobody knows' => ['no-such-standard', $role(1, 'standard', 'Emperor')];
        yield 'a role for nobody' => ['for-nobody', $role(4, 'for', [])];
        yield 'a role that may nothing' => ['may-nothing', $role(4, 'permissions', [])];
        yield 'suggested for those it is not for' => ['suggested-for-others', $role(4, 'suggestFor', ['learner'])];
        yield 'a lead nobody sees' => ['lead-unlisted', $role(0, 'listed', false)];
        yield 'learners who lead' => ['lead-for-others', $role(0, 'for', ['staff', 'learner'])];
        yield 'a lead who does not run the site' => [
            'lead-runs-site',
            $role(0, 'permissions', ['enter', 'enter-draft', 'see-roster', 'see-unlisted', 'let-in']),
        ];
        yield 'marks without a roster' => ['needs-permission', $role(4, 'permissions', ['see-marks'])];
        yield 'given from below' => ['given-from-below', $role(0, 'givenBy', ['co-tutor'])];
        yield 'given by those who let nobody in' => ['giver-lets-nobody-in', $role(7, 'givenBy', ['learner'])];
        yield 'given by nobody there is' => ['no-such-giver', $role(7, 'givenBy', ['king'])];
        yield 'a role that stops taking seats' => ['seat-stays', $role(6, 'takesSeat', false)];
        yield 'learners who let others in' => ['learners-let-in', $role(1, 'for', ['staff', 'learner'])];
        yield 'a prefix of digits' => [
            'bad-prefix',
            static fn(array $rules): array => array_replace_recursive($rules, ['numbers' => [['prefix' => '12']]]),
        ];
        yield 'no room for a digit' => [
            'digits-out-of-range',
            static fn(array $rules): array => array_replace_recursive($rules, ['numbers' => [['digits' => 1]]]),
        ];
        yield 'a name without a short one' => [
            'no-short-name',
            static fn(array $rules): array => ['nicknames' => [['Beatriz']]] + $rules,
        ];
        yield 'a short name of two words' => [
            'not-one-word',
            static fn(array $rules): array => ['nicknames' => [['Beatriz', 'Bea Bia']]] + $rules,
        ];
        yield 'a short name of one letter' => [
            'not-one-word',
            static fn(array $rules): array => ['nicknames' => [['Beatriz', 'B']]] + $rules,
        ];
        yield 'a name too long' => [
            'too-long',
            static fn(array $rules): array => ['nicknames' => [['Beatriz', str_repeat('b', 41)]]] + $rules,
        ];
        yield 'a change list without lines' => [
            'out-of-range',
            static fn(array $rules): array => array_replace_recursive($rules, ['limits' => ['changeList' => 0]]),
        ];
        yield 'no lead at all' => [
            'no-lead-role',
            static fn(array $rules): array => [...$rules, 'roles' => \array_slice($rules['roles'], 1)],
        ];
    }

    /** @param callable(array<string, mixed>): array<string, mixed> $slip */
    #[DataProvider('slips')]
    public function testASlipIsNamed(string $code, callable $slip): void
    {
        self::assertContains($code, array_column(self::problems($slip), 'code'));
    }

    public function testARoleThatIsHeldStays(): void
    {
        $drop = static fn(array $rules): array => [
            ...$rules,
            'roles' => array_values(
                array_filter($rules['roles'], static fn(array $role): bool => 'day-guest' !== $role['code']),
            ),
        ];
        self::assertSame([], self::problems($drop));
        self::assertSame(['still-held'], array_column(self::problems($drop, ['day-guest' => 3]), 'code'));
    }

    public function testWhateverIsAllowedNobodyRaisesThemselvesOrGivesAboveTheirOwn(): void
    {
        $dice = new Dice(7);
        $allowed = 0;
        for ($round = 0; $round < 400; ++$round) {
            $rules = self::played($dice);
            if ([] !== RuleLaws::check(self::first(), $rules, [], self::DIVISIONS)) {
                continue;
            }
            ++$allowed;
            foreach ($rules->roles->all() as $own) {
                $person = new Person('me', $own->for[0], 'seniors', 9);
                $standing = new Standing('me', false, [$own], $own->permissionsOf($person));
                foreach ($rules->roles->all() as $wanted) {
                    foreach ([$person, new Person('other', $wanted->for[0], 'seniors', 9)] as $to) {
                        if ($rules->roles->mayGive($wanted->code, $standing, $to, new Site('s', 'seniors'))->allowed) {
                            self::assertLessThanOrEqual($own->rank, $wanted->rank);
                        }
                    }
                }
            }
        }
        self::assertGreaterThan(20, $allowed);
    }

    public function testThoseAffectedAreCountedByAllTheyHold(): void
    {
        $after = self::with(static function (array $rules): array {
            foreach ($rules['roles'] as $index => $role) {
                if (\in_array($role['code'], ['class-assistant', 'co-tutor'], true)) {
                    $rules['roles'][$index]['permissions'] = array_values(
                        array_diff($role['permissions'], ['see-marks', 'enter-marks', 'export-progress']),
                    );
                }
            }

            return $rules;
        });
        $change = new RuleChange(self::first(), $after);
        self::assertSame(['co-tutor', 'class-assistant'], $change->roles());
        $staff = new Person('', PersonKind::Staff, 'faculty');
        $affected = $change->affected([
            new Holders('one', ['class-assistant'], $staff, 20),
            new Holders('two', ['class-assistant'], $staff, 11),
            new Holders('two', ['class-assistant', 'marking-assistant'], $staff, 5),
            new Holders('three', ['learner'], new Person('', PersonKind::Learner, 'seniors', 7), 400),
        ]);
        self::assertCount(1, $affected, 'whoever marks besides loses nothing');
        self::assertSame(
            [Permission::SeeMarks, false, 31, 2],
            [$affected[0]->permission, $affected[0]->gain, $affected[0]->people, $affected[0]->sites],
        );
    }

    public function testADifferenceSaysBothWays(): void
    {
        $book = self::first()->roles;
        $difference = RoleDifference::ofPermissions($book->all()[1]->permissions, $book->all()[0]->permissions);
        self::assertSame([[Permission::RunSite], []], [$difference->also, $difference->not]);
    }

    public function testNumbersAreReadAndTheirSlipsNamed(): void
    {
        [$learners, $staff] = self::first()->numbers;
        foreach ([$learners, $staff, new NumberFormat('x', [], 'AB', 9, true)] as $format) {
            self::assertSame(NumberReading::Fits, $format->read($format->example()));
        }
        self::assertSame(NumberReading::Fits, $learners->read(' 204-1358 '));
        self::assertSame(NumberReading::WrongCheckDigit, $learners->read('2041357'));
        self::assertSame(NumberReading::WrongLength, $learners->read('204135'));
        self::assertSame(NumberReading::Other, $learners->read('S20413'));
        self::assertSame(NumberReading::Fits, $staff->read('s 20413'));
    }

    public function testSomebodyAlwaysAdministersThePlatform(): void
    {
        self::assertSame('last-administrator', Administrators::refusal(true, false, 0, true));
        self::assertNull(Administrators::refusal(true, false, 1, true));
        self::assertSame('no-account', Administrators::refusal(false, true, 3, false));
        self::assertNull(Administrators::refusal(false, true, 3, true));
    }

    public function testAKindThatSitesHaveStays(): void
    {
        $club = [['code' => 'club', 'name' => 'Club']];
        $after = self::with(static fn(array $rules): array => [...$rules, 'siteKinds' => $club]);
        $problems = RuleLaws::check(self::first(), $after, [], self::DIVISIONS, ['course' => 3, 'club' => 1]);
        self::assertEquals([new SettingsProblem('siteKinds/course', 'kind-in-use', ['sites' => 3])], $problems);
        self::assertSame([], RuleLaws::check(self::first(), $after, [], self::DIVISIONS, ['club' => 1]));
        self::assertSame(['Club', 'course'], [$after->nameOfKind('club'), $after->nameOfKind('course')]);
    }

    /**
     * @param array<string, mixed> $kind
     */
    #[DataProvider('kindsThatCannotBe')]
    public function testAKindOffersRolesThatPeopleMayHoldAndAsksWhatCanBeAnswered(
        array $kind,
        string $where,
        string $code,
    ): void {
        $whole = ['code' => 'club', 'name' => 'Club', ...$kind];
        $problems = self::problems(static fn(array $rules): array => [...$rules, 'siteKinds' => [$whole]]);
        self::assertSame(
            [['siteKinds/club/'.$where, $code]],
            array_map(static fn(SettingsProblem $each): array => [$each->where, $each->code], $problems),
        );
    }

    /** @return iterable<string, array{array<string, mixed>, string, string}> */
    public static function kindsThatCannotBe(): iterable
    {
        $asks = static fn(string $text, string ...$choices): array => [
            'questions' => [['text' => $text, 'choices' => array_values($choices)]],
        ];
        $offers = static fn(string $people, string $role): array => [
            'roles' => [['people' => $people, 'role' => $role]],
        ];
        yield 'no question' => [$asks(' '), 'questions/0', 'no-question'];
        yield 'long' => [$asks(str_repeat('?', 201)), 'questions/0', 'too-long'];
        yield 'one choice' => [$asks('Which?', 'This'), 'questions/0', 'number-of-choices'];
        yield 'twice the same' => [$asks('Which?', 'This', 'This'), 'questions/0', 'same-choice'];
        yield 'an empty choice' => [$asks('Which?', 'This', ' '), 'questions/0', 'bad-choice'];
        yield 'many' => [['questions' => array_fill(0, 6, ['text' => 'Why?'])], 'questions', 'too-many-questions'];
        yield 'no role' => [$offers('learner', 'magician'), 'roles/learner', 'role-for-others'];
        yield 'a role for others' => [$offers('learner', 'lead-tutor'), 'roles/learner', 'role-for-others'];
    }

    public function testRulesAreTheSameAfterTheyAreKept(): void
    {
        $rules = self::with(static fn(array $rules): array => [
            ...$rules,
            'question' => 'Why?',
            'siteKinds' => [
                [
                    'code' => 'class',
                    'name' => 'Class',
                    'roles' => [['people' => 'staff', 'role' => 'co-tutor']],
                    'questions' => [['text' => 'Which?', 'choices' => ['a', 'b']]],
                ],
            ],
        ]);
        self::assertSame(['Class', 'Why?'], [$rules->nameOfKind('class'), $rules->question]);
        self::assertEquals([new Question('Which?', ['a', 'b'])], $rules->questionsOf('class'));
        self::assertSame('co-tutor', $rules->siteKinds[0]->roleOf('staff'));
        self::assertEquals($rules, RulesCodec::read(RulesCodec::write($rules)));
    }

    public function testManyIsMoreThanFewAndMoreThanTheShare(): void
    {
        self::assertFalse((new Limits())->manyRemoved(5, 6));
        self::assertFalse((new Limits())->manyRemoved(6, 30));
        self::assertTrue((new Limits())->manyRemoved(7, 30));
        self::assertTrue((new Limits(removalFew: 0, removalShare: 1))->manyRemoved(1, 30));
    }

    private static function first(): Rules
    {
        return Rules::first(['juniors'], ['seniors']);
    }

    /** @param callable(array<string, mixed>): array<string, mixed> $change */
    private static function with(callable $change): Rules
    {
        return RulesCodec::read($change(RulesCodec::write(self::first())));
    }

    /**
     * @param callable(array<string, mixed>): array<string, mixed> $change
     * @param array<string, int>                                   $holders
     *
     * @return list<SettingsProblem>
     */
    private static function problems(callable $change, array $holders = []): array
    {
        return RuleLaws::check(self::first(), self::with($change), $holders, self::DIVISIONS);
    }

    /** Rules as somebody who clicks about would leave them. */
    private static function played(Dice $dice): Rules
    {
        $data = RulesCodec::write(self::first());
        $codes = array_column($data['roles'], 'code');
        for ($n = $dice->between(1, 4); $n > 0; --$n) {
            $role = &$data['roles'][$dice->below(\count($codes))];
            match ($dice->below(4)) {
                0 => ($role['givenBy'] = $dice->some($codes, $dice->between(1, 3))),
                1 => ($role['rank'] = $dice->between(1, 120)),
                2 => ($role['permissions'] = array_values(
                    array_diff($role['permissions'], [$dice->one(array_column(Permission::cases(), 'value'))]),
                )),
                default => ($role['permissions'][] = $dice->one(array_column(Permission::cases(), 'value'))),
            };
            unset($role);
        }
        $rules = RulesCodec::read($data);

        return new Rules(
            new RoleBook($rules->roles->all()),
            $rules->numbers,
            $rules->limits,
            siteKinds: $rules->siteKinds,
        );
    }
}
