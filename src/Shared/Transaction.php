<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Exception\LockWaitTimeoutException;
use Doctrine\DBAL\Exception\RetryableException;
use Doctrine\DBAL\Exception\UniqueConstraintViolationException;
use Doctrine\ORM\EntityManagerInterface;
use Doctrine\Persistence\ManagerRegistry;
use MintDoor\Shared\Repository\KeptAnswers;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Lock\LockInterface;

/**
 * The one way to change anything. Locks first, in a fixed order (`Locks`), reads after, at one instant that is never
 * before what was decided already; runs the whole of the work again when the database says that it lost a race; keeps
 * the answer beside the change, so that the same request sent twice is done once.
 */
final readonly class Transaction
{
    private const TRIES = 5;

    public function __construct(
        private Connection $db,
        private ManagerRegistry $managers,
        private PlatformClock $clock,
        private Sealer $sealer,
        private KeptAnswers $answers,
        private SecurityLog $log,
        private Locks $locks,
        private Places $places,
        /** How many of this machine's processes wait for one site; 0 for any. */
        #[Autowire('%env(int:SITE_PLACES)%')] private int $most,
    ) {}

    /**
     * @param list<string>|\Closure(): list<string> $sites ids of the sites whose people change; looked for anew each
     *                                                        time the work is done again
     */
    public function run(Request $request, Caller $caller, array|\Closure $sites, \Closure $work): Answer
    {
        $places = $this->places(\is_array($sites) ? $sites : [], $caller);
        $remembered = function (EntityManagerInterface $entities) use ($request, $caller, $work): Answer {
            $answer = $work();
            $entities->flush();
            $this->remember($request, $caller, $answer);

            return $answer;
        };
        $before = fn(): ?Answer => $this->repeated($request, $caller);
        try {
            return $this->tried(fn(): Answer => $this->once($sites, $remembered, $before));
        } finally {
            array_map(static fn(LockInterface $place) => $place->release(), $places);
        }
    }

    /**
     * The same for work nobody waits for.
     *
     * @template T
     *
     * @param list<string>  $sites ids of the sites whose people change
     * @param callable(): T $work
     *
     * @return T
     */
    public function job(array $sites, callable $work): mixed
    {
        $nothing = static fn(): mixed => null;

        return $this->tried(fn(): mixed => $this->once($sites, static fn(): mixed => $work(), $nothing));
    }

    /**
     * Something within a transaction that may fail without failing the whole, or is only tried.
     *
     * @template T
     *
     * @param \Closure(): T $work
     *
     * @return T
     *
     * @throws Problem that it ran into; nothing of it is kept then
     */
    public function attempt(bool $keep, \Closure $work): mixed
    {
        $entities = $this->managers->getManager();
        $this->db->beginTransaction();
        try {
            $answer = $work();
            $entities->flush();
            $keep ? $this->db->commit() : $this->db->rollBack();

            return $answer;
        } catch (Problem $problem) {
            $this->db->rollBack();
            throw $problem;
        } finally {
            // What an attempt that was not kept did to entities must not be written with the next.
            $entities->clear();
        }
    }

    /**
     * One busy site must not keep every process there is, and nobody alone keeps all others from a site.
     *
     * @param list<string> $sites that others may be waiting for, too
     *
     * @return list<LockInterface>
     *
     * @throws Problem of type `Busy`
     */
    private function places(array $sites, Caller $caller): array
    {
        $places = [];
        foreach (0 < $this->most && \count($sites) < 10 ? $sites : [] as $site) {
            $each = ["site $site of $caller->id" => max(1, $this->most - 2), "site $site" => $this->most];
            foreach ($each as $what => $most) {
                $places[] = $this->places->take($what, $most) ?? throw Problem::busy();
            }
        }

        return $places;
    }

    /**
     * @template T
     *
     * @param callable(): T $work
     *
     * @return T
     *
     * @throws Problem of type `Busy` when others hold a lock for too long, of type `ChangedSince` when the race is lost
     *                 again and again
     */
    private function tried(callable $work): mixed
    {
        for ($try = 1;; ++$try) {
            try {
                return $work();
            } catch (LockWaitTimeoutException) {
                throw Problem::busy();
            } catch (RetryableException|UniqueConstraintViolationException $lost) {
                // Somebody took the same name, number or place in the meantime: looked at again, that is found and
                // said.
                if ($try >= self::TRIES) {
                    throw $lost instanceof RetryableException
                        ? Problem::busy()
                        : new Problem(ProblemType::ChangedSince, 'shared.somebody-else-did-same');
                }
                usleep(random_int(1_000, 20_000) * $try);
            }
        }
    }

    /**
     * @template T
     *
     * @param list<string>|\Closure(): list<string> $sites
     * @param callable(EntityManagerInterface): T   $work
     * @param callable(): ?T                        $already what came of it when it was done before
     *
     * @return T
     */
    private function once(array|\Closure $sites, callable $work, callable $already): mixed
    {
        $entities = $this->managers->getManager();
        if (!($entities instanceof EntityManagerInterface) || !$entities->isOpen()) {
            $entities = $this->managers->resetManager();
        }
        \assert($entities instanceof EntityManagerInterface);
        $entities->clear();
        $this->db->beginTransaction();
        try {
            $answer = $already();
            if (null === $answer) {
                $sites = $sites instanceof \Closure ? $sites() : $sites;
                $this->clock->hold($this->locked($sites));
                $answer = $work($entities);
            }
            $this->log->write();
            $this->commit();

            return $answer;
        } catch (\Throwable $thrown) {
            $this->log->drop();
            $this->takeBack();
            throw $thrown;
        } finally {
            $this->locks->reset();
            $this->clock->reset();
        }
    }

    /** @throws Problem of type `UnknownOutcome` where the connection broke while it was written for good */
    private function commit(): void
    {
        try {
            $this->db->commit();
        } catch (\Throwable $thrown) {
            throw !Outage::is($thrown)
                ? $thrown
                : new Problem(
                    ProblemType::UnknownOutcome,
                    'shared.not-known-whether-saved',
                    retryAfter: 1,
                );
        }
    }

    /** Without a connection there is nothing to take back: the database does that by itself. */
    private function takeBack(): void
    {
        try {
            $this->db->rollBack();
        } catch (\Throwable) {
            $this->db->close();
        }
    }

    /**
     * Locks sites, and says at which instant what follows is decided: the database's time, the same for every machine;
     * a clock that was set back does not undo what was decided.
     *
     * @param list<string> $sites
     */
    private function locked(array $sites): int
    {
        $still = $this->clock->standsStill() ? $this->clock->instant() : null;
        $now = $this->locks->begin($sites, $still) ?? $still;
        if (null !== $now) {
            return $now;
        }
        $now = $this->db->fetchOne('SELECT UNIX_TIMESTAMP()');

        return is_numeric($now) ? (int) $now : $this->clock->instant();
    }

    private function repeated(Request $request, Caller $caller): ?Answer
    {
        $key = $this->key($request);
        if (null === $key) {
            return null;
        }
        // Taking the row first makes a twin that runs at the same time wait here, and then find the answer.
        if ($this->answers->take($caller->id, $key, $this->bodyHashes($request)[0], $this->clock->instant())) {
            return null;
        }
        $kept = $this->answers->locked($caller->id, $key);
        $same = array_filter(
            $this->bodyHashes($request),
            static fn(string $hash): bool => hash_equals($hash, $kept->bodyHash),
        );
        if ([] === $same) {
            throw new Problem(ProblemType::KeyReused, 'shared.key-already-used-another');
        }

        return Answer::again((string) $kept->answer, (int) $kept->status, $kept->etag);
    }

    private function remember(Request $request, Caller $caller, Answer $answer): void
    {
        $key = $this->key($request);
        if (null !== $key) {
            $this->answers->keep(
                $caller->id,
                $key,
                $answer->getStatusCode(),
                $answer->headers->get('ETag'),
                (string) $answer->getContent(),
            );
        }
    }

    private function key(Request $request): ?string
    {
        $key = $request->headers->get('Idempotency-Key');
        if (null !== $key && 1 !== preg_match('/^[\x21-\x7e]{8,64}$/D', $key)) {
            throw new Problem(ProblemType::Malformed, 'shared.idempotency-key-8-64');
        }

        return $key;
    }

    /**
     * Keyed, since a body may hold what is not to be guessed from its hash.
     *
     * @return non-empty-list<string> under the present secret, then the one of before
     */
    private function bodyHashes(Request $request): array
    {
        $said = $request->getMethod().' '.$request->getPathInfo()."\n".$request->getContent();

        return $this->sealer->hashes($said, 'idempotency: bodies');
    }
}
