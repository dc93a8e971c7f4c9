<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Platform;

use MintDoor\Core\Platform\Term;
use MintDoor\Core\Platform\TermPattern;
use PHPUnit\Framework\TestCase;

final class TermPatternTest extends TestCase
{
    public function testADayKeepsItsNameAndStaysNearItsDate(): void
    {
        for ($n = 0; $n < 1_500; $n += 7) {
            $day = (new \DateTimeImmutable('2024-01-01'))->modify("+$n days +".($n % 5).' days');
            foreach ([1, 2, 5] as $years) {
                $later = new \DateTimeImmutable(TermPattern::day($day->format('Y-m-d'), $years));
                self::assertSame($day->format('N'), $later->format('N'));
                self::assertLessThanOrEqual(3, abs((int) $day->modify("+$years years")->diff($later)->format('%r%a')));
            }
        }
    }

    public function testYearsInNamesAndCodesMoveOn(): void
    {
        $named = static function (string $name, string $code, string ...$taken): array {
            $term = new Term($code, $name, '2026-09-07', '2026-12-18', 'arts');
            $later = TermPattern::later([$term], 1, array_values($taken));

            return [$later[0]->name, $later[0]->code, $later[0]->startsOn, $later[0]->endsOn, $later[0]->division];
        };
        self::assertSame(
            ['Autumn 2027', 'autumn-2027', '2027-09-06', '2027-12-17', 'arts'],
            $named('Autumn 2026', 'autumn-2026'),
        );
        self::assertSame('Year 2027/28', $named('Year 2026/27', 'year-2026')[0]);
        self::assertSame('Room 12026', $named('Room 12026', 'x-2026')[0]);
        self::assertSame('First term', $named('First term', 'first', 'first')[0]);
        self::assertSame('first-2', $named('First term', 'first', 'first')[1]);
        self::assertSame('first-3', $named('First term', 'first', 'first', 'first-2')[1]);
    }

    public function testSeveralTermsOfOneCodeAreToldApart(): void
    {
        $term = new Term('term', 'Term', '2026-09-07', '2026-12-18');
        $later = TermPattern::later([$term, $term], 1, ['term']);
        self::assertSame(['term-2', 'term-3'], array_map(static fn(Term $each): string => $each->code, $later));
    }
}
