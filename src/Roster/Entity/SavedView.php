<?php

declare(strict_types=1);

namespace MintDoor\Roster\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\People\Entity\Person;
use MintDoor\Sites\Entity\Site;

/** What somebody likes to look at in a site's roster, under a name of theirs. */
#[ORM\Entity]
#[ORM\Table(name: 'saved_view')]
#[ORM\UniqueConstraint(columns: ['person_id', 'site_id', 'name'])]
class SavedView
{
    public function __construct(
        #[ORM\Id] #[ORM\Column(type: 'id')] public readonly string $id,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Person $person,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Site $site,
        #[ORM\Column(length: 60)] public string $name,
        /** The query part of the roster's address. */
        #[ORM\Column(length: 500)] public string $view,
    ) {}
}
