<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Intake\Lists;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The lists stay what they were when the matcher was measured by them first. */
final class ListsTest extends TestCase
{
    private static ?Town $town = null;

    /** @return iterable<string, array{Part, string}> */
    public static function parts(): iterable
    {
        yield 'for work' => [Part::Work, 'e5c7de0d6ca44376595007737db868affb0f5a2735c38180e43949f11e711c09'];
        yield 'kept aside' => [Part::Kept, '5b670e898907f7d4a831b9bc65b7366b2470ed4821f4b438d0d0dc8c2bc6fac2'];
        yield 'written anew' => [Part::Anew, 'b1bb2620400afaa06e9e7007f5afa39faf9dd81fbad3388c4c3d9d95a0fa7737'];
    }

    #[DataProvider('parts')]
    public function testAPartIsWhatItWas(Part $part, string $digest): void
    {
        self::$town ??= new Town();
        $lists = (new Scribe(new Renown(self::$town, $part), $part))->lists();
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
