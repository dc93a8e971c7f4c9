<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Platform;

use Eris\Generators;
use Eris\TestTrait;
use MintDoor\Core\Platform\Archive;
use MintDoor\Core\Platform\Term;
use PHPUnit\Framework\TestCase;

/** Sites that leave the lists. */
final class ArchiveTest extends TestCase
{
    use TestTrait;

    public function testSoManyWholeTermsHaveToBeOver(): void
    {
        $terms = [
            new Term('a', 'A', '2026-01-12', '2026-03-27'),
            new Term('b', 'B', '2026-04-13', '2026-06-26'),
            new Term('year', 'Year', '2026-01-12', '2026-06-26'),
            new Term('c', 'C', '2026-09-07', '2026-12-18'),
        ];
        $before = static fn(int $many, string $today): ?string => Archive::closedBefore($terms, $many, $today);
        self::assertSame('2026-09-07', $before(1, '2026-12-19'));
        self::assertSame('2026-04-13', $before(1, '2026-12-18'), 'on its last day a term is not over');
        self::assertSame('2026-04-13', $before(2, '2026-12-19'));
        self::assertSame('2026-01-12', $before(3, '2026-12-19'), 'the year is the same time once more');
        self::assertNull($before(4, '2026-12-19'));
    }

    public function testItNeverComesBackByItself(): void
    {
        $day = static fn(int $n): string => (new \DateTimeImmutable('2026-01-01 UTC'))
            ->modify("$n days")
            ->format('Y-m-d');
        $this
            ->forAll(
                Generators::seq(Generators::tuple(Generators::choose(0, 400), Generators::choose(10, 120))),
                Generators::choose(1, 4),
                Generators::choose(0, 700),
                Generators::choose(0, 200),
            )
            ->then(static function (array $pairs, int $many, int $today, int $later) use ($day): void {
                $terms = [];
                foreach ($pairs as $n => [$from, $long]) {
                    $terms[] = new Term("t$n", '', $day($from), $day($from + $long));
                }
                $now = Archive::closedBefore($terms, $many, $day($today));
                $then = Archive::closedBefore($terms, $many, $day($today + $later));
                self::assertTrue(null === $now || ($now <= (string) $then && $now < $day($today)));
                if ($many > 1) {
                    $fewer = Archive::closedBefore($terms, $many - 1, $day($today));
                    self::assertTrue(null === $now || $now < (string) $fewer);
                }
            });
    }
}
