<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\People;

use MintDoor\Core\People\Outside;
use MintDoor\Core\People\Person;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\People\PersonVisibility;
use MintDoor\Core\People\Reach;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class OutsideTest extends TestCase
{
    #[TestWith(['ask', 'seniors', true, false])]
    #[TestWith(['ask', 'seniors', false, true])]
    #[TestWith(['ask', 'juniors', true, true])]
    #[TestWith(['open', 'juniors', false, false])]
    #[TestWith(['closed', 'seniors', true, true])]
    #[TestWith(['closed', 'evening', false, false])]
    public function testWhoWaitsForAYesOfTheirDivision(string $rule, string $division, bool $named, bool $waits): void
    {
        $reach = new Reach(false, ['evening'], ['juniors']);
        $person = new Person('p', PersonKind::Learner, $division, 3);
        self::assertSame($waits, Outside::from($rule)->waits($person, $reach, $named));
    }

    public function testWhoReachesEverybodyAsksNobody(): void
    {
        $reach = new Reach(true, [], ['juniors']);
        foreach (Outside::cases() as $rule) {
            self::assertFalse($rule->waits(new Person('p', PersonKind::Learner, 'juniors'), $reach, false));
        }
    }

    public function testMinorsBeyondReachAreHiddenUnlessTheyAreNamed(): void
    {
        $reach = new Reach(false, [], ['juniors']);
        $junior = new Person('p', PersonKind::Learner, 'juniors');
        self::assertSame(
            [PersonVisibility::Hidden, PersonVisibility::Masked],
            [$reach->visibility($junior, false), $reach->visibility($junior, true)]
        );
    }
}
