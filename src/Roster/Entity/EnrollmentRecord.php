<?php

declare(strict_types=1);

namespace MintDoor\Roster\Entity;

use Doctrine\ORM\Mapping as ORM;

/** Someone's being in a site: what it is as a whole, beside its grants and overrides. */
#[ORM\Entity]
#[ORM\Table(name: 'enrollment')]
#[ORM\Index(columns: ['person_id'])]
class EnrollmentRecord
{
    public function __construct(
        #[ORM\Id] #[ORM\Column(type: 'id')] public readonly string $siteId,
        #[ORM\Id] #[ORM\Column(type: 'id')] public readonly string $personId,
        #[ORM\Column(type: 'integer')] public int $version = 1,
        #[ORM\Column(type: 'instant', nullable: true)] public ?int $lastSeenAt = null,
        /** As of the person, kept here too so that a roster is searched without reading its people. */
        #[ORM\Column(length: 250, options: ['charset' => 'ascii', 'collation' => 'ascii_bin'])]
        public string $terms = '',
    ) {}
}
