<?php

declare(strict_types=1);

namespace MintDoor\Sites\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\Shared\Charset;

/** A part of the organisation that sites and people belong to. */
#[ORM\Entity]
#[ORM\Table(name: 'division')]
#[ORM\UniqueConstraint(columns: ['code'])]
class Division
{
    public function __construct(
        #[ORM\Id] #[ORM\Column(type: 'id')] public readonly string $id,
        #[ORM\Column(length: 32, options: Charset::CODE)]
        public readonly string $code,
        #[ORM\Column(length: 120)] public string $name,
        #[ORM\Column] public bool $minors = false,
    ) {}
}
