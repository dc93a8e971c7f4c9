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
        yield 'for work' => [false, 'e5c7de0d6ca44376595007737db868affb0f5a2735c38180e43949f11e711c09'];
        yield 'kept aside' => [true, '5b670e898907f7d4a831b9bc65b7366b2470ed4821f4b438d0d0dc8c2bc6fac2'];
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
