<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use Symfony\Component\DependencyInjection\Attribute\Autowire;

/**
 * Seals what the database keeps and must not show by itself: keys of doors, answers that may hold them, letters. Sealed
 * with XSalsa20-Poly1305 under keys derived from the secret of the platform; what was sealed under the secret of before
 * is still read (`APP_SECRET_PREVIOUS`), until `secrets:reseal` has sealed it anew.
 */
final readonly class Sealer
{
    /**
     * What `.env` says where nobody has set a secret: good for trying things out, refused where it would be believed.
     */
    private const NO_SECRET = 'not-a-secret-set-your-own';

    /** @var non-empty-list<string> the present one first */
    private array $secrets;

    public function __construct(
        #[Autowire('%kernel.secret%')] #[\SensitiveParameter] string $secret,
        #[Autowire('%env(APP_SECRET_PREVIOUS)%')] #[\SensitiveParameter] string $previous = '',
        #[Autowire('%kernel.environment%')] string $environment = 'test',
    ) {
        if ('' === $secret || ('prod' === $environment && (self::NO_SECRET === $secret || \strlen($secret) < 16))) {
            throw new \LogicException(
                'APP_SECRET is not set. Give it 32 random characters or more that nobody else has; bin/start makes '
                    .'them by itself.',
            );
        }
        $this->secrets = '' === $previous ? [$secret] : [$secret, $previous];
    }

    /** @param string $purpose names what is sealed; one purpose opens nothing of another */
    public function seal(#[\SensitiveParameter] string $plain, string $purpose): string
    {
        $nonce = random_bytes(\SODIUM_CRYPTO_SECRETBOX_NONCEBYTES);

        return $nonce.sodium_crypto_secretbox($plain, $nonce, self::derived($this->secrets[0], $purpose));
    }

    /** As text, for columns that hold text. */
    public function sealText(#[\SensitiveParameter] string $plain, string $purpose): string
    {
        return base64_encode($this->seal($plain, $purpose));
    }

    /** @return ?string null where neither secret opens it */
    public function open(?string $sealed, string $purpose): ?string
    {
        foreach ($this->secrets as $secret) {
            $plain = self::opened((string) $sealed, self::derived($secret, $purpose));
            if (null !== $plain) {
                return $plain;
            }
        }

        return null;
    }

    public function openText(?string $sealed, string $purpose): ?string
    {
        return $this->open((string) base64_decode((string) $sealed, true), $purpose);
    }

    /** Whether only the secret of before opens something. */
    public function isOld(string $sealed, string $purpose): bool
    {
        return null === self::opened($sealed, self::derived($this->secrets[0], $purpose))
            && null !== $this->open($sealed, $purpose);
    }

    /** Text sealed anew under the present secret; null where it is already. */
    public function resealedText(string $sealed, string $purpose): ?string
    {
        $binary = (string) base64_decode($sealed, true);

        return $this->isOld($binary, $purpose)
            ? $this->sealText((string) $this->open($binary, $purpose), $purpose)
            : null;
    }

    /** What something is looked up by that is kept nowhere in clear. */
    public function hash(#[\SensitiveParameter] string $plain, string $purpose): string
    {
        return $this->hashes($plain, $purpose)[0];
    }

    /** @return non-empty-list<string> under the present secret, then the one of before */
    public function hashes(#[\SensitiveParameter] string $plain, string $purpose): array
    {
        return array_map(
            static fn(string $secret): string => hash_hmac('sha256', $plain, self::derived($secret, $purpose), true),
            $this->secrets,
        );
    }

    private static function opened(string $sealed, #[\SensitiveParameter] string $key): ?string
    {
        $size = \SODIUM_CRYPTO_SECRETBOX_NONCEBYTES;
        $plain =
            \strlen($sealed) <= $size
                ? false
                : sodium_crypto_secretbox_open(substr($sealed, $size), substr($sealed, 0, $size), $key);

        return false === $plain ? null : $plain;
    }

    private static function derived(#[\SensitiveParameter] string $secret, string $purpose): string
    {
        return hash_hkdf('sha256', $secret, \SODIUM_CRYPTO_SECRETBOX_KEYBYTES, 'mint-door '.$purpose);
    }
}
