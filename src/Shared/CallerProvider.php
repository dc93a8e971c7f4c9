<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use MintDoor\Core\Time\Time;
use MintDoor\Shared\Repository\Callers;
use Symfony\Component\Security\Core\Exception\UserNotFoundException;
use Symfony\Component\Security\Core\User\PasswordAuthenticatedUserInterface;
use Symfony\Component\Security\Core\User\PasswordUpgraderInterface;
use Symfony\Component\Security\Core\User\UserInterface;
use Symfony\Component\Security\Core\User\UserProviderInterface;

/**
 * Finds who signs in by login name or e-mail, and who is signed in by id, each in one statement. An e-mail that several
 * accounts share signs nobody in.
 *
 * @implements UserProviderInterface<Caller>
 */
final readonly class CallerProvider implements UserProviderInterface, PasswordUpgraderInterface
{
    public function __construct(private Callers $accounts, private PlatformClock $clock) {}

    public function loadUserByIdentifier(string $identifier): UserInterface
    {
        $typed = mb_strtolower(trim($identifier));
        $found = array_filter([$this->accounts->withLogin($typed)]);
        if ([] === $found && str_contains($typed, '@')) {
            $found = $this->accounts->withAddress($typed);
        }

        return 1 === \count($found) ? $this->caller($found[0]) : throw new UserNotFoundException();
    }

    public function refreshUser(UserInterface $user): UserInterface
    {
        return $this->byId($user->getUserIdentifier());
    }

    /**
     * Somebody who is not signed in at this moment, such as whoever gave a job.
     *
     * @throws UserNotFoundException when there is no such account, or it is closed
     */
    public function byId(string $id): Caller
    {
        return $this->caller($this->accounts->withAccount($id) ?? throw new UserNotFoundException());
    }

    /**
     * Somebody about whom something is done while they are not there; they need no account, and it may be closed.
     *
     * @throws UserNotFoundException when there is no such person
     */
    public function anybody(string $id): Caller
    {
        return $this->caller($this->accounts->anybody($id) ?? throw new UserNotFoundException(), true);
    }

    /** A password is hashed anew, when it is used, wherever the way of hashing has changed since. */
    public function upgradePassword(PasswordAuthenticatedUserInterface $user, string $newHashedPassword): void
    {
        if ($user instanceof Caller) {
            $this->accounts->rehash($user->id, (string) $user->getPassword(), $newHashedPassword);
            $user->rehashed($newHashedPassword);
        }
    }

    /** Notes that somebody signed in. */
    public function used(string $id): void
    {
        $this->accounts->used($id, $this->clock->instant());
    }

    public function supportsClass(string $class): bool
    {
        return Caller::class === $class;
    }

    /** @param bool $absent whether their account may be closed */
    private function caller(Row $row, bool $absent = false): Caller
    {
        $closedFrom = $row->instantOrNull('closed_from') ?? Time::FOREVER;
        if (!$absent && $closedFrom <= $this->clock->instant()) {
            throw new UserNotFoundException();
        }

        return new Caller(
            $row->id('id'),
            self::name($row),
            $row->string('login'),
            $row->string('kind'),
            $row->string('division'),
            $row->intOrNull('level'),
            $closedFrom,
            $row->bool('platform_administrator'),
            array_values(array_filter(explode(',', $row->stringOrNull('divisions') ?? ''))),
            $row->stringOrNull('password_hash'),
            $row->bool('must_change'),
            $row->instantOrNull('card_until'),
            $row->stringOrNull('language'),
            $row->stringOrNull('time_zone'),
            array_values(array_filter(explode(',', $row->stringOrNull('numbers_of') ?? ''))),
            $row->stringOrNull('own_kind'),
        );
    }

    private static function name(Row $row): string
    {
        return trim(
            ($row->stringOrNull('preferred_name') ?? $row->string('given_name')).' '.$row->string('family_name'),
        );
    }
}
