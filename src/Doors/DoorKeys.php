<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\ParameterType;
use MintDoor\Core\Doors\Key;
use MintDoor\Core\Doors\KeyStrength;
use MintDoor\Shared\Id;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Row;
use MintDoor\Shared\Sealer;

/**
 * Keys of doors. They are looked up by a keyed hash and shown again from a sealed copy, both under the platform's
 * secret, which is not in the database: who reads that alone opens nothing.
 */
final readonly class DoorKeys
{
    private const SHOWING = 'keys: showing';

    private const LOOKING_UP = 'keys: looking up';

    private const WEAK = [
        'too-short' => 'Make the key 10 letters and digits long or longer.',
        'too-long' => 'Shorten the key to 60 letters and digits.',
        'too-plain' =>
            'That is among the first keys anybody would try. Take several words that have nothing to do with each '
                .'other.',
        'of-the-site' => 'Who knows the site could guess that. Take words that have nothing to do with it.',
    ];

    public function __construct(private Connection $db, private Sealer $sealer) {}

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
            throw Problem::field('/key', $weak, self::WEAK[$weak]);
        }
        $bare = KeyStrength::bare($chosen);
        // That another door has it is nobody's business.
        if (!\in_array($this->of($bare), [null, $door], true)) {
            throw Problem::field('/key', 'too-plain', self::WEAK['too-plain']);
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

    /** The key as it is shown to those who may; null where the platform's secret is another since. */
    public function shown(?string $sealed): ?string
    {
        return $this->sealer->open($sealed, self::SHOWING);
    }

    /** @return int how many were sealed anew, under the present secret */
    public function reseal(): int
    {
        $count = 0;
        foreach (Row::all($this->db->fetchAllAssociative('SELECT door_id, sealed FROM door_key')) as $row) {
            if ($this->sealer->isOld($row->string('sealed'), self::SHOWING)) {
                $key = (string) $this->shown($row->string('sealed'));
                $made = Key::read($key)->key;
                $this->keep(
                    $row->id('door_id'),
                    $key,
                    $this->hash(null === $made ? KeyStrength::bare($key) : $made->text),
                );
                ++$count;
            }
        }

        return $count;
    }

    private function keep(string $door, string $key, string $hash): void
    {
        $this->db->executeStatement(
            <<<'SQL'
                INSERT INTO door_key (door_id, hash, sealed)
                VALUES (?, ?, ?)
                ON DUPLICATE KEY UPDATE hash = VALUES(hash), sealed = VALUES(sealed)
                SQL,
            [Id::binary($door), $hash, $this->sealer->seal($key, self::SHOWING)],
            array_fill(0, 3, ParameterType::BINARY),
        );
    }

    /** @param string $bare as it is looked up */
    private function of(#[\SensitiveParameter] string $bare): ?string
    {
        foreach ($this->sealer->hashes($bare, self::LOOKING_UP) as $hash) {
            $door = $this->db->fetchOne(
                'SELECT door_id FROM door_key WHERE hash = ?',
                [$hash],
                [ParameterType::BINARY],
            );
            if (\is_string($door)) {
                return Id::text($door);
            }
        }

        return null;
    }

    private function hash(#[\SensitiveParameter] string $bare): string
    {
        return $this->sealer->hash($bare, self::LOOKING_UP);
    }
}
