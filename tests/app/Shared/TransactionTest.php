<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Shared;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Driver\AbstractException;
use Doctrine\DBAL\Exception\ConnectionLost;
use Doctrine\DBAL\Exception\DeadlockException;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\CallerProvider;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Locks;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\Transaction;
use MintDoor\Tests\App\ApiTestCase;
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
        $tries = 0;
        try {
            $this->transact(function () use (&$tries): Answer {
                ++$tries;
                throw $this->deadlock();
            });
            self::fail('It is said.');
        } catch (Problem $problem) {
            self::assertSame([ProblemType::Busy, 2], [$problem->type, $problem->retryAfter]);
        }
        self::assertSame(5, $tries);
    }

    public function testWhatIsTakenMeanwhileIsLookedAtAgainAndSaid(): void
    {
        $tries = 0;
        $taken = function () use (&$tries): Answer {
            ++$tries;
            $this->db()->executeStatement("UPDATE person SET email = 'lead@example.org' WHERE id = ?", [
                Id::binary($this->ids['learner']),
            ]);

            return new Answer([]);
        };
        try {
            $this->transact($taken);
            self::fail('Two people cannot have one address.');
        } catch (Problem $problem) {
            self::assertSame(ProblemType::ChangedSince, $problem->type);
        }
        self::assertSame(5, $tries);
    }

    public function testAllIsDecidedAtOneInstantThatIsNeverBeforeTheLastEntry(): void
    {
        $clock = $this->service(PlatformClock::class);
        $before = $clock->instant();
        $this->db()->executeStatement('UPDATE site SET last_entry_at = ? WHERE id = ?', [
            Instant::toSql($before + 3_600),
            Id::binary($this->ids['site']),
        ]);
        $during = 0;
        $this->transact(static function () use ($clock, &$during): Answer {
            $during = $clock->instant();

            return new Answer([]);
        });
        self::assertSame([$before + 3_600, $before], [$during, $clock->instant()]);
    }

    public function testASiteThatComesInSightAfterTheLocksIsLookedAtAgain(): void
    {
        $looks = 0;
        $sites = function () use (&$looks): array {
            return ++$looks < 3 ? [] : [$this->ids['site']];
        };
        $locks = $this->service(Locks::class);
        $answer = $this->service(Transaction::class)->run(
            Request::create('/', 'POST'),
            $this->lead(),
            $sites,
            function () use ($locks): Answer {
                $locks->assertHeld($this->ids['site'], []);

                return new Answer(['looks' => true]);
            },
        );
        self::assertSame([3, '{"looks":true}'], [$looks, $answer->getContent()]);
    }

    public function testNobodyIsEnrolledWhoWasNotLocked(): void
    {
        $this->expectException(\LogicException::class);
        $this->transact(function (): Answer {
            $this->service(Locks::class)->assertHeld($this->ids['site'], [$this->ids['learner']]);

            return new Answer([]);
        });
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
        self::assertSame(
            '["done"]',
            $this->transact(static fn(): Answer => new Answer(['done']), [
                'HTTP_IDEMPOTENCY_KEY' => 'a-key-of-its-own',
            ])->getContent(),
        );
    }

    public function testTheRostersVersionGoesUpWithEveryChange(): void
    {
        $version = fn(): int => (int) $this->db()->fetchOne('SELECT roster_version FROM site WHERE id = ?', [
            Id::binary($this->ids['site']),
        ]);
        $before = $version();
        $this->transact(static fn(): Answer => new Answer([]));
        self::assertSame($before + 1, $version());
    }

    public function testAKeyThatIsNoneIsRefused(): void
    {
        $this->expectException(Problem::class);
        $this->transact(static fn(): Answer => new Answer([]), ['HTTP_IDEMPOTENCY_KEY' => 'short']);
    }

    /** Where the connection breaks while it is written for good, nobody knows; that is what is said. */
    public function testABrokenCommitIsNotSaidToHaveChangedNothing(): void
    {
        $gone = new ConnectionLost(new class('gone') extends AbstractException {}, null);
        $broken = $this->createMock(Connection::class);
        $broken->method('commit')->willThrowException($gone);
        $broken->method('rollBack')->willThrowException($gone);
        $broken->expects(self::once())->method('close');
        $real = $this->service(Transaction::class);
        $parts = array_map(
            static fn(\ReflectionProperty $part): mixed => 'db' === $part->name ? $broken : $part->getValue($real),
            (new \ReflectionClass($real))->getProperties(),
        );
        try {
            (new Transaction(...$parts))->run(
                Request::create('/', 'POST'),
                $this->lead(),
                [$this->ids['site']],
                static fn(): Answer => new Answer([]),
            );
            self::fail('It is not known what came of it.');
        } catch (Problem $problem) {
            self::assertSame([ProblemType::UnknownOutcome, 1], [$problem->type, $problem->retryAfter]);
        }
    }

    /**
     * @param \Closure(): Answer    $work
     * @param array<string, string> $headers
     */
    private function transact(\Closure $work, array $headers = []): Answer
    {
        $request = Request::create('/', 'POST', server: $headers);

        return $this->service(Transaction::class)->run($request, $this->lead(), [$this->ids['site']], $work);
    }

    private function lead(): Caller
    {
        $caller = $this->service(CallerProvider::class)->loadUserByIdentifier('lead');
        \assert($caller instanceof Caller);

        return $caller;
    }

    private function rename(string $title): void
    {
        $this->db()->executeStatement('UPDATE site SET title = ? WHERE id = ?', [
            $title,
            Id::binary($this->ids['site']),
        ]);
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
