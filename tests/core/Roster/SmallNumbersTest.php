<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Roster;

use MintDoor\Core\Roster\SmallNumbers;
use MintDoor\Demo\Dice;
use PHPUnit\Framework\TestCase;

final class SmallNumbersTest extends TestCase
{
    public function testOfFewPeopleNothingIsTold(): void
    {
        self::assertFalse(SmallNumbers::may(0));
        self::assertFalse(SmallNumbers::may(SmallNumbers::LEAST - 1));
        self::assertTrue(SmallNumbers::may(SmallNumbers::LEAST));
    }

    /** Whatever those did of whom nothing is told, the sums are the same. */
    public function testNothingOfFewPeopleCanBeTakenFromASum(): void
    {
        $dice = new Dice(7);
        for ($n = 0; $n < 200; ++$n) {
            $groups = $others = [];
            for ($many = $dice->between(0, 8); $many > 0; --$many) {
                $people = $dice->between(0, 12);
                $did = $dice->between(0, $people);
                $groups[] = ['people' => $people, 'did' => $did];
                $few = $people < SmallNumbers::LEAST;
                $others[] = ['people' => $people, 'did' => $few ? $dice->between(0, $people) : $did];
            }
            self::assertSame(SmallNumbers::sum($groups), SmallNumbers::sum($others));
            $sum = SmallNumbers::sum($groups);
            self::assertLessThanOrEqual($sum['people'], $sum['did']);
        }
    }
}
