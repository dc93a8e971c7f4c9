<?php

declare(strict_types=1);

namespace MintDoor\Platform\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\Shared\Charset;

/** The password that the platform signs in with at its mail server, sealed. There is one at most. */
#[ORM\Entity]
#[ORM\Table(name: 'mail_secret')]
class MailSecret
{
    public const ONE = 1;

    public function __construct(
        #[ORM\Column(type: 'text', options: Charset::CODE)] public string $sealed,
        #[ORM\Id] #[ORM\Column] public readonly int $id = self::ONE,
    ) {}
}
