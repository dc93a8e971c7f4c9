<?php

declare(strict_types=1);

namespace MintDoor\History;

use MintDoor\History\Repository\HistoryEntries;
use Symfony\Contracts\Cache\CacheInterface;
use Symfony\Contracts\Cache\ItemInterface;

/**
 * What is computed from everybody on the platform, kept until something is done to people: the platform's history
 * counts that. Only ids, codes and numbers are to be kept here, nothing that somebody may ask to have erased.
 */
final readonly class KeptUntilChange
{
    /** Seconds after which it is computed again whatever the history says. */
    private const LONGEST = 300;

    public function __construct(private CacheInterface $cache, private HistoryEntries $entries) {}

    /**
     * Until the history of the platform goes on.
     *
     * @template T
     *
     * @param string        $what what it is, and of whom
     * @param \Closure(): T $work
     *
     * @return T
     */
    public function get(string $what, \Closure $work): mixed
    {
        return $this->while($what, (string) $this->entries->doneOnPlatform(), $work);
    }

    /**
     * As long as something that changes with it stays as it is.
     *
     * @template T
     *
     * @param string        $what  what it is, and of whom
     * @param string        $state that of which it follows
     * @param \Closure(): T $work
     *
     * @return T
     */
    public function while(string $what, string $state, \Closure $work): mixed
    {
        return $this->cache->get(
            hash('xxh128', $this->entries->database().' '.$what).'.'.hash('xxh128', $state),
            static function (ItemInterface $item) use ($work): mixed {
                $item->expiresAfter(self::LONGEST);

                return $work();
            },
        );
    }
}
