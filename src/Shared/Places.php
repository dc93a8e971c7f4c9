<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Lock\LockFactory;
use Symfony\Component\Lock\LockInterface;
use Symfony\Component\Lock\Store\FlockStore;

/**
 * How many of this machine's processes may be at the same at once. A place is a file lock, which the system takes back
 * from a process that dies; each machine has its own, since it is its processes that are few.
 */
final class Places
{
    private ?LockFactory $locks = null;

    public function __construct(#[Autowire('%env(resolve:PLACES_DIR)%')] private readonly string $folder) {}

    /**
     * @param int $most 1 or more
     *
     * @return ?LockInterface the place, to be released; null where none is free
     */
    public function take(string $what, int $most): ?LockInterface
    {
        if (null === $this->locks) {
            is_dir($this->folder) || @mkdir($this->folder, 0o700, true);
            $this->locks = new LockFactory(new FlockStore($this->folder));
        }
        $begin = random_int(0, $most - 1);
        for ($n = 0; $n < $most; ++$n) {
            $place = $this->locks->createLock($what.' '.($begin + $n) % $most, null);
            if ($place->acquire()) {
                return $place;
            }
        }

        return null;
    }
}
