<?php

declare(strict_types=1);

namespace MintDoor\Shared\Entity;

use Doctrine\ORM\Mapping as ORM;

/** Numbers of entries that are given out one by one: one row. */
#[ORM\Entity(readOnly: true)]
#[ORM\Table(name: 'platform_counter')]
class PlatformCounter
{
    public function __construct(
        #[ORM\Id] #[ORM\Column(type: 'smallint')] public readonly int $id,
        #[ORM\Column] public readonly int $logSequence,
    ) {}
}
