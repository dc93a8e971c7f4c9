<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Roster;

use Eris\Generators;
use Eris\TestTrait;
use MintDoor\Core\Roster\Census;
use MintDoor\Core\Roster\CountedStretch;
use MintDoor\Core\Roster\State;
use MintDoor\Core\Time\Window;
use PHPUnit\Framework\TestCase;

final class CensusTest extends TestCase
{
    use TestTrait;

    public function testAtEachInstantThoseCountWhoseStretchContainsIt(): void
    {
        $number = Generators::choose(0, 30);
        $stretch = Generators::tuple(Generators::elements(...State::cases()), $number, $number, $number);
        $this
            ->forAll(Generators::seq($stretch), Generators::seq($number))
            ->then(static function (array $tuples, array $instants): void {
                $stretches = [];
                foreach ($tuples as [$state, $one, $other, $people]) {
                    \assert($state instanceof State);
                    $window = new Window(min((int) $one, (int) $other), max((int) $one, (int) $other));
                    $stretches[] = new CountedStretch($state, $window, (int) $people);
                }
                $instants = array_map(intval(...), array_values($instants));
                sort($instants);
                $expected = [];
                foreach (State::cases() as $state) {
                    $expected[$state->value] = [];
                    foreach ($instants as $instant) {
                        $in = array_filter(
                            $stretches,
                            static fn(CountedStretch $each): bool => $each->state === $state
                                && $each->window->contains($instant),
                        );
                        $expected[$state->value][] = array_sum(array_column($in, 'people'));
                    }
                }
                self::assertSame($expected, Census::at($instants, $stretches)->people);
            });
    }
}
