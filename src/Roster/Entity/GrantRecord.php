<?php

declare(strict_types=1);

namespace MintDoor\Roster\Entity;

use Doctrine\ORM\Mapping as ORM;

/**
 * A grant as stored: never changed but for `live`, which is 1 on the last grant of a person at a door and empty on
 * those before.
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
        #[ORM\Column(type: 'id')] public readonly string $siteId,
        #[ORM\Column(type: 'id')] public readonly string $personId,
        #[ORM\Column(type: 'id')] public readonly string $doorId,
        #[ORM\Column(length: 32, options: ['charset' => 'ascii', 'collation' => 'ascii_bin'])]
        public readonly string $role,
        #[ORM\Column(type: 'instant')] public readonly int $givenAt,
        #[ORM\Column(type: 'instant')] public readonly int $fromAt,
        #[ORM\Column(type: 'instant')] public readonly int $untilAt,
        #[ORM\Column(type: 'instant')] public readonly int $acceptedAt,
        #[ORM\Column(type: 'instant')] public readonly int $sinceAt,
        #[ORM\Column(type: 'id', nullable: true)] public ?string $sectionId = null,
        #[ORM\Column(type: 'id', nullable: true)] public ?string $givenBy = null,
        #[ORM\Column(nullable: true)] public ?bool $live = true,
    ) {}
}
