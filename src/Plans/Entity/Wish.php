<?php

declare(strict_types=1);

namespace MintDoor\Plans\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\People\Entity\Person;

/** In which sections somebody would like to be. */
#[ORM\Entity]
#[ORM\Table(name: 'plan_wish')]
class Wish
{
    public function __construct(
        #[ORM\Id]
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false, onDelete: 'CASCADE')]
        public readonly SitePlan $plan,
        #[ORM\Id]
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Person $person,
        /** @var list<string> ids of sections, the first wish first */
        #[ORM\Column(type: 'json')] public array $sections,
        #[ORM\Column(type: 'instant')]
        public int $saidAt,
    ) {}
}
