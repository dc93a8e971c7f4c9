<?php

declare(strict_types=1);

namespace MintDoor\Items\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\Shared\Charset;
use MintDoor\Sites\Entity\Site;

/** Who sees an item of a site, by a sentence of its own or by one that has a name. One that is not kept is for all. */
#[ORM\Entity]
#[ORM\Table(name: 'item_visibility')]
class ItemVisibility
{
    public function __construct(
        #[ORM\Id]
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Site $site,
        /** As the learning platform has it. */
        #[ORM\Id] #[ORM\Column(length: 64, options: Charset::EXACT)] public readonly string $item,
        #[ORM\ManyToOne]
        public ?NamedVisibility $named = null,
        /** @var ?array<string, mixed> as `VisibilityCodec` writes it */
        #[ORM\Column(type: 'json', nullable: true)] public ?array $sentence = null,
    ) {}
}
