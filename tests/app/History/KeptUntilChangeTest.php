<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\History;

use MintDoor\History\KeptUntilChange;
use MintDoor\History\Repository\HistoryEntries;
use MintDoor\Tests\App\ApiTestCase;
use Symfony\Component\Cache\Adapter\ArrayAdapter;

final class KeptUntilChangeTest extends ApiTestCase
{
    public function testItIsComputedOnceAndAgainWhenSomethingWasDoneToPeople(): void
    {
        $entries = $this->service(HistoryEntries::class);
        $kept = new KeptUntilChange(new ArrayAdapter(), $entries);
        $times = 0;
        $work = static function () use (&$times): int {
            return ++$times;
        };
        self::assertSame([1, 1], [$kept->get('what', $work), $kept->get('what', $work)]);
        self::assertSame(2, $kept->get('something else', $work));
        $entries->lastOfPlatform(1);
        self::assertSame([3, 3], [$kept->get('what', $work), $kept->get('what', $work)]);
    }
}
