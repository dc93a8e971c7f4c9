<?php

declare(strict_types=1);

namespace MintDoor\Groups\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\Roster\Entity\Section;
use MintDoor\Sites\Entity\Site;

/** One way of dividing the learners of a site, or of a section, into groups. */
#[ORM\Entity]
#[ORM\Table(name: 'group_split')]
#[ORM\Index(columns: ['site_id', 'place'])]
class GroupSplit
{
    #[ORM\Column]
    public int $version = 1;

    /** When it was put away: it can be brought back. */
    #[ORM\Column(type: 'instant', nullable: true)]
    public ?int $putAwayAt = null;

    public function __construct(
        #[ORM\Id] #[ORM\Column(type: 'id')] public readonly string $id,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Site $site,
        #[ORM\Column(length: 80)] public string $name,
        /** Whose people it divides, where it is not the whole site. */
        #[ORM\ManyToOne]
        public readonly ?Section $section = null,
        /** How many people a group has, where nothing else is said of it. */
        #[ORM\Column(nullable: true)] public ?int $least = null,
        #[ORM\Column(nullable: true)] public ?int $most = null,
        /** Where it stands among the others of its site. */
        #[ORM\Column(type: 'smallint', options: ['default' => 0])] public int $place = 0,
    ) {}
}
