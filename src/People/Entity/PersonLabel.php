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
        #[ORM\Id] #[ORM\Column(type: 'id')] public readonly string $personId,
        #[ORM\Id] #[ORM\Column(type: 'id')] public readonly string $labelId,
        #[ORM\Column(type: 'id', nullable: true)] public ?string $putBy,
        #[ORM\Column(type: 'instant')] public int $putAt,
    ) {}
}
