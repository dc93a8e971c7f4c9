<?php

declare(strict_types=1);

namespace MintDoor\Roster\Entity;

use Doctrine\ORM\Mapping as ORM;

/**
 * An override as stored: on a grant, or on the whole enrollment when `grantId` is empty. Only its end is ever drawn in.
 */
#[ORM\Entity]
#[ORM\Table(name: 'enrollment_override')]
#[ORM\Index(columns: ['site_id', 'person_id'])]
#[ORM\Index(columns: ['origin_id'])]
class OverrideRecord
{
    public function __construct(
        #[ORM\Id] #[ORM\Column(type: 'id')] public readonly string $id,
        #[ORM\Column(type: 'id')] public readonly string $siteId,
        #[ORM\Column(type: 'id')] public readonly string $personId,
        #[ORM\Column(length: 16, options: ['charset' => 'ascii', 'collation' => 'ascii_bin'])]
        public readonly string $kind,
        #[ORM\Column(type: 'instant')] public readonly int $fromAt,
        #[ORM\Column(type: 'instant')] public int $untilAt,
        #[ORM\Column(type: 'id')] public readonly string $originId,
        #[ORM\Column(type: 'id', nullable: true)] public ?string $grantId = null,
        #[ORM\Column(length: 32, nullable: true, options: ['charset' => 'ascii', 'collation' => 'ascii_bin'])]
        public ?string $role = null,
        #[ORM\Column(type: 'id', nullable: true)] public ?string $putBy = null,
        #[ORM\Column(type: 'id', nullable: true)] public ?string $endedBy = null,
        #[ORM\Column(length: 500, nullable: true)] public ?string $note = null,
        #[ORM\Column(type: 'instant', nullable: true)] public readonly ?int $datesFrom = null,
        #[ORM\Column(type: 'instant', nullable: true)] public readonly ?int $datesUntil = null,
        /** How high whoever put it on stood: who is lower does not end it. */
        #[ORM\Column(type: 'smallint', options: ['default' => 0])] public readonly int $height = 0,
    ) {}
}
