<?php

declare(strict_types=1);

namespace MintDoor\Doors\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\Core\Platform\Starter;
use MintDoor\Roster\Entity\Door;
use MintDoor\Shared\Charset;

/** The door by which a starter of the settings brings people into its site. */
#[ORM\Entity]
#[ORM\Table(name: 'starter_door')]
class StarterDoor
{
    public function __construct(
        #[ORM\Id] #[ORM\OneToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Door $door,
        /** Code of the division, as it is set. */
        #[ORM\Column(length: 32, options: Charset::CODE)]
        public readonly string $division,
        /** Short code of the site, as it is set. */
        #[ORM\Column(length: 32, options: Charset::CODE)]
        public readonly string $site,
        #[ORM\Column(length: 32, options: Charset::CODE)]
        public readonly string $role,
    ) {}

    /** As `Starter::key()`. */
    public function key(): string
    {
        return Starter::keyOf($this->division, $this->site, $this->role);
    }
}
