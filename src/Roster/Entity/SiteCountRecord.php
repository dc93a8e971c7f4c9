<?php

declare(strict_types=1);

namespace MintDoor\Roster\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\Sites\Entity\Site;

/**
 * How many people a site has, for showing; it holds until `untilAt`, and as long as the roster has the same version.
 */
#[ORM\Entity(readOnly: true)]
#[ORM\Table(name: 'site_count')]
class SiteCountRecord
{
    public function __construct(
        #[ORM\Id] #[ORM\OneToOne]
        public readonly Site $site,
        #[ORM\Column] public readonly int $rosterVersion,
        #[ORM\Column(type: 'instant')]
        public readonly int $fromAt,
        #[ORM\Column(type: 'instant')]
        public readonly int $untilAt,
        #[ORM\Column] public readonly int $learners,
        #[ORM\Column] public readonly int $staff,
        #[ORM\Column] public readonly int $others,
        #[ORM\Column] public readonly int $unlisted,
        #[ORM\Column] public readonly int $seatsHeld,
    ) {}
}
