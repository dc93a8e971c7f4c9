<?php

declare(strict_types=1);

namespace MintDoor\Platform\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\Shared\Charset;

/** A holiday, or several days one after the other on which nothing is held; both ends are off. */
#[ORM\Entity]
#[ORM\Table(name: 'days_off')]
#[ORM\Index(name: 'in_order', columns: ['from_on', 'until_on'])]
class DaysOff
{
    public function __construct(
        #[ORM\Id] #[ORM\Column(type: 'id')] public readonly string $id,
        #[ORM\Column(length: 120)] public string $name,
        #[ORM\Column(length: 10, options: Charset::CODE)]
        public string $fromOn,
        #[ORM\Column(length: 10, options: Charset::CODE)]
        public string $untilOn,
        /** Who has them off, with those below; null for all. */
        #[ORM\ManyToOne]
        public ?Division $division = null,
    ) {}
}
