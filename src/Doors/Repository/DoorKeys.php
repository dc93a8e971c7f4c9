<?php

declare(strict_types=1);

namespace MintDoor\Doors\Repository;

use Doctrine\Persistence\ManagerRegistry;
use MintDoor\Core\Doors\Key;
use MintDoor\Core\Doors\KeyStrength;
use MintDoor\Doors\Entity\DoorKey;
use MintDoor\Roster\Entity\Door;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Resealed;
use MintDoor\Shared\Reseals;
use MintDoor\Shared\Sealer;

/**
 * Keys of doors. They are looked up by a keyed hash and shown again from a sealed copy, both under the platform's
 * secret, which is not in the database: who reads that alone opens nothing.
 *
 * @extends BaseRepository<DoorKey>
 */
final class DoorKeys extends BaseRepository implements Reseals
{
    protected const ENTITY = DoorKey::class;

    private const SHOWING = 'keys: showing';

    private const LOOKING_UP = 'keys: looking up';

    public function __construct(ManagerRegistry $managers, private readonly Sealer $sealer)
    {
        parent::__construct($managers);
    }

    /**
     * Gives a door a fresh key; the one it had opens nothing any more.
     *
     * @param ?callable(int): int $chance a whole number from 0 to just below; null for one that nobody can foresee
     */
    public function fresh(string $door, ?callable $chance = null): void
    {
        $key = Key::make($chance ?? static fn(int $below): int => random_int(0, $below - 1))->text;
        $this->keep($door, $key, $this->hash($key));
    }

    /**
     * Gives a door a key that somebody chose.
     *
     * @param string $around what everybody knows of the site
     *
     * @throws Problem at `/key`
     */
    public function choose(string $door, string $chosen, string $around): void
    {
        $weak = KeyStrength::problem($chosen, $around);
        if (null !== $weak) {
            throw Problem::field('/key', $weak, 'doors.weak.'.$weak);
        }
        $bare = KeyStrength::bare($chosen);
        // That another door has it is nobody's business.
        if (!\in_array($this->of($bare), [null, $door], true)) {
            throw Problem::field('/key', 'too-plain', 'doors.weak.too-plain');
        }
        $this->keep($door, trim($chosen), $this->hash($bare));
    }

    /** The door a key opens that was made by us. */
    public function door(Key $key): ?string
    {
        return $this->of($key->text);
    }

    /** The door a key opens that somebody chose. */
    public function doorOfChosen(string $typed): ?string
    {
        $bare = KeyStrength::bare($typed);

        return '' === $bare ? null : $this->of($bare);
    }

    /** The key of a door as it is shown to those who may; null where it has none. */
    public function ofDoor(string $door): ?string
    {
        return $this->shown($this->find($door)?->sealed);
    }

    /** The key as it is shown to those who may; null where the platform's secret is another since. */
    public function shown(?string $sealed): ?string
    {
        return $this->sealer->open($sealed, self::SHOWING);
    }

    /** The key of a door as it is kept, sealed, for `giveBack()`. */
    public function kept(string $door): ?string
    {
        return $this->find($door)?->sealed;
    }

    /** Gives a door the key it had, unless another has that by now, or the platform's secret is another since. */
    public function giveBack(string $door, string $sealed): void
    {
        $key = $this->shown($sealed);
        $bare = null === $key ? null : self::bare($key);
        if (null !== $key && null !== $bare && \in_array($this->of($bare), [null, $door], true)) {
            $this->keep($door, $key, $this->hash($bare));
        }
    }

    public function reseal(): Resealed
    {
        $count = 0;
        foreach ($this->findAll() as $one) {
            if ($this->sealer->isOld($one->sealed, self::SHOWING)) {
                $key = (string) $this->shown($one->sealed);
                $one->replace($this->hash(self::bare($key)), $this->sealer->seal($key, self::SHOWING));
                ++$count;
            }
        }
        $this->flush();

        return new Resealed('keys', $count);
    }

    /** A key as it is looked up, one that we made or that somebody chose. */
    private static function bare(#[\SensitiveParameter] string $key): string
    {
        return Key::read($key)->key->text ?? KeyStrength::bare($key);
    }

    private function keep(string $door, string $key, string $hash): void
    {
        $sealed = $this->sealer->seal($key, self::SHOWING);
        $own = $this->find($door);
        if (null === $own) {
            $this->add(new DoorKey($this->reference(Door::class, $door), $hash, $sealed));
        } else {
            $own->replace($hash, $sealed);
        }
        $this->flush();
    }

    /** @param string $bare as it is looked up */
    private function of(#[\SensitiveParameter] string $bare): ?string
    {
        foreach ($this->sealer->hashes($bare, self::LOOKING_UP) as $hash) {
            $found = $this->findOneBy(['hash' => $hash]);
            if (null !== $found) {
                return $found->door->id;
            }
        }

        return null;
    }

    private function hash(#[\SensitiveParameter] string $bare): string
    {
        return $this->sealer->hash($bare, self::LOOKING_UP);
    }
}
