<?php

declare(strict_types=1);

namespace MintDoor\Accounts\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\People\Entity\Person;

/** A link, good once and for a while, with which somebody sets a password. Only the hash of its token is kept. */
#[ORM\Entity]
#[ORM\Table(name: 'first_password')]
class FirstPassword
{
    public function __construct(
        #[ORM\Id] #[ORM\Column(type: 'bytes', length: 32)] public readonly string $tokenHash,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Person $person,
        #[ORM\Column(type: 'instant')]
        public readonly int $expiresAt,
    ) {}
}
