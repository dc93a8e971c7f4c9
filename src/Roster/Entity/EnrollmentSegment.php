<?php

declare(strict_types=1);

namespace MintDoor\Roster\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\People\Entity\Person;
use MintDoor\Shared\Charset;
use MintDoor\Sites\Entity\Site;

/**
 * A stretch of the timeline of an enrollment during which nothing changes, as the core computed it: what lists of
 * people are read from. Written by `Enrollments`, many rows at once; `roster:verify` compares it with the core.
 */
#[ORM\Entity(readOnly: true)]
#[ORM\Table(name: 'enrollment_segment')]
#[ORM\Index(
    name: 'by_name',
    columns: ['site_id', 'sort_name', 'person_id', 'from_at', 'until_at', 'state', 'listed', 'role', 'sections'],
)]
#[ORM\Index(name: 'by_person', columns: ['person_id', 'until_at', 'from_at'])]
#[ORM\Index(
    name: 'counting',
    columns: ['site_id', 'until_at', 'from_at', 'state', 'role', 'listed', 'holds_seat'],
)]
#[ORM\Index(name: 'ending_leads', columns: ['leads', 'until_at', 'site_id'])]
#[ORM\Index(name: 'by_lead', columns: ['site_id', 'leads', 'until_at'])]
#[ORM\Index(
    name: 'beginning',
    columns: ['site_id', 'from_at', 'until_at', 'state', 'role', 'listed', 'holds_seat'],
)]
class EnrollmentSegment
{
    public function __construct(
        #[ORM\Id]
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Site $site,
        #[ORM\Id]
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Person $person,
        #[ORM\Id] #[ORM\Column(type: 'instant')] public readonly int $fromAt,
        #[ORM\Column(type: 'instant')]
        public readonly int $untilAt,
        #[ORM\Column(length: 12, options: Charset::CODE)]
        public readonly string $state,
        /** The highest-ranked of `roles`. */
        #[ORM\Column(length: 32, options: Charset::CODE)]
        public readonly string $role,
        /** Codes, separated by blanks. */
        #[ORM\Column(length: 330, options: Charset::CODE)]
        public readonly string $roles,
        #[ORM\Column(name: '`rank`', type: 'smallint')] public readonly int $rank,
        #[ORM\Column] public readonly bool $listed,
        #[ORM\Column] public readonly bool $holdsSeat,
        #[ORM\Column] public readonly bool $leads,
        #[ORM\Column(type: 'instant')]
        public readonly int $sinceAt,
        #[ORM\Column(length: 164)] public readonly string $sortName,
        /** `People\AlikeNumber` of the person. */
        #[ORM\Column(type: 'bigint')]
        public readonly int $alike,
        /** Ids of the sections they are in, separated by blanks. */
        #[ORM\Column(length: 450, options: ['default' => ''] + Charset::CODE)]
        public readonly string $sections = '',
    ) {}
}
