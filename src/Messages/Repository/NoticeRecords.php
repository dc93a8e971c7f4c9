<?php

declare(strict_types=1);

namespace MintDoor\Messages\Repository;

use MintDoor\Messages\Entity\Notice;
use MintDoor\People\Entity\Person;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Forgets;
use MintDoor\Shared\Keeping;

/** @extends BaseRepository<Notice> */
final class NoticeRecords extends BaseRepository implements Forgets
{
    protected const ENTITY = Notice::class;

    /**
     * @param array<string, string> $values
     * @param ?string               $by     id of who did it; null for themselves, before they were signed in
     *
     * @return string its id
     */
    public function keep(string $person, string $code, array $values, int $at, ?string $by): string
    {
        $whose = $this->reference(Person::class, $person);
        $notice = new Notice(self::newId(), $whose, $code, $values, $at, $this->reference(Person::class, $by));
        $this->add($notice);

        return $notice->id;
    }

    /** @return list<Notice> what somebody was not shown yet, with who did it; the last first */
    public function unseen(string $person, int $most): array
    {
        /** @var list<Notice> */
        return $this->createQueryBuilder('n')
            ->addSelect('b')
            ->leftJoin('n.by', 'b')
            ->where('n.person = :person AND n.seenAt IS NULL')
            ->setParameter('person', $person, 'id')
            ->orderBy('n.id', 'DESC')
            ->setMaxResults($most)
            ->getQuery()
            ->getResult();
    }

    /** @param list<string> $ids */
    public function seen(array $ids, string $person, int $at): void
    {
        foreach ($ids as $id) {
            $notice = $this->findOneBy(['id' => $id, 'person' => $person]);
            if (null !== $notice) {
                $notice->seenAt = $at;
            }
        }
        $this->flush();
    }

    public function forget(Keeping $keeping): void
    {
        $notice = Notice::class;
        $this->dql("DELETE FROM $notice n WHERE n.seenAt < :from", [])
            ->setParameter('from', $keeping->addressesFrom, 'instant')
            ->execute();
    }
}
