<?php

declare(strict_types=1);

namespace MintDoor\People\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\Platform\Entity\Division;

/** That a person administers a division. */
#[ORM\Entity]
#[ORM\Table(name: 'division_administrator')]
class DivisionAdministrator
{
    public function __construct(
        #[ORM\Id] #[ORM\ManyToOne]
        public readonly Person $person,
        #[ORM\Id] #[ORM\ManyToOne]
        public readonly Division $division,
    ) {}
}
