<?php

declare(strict_types=1);

namespace MintDoor\Items\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\Sites\Entity\Site;

/** A sentence that says who sees something, said once for a site and used under a name. */
#[ORM\Entity]
#[ORM\Table(name: 'named_visibility')]
#[ORM\UniqueConstraint(columns: ['site_id', 'name'])]
class NamedVisibility
{
    public function __construct(
        #[ORM\Id] #[ORM\Column(type: 'id')] public readonly string $id,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Site $site,
        #[ORM\Column(length: 60)] public string $name,
        /** @var array<string, mixed> as `VisibilityCodec` writes it */
        #[ORM\Column(type: 'json')] public array $sentence,
    ) {}
}
