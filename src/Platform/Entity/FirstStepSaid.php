<?php

declare(strict_types=1);

namespace MintDoor\Platform\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\Shared\Charset;

/** What somebody said of a first step: that it is done, or left out (`FirstStep`, `FirstStepState`). */
#[ORM\Entity]
#[ORM\Table(name: 'first_step')]
class FirstStepSaid
{
    public function __construct(
        #[ORM\Id] #[ORM\Column(length: 16, options: Charset::CODE)]
        public readonly string $step,
        #[ORM\Column(length: 16, options: Charset::CODE)] public string $state,
        #[ORM\Column(type: 'instant')] public int $saidAt,
        /** Id of a person; null for what the platform came with. */
        #[ORM\Column(type: 'id', nullable: true)] public ?string $saidBy = null,
    ) {}
}
