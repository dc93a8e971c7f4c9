<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Groups;

use MintDoor\Core\Groups\Arriving;
use MintDoor\Core\Groups\Group;
use MintDoor\Core\Groups\Move;
use MintDoor\Core\Groups\Split;
use MintDoor\Core\Plans\Chance;
use PHPUnit\Framework\TestCase;

/** Into which groups those come who are in none. */
final class ArrivingTest extends TestCase
{
    public function testEachComesIntoTheEmptiestThatHasRoom(): void
    {
        for ($seed = 0; $seed < 200; ++$seed) {
            $split = self::drawn(new Chance("arriving $seed"));
            $people = array_map(strval(...), array_keys($split->places, null, true));
            $moves = Arriving::moves($split, $people);
            $held = $split->counts();
            foreach ($people as $person) {
                $open = array_filter(
                    $split->groups,
                    static fn(Group $group): bool => null === $group->most || $held[$group->id] < $group->most,
                );
                $to = ($moves[$person] ?? null)?->to;
                self::assertSame([] === $open, null === $to, 'who fits nowhere, and nobody else, is in none');
                if (null !== $to) {
                    self::assertArrayHasKey($to, $open);
                    self::assertSame([], array_filter(
                        array_intersect_key($held, $open),
                        static fn(int $many): bool => $many < $held[$to],
                    ));
                    ++$held[$to];
                }
            }
        }
    }

    public function testEachComesOnlyIntoGroupsThatAreForThem(): void
    {
        $split = new Split(
            [new Group('violas', 2), new Group('cellos'), new Group('more cellos')],
            ['ada' => 'violas', 'bruno' => 'cellos', 'cem' => null, 'dana' => null, 'edo' => null, 'finn' => null],
        );
        $theirs = [
            'ada' => ['cellos'],
            'cem' => ['violas'],
            'dana' => ['violas'],
            'edo' => ['cellos', 'more cellos'],
        ];
        $to = array_map(
            static fn(Move $move): ?string => $move->to,
            Arriving::moves($split, ['ada', 'cem', 'dana', 'edo', 'finn', 'cem'], $theirs),
        );
        self::assertSame(['cem' => 'violas', 'edo' => 'more cellos'], $to);
    }

    private static function drawn(Chance $chance): Split
    {
        $groups = $places = [];
        for ($n = 0, $many = 1 + $chance->below(5); $n < $many; ++$n) {
            $groups[] = new Group("g$n", 0 === $chance->below(3) ? null : $chance->below(6));
        }
        for ($n = 0; $n < 20; ++$n) {
            $places["p$n"] = 0 === $chance->below(2) ? 'g'.$chance->below($many) : null;
        }

        return new Split($groups, $places);
    }
}
