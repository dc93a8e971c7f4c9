<?php

declare(strict_types=1);

namespace MintDoor\Accounts\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\Platform\Entity\Division;
use MintDoor\Shared\Charset;

/** The code that lets people register in a division, sealed: its administrators hand it out. */
#[ORM\Entity]
#[ORM\Table(name: 'registration_code')]
class RegistrationCode
{
    public function __construct(
        #[ORM\Id]
        #[ORM\OneToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Division $division,
        #[ORM\Column(type: 'text', options: Charset::CODE)] public string $sealed,
    ) {}
}
