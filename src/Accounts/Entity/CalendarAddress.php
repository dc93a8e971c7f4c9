<?php

declare(strict_types=1);

namespace MintDoor\Accounts\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\People\Entity\Person;

/** The secret address at which somebody's week is there as a calendar. Only the hash of its token is kept. */
#[ORM\Entity]
#[ORM\Table(name: 'calendar_address')]
#[ORM\UniqueConstraint(columns: ['person_id'])]
class CalendarAddress
{
    public function __construct(
        #[ORM\Id] #[ORM\Column(type: 'bytes', length: 32)] public readonly string $tokenHash,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Person $person,
        #[ORM\Column(type: 'instant')]
        public readonly int $madeAt,
    ) {}
}
