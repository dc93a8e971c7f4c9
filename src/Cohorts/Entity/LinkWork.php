<?php

declare(strict_types=1);

namespace MintDoor\Cohorts\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\People\Entity\Person;
use MintDoor\Shared\Charset;

/** That somebody is to be looked at by a connection: now, or at an instant. */
#[ORM\Entity]
#[ORM\Table(name: 'link_work')]
#[ORM\Index(name: 'due', columns: ['due_at', 'link_id'])]
#[ORM\Index(name: 'waits', columns: ['why', 'link_id'])]
#[ORM\Index(name: 'of_person', columns: ['person_id'])]
class LinkWork
{
    public function __construct(
        #[ORM\Id] #[ORM\ManyToOne]
        public readonly CohortLink $link,
        #[ORM\Id] #[ORM\ManyToOne]
        public readonly Person $person,
        #[ORM\Column(type: 'instant')]
        public int $dueAt,
        /** How often that was asked: whoever looked meanwhile did not see the last. */
        #[ORM\Column(options: ['default' => 1])] public int $asked = 1,
        /** What stood in the way when it was last tried; "" for nothing, "held" where it waits for a yes. */
        #[ORM\Column(length: 32, options: Charset::CODE + ['default' => ''])]
        public string $why = '',
        /** Whether somebody said yes to their going. */
        #[ORM\Column(options: ['default' => 0])] public bool $agreed = false,
        /** Whether they are to come though staff took them out before. */
        #[ORM\Column(options: ['default' => 0])] public bool $again = false,
    ) {}
}
