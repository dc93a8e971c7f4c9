<?php

declare(strict_types=1);

namespace MintDoor\Roster\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\Shared\Charset;

/**
 * An override as stored: on a grant, or on the whole enrollment when `grant` is empty. Only its end is ever drawn in.
 * Written by `Changes`, many rows at once.
 */
#[ORM\Entity]
#[ORM\Table(name: 'enrollment_override')]
#[ORM\Index(columns: ['site_id', 'person_id'])]
#[ORM\Index(columns: ['origin_id'])]
class OverrideRecord
{
    public function __construct(
        #[ORM\Id] #[ORM\Column(type: 'id')] public readonly string $id,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(name: 'site_id', referencedColumnName: 'site_id', nullable: false)]
        #[ORM\JoinColumn(name: 'person_id', referencedColumnName: 'person_id', nullable: false)]
        public readonly EnrollmentRecord $enrollment,
        #[ORM\Column(length: 16, options: Charset::CODE)]
        public readonly string $kind,
        #[ORM\Column(type: 'instant')]
        public readonly int $fromAt,
        #[ORM\Column(type: 'instant')]
        public readonly int $untilAt,
        /** The first of the pieces that one override was cut into. */
        #[ORM\Column(type: 'id')]
        public readonly string $originId,
        #[ORM\ManyToOne]
        public readonly ?GrantRecord $grant = null,
        #[ORM\Column(length: 32, nullable: true, options: Charset::CODE)]
        public readonly ?string $role = null,
        /** For the record, as `endedBy`: nothing is looked for by it. */
        #[ORM\Column(type: 'id', nullable: true)]
        public readonly ?string $putBy = null,
        #[ORM\Column(type: 'id', nullable: true)]
        public readonly ?string $endedBy = null,
        #[ORM\Column(length: 500, nullable: true)] public readonly ?string $note = null,
        #[ORM\Column(type: 'instant', nullable: true)]
        public readonly ?int $datesFrom = null,
        #[ORM\Column(type: 'instant', nullable: true)]
        public readonly ?int $datesUntil = null,
        /** How high whoever put it on stood: who is lower does not end it. */
        #[ORM\Column(type: 'smallint', options: ['default' => 0])] public readonly int $height = 0,
        /** Ids, separated by blanks; null where it is about something else. */
        #[ORM\Column(length: 450, nullable: true, options: Charset::CODE)]
        public readonly ?string $sections = null,
    ) {}
}
