<?php

declare(strict_types=1);

namespace MintDoor\Groups\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\Core\Time\Time;
use MintDoor\People\Entity\Person;

/**
 * Somebody is, or was, in a group. It holds while they are in the site: of whoever is removed it stays, and is theirs
 * again when they come back, unless the group is full by then. Nobody has two of one split at a time: `live` is true
 * or null, and unique with both.
 */
#[ORM\Entity]
#[ORM\Table(name: 'group_place')]
#[ORM\UniqueConstraint(name: 'one_of_each', columns: ['split_id', 'person_id', 'live'])]
#[ORM\Index(name: 'of_group', columns: ['group_id', 'live'])]
#[ORM\Index(name: 'of_person', columns: ['person_id', 'live'])]
class GroupPlace
{
    public function __construct(
        #[ORM\Id] #[ORM\Column(type: 'id')] public readonly string $id,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly GroupSplit $split,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(name: 'group_id', nullable: false)]
        public readonly SiteGroup $group,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Person $person,
        #[ORM\Column(type: 'instant')]
        public readonly int $fromAt,
        /** For the record: nothing is looked for by it. */
        #[ORM\Column(type: 'id', nullable: true)]
        public readonly ?string $putBy = null,
        #[ORM\Column(type: 'instant', options: ['default' => '9999-12-31 00:00:00'])]
        public int $untilAt = Time::FOREVER,
        #[ORM\Column(nullable: true)] public ?bool $live = true,
    ) {}
}
