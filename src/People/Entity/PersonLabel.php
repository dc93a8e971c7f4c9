<?php

declare(strict_types=1);

namespace MintDoor\People\Entity;

use Doctrine\ORM\Mapping as ORM;

/** That a label is on a person. */
#[ORM\Entity]
#[ORM\Table(name: 'person_label')]
#[ORM\Index(columns: ['label_id', 'person_id'])]
class PersonLabel
{
    public function __construct(
        #[ORM\Id] #[ORM\ManyToOne]
        public readonly Person $person,
        #[ORM\Id] #[ORM\ManyToOne]
        public readonly Label $label,
        #[ORM\Column(type: 'instant')]
        public readonly int $putAt,
        /** For the record: nothing is looked for by it. */
        #[ORM\Column(type: 'id', nullable: true)]
        public readonly ?string $putBy = null,
    ) {}
}
