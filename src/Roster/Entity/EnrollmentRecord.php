<?php

declare(strict_types=1);

namespace MintDoor\Roster\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\People\Entity\Person;
use MintDoor\Shared\Charset;
use MintDoor\Sites\Entity\Site;

/**
 * Someone's being in a site: what it is as a whole, beside its grants and overrides. Written by `Enrollments`, many
 * rows at once.
 */
#[ORM\Entity]
#[ORM\Table(name: 'enrollment')]
#[ORM\Index(columns: ['person_id'])]
class EnrollmentRecord
{
    public function __construct(
        #[ORM\Id] #[ORM\ManyToOne]
        public readonly Site $site,
        #[ORM\Id] #[ORM\ManyToOne]
        public readonly Person $person,
        #[ORM\Column] public readonly int $version = 1,
        #[ORM\Column(type: 'instant', nullable: true)]
        public readonly ?int $lastSeenAt = null,
        /** As of the person, kept here too so that a roster is searched without reading its people. */
        #[ORM\Column(length: 250, options: Charset::CODE)]
        public readonly string $terms = '',
    ) {}
}
