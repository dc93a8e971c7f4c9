<?php

declare(strict_types=1);

namespace MintDoor\Core\Cohorts;

use MintDoor\Core\Time\Spans;

/**
 * Which cohorts follow from which, and which sites from which cohorts. A rule reads cohorts and rosters; a roster
 * follows from the cohorts connected to its site.
 */
final readonly class Web
{
    /** @var array<string, Cohort> by id */
    private array $cohorts;

    /** @var array<string, list<string>> by the key of a source: keys of what follows from it */
    private array $follows;

    /** @var array<string, true> cohorts that others read, by id */
    private array $read;

    /**
     * @param list<Cohort> $cohorts
     * @param list<Link>   $links
     */
    public function __construct(array $cohorts, array $links = [])
    {
        $this->cohorts = array_column($cohorts, null, 'id');
        $follows = $read = [];
        foreach ($this->cohorts as $cohort) {
            foreach ($cohort->rule?->reads() ?? [] as $source) {
                $follows[$source->key()][] = Source::cohort($cohort->id)->key();
                if ('cohort' === $source->kind) {
                    $read[(string) $source->id] = true;
                }
            }
        }
        $this->read = $read;
        foreach ($links as $link) {
            $follows[Source::cohort($link->cohort)->key()][] = Source::site($link->site)->key();
        }
        $this->follows = $follows;
    }

    /**
     * Cohorts and sites that follow from one another in a ring.
     *
     * @return list<Source> in the order in which they do, beginning anywhere; none where there is no ring
     */
    public function circle(): array
    {
        $done = [];
        foreach (array_keys($this->follows) as $start) {
            $ring = $this->ringFrom((string) $start, [], $done);
            if ([] !== $ring) {
                return array_map(self::source(...), $ring);
            }
        }

        return [];
    }

    /** @return list<string> ids of cohorts, each after those that it reads, also through sites */
    public function order(): array
    {
        $order = $done = [];
        foreach ($this->cohorts as $cohort) {
            $this->visit(Source::cohort($cohort->id)->key(), $done, $order);
        }
        $ids = array_map(static fn(string $key): ?string => self::cohortOf($key), array_reverse($order));

        return array_values(array_filter($ids, fn(?string $id): bool => null !== $id && isset($this->cohorts[$id])));
    }

    /**
     * Cohorts by rule that are to be looked at again where something changed, without those that only a roster which
     * follows leads to: it will tell by itself.
     *
     * @param list<string> $keys of sources
     *
     * @return list<string> ids, in `order()`
     */
    public function touched(array $keys): array
    {
        $touched = [];
        $left = $keys;
        while (null !== ($key = array_pop($left))) {
            foreach ($this->follows[$key] ?? [] as $next) {
                if (null !== self::cohortOf($next) && !isset($touched[$next])) {
                    $touched[$next] = true;
                    $left[] = $next;
                }
            }
        }
        $keyOf = static fn(string $id): string => Source::cohort($id)->key();

        return array_values(array_filter($this->order(), static fn(string $id): bool => isset($touched[$keyOf($id)])));
    }

    /**
     * When somebody belongs to cohorts, from an instant on.
     *
     * @param Facts        $facts   with the spans of every cohort that is read and not asked for
     * @param list<string> $cohorts ids of those that are asked for, in `order()`
     *
     * @return array<string, Spans> by id, of those that have a rule
     */
    public function belongings(Facts $facts, array $cohorts, int $now): array
    {
        $belongs = [];
        foreach ($cohorts as $id) {
            $rule = ($this->cohorts[$id] ?? null)?->rule;
            if (null !== $rule) {
                $belongs[$id] = $rule->spans($facts)->from($now);
                // Only what others read is kept for them.
                $facts = isset($this->read[$id]) ? $facts->with($id, $belongs[$id]) : $facts;
            }
        }

        return $belongs;
    }

    /** @return list<string> ids of the sites whose rosters are read by some cohorts, each once */
    public function sitesReadBy(string ...$cohorts): array
    {
        return $this->readBy('site', $cohorts);
    }

    /** @return list<string> ids of the cohorts that are read by some cohorts, each once */
    public function cohortsReadBy(string ...$cohorts): array
    {
        return $this->readBy('cohort', $cohorts);
    }

    /**
     * @param array<array-key, string> $cohorts ids
     *
     * @return list<string>
     */
    private function readBy(string $kind, array $cohorts): array
    {
        $ids = [];
        foreach ($cohorts as $id) {
            foreach (($this->cohorts[$id] ?? null)?->rule?->reads() ?? [] as $source) {
                if ($kind === $source->kind && null !== $source->id) {
                    $ids[$source->id] = true;
                }
            }
        }

        return array_map(strval(...), array_keys($ids));
    }

    /**
     * @param list<string>        $way  keys that led here
     * @param array<string, true> $done keys from which no ring is reached
     *
     * @return list<string> keys of a ring
     */
    private function ringFrom(string $key, array $way, array &$done): array
    {
        $at = array_search($key, $way, true);
        if (false !== $at) {
            return \array_slice($way, $at);
        }
        foreach (isset($done[$key]) ? [] : $this->follows[$key] ?? [] as $next) {
            $ring = $this->ringFrom($next, [...$way, $key], $done);
            if ([] !== $ring) {
                return $ring;
            }
        }
        $done[$key] = true;

        return [];
    }

    /**
     * @param array<string, true> $done
     * @param list<string>        $order those that follow before what they follow from
     */
    private function visit(string $key, array &$done, array &$order): void
    {
        if (isset($done[$key])) {
            return;
        }
        $done[$key] = true;
        foreach ($this->follows[$key] ?? [] as $next) {
            $this->visit($next, $done, $order);
        }
        $order[] = $key;
    }

    private static function cohortOf(string $key): ?string
    {
        return str_starts_with($key, 'cohort ') ? substr($key, 7) : null;
    }

    private static function source(string $key): Source
    {
        $cohort = self::cohortOf($key);

        return null === $cohort ? Source::site($key) : Source::cohort($cohort);
    }
}
