<?php

declare(strict_types=1);

namespace MintDoor\Roster\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\Shared\Charset;

/**
 * A grant as stored: never changed but for `live`, which is 1 on the last grant of a person at a door and empty on
 * those before. Written by `Changes`, many rows at once.
 */
#[ORM\Entity]
#[ORM\Table(name: 'access_grant')]
#[ORM\Index(columns: ['site_id', 'person_id'])]
#[ORM\Index(name: 'unanswered', columns: ['accepted_at'])]
#[ORM\UniqueConstraint(columns: ['door_id', 'person_id', 'live'])]
class GrantRecord
{
    public function __construct(
        #[ORM\Id] #[ORM\Column(type: 'id')] public readonly string $id,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(name: 'site_id', referencedColumnName: 'site_id', nullable: false)]
        #[ORM\JoinColumn(name: 'person_id', referencedColumnName: 'person_id', nullable: false)]
        public readonly EnrollmentRecord $enrollment,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Door $door,
        #[ORM\Column(length: 32, options: Charset::CODE)]
        public readonly string $role,
        #[ORM\Column(type: 'instant')]
        public readonly int $givenAt,
        #[ORM\Column(type: 'instant')]
        public readonly int $fromAt,
        #[ORM\Column(type: 'instant')]
        public readonly int $untilAt,
        #[ORM\Column(type: 'instant')]
        public readonly int $acceptedAt,
        #[ORM\Column(type: 'instant')]
        public readonly int $sinceAt,
        #[ORM\ManyToOne]
        public readonly ?Section $section = null,
        /** For the record: nothing is looked for by it. */
        #[ORM\Column(type: 'id', nullable: true)]
        public readonly ?string $givenBy = null,
        #[ORM\Column(nullable: true)] public readonly ?bool $live = true,
    ) {}
}
