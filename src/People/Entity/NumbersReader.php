<?php

declare(strict_types=1);

namespace MintDoor\People\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\Platform\Entity\Division;

/** That a person may look at the numbers of a division, and at nothing else of it. */
#[ORM\Entity]
#[ORM\Table(name: 'numbers_reader')]
#[ORM\Index(name: 'person', columns: ['person_id'])]
class NumbersReader
{
    public function __construct(
        #[ORM\Id] #[ORM\Column(type: 'id')] public readonly string $id,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Person $person,
        /** Null for all of the platform. */
        #[ORM\ManyToOne]
        public readonly ?Division $division = null,
    ) {}
}
