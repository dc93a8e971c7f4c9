<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Roles;

use MintDoor\Core\People\Person;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Roles\FirstRoles;
use MintDoor\Core\Roles\Limits;
use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Roles\ReadyRoles;
use MintDoor\Core\Roles\ReadySet;
use MintDoor\Core\Roles\RoleBook;
use MintDoor\Core\Roles\RuleLaws;
use MintDoor\Core\Roles\Rules;
use MintDoor\Core\Sites\SiteKind;
use PHPUnit\Framework\TestCase;

final class ReadyRolesTest extends TestCase
{
    public function testAnySetMayFollowAnyOther(): void
    {
        foreach (ReadySet::cases() as $from) {
            foreach (ReadySet::cases() as $to) {
                $problems = RuleLaws::check(self::rules($from), self::rules($to), [], ['main']);
                self::assertSame([], $problems, "$from->value to $to->value");
            }
        }
    }

    public function testEverySetHasALeadAndALearnerWhoTakesASeat(): void
    {
        foreach (ReadySet::cases() as $set) {
            $book = self::book($set);
            self::assertTrue($book->find(FirstRoles::LEAD)?->lead);
            self::assertTrue($book->find(FirstRoles::LEARNER)?->takesSeat);
        }
    }

    public function testMinorsDoNotSeeWhoElseIsThere(): void
    {
        $learner = self::book(ReadySet::School, ['lower'])->find(FirstRoles::LEARNER);
        $may = static fn(string $division): array => $learner?->permissionsOf(
            new Person('p', PersonKind::Learner, $division),
        ) ?? [];
        self::assertNotContains(Permission::SeeRoster, $may('lower'));
        self::assertContains(Permission::SeeRoster, $may('upper'));
    }

    public function testOnlyStudentsHelpInOtherClasses(): void
    {
        $helps = static fn(ReadySet $set): bool => \in_array(
            PersonKind::Learner,
            self::book($set)->find('class-assistant')->for ?? [],
            true,
        );
        self::assertTrue($helps(ReadySet::HigherEducation));
        self::assertFalse($helps(ReadySet::School));
    }

    /** @param list<string> $minors */
    private static function book(ReadySet $set, array $minors = []): RoleBook
    {
        return ReadyRoles::book($set, static fn(string $code): string => "Name of $code", $minors);
    }

    private static function rules(ReadySet $set): Rules
    {
        return new Rules(self::book($set), [], new Limits(), siteKinds: [new SiteKind('course', 'Course')]);
    }
}
