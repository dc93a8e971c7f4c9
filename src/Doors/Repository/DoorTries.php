<?php

declare(strict_types=1);

namespace MintDoor\Doors\Repository;

use MintDoor\Core\Doors\KeySlip;
use MintDoor\Doors\Entity\DoorTry;
use MintDoor\People\Entity\Person;
use MintDoor\Roster\Entity\Door;
use MintDoor\Shared\BaseRepository;

/**
 * Keys that were almost right, for whoever watches people come in.
 *
 * @extends BaseRepository<DoorTry>
 */
final class DoorTries extends BaseRepository
{
    protected const ENTITY = DoorTry::class;

    /** @param string $visitor an id that tells several from one and is nobody's */
    public function note(string $door, string $visitor, ?string $person, KeySlip $slip, int $at): void
    {
        $before = $this->getEntityManager()->find(Door::class, $door);
        if (null !== $before) {
            $this->add(new DoorTry(
                $before->site,
                $before,
                $visitor,
                $this->reference(Person::class, $person),
                $slip->value,
                $at,
            ));
            $this->flush();
        }
    }

    public function dropBefore(int $instant): void
    {
        $try = DoorTry::class;
        $this->dql("DELETE FROM $try t WHERE t.at < :from", [])
            ->setParameter('from', $instant, 'instant')
            ->execute();
    }
}
