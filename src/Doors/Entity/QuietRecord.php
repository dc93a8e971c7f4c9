<?php

declare(strict_types=1);

namespace MintDoor\Doors\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\People\Entity\Person;
use MintDoor\Roster\Entity\Door;
use MintDoor\Sites\Entity\Site;

/** Somebody who was warned that they are removed because they never came. */
#[ORM\Entity(readOnly: true)]
#[ORM\Table(name: 'quiet')]
#[ORM\Index(name: 'going', columns: ['goes_at'])]
class QuietRecord
{
    public function __construct(
        #[ORM\Id]
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Site $site,
        #[ORM\Id]
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Person $person,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Door $door,
        #[ORM\Column(type: 'instant')]
        public readonly int $warnedAt,
        #[ORM\Column(type: 'instant')]
        public readonly int $goesAt,
    ) {}
}
