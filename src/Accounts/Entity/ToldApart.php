<?php

declare(strict_types=1);

namespace MintDoor\Accounts\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\People\Entity\Person;

/** That two who look like one person are not. */
#[ORM\Entity]
#[ORM\Table(name: 'told_apart')]
class ToldApart
{
    public function __construct(
        #[ORM\Id] #[ORM\ManyToOne]
        public readonly Person $one,
        #[ORM\Id] #[ORM\ManyToOne]
        public readonly Person $other,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(name: 'made_by', nullable: false)]
        public readonly Person $madeBy,
        #[ORM\Column(type: 'instant')]
        public readonly int $madeAt,
    ) {}
}
