<?php

declare(strict_types=1);

namespace MintDoor\Shared\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\Shared\Charset;

/** When something that runs by itself last did. */
#[ORM\Entity(readOnly: true)]
#[ORM\Table(name: 'beat')]
class Beat
{
    public function __construct(
        #[ORM\Id] #[ORM\Column(length: 32, options: Charset::CODE)] public readonly string $name,
        #[ORM\Column(type: 'instant')]
        public readonly int $at,
    ) {}
}
