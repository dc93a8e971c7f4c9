<?php

declare(strict_types=1);

namespace MintDoor\Roles\Entity;

use Doctrine\ORM\Mapping as ORM;

/** The rules as the platform set them at some time; the highest version holds, the others are kept. */
#[ORM\Entity]
#[ORM\Table(name: 'rule_book')]
class RuleBookRecord
{
    public function __construct(
        #[ORM\Id] #[ORM\Column] public readonly int $version,
        #[ORM\Column(type: 'instant')] public int $madeAt,
        #[ORM\Column(type: 'id', nullable: true)] public ?string $madeBy,
        /** @var array<string, mixed> `RulesCodec` */
        #[ORM\Column(type: 'json')] public array $settings,
    ) {}
}
