<?php

declare(strict_types=1);

namespace MintDoor\Accounts\Repository;

use MintDoor\Accounts\Entity\FirstPassword;
use MintDoor\Core\Messages\MessageKind;
use MintDoor\Messages\KeepsSecretLinks;
use MintDoor\People\Entity\Person;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Forgets;
use MintDoor\Shared\Keeping;

/**
 * Links with which somebody sets a password, by the hash of their token.
 *
 * @extends BaseRepository<FirstPassword>
 */
final class FirstPasswords extends BaseRepository implements Forgets, KeepsSecretLinks
{
    protected const ENTITY = FirstPassword::class;

    /** Seconds for which they are good. */
    public const HOLDS = ['welcome' => 14 * 86_400, 'password' => 3_600];

    public function opens(MessageKind $kind): bool
    {
        return $kind->setsPassword();
    }

    public function keep(array $links, int $now): void
    {
        foreach ($links as $link) {
            $this->keepOne($link->hash, (string) $link->person, $now + (self::HOLDS[$link->kind->value] ?? 0));
        }
        $this->flush();
    }

    public function keepOne(string $hash, string $person, int $until): void
    {
        $this->add(new FirstPassword($hash, $this->reference(Person::class, $person), $until));
    }

    /** The link of a token, while it is good; locked, so that it is used once. */
    public function withToken(#[\SensitiveParameter] string $token, int $now): ?FirstPassword
    {
        $link = $this->find(hash('sha256', $token, true), \Doctrine\DBAL\LockMode::PESSIMISTIC_WRITE);

        return null !== $link && $link->expiresAt > $now ? $link : null;
    }

    /** Whatever links somebody has are good no more. */
    public function dropAllOf(string $person): void
    {
        $link = FirstPassword::class;
        $this->dql("DELETE FROM $link l WHERE l.person = :person", ['person' => $person])->execute();
    }

    public function forget(Keeping $keeping): void
    {
        $link = FirstPassword::class;
        $this->dql("DELETE FROM $link l WHERE l.expiresAt < :now", [])
            ->setParameter('now', $keeping->now, 'instant')
            ->execute();
    }
}
