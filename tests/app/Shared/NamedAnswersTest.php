<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Shared;

use MintDoor\Tests\App\Contract;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Finder\Finder;

/** Docblocks name schemas and operations of the contract; what they name is there. */
final class NamedAnswersTest extends TestCase
{
    public function testWhatIsNamedIsInTheContract(): void
    {
        $names = Contract::get()->names();
        $unknown = [];
        $found = 0;
        foreach ((new Finder())->files()->in(\dirname(__DIR__, 3).'/src')->name('*.php') as $file) {
            preg_match_all('/(?:schemas?|answer of) `(\w+)`/', $file->getContents(), $matches);
            $found += \count($matches[1]);
            foreach (array_diff($matches[1], $names) as $name) {
                $unknown[] = $file->getRelativePathname().': '.$name;
            }
        }
        self::assertSame([], $unknown);
        self::assertGreaterThan(40, $found);
    }
}
