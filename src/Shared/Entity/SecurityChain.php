<?php

declare(strict_types=1);

namespace MintDoor\Shared\Entity;

use Doctrine\ORM\Mapping as ORM;

/** Where the security log ends: one row, sealed, so that entries cut off its end are missed. */
#[ORM\Entity(readOnly: true)]
#[ORM\Table(name: 'security_chain')]
class SecurityChain
{
    public function __construct(
        #[ORM\Id] #[ORM\Column(type: 'smallint')] public readonly int $id,
        #[ORM\Column(type: 'bigint')] public readonly int $entries,
        #[ORM\Column(type: 'bytes', length: 255)] public readonly string $sealed,
    ) {}
}
