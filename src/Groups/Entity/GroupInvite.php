<?php

declare(strict_types=1);

namespace MintDoor\Groups\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\People\Entity\Person;

/** Somebody is asked by one of its people to come into a group. It is a word, and keeps no place. */
#[ORM\Entity(readOnly: true)]
#[ORM\Table(name: 'group_invite')]
class GroupInvite
{
    public function __construct(
        #[ORM\Id]
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(name: 'group_id', nullable: false)]
        public readonly SiteGroup $group,
        #[ORM\Id]
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Person $person,
        /** Id of who asks. */
        #[ORM\Column(type: 'id')] public readonly string $askedBy,
        #[ORM\Column(type: 'instant')]
        public readonly int $askedAt,
    ) {}
}
