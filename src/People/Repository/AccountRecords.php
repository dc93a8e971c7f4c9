<?php

declare(strict_types=1);

namespace MintDoor\People\Repository;

use Doctrine\DBAL\LockMode;
use MintDoor\People\Entity\Account;
use MintDoor\People\Entity\DivisionAdministrator;
use MintDoor\People\Entity\NumbersReader;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Id;

/**
 * What people sign in with, by the id of the person.
 *
 * @extends BaseRepository<Account>
 */
final class AccountRecords extends BaseRepository
{
    protected const ENTITY = Account::class;

    /** As it is now, so that nobody else changes it before the transaction ends. */
    public function locked(string $person): ?Account
    {
        return $this->find($person, LockMode::PESSIMISTIC_WRITE);
    }

    public function withLogin(string $login): ?Account
    {
        return $this->findOneBy(['login' => mb_strtolower($login)]);
    }

    /** @return list<Account> of platform administrators and of somebody, locked */
    public function administratorsAnd(string $person): array
    {
        $account = Account::class;
        $query = $this->dql(
            "SELECT a FROM $account a WHERE a.platformAdministrator = true OR a.person = :person ORDER BY a.person",
            ['person' => $person],
        );

        /** @var list<Account> */
        return $query->setLockMode(LockMode::PESSIMISTIC_WRITE)->getResult();
    }

    /** @return list<Account> with their people: of whoever administers the platform, then of divisions, by name */
    public function ofAdministrators(): array
    {
        $administrator = DivisionAdministrator::class;
        $reader = NumbersReader::class;

        /** @var list<Account> */
        return $this->createQueryBuilder('a')
            ->addSelect('p')
            ->join('a.person', 'p')
            ->where('a.platformAdministrator = true')
            ->orWhere("p.id IN (SELECT d.id FROM $administrator x JOIN x.person d)")
            ->orWhere("p.id IN (SELECT e.id FROM $reader y JOIN y.person e)")
            ->orderBy('a.platformAdministrator', 'DESC')
            ->addOrderBy('p.sortName')
            ->getQuery()
            ->getResult();
    }

    /** Where somebody has an account, it is closed from then on. */
    public function closeFrom(string $person, int $instant): void
    {
        $account = $this->locked($person);
        if (null !== $account) {
            $account->closedFrom = $instant;
            $this->flush();
        }
    }

    /** Somebody's account becomes another's. By hand: whose it is is what names it. */
    public function move(string $from, string $to): void
    {
        $this->execute('UPDATE account SET person_id = ? WHERE person_id = ?', [Id::binary($to), Id::binary($from)]);
        $this->getEntityManager()->clear();
    }
}
