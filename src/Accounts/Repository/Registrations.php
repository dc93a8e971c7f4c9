<?php

declare(strict_types=1);

namespace MintDoor\Accounts\Repository;

use Doctrine\DBAL\LockMode;
use MintDoor\Accounts\Entity\Registration;
use MintDoor\Core\Messages\MessageKind;
use MintDoor\Messages\KeepsSecretLinks;
use MintDoor\People\Entity\Person;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Forgets;
use MintDoor\Shared\Keeping;

/**
 * Those who register, until they have an account.
 *
 * @extends BaseRepository<Registration>
 */
final class Registrations extends BaseRepository implements Forgets, KeepsSecretLinks
{
    protected const ENTITY = Registration::class;

    /** What messages are sent for begins like this; the id follows. */
    public const CAUSE = 'registration:';

    /** Seconds for which a link is good. */
    public const HOLDS = 2 * 86_400;

    /** Seconds for which somebody waits for a yes, and is then forgotten. */
    private const WAITS = 60 * 86_400;

    private const MOST = 200;

    public function opens(MessageKind $kind): bool
    {
        return MessageKind::Registration === $kind;
    }

    public function keep(array $links, int $now): void
    {
        foreach ($links as $link) {
            $registration = $this->find(substr($link->cause, \strlen(self::CAUSE)));
            if (null !== $registration) {
                $registration->tokenHash = $link->hash;
            }
        }
        $this->flush();
    }

    /** The one a token opens, while it is good; locked, so that it is used once. */
    public function withToken(#[\SensitiveParameter] string $token, int $now): ?Registration
    {
        $found = $this->findOneBy(['tokenHash' => hash('sha256', $token, true)]);
        $locked = null === $found ? null : $this->find($found->id, LockMode::PESSIMISTIC_WRITE);

        return null !== $locked && null === $locked->confirmedAt && $locked->askedAt + self::HOLDS > $now
            ? $locked
            : null;
    }

    public function locked(string $id): ?Registration
    {
        return $this->find($id, LockMode::PESSIMISTIC_WRITE);
    }

    /**
     * @param ?list<string> $divisions codes, of those they register in or are of by now; null for all
     *
     * @return list<Registration> that wait for a yes, the first one first
     */
    public function waiting(?array $divisions): array
    {
        $query = $this->createQueryBuilder('r')
            ->join('r.division', 'd')
            ->where('r.confirmedAt IS NOT NULL')
            ->orderBy('r.confirmedAt')
            ->addOrderBy('r.id')
            ->setMaxResults(self::MOST);
        null === $divisions
            || $query
                ->leftJoin(Person::class, 'p', 'WITH', 'p.email = r.email AND p.gone IS NULL')
                ->leftJoin('p.division', 'home')
                ->andWhere('d.code IN (:divisions) OR home.code IN (:divisions)')
                ->setParameter('divisions', $divisions);

        /** @var list<Registration> */
        return $query->getQuery()->getResult();
    }

    public function forget(Keeping $keeping): void
    {
        $registration = Registration::class;
        $this->dql(
            "DELETE FROM $registration r
             WHERE (r.confirmedAt IS NULL AND r.askedAt < :link) OR r.confirmedAt < :waits",
            [],
        )
            ->setParameter('link', $keeping->now - self::HOLDS, 'instant')
            ->setParameter('waits', $keeping->now - self::WAITS, 'instant')
            ->execute();
    }
}
