<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Doors;

use MintDoor\Core\Doors\Waiter;
use MintDoor\Core\Doors\WaitingList;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

final class WaitingListTest extends TestCase
{
    public function testThoseMovedUpComeFirstAndTheRestInOrderOfArrival(): void
    {
        $line = new WaitingList([new Waiter(3, 'c', 'd'), new Waiter(1, 'a', 'd'), new Waiter(2, 'b', 'd', 1)]);
        self::assertSame(
            ['b', 'a', 'c'],
            array_map(static fn(Waiter $each): string => $each->personId, $line->waiters),
        );
        self::assertSame([2, 1, 3, null], array_map($line->place(...), ['a', 'b', 'c', 'nobody']));
    }

    public function testADoorWithoutSeatsOfItsOwnKeepsNobodyElseWaiting(): void
    {
        $line = new WaitingList([new Waiter(1, 'a', 'full'), new Waiter(2, 'b', 'other')]);
        self::assertSame(
            ['b'],
            array_map(static fn(Waiter $each): string => $each->personId, $line->next(2, ['full' => 0])),
        );
    }

    public function testAFullSectionKeepsNobodyElseWaiting(): void
    {
        $line = new WaitingList([
            new Waiter(1, 'a', 'd', section: 'morning'),
            new Waiter(2, 'b', 'd', section: 'evening'),
            new Waiter(3, 'c', 'd', section: 'evening'),
            new Waiter(4, 'e', 'd'),
        ]);
        $next = static fn(array $own): array => array_column($line->next(null, $own), 'personId');
        self::assertSame(['b', 'e'], $next(['morning' => 0, 'evening' => 1]));
        self::assertSame(['b'], $next(['morning' => 0, 'evening' => 1, 'd' => 1]));
    }

    /**
     * Whatever the line: as many offers as seats at most, to nobody twice, and nobody behind somebody who could have
     * had it.
     */
    public function testOffersAreFair(): void
    {
        $chance = new Randomizer(new Mt19937(11));
        for ($n = 0; $n < 400; ++$n) {
            $waiters = [];
            foreach (range(1, $chance->getInt(1, 30)) as $arrival) {
                $waiters[] = new Waiter(
                    $arrival,
                    'p'.$arrival,
                    'd'.$chance->getInt(1, 3),
                    0 === $chance->getInt(0, 5) ? $chance->getInt(1, 4) : 0,
                    0 === $chance->getInt(0, 4) ? 100 : null,
                    [null, 's1', 's2'][$chance->getInt(0, 2)],
                );
            }
            $line = new WaitingList($chance->shuffleArray($waiters));
            $free = 0 === $chance->getInt(0, 4) ? null : $chance->getInt(0, 8);
            $doors = ['d1' => $chance->getInt(0, 4), 'd2' => null, 's1' => $chance->getInt(0, 4)];
            $next = $line->next($free, $doors);
            self::assertLessThanOrEqual($free ?? \PHP_INT_MAX, \count($next));
            self::assertSame([], array_filter($next, static fn(Waiter $each): bool => null !== $each->offeredUntil));
            $left = $doors;
            foreach ($next as $each) {
                isset($left[$each->doorId]) && --$left[$each->doorId];
                isset($left[(string) $each->section]) && --$left[(string) $each->section];
            }
            self::assertGreaterThanOrEqual(0, min(array_filter($left, is_int(...))));
            $last = [] === $next ? -1 : array_search(end($next), $line->waiters, true);
            foreach (\array_slice($line->waiters, 0, (int) $last + 1) as $ahead) {
                self::assertTrue(
                    null !== $ahead->offeredUntil
                        || \in_array($ahead, $next, true)
                        || 0 === ($left[$ahead->doorId] ?? null)
                        || 0 === ($left[(string) $ahead->section] ?? null),
                    'Passed over only where its own door or section is full.',
                );
            }
            self::assertSame(
                $next,
                (new WaitingList($chance->shuffleArray($waiters)))->next($free, $doors),
                'The order in which they are read does not matter.',
            );
        }
    }

    public function testWhatIsOver(): void
    {
        $line = new WaitingList([
            new Waiter(1, 'a', 'd', 0, 10),
            new Waiter(2, 'b', 'd', 0, 11),
            new Waiter(3, 'c', 'd'),
        ]);
        self::assertSame(['a'], array_map(static fn(Waiter $each): string => $each->personId, $line->over(10)));
    }
}
