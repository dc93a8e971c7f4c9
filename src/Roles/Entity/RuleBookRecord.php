<?php

declare(strict_types=1);

namespace MintDoor\Roles\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\People\Entity\Person;

/** The rules as the platform set them at some time; the highest version holds, the others are kept. */
#[ORM\Entity]
#[ORM\Table(name: 'rule_book')]
class RuleBookRecord
{
    public function __construct(
        #[ORM\Id] #[ORM\Column] public readonly int $version,
        #[ORM\Column(type: 'instant')]
        public readonly int $madeAt,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(name: 'made_by')]
        public readonly ?Person $madeBy,
        /** @var array<string, mixed> `RulesCodec` */
        #[ORM\Column(type: 'json')] public readonly array $settings,
    ) {}
}
