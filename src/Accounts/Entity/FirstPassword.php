<?php

declare(strict_types=1);

namespace MintDoor\Accounts\Entity;

use Doctrine\ORM\Mapping as ORM;

/** A link, good once and for a while, with which somebody sets a password. Only the hash of its token is kept. */
#[ORM\Entity]
#[ORM\Table(name: 'first_password')]
class FirstPassword
{
    public function __construct(
        #[ORM\Id] #[ORM\Column(type: 'binary', length: 32)] public readonly string $tokenHash,
        #[ORM\Column(type: 'id')] public string $personId,
        #[ORM\Column(type: 'instant')] public int $expiresAt,
    ) {}
}
