<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\ParameterType;
use MintDoor\Core\Doors\Key;
use MintDoor\Core\Doors\KeyStrength;
use MintDoor\Hall\Id;
use MintDoor\Hall\Problem;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/**
 * Keys of doors. They are looked up by a keyed hash and shown again from a sealed copy, both under the house's secret, which
 * is not in the database: who reads that alone opens nothing.
 */
final readonly class DoorKeys
{
    private const WEAK = [
        'too-short' => 'Make the key 10 letters and digits long or longer.',
        'too-long' => 'Shorten the key to 60 letters and digits.',
        'too-plain' => 'That is among the first keys anybody would try. Take several words that have nothing to do with each other.',
        'of-the-site' => 'Who knows the site could guess that. Take words that have nothing to do with it.',
    ];

    public function __construct(
        private Connection $db,
        #[Autowire('%kernel.secret%')]
        #[\SensitiveParameter]
        private string $secret,
    ) {
    }

    /**
     * Gives a door a fresh key; the one it had opens nothing any more.
     *
     * @param ?callable(int): int $chance a whole number from 0 to just below; null for one that nobody can foresee
     */
    public function fresh(string $door, ?callable $chance = null): void
    {
        $key = Key::make($chance ?? static fn (int $below): int => random_int(0, $below - 1))->text;
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
        $hash = $this->hash(KeyStrength::bare($chosen));
        // That another door has it is nobody's business.
        if (!\in_array($this->of($hash), [null, $door], true)) {
            throw Problem::field('/key', 'too-plain', self::WEAK['too-plain']);
        }
        $this->keep($door, trim($chosen), $hash);
    }

    /** The door a key opens that was made by us. */
    public function door(Key $key): ?string
    {
        return $this->of($this->hash($key->text));
    }

    /** The door a key opens that somebody chose. */
    public function doorOfChosen(string $typed): ?string
    {
        $bare = KeyStrength::bare($typed);

        return '' === $bare ? null : $this->of($this->hash($bare));
    }

    /** The key as it is shown to those who may; null where the house's secret is another since. */
    public function shown(?string $sealed): ?string
    {
        $size = \SODIUM_CRYPTO_SECRETBOX_NONCEBYTES;
        $key = null === $sealed || \strlen($sealed) <= $size ? false : sodium_crypto_secretbox_open(substr($sealed, $size), substr($sealed, 0, $size), $this->derived('showing'));

        return false === $key ? null : $key;
    }

    private function keep(string $door, string $key, string $hash): void
    {
        $nonce = random_bytes(\SODIUM_CRYPTO_SECRETBOX_NONCEBYTES);
        $this->db->executeStatement(
            'INSERT INTO door_key (door_id, hash, sealed) VALUES (?, ?, ?) ON DUPLICATE KEY UPDATE hash = VALUES(hash), sealed = VALUES(sealed)',
            [Id::binary($door), $hash, $nonce.sodium_crypto_secretbox($key, $nonce, $this->derived('showing'))], array_fill(0, 3, ParameterType::BINARY),
        );
    }

    private function of(string $hash): ?string
    {
        $door = $this->db->fetchOne('SELECT door_id FROM door_key WHERE hash = ?', [$hash], [ParameterType::BINARY]);

        return \is_string($door) ? Id::text($door) : null;
    }

    private function hash(string $key): string
    {
        return hash_hmac('sha256', $key, $this->derived('looking up'), true);
    }

    private function derived(string $for): string
    {
        return hash_hkdf('sha256', $this->secret, \SODIUM_CRYPTO_SECRETBOX_KEYBYTES, 'mint-door keys: '.$for);
    }
}
