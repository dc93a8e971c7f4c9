<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use Symfony\Component\Security\Core\User\EquatableInterface;
use Symfony\Component\Security\Core\User\PasswordAuthenticatedUserInterface;
use Symfony\Component\Security\Core\User\UserInterface;

/** Whoever is signed in, as read from the database at this request. */
final class Caller implements UserInterface, PasswordAuthenticatedUserInterface, EquatableInterface
{
    /**
     * @param non-empty-string $id
     * @param list<string>     $divisions codes of the divisions administered
     * @param list<string>     $numbersOf codes of the divisions of which they may look at numbers; `*` for all
     */
    public function __construct(
        public readonly string $id,
        public readonly string $name,
        public readonly string $login,
        public readonly string $kind,
        public readonly string $division,
        public readonly ?int $level,
        public readonly int $accountClosedFrom,
        public readonly bool $platformAdministrator,
        public readonly array $divisions,
        private ?string $passwordHash = null,
        public readonly bool $mustChange = false,
        /** Until when a password from a sign-in card holds; null for one of their own. */
        public readonly ?int $cardUntil = null,
        /** How they want days and numbers written, and by which clock; null for as their browser says. */
        public readonly ?string $language = null,
        public readonly ?string $timeZone = null,
        private array $numbersOf = [],
        /** The kind of people that the platform has beside the four, by code. */
        public readonly ?string $ownKind = null,
    ) {}

    /** Whoever is not signed in and makes an account; they have nothing yet. */
    public static function nobody(#[\SensitiveParameter] ?string $passwordHash = null): self
    {
        return new self(Id::NONE, '', '', 'external', '', null, 0, false, [], $passwordHash);
    }

    public function administers(string $division): bool
    {
        return $this->platformAdministrator || \in_array($division, $this->divisions, true);
    }

    public function isAdministrator(): bool
    {
        return $this->platformAdministrator || [] !== $this->divisions;
    }

    /** Whether they may look at numbers of anything. */
    public function readsNumbers(): bool
    {
        return $this->isAdministrator() || [] !== $this->numbersOf;
    }

    /** @return ?list<string> codes of the divisions of which they may look at numbers; null for all */
    public function numbersOf(): ?array
    {
        return $this->platformAdministrator || \in_array('*', $this->numbersOf, true)
            ? null
            : array_values(array_unique([...$this->divisions, ...$this->numbersOf]));
    }

    public function getRoles(): array
    {
        return ['ROLE_PERSON'];
    }

    public function eraseCredentials(): void {}

    /**
     * @param string $otherwise sentence for whoever does not
     *
     * @throws Problem of type `NotAllowed` unless they administer all of the platform
     */
    public function mustAdministerPlatform(string $otherwise): void
    {
        if (!$this->platformAdministrator) {
            throw Problem::notAllowed($otherwise);
        }
    }

    public function getUserIdentifier(): string
    {
        return $this->id;
    }

    public function getPassword(): ?string
    {
        return $this->passwordHash;
    }

    /** After the password was hashed anew: the session that begins knows it so. */
    public function rehashed(string $passwordHash): void
    {
        $this->passwordHash = $passwordHash;
    }

    /** A session made before a password was changed is over. */
    public function isEqualTo(UserInterface $user): bool
    {
        return $user instanceof self
            && $user->id === $this->id
            && hash_equals($this->fingerprint(), $user->fingerprint());
    }

    /** @return array{string, string} the session keeps the id and a fingerprint of the password hash, nothing else */
    public function __serialize(): array
    {
        return [$this->id, $this->fingerprint()];
    }

    /** @param array{non-empty-string, string} $data */
    public function __unserialize(array $data): void
    {
        [$this->id, $this->passwordHash] = $data;
        $this->name = $this->login = $this->kind = $this->division = '';
        $this->level = null;
        $this->accountClosedFrom = 0;
        $this->platformAdministrator = false;
        $this->divisions = [];
        $this->mustChange = false;
        $this->cardUntil = null;
        $this->language = $this->timeZone = null;
        $this->numbersOf = [];
        $this->ownKind = null;
    }

    private function fingerprint(): string
    {
        $hash = (string) $this->passwordHash;

        return str_starts_with($hash, '$') ? substr(hash('sha256', $hash), 0, 32) : $hash;
    }
}
