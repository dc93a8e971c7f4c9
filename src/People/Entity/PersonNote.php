<?php

declare(strict_types=1);

namespace MintDoor\People\Entity;

use Doctrine\ORM\Mapping as ORM;

/** What staff wrote down about somebody: a phone call, an agreement. */
#[ORM\Entity]
#[ORM\Table(name: 'person_note')]
#[ORM\Index(columns: ['person_id', 'made_at'])]
class PersonNote
{
    public function __construct(
        #[ORM\Id] #[ORM\Column(type: 'id')] public readonly string $id,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Person $person,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(name: 'made_by', nullable: false)]
        public readonly Person $madeBy,
        #[ORM\Column(type: 'instant')]
        public readonly int $madeAt,
        #[ORM\Column(length: 2_000)] public string $text,
        #[ORM\Column(options: ['default' => 0])] public bool $takenBack = false,
    ) {}
}
