<?php

declare(strict_types=1);

namespace MintDoor\Doors\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\Roster\Entity\Door;

/** The key of a door: a keyed hash to find the door by, and itself, sealed, to be shown to who may see it. */
#[ORM\Entity]
#[ORM\Table(name: 'door_key')]
#[ORM\UniqueConstraint(name: 'hash', columns: ['hash'])]
class DoorKey
{
    public function __construct(
        #[ORM\Id] #[ORM\OneToOne]
        public readonly Door $door,
        #[ORM\Column(type: 'bytes', length: 32, options: ['fixed' => true])] public string $hash,
        #[ORM\Column(type: 'bytes', length: 255)] public string $sealed,
    ) {}

    public function replace(string $hash, string $sealed): void
    {
        $this->hash = $hash;
        $this->sealed = $sealed;
    }
}
