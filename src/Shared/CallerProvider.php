<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use Doctrine\DBAL\Connection;
use MintDoor\Core\Time\Time;
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
    private const SELECT = <<<'SQL'
    SELECT p.id, p.kind, p.level, p.given_name, p.family_name, p.preferred_name, d.code AS division,
           a.login, a.password_hash, a.closed_from, a.platform_administrator, a.must_change, a.card_until,
           (
               SELECT GROUP_CONCAT(ad.code)
               FROM division_administrator da JOIN division ad ON ad.id = da.division_id
               WHERE da.person_id = p.id
           ) AS divisions
    FROM account a JOIN person p ON p.id = a.person_id JOIN division d ON d.id = p.division_id
    SQL;

    public function __construct(private Connection $db, private PlatformClock $clock) {}

    public function loadUserByIdentifier(string $identifier): UserInterface
    {
        $typed = mb_strtolower(trim($identifier));
        $rows = $this->db->fetchAllAssociative(self::SELECT.' WHERE a.login = ?', [$typed]);
        if ([] === $rows && str_contains($typed, '@')) {
            $rows = $this->db->fetchAllAssociative(self::SELECT.' WHERE p.email = ? LIMIT 2', [$typed]);
        }

        return $this->only($rows);
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
        return $this->only($this->db->fetchAllAssociative(self::SELECT.' WHERE a.person_id = ?', [Id::binary($id)]));
    }

    /**
     * Somebody about whom something is done while they are not there; they need no account, and it may be closed.
     *
     * @throws UserNotFoundException when there is no such person
     */
    public function anybody(string $id): Caller
    {
        return $this->only(
            $this->db->fetchAllAssociative(
                str_replace(
                    'FROM account a JOIN person p ON p.id = a.person_id',
                    'FROM person p LEFT JOIN account a ON a.person_id = p.id',
                    self::SELECT,
                ).' WHERE p.id = ?',
                [Id::binary($id)],
            ),
            true,
        );
    }

    /** A password is hashed anew, when it is used, wherever the way of hashing has changed since. */
    public function upgradePassword(PasswordAuthenticatedUserInterface $user, string $newHashedPassword): void
    {
        if ($user instanceof Caller) {
            $this->db->executeStatement(
                'UPDATE account SET password_hash = ? WHERE person_id = ? AND password_hash = ?',
                [$newHashedPassword, Id::binary($user->id), (string) $user->getPassword()],
            );
            $user->rehashed($newHashedPassword);
        }
    }

    /** Notes that somebody signed in. */
    public function used(string $id): void
    {
        $this->db->executeStatement('UPDATE account SET used_at = ? WHERE person_id = ?', [
            Instant::toSql($this->clock->instant()),
            Id::binary($id),
        ]);
    }

    public function supportsClass(string $class): bool
    {
        return Caller::class === $class;
    }

    /** @param list<array<string, mixed>> $rows */
    private function only(array $rows, bool $absent = false): Caller
    {
        if (1 !== \count($rows)) {
            throw new UserNotFoundException();
        }
        $row = new Row($rows[0]);
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
        );
    }

    private static function name(Row $row): string
    {
        return trim(
            ($row->stringOrNull('preferred_name') ?? $row->string('given_name')).' '.$row->string('family_name'),
        );
    }
}
