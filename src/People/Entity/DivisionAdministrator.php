<?php

declare(strict_types=1);

namespace MintDoor\People\Entity;

use Doctrine\ORM\Mapping as ORM;

/** That a person administers a division. */
#[ORM\Entity]
#[ORM\Table(name: 'division_administrator')]
class DivisionAdministrator
{
    public function __construct(
        #[ORM\Id] #[ORM\Column(type: 'id')] public readonly string $personId,
        #[ORM\Id] #[ORM\Column(type: 'id')] public readonly string $divisionId,
    ) {}
}
