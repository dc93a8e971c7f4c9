<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use Symfony\Component\PasswordHasher\Hasher\PasswordHasherFactoryInterface;
use Symfony\Component\Security\Core\Exception\UserNotFoundException;
use Symfony\Component\Security\Core\User\PasswordAuthenticatedUserInterface;
use Symfony\Component\Security\Core\User\PasswordUpgraderInterface;
use Symfony\Component\Security\Core\User\UserInterface;
use Symfony\Component\Security\Core\User\UserProviderInterface;
use Symfony\Contracts\Cache\CacheInterface;

/**
 * Who signs in. Where there is nobody of that name, the account is closed or has no password, a password is verified
 * all the same, against a hash nothing opens: the answer takes as long, and is the same.
 *
 * @implements UserProviderInterface<Caller>
 */
final readonly class SignInProvider implements UserProviderInterface, PasswordUpgraderInterface
{
    public function __construct(
        private CallerProvider $callers,
        private PasswordHasherFactoryInterface $hashers,
        private CacheInterface $cache,
    ) {}

    public function loadUserByIdentifier(string $identifier): UserInterface
    {
        // Asked for in every case, so that it is at hand in every case.
        $hash = $this->nobodysHash();
        try {
            $caller = $this->callers->loadUserByIdentifier($identifier);
        } catch (UserNotFoundException) {
            return Caller::nobody($hash);
        }

        return $caller instanceof Caller && null !== $caller->getPassword() ? $caller : Caller::nobody($hash);
    }

    public function refreshUser(UserInterface $user): UserInterface
    {
        return $this->callers->refreshUser($user);
    }

    public function supportsClass(string $class): bool
    {
        return $this->callers->supportsClass($class);
    }

    public function upgradePassword(PasswordAuthenticatedUserInterface $user, string $newHashedPassword): void
    {
        $this->callers->upgradePassword($user, $newHashedPassword);
    }

    /** Made as those of everybody are, of what nobody knows. */
    private function nobodysHash(): string
    {
        return $this->cache->get(
            'nobodys-password',
            fn(): string => $this->hashers->getPasswordHasher(Caller::class)->hash(bin2hex(random_bytes(32))),
        );
    }
}
