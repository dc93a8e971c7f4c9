<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Shared;

use Doctrine\DBAL\Exception\ConnectionLost;
use Doctrine\DBAL\Exception\DriverException;
use MintDoor\Shared\Outage;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class OutageTest extends TestCase
{
    #[TestWith([1040, 'Too many connections', true])]
    #[TestWith([1021, 'Disk full', true])]
    #[TestWith([1030, 'Got error 28 "No space left on device" from storage engine InnoDB', true])]
    #[TestWith([1030, 'Got error 11 from storage engine', false])]
    #[TestWith([2006, 'MySQL server has gone away', true])]
    #[TestWith([1064, 'You have an error in your SQL syntax', false])]
    #[TestWith([1062, 'Duplicate entry', false])]
    public function testWhatTheDatabaseCannotIsToldFromWhatItWasAskedWrong(int $code, string $says, bool $outage): void
    {
        $thrown = new \PDOException($says);
        $thrown->errorInfo = ['HY000', $code, $says];
        self::assertSame($outage, Outage::is($thrown));
        self::assertSame($outage, Outage::is(new \RuntimeException('wrapped', 0, $thrown)));
    }

    public function testALostConnectionIsAnOutageWhereverItIsThrown(): void
    {
        $driver = new class('gone') extends \Doctrine\DBAL\Driver\AbstractException {};
        self::assertTrue(Outage::is(new \LogicException('wrapped', 0, new ConnectionLost($driver, null))));
        self::assertFalse(Outage::is(new DriverException($driver, null)));
    }
}
