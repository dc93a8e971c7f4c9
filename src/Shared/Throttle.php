<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use MintDoor\Shared\Repository\Throttles;
use Symfony\Component\RateLimiter\RateLimit;

/**
 * Counts in windows of fixed length, shared by all machines: parallel tries cannot slip through.
 */
final readonly class Throttle
{
    private const AT_ONCE = 1_000;

    public function __construct(private Throttles $counts) {}

    public function forget(string $key): void
    {
        $this->counts->drop($this->hash($key));
    }

    /** Whether so many were counted in the window that runs; counts nothing. */
    public function reached(string $key, int $most): bool
    {
        return $this->counts->hits($this->hash($key)) >= $most;
    }

    /** @param int $window seconds */
    public function hit(string $key, int $most, int $window): RateLimit
    {
        $counted = $this->counts->hit($this->hash($key), $window);

        return new RateLimit(
            max(0, $most - $counted->hits),
            new \DateTimeImmutable('@'.$counted->windowEnds),
            $counted->hits <= $most,
            $most,
        );
    }

    /**
     * Counts several at once, all of them or none.
     *
     * @param int $window seconds
     *
     * @return int how many are left; below 0 where there were too many, and none was counted
     */
    public function spend(string $key, int $many, int $most, int $window): int
    {
        $hash = $this->hash($key);
        $left = $most - ($this->counts->locked([$hash])[$hash] ?? 0) - $many;
        if ($left >= 0 && $many > 0) {
            $this->counts->addAll([$hash => $many], $window);
        }

        return $left;
    }

    /**
     * Counts for many at once; each by itself, all of its own or none.
     *
     * @param array<string, int> $keys   how many, by key
     * @param int                $most   for each
     * @param int                $window seconds
     *
     * @return array<string, true> keys for which there were too many, and nothing was counted
     */
    public function spendEach(array $keys, int $most, int $window): array
    {
        $over = [];
        foreach (array_chunk($keys, self::AT_ONCE, true) as $some) {
            $byHash = [];
            foreach (array_keys($some) as $key) {
                $byHash[$this->hash((string) $key)] = (string) $key;
            }
            ksort($byHash);
            $hits = $this->counts->locked(array_map(strval(...), array_keys($byHash)));
            $more = [];
            foreach ($byHash as $hash => $key) {
                if (($hits[$hash] ?? 0) + $some[$key] > $most) {
                    $over[$key] = true;
                } else {
                    $more[$hash] = $some[$key];
                }
            }
            if ([] !== $more) {
                $this->counts->addAll($more, $window);
            }
        }

        return $over;
    }

    private function hash(string $key): string
    {
        return hash('sha256', $key, true);
    }
}
