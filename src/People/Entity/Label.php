<?php

declare(strict_types=1);

namespace MintDoor\People\Entity;

use Doctrine\ORM\Mapping as ORM;

/** A short mark put on people to find them again. */
#[ORM\Entity]
#[ORM\Table(name: 'label')]
#[ORM\UniqueConstraint(columns: ['name'])]
class Label
{
    public function __construct(
        #[ORM\Id] #[ORM\Column(type: 'id')] public readonly string $id,
        #[ORM\Column(length: 40)] public string $name,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(name: 'made_by')]
        public readonly ?Person $madeBy = null,
    ) {}
}
