<?php

declare(strict_types=1);

namespace MintDoor\Groups\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\People\Entity\Person;

/** A group of a split. */
#[ORM\Entity]
#[ORM\Table(name: 'site_group')]
#[ORM\Index(columns: ['split_id', 'place'])]
class SiteGroup
{
    public function __construct(
        #[ORM\Id] #[ORM\Column(type: 'id')] public readonly string $id,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly GroupSplit $split,
        #[ORM\Column(length: 80)] public string $name,
        /** How many people fit, where it is not as the split says. */
        #[ORM\Column(nullable: true)] public ?int $most = null,
        #[ORM\ManyToOne]
        public ?Person $leader = null,
        /** For staff. */
        #[ORM\Column(length: 500)] public string $notes = '',
        #[ORM\Column(type: 'smallint', options: ['default' => 0])] public int $place = 0,
        /** Whether nobody is put into it any more. */
        #[ORM\Column(options: ['default' => 0])] public bool $gone = false,
        /** Whether one of those it is for founded it: it is gone when nobody is in it any more. */
        #[ORM\Column(options: ['default' => 0])] public bool $founded = false,
        /** Of what those are that it was made from: a label, a level. */
        #[ORM\Column(length: 80, nullable: true)] public ?string $kind = null,
    ) {}

    /** How many people fit; null for no limit. */
    public function most(): ?int
    {
        return $this->most ?? $this->split->most;
    }
}
