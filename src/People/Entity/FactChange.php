<?php

declare(strict_types=1);

namespace MintDoor\People\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\Shared\Charset;

/** That something of somebody that rules read became another, and was not looked at yet. */
#[ORM\Entity]
#[ORM\Table(name: 'fact_change')]
class FactChange
{
    public function __construct(
        #[ORM\Column(type: 'id')] public readonly string $person,
        /** "person", "labels", or the id of the site in whose roster it is. */
        #[ORM\Column(length: 36, options: Charset::CODE)]
        public readonly string $what,
        #[ORM\Id] #[ORM\GeneratedValue] #[ORM\Column(type: 'bigint', options: ['unsigned' => true])]
        public ?int $id = null,
    ) {}
}
