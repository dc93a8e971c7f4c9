<?php

declare(strict_types=1);

namespace MintDoor\People\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\Shared\Charset;

/** That some rule reads it: changes of anything else are not noted. */
#[ORM\Entity]
#[ORM\Table(name: 'fact_watched')]
class FactWatched
{
    public function __construct(
        /** As `FactChange::$what`. */
        #[ORM\Id] #[ORM\Column(length: 36, options: Charset::CODE)]
        public readonly string $what,
    ) {}
}
