<?php

declare(strict_types=1);

namespace MintDoor\Roster\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\Core\Time\Time;
use MintDoor\Sites\Entity\Site;

/** A formal part of a site, with its own seats and dates. */
#[ORM\Entity]
#[ORM\Table(name: 'section')]
#[ORM\Index(columns: ['site_id'])]
class Section
{
    public function __construct(
        #[ORM\Id] #[ORM\Column(type: 'id')] public readonly string $id,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Site $site,
        #[ORM\Column(length: 80)] public string $name,
        #[ORM\Column(length: 120)] public string $meets = '',
        /** Where it stands among the others. */
        #[ORM\Column(type: 'smallint', options: ['default' => 0])] public int $place = 0,
        #[ORM\Column(nullable: true)] public ?int $seats = null,
        /** When its learners may enter, besides what the site says. */
        #[ORM\Column(type: 'instant', options: ['default' => '1000-01-01 00:00:00'])]
        public int $fromAt = Time::BEGINNING,
        #[ORM\Column(type: 'instant', options: ['default' => '9999-12-31 00:00:00'])]
        public int $untilAt = Time::FOREVER,
        /** Whether nobody is put into it any more. */
        #[ORM\Column(options: ['default' => 0])] public bool $retired = false,
    ) {}
}
