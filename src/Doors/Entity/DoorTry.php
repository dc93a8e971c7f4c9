<?php

declare(strict_types=1);

namespace MintDoor\Doors\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\People\Entity\Person;
use MintDoor\Roster\Entity\Door;
use MintDoor\Shared\Charset;
use MintDoor\Sites\Entity\Site;

/** That somebody held a key that opens nothing, or came too late. */
#[ORM\Entity]
#[ORM\Table(name: 'door_try')]
#[ORM\Index(name: 'site', columns: ['site_id', 'at'])]
class DoorTry
{
    public function __construct(
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Site $site,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Door $door,
        /** A keyed hash of who it was, to tell several from one. */
        #[ORM\Column(type: 'id')]
        public readonly string $visitor,
        #[ORM\ManyToOne]
        public readonly ?Person $person,
        #[ORM\Column(length: 16, options: Charset::CODE)]
        public readonly string $slip,
        #[ORM\Column(type: 'instant')]
        public readonly int $at,
        #[ORM\Id] #[ORM\GeneratedValue] #[ORM\Column(type: 'bigint', options: ['unsigned' => true])]
        public ?int $id = null,
    ) {}
}
