<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Time;

use Eris\Generators;
use Eris\TestTrait;
use MintDoor\Core\Time\Cover;
use MintDoor\Core\Time\Window;
use PHPUnit\Framework\TestCase;

final class CoverTest extends TestCase
{
    use TestTrait;

    public function testTheFirstGapIsTheFirstInstantThatNoneContains(): void
    {
        $instant = Generators::choose(0, 30);
        $this
            ->forAll(Generators::seq(Generators::tuple($instant, $instant)), Generators::tuple($instant, $instant))
            ->then(static function (array $pairs, array $whole): void {
                $window = static fn(array $pair): Window => new Window(
                    min((int) $pair[0], (int) $pair[1]),
                    max((int) $pair[0], (int) $pair[1]),
                );
                $windows = [];
                foreach ($pairs as $pair) {
                    $windows[] = $window($pair);
                }
                $whole = $window($whole);
                $first = null;
                for ($at = $whole->from; $at < $whole->until && null === $first; ++$at) {
                    $holds = array_filter($windows, static fn(Window $each): bool => $each->contains($at));
                    $first = [] === $holds ? $at : null;
                }
                self::assertSame($first, Cover::firstGap($windows, $whole));
            });
    }
}
