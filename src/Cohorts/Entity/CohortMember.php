<?php

declare(strict_types=1);

namespace MintDoor\Cohorts\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\Core\Time\Time;
use MintDoor\People\Entity\Person;

/** That somebody belongs, belonged or will belong to a cohort, for one stretch of time. */
#[ORM\Entity]
#[ORM\Table(name: 'cohort_member')]
#[ORM\Index(name: 'of_person', columns: ['person_id', 'cohort_id'])]
#[ORM\Index(name: 'of_cohort', columns: ['cohort_id', 'until_at', 'from_at'])]
class CohortMember
{
    public function __construct(
        #[ORM\Id] #[ORM\ManyToOne]
        public readonly Cohort $cohort,
        #[ORM\Id] #[ORM\ManyToOne]
        public readonly Person $person,
        #[ORM\Id] #[ORM\Column(type: 'instant')]
        public readonly int $fromAt,
        #[ORM\Column(type: 'instant')]
        public int $untilAt = Time::FOREVER,
        /** Who put them there, or took them out; null by a rule. For the record. */
        #[ORM\Column(type: 'id', nullable: true)]
        public readonly ?string $putBy = null,
    ) {}
}
