<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Doors;

use MintDoor\Core\Platform\Levels;
use MintDoor\Doors\LevelsOffered;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class LevelsOfferedTest extends TestCase
{
    /** @param array{int, int} $run */
    #[TestWith([null, null, [1, 10]])]
    #[TestWith([6, 8, [6, 8]])]
    #[TestWith([12, null, [12, 12]])]
    public function testNumbersAreThoseOfTheDoor(?int $lowest, ?int $highest, array $run): void
    {
        $offered = LevelsOffered::of($lowest, $highest, null);
        self::assertSame([...$run, []], [$offered?->lowest, $offered?->highest, $offered?->names]);
    }

    /** @param array{int, int, list<string>} $run */
    #[TestWith([null, null, [7, 9, ['Year 7', 'Year 8', 'Year 9']]])]
    #[TestWith([8, 20, [8, 9, ['Year 8', 'Year 9']]])]
    #[TestWith([1, 7, [7, 7, ['Year 7']]])]
    public function testNamesAreThoseOfTheDivisionWithinTheDoor(?int $lowest, ?int $highest, array $run): void
    {
        $offered = LevelsOffered::of($lowest, $highest, new Levels(7, ['Year 7', 'Year 8', 'Year 9']));
        self::assertSame($run, [$offered?->lowest, $offered?->highest, $offered?->names]);
        self::assertTrue($offered?->has($run[0]));
        self::assertFalse($offered->has($run[1] + 1));
    }

    public function testWhereTheDivisionHasNoneOfThemNothingIsAsked(): void
    {
        self::assertNull(LevelsOffered::of(null, null, new Levels(1, [])));
        self::assertNull(LevelsOffered::of(1, 3, new Levels(7, ['Year 7'])));
    }
}
