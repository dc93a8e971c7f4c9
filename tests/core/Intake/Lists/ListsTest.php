<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Intake\Lists;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The lists stay what they were when the matcher was measured by them first. */
final class ListsTest extends TestCase
{
    private static ?Renown $renown = null;

    /** @return iterable<string, array{bool, string}> */
    public static function halves(): iterable
    {
        yield 'for work' => [false, '10f039441f347faab77adaeeec5c004cbdaca9e0272c51ba1b59f1798efdb4c4'];
        yield 'kept aside' => [true, 'fed892e8db58b13b9da8e8a3b87b4d8be91196612ae5685e6d00bc55d2cadd84'];
    }

    #[DataProvider('halves')]
    public function testAHalfIsWhatItWas(bool $kept, string $digest): void
    {
        self::$renown ??= new Renown(new Town());
        $lists = (new Scribe(self::$renown, $kept))->lists();
        $lines = array_merge(...array_column($lists, 'lines'));
        self::assertGreaterThan(2_500, \count($lines));
        self::assertGreaterThan(80, \count(array_unique(array_column($lines, 'kind'))));
        foreach ($lists as $list) {
            self::assertLessThanOrEqual(160, \count($list->lines));
            foreach ($list->lines as $line) {
                self::assertSame(0, preg_match('/[\r\n]/', $line->text));
            }
        }
        self::assertSame($digest, hash('sha256', (string) json_encode($lists)));
    }
}
