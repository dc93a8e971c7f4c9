<?php

declare(strict_types=1);

namespace MintDoor\Tests\App;

use Doctrine\DBAL\Driver\AbstractException;
use Doctrine\DBAL\Exception\DeadlockException;
use MintDoor\Hall\Answer;
use MintDoor\Hall\Caller;
use MintDoor\Hall\CallerProvider;
use MintDoor\Hall\Id;
use MintDoor\Hall\Problem;
use MintDoor\Hall\Transaction;
use Symfony\Component\HttpFoundation\Request;

final class TransactionTest extends ApiTestCase
{
    public function testALostRaceIsRunAgainAsAWhole(): void
    {
        $tries = 0;
        $answer = $this->transact(function () use (&$tries): Answer {
            $this->rename('try '.++$tries);
            if ($tries < 3) {
                throw $this->deadlock();
            }

            return new Answer(['tries' => $tries]);
        });
        self::assertSame('{"tries":3}', $answer->getContent());
        self::assertSame('try 3', $this->title());
    }

    public function testWhoAlwaysLosesIsToldInTheEnd(): void
    {
        $this->expectException(DeadlockException::class);
        $this->transact(fn (): Answer => throw $this->deadlock());
    }

    public function testAProblemRollsEverythingBackTheKeyIncluded(): void
    {
        $work = function (): Answer {
            $this->rename('half done');
            throw Problem::notAllowed('No.');
        };
        try {
            $this->transact($work, ['HTTP_IDEMPOTENCY_KEY' => 'a-key-of-its-own']);
            self::fail('A problem passes through.');
        } catch (Problem) {
        }
        self::assertSame('Harmony', $this->title());
        self::assertSame('["done"]', $this->transact(static fn (): Answer => new Answer(['done']), ['HTTP_IDEMPOTENCY_KEY' => 'a-key-of-its-own'])->getContent());
    }

    public function testTheRostersVersionGoesUpWithEveryChange(): void
    {
        $version = fn (): int => (int) $this->db()->fetchOne('SELECT roster_version FROM site WHERE id = ?', [Id::binary($this->ids['site'])]);
        $before = $version();
        $this->transact(static fn (): Answer => new Answer([]));
        self::assertSame($before + 1, $version());
    }

    public function testAKeyThatIsNoneIsRefused(): void
    {
        $this->expectException(Problem::class);
        $this->transact(static fn (): Answer => new Answer([]), ['HTTP_IDEMPOTENCY_KEY' => 'short']);
    }

    /**
     * @param callable(): Answer    $work
     * @param array<string, string> $headers
     */
    private function transact(callable $work, array $headers = []): Answer
    {
        $caller = $this->service(CallerProvider::class)->loadUserByIdentifier('lead');
        \assert($caller instanceof Caller);

        return $this->service(Transaction::class)->run(Request::create('/', 'POST', server: $headers), $caller, [$this->ids['site']], $work);
    }

    private function rename(string $title): void
    {
        $this->db()->executeStatement('UPDATE site SET title = ? WHERE id = ?', [$title, Id::binary($this->ids['site'])]);
    }

    private function title(): string
    {
        return (string) $this->db()->fetchOne('SELECT title FROM site WHERE id = ?', [Id::binary($this->ids['site'])]);
    }

    private function deadlock(): DeadlockException
    {
        return new DeadlockException(new class('Deadlock found') extends AbstractException {}, null);
    }
}
