<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Roles;

use MintDoor\Core\People\Person;
use MintDoor\Core\People\PersonKind as Kind;
use MintDoor\Core\Roles\Band;
use MintDoor\Core\Roles\FirstRoles;
use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Roles\Role;
use MintDoor\Core\Roles\RoleBook;
use MintDoor\Core\Roles\Rules;
use MintDoor\Core\Roles\Standing;
use MintDoor\Core\Sites\LevelBand;
use MintDoor\Core\Sites\Site;
use MintDoor\Core\Sites\SiteKind;
use MintDoor\Roles\RulesCodec;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class RoleBookTest extends TestCase
{
    /** @return iterable<string, array{string, Person, string}> */
    public static function holdings(): iterable
    {
        yield 'a learner learns' => ['learner', new Person('p', Kind::Learner, 'seniors', 7), 'fits'];
        yield 'a colleague is no learner' => ['learner', new Person('p', Kind::Staff, 'faculty'), 'wrong-kind'];
        yield 'a guardian is no learner' => ['learner', new Person('p', Kind::Guardian, 'seniors'), 'wrong-kind'];
        yield 'a learner leads nothing' => ['lead-tutor', new Person('p', Kind::Learner, 'seniors', 7), 'wrong-kind'];
        yield 'too young to assist' => ['class-assistant', new Person('p', Kind::Learner, 'seniors', 8), 'wrong-level'];
        yield 'old enough to assist' => ['class-assistant', new Person('p', Kind::Learner, 'seniors', 9), 'fits'];
        yield 'another level than the site is for' => [
            'learner',
            new Person('p', Kind::Learner, 'seniors', 10),
            'other-levels',
        ];
        yield 'another division' => ['learner', new Person('p', Kind::Learner, 'juniors', 7), 'other-levels'];
        yield 'a caution travels with the role' => [
            'day-guest',
            new Person('p', Kind::External, 'seniors'),
            'cautioned',
        ];
        yield 'no such role' => ['king', new Person('p', Kind::Staff, 'faculty'), 'no-such-role'];
    }

    #[DataProvider('holdings')]
    public function testMayHold(string $role, Person $person, string $code): void
    {
        self::assertSame($code, self::book()->mayHold($role, $person, self::site())->code);
    }

    public function testWhatOneMayNotGiveNamesWhoCan(): void
    {
        $verdict = self::book()->mayGive(
            'lead-tutor',
            self::standing('co-tutor'),
            new Person('p', Kind::Staff, 'faculty'),
            self::site(),
        );
        self::assertSame(
            [false, 'not-yours-to-give', ['lead-tutor']],
            [$verdict->allowed, $verdict->code, $verdict->givers],
        );
    }

    public function testNobodyGivesARoleAboveTheirOwnButAnAdministratorGivesAll(): void
    {
        $book = self::book();
        foreach ($book->all() as $own) {
            foreach ($book->all() as $given) {
                $person = new Person('p', $given->for[0], 'seniors', 9);
                if ($book->mayGive($given->code, self::standing($own->code), $person, self::site())->allowed) {
                    self::assertLessThanOrEqual($own->rank, $given->rank, "$own->code gives $given->code");
                }
                self::assertTrue($book->mayGive($given->code, new Standing('a', true), $person, self::site())->allowed);
            }
        }
    }

    public function testTheSuggestionFollowsThePersonAndTheSite(): void
    {
        $book = self::book();
        $lead = self::standing('lead-tutor');
        self::assertSame('learner', $book->suggest($lead, new Person('p', Kind::Learner, 'seniors', 7), self::site()));
        self::assertSame('co-tutor', $book->suggest($lead, new Person('p', Kind::Staff, 'faculty'), self::site()));
        self::assertSame(
            'class-assistant',
            $book->suggest(self::standing('co-tutor'), new Person('p', Kind::Staff, 'faculty'), self::site()),
        );
        self::assertSame(
            'sit-in-observer',
            $book->suggest($lead, new Person('p', Kind::Guardian, 'juniors'), self::site()),
        );
        self::assertSame(
            'support-aide',
            $book->suggest($lead, new Person('p', Kind::Staff, 'faculty'), self::site(), 'support-aide'),
            'as before',
        );
        self::assertNull(
            $book->suggest(self::standing('learner'), new Person('p', Kind::Staff, 'faculty'), self::site()),
        );
    }

    public function testAKindOfSiteOffersItsOwnRoleFirstToThoseWhoMayBeGivenIt(): void
    {
        $kinds = [new SiteKind('workshop', 'Workshop', roles: ['staff' => 'support-aide', 'guardian' => 'co-tutor'])];
        $book = new RoleBook(self::book()->all(), siteKinds: $kinds);
        $lead = self::standing('lead-tutor');
        $workshop = new Site('s', 'seniors', kind: 'workshop');
        $staff = new Person('p', Kind::Staff, 'faculty');
        self::assertSame('support-aide', $book->suggest($lead, $staff, $workshop));
        self::assertSame('co-tutor', $book->suggest($lead, $staff, $workshop, 'co-tutor'), 'as before');
        self::assertSame('co-tutor', $book->suggest($lead, $staff, new Site('s', 'seniors', kind: 'course')));
        self::assertSame(
            'sit-in-observer',
            $book->suggest($lead, new Person('p', Kind::Guardian, 'juniors'), $workshop),
            'whoever may not hold it is not offered it',
        );
    }

    public function testThePersonDecidesWhichRulesOfARoleHold(): void
    {
        $book = self::book();
        $may = static fn(string $division, int $level): bool => \in_array(
            Permission::SeeRoster,
            $book->permissions(['learner'], new Person('p', Kind::Learner, $division, $level)),
            true,
        );
        self::assertFalse($may('juniors', 3));
        self::assertTrue($may('seniors', 7));
    }

    public function testPermissionsAddUp(): void
    {
        $person = new Person('p', Kind::Staff, 'faculty');
        $of = static fn(array $roles): array => array_map(
            static fn(Permission $permission): string => $permission->value,
            self::book()->permissions(array_values($roles), $person),
        );
        $both = $of(['marking-assistant', 'repertoire-editor']);
        foreach ([...$of(['marking-assistant']), ...$of(['repertoire-editor'])] as $permission) {
            self::assertContains($permission, $both);
        }
        self::assertSame($both, array_values(array_unique($both)));
    }

    /** Whether a role lets somebody do something is the same asked of the role and asked of the permission. */
    public function testRolesThatLetAPersonDoSomethingHeedTheBandTheyAreIn(): void
    {
        $tutors = new Role(
            'tutor',
            'Tutor',
            'Instructor',
            5,
            [Permission::Enter, Permission::LetIn],
            [],
            [],
            [],
            bands: [
                new Band('Without letting in', ['faculty'], null, [Permission::Enter]),
            ]
        );
        $book = new RoleBook([...self::book()->all(), $tutors]);
        $people = [new Person('p', Kind::Staff, 'faculty'), new Person('p', Kind::Learner, 'seniors', 7)];
        foreach ([...$people, new Person('p', Kind::Learner, 'juniors', 2)] as $person) {
            foreach (Permission::cases() as $permission) {
                $letting = $book->letting($person, $permission);
                foreach ($book->all() as $role) {
                    self::assertSame(
                        \in_array($permission, $book->permissions([$role->code], $person), true),
                        \in_array($role->code, $letting, true),
                    );
                }
            }
        }
        self::assertContains('tutor', $book->holdersOf(Permission::LetIn));
        self::assertNotContains('tutor', $book->letting($people[0], Permission::LetIn));
    }

    public function testRulesAreTheSameAfterBeingStored(): void
    {
        $rules = Rules::first(['juniors'], ['seniors']);
        $stored = json_decode(json_encode(RulesCodec::write($rules), \JSON_THROW_ON_ERROR), true);
        self::assertIsArray($stored);
        self::assertEquals($rules, RulesCodec::read($stored));
    }

    private static function book(): RoleBook
    {
        return FirstRoles::book(['juniors'], ['seniors']);
    }

    private static function site(): Site
    {
        return new Site('s', 'seniors', new LevelBand(6, 8));
    }

    private static function standing(string $role): Standing
    {
        $held = self::book()->find($role);
        self::assertNotNull($held);

        return new Standing('me', false, [$held], $held->permissions);
    }
}
