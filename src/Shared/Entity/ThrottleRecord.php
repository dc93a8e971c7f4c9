<?php

declare(strict_types=1);

namespace MintDoor\Shared\Entity;

use Doctrine\ORM\Mapping as ORM;

/**
 * How often something was tried in a stretch of time. Counted by `Throttle` in one statement, so that several processes
 * count the same.
 */
#[ORM\Entity(readOnly: true)]
#[ORM\Table(name: 'throttle')]
#[ORM\Index(name: 'ends', columns: ['window_ends'])]
class ThrottleRecord
{
    public function __construct(
        /** The hash of what is counted. */
        #[ORM\Id] #[ORM\Column(type: 'bytes', length: 32, options: ['fixed' => true])] public readonly string $id,
        #[ORM\Column] public readonly int $hits,
        #[ORM\Column(type: 'instant')]
        public readonly int $windowEnds,
    ) {}
}
