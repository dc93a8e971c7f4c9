<?php

declare(strict_types=1);

namespace MintDoor\Roster\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\Sites\Entity\Site;

/** A formal part of a site, with its own hours. */
#[ORM\Entity]
#[ORM\Table(name: 'section')]
#[ORM\Index(columns: ['site_id'])]
class Section
{
    public function __construct(
        #[ORM\Id] #[ORM\Column(type: 'id')] public readonly string $id,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Site $site,
        #[ORM\Column(length: 80)] public string $name,
        #[ORM\Column(length: 120)] public string $meets = '',
    ) {}
}
