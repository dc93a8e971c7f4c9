<?php

declare(strict_types=1);

namespace MintDoor\Roles\Entity;

use Doctrine\ORM\Mapping as ORM;

/** A role as the platform has set it; `settings` holds everything of `Core\Roles\Role` but the code. */
#[ORM\Entity]
#[ORM\Table(name: 'role')]
#[ORM\UniqueConstraint(columns: ['code'])]
class RoleSetting
{
    public function __construct(
        #[ORM\Id]
        #[ORM\Column(type: 'id')]
        public readonly string $id,
        #[ORM\Column(length: 32, options: ['charset' => 'ascii', 'collation' => 'ascii_bin'])]
        public readonly string $code,
        /** @var array<string, mixed> */
        #[ORM\Column(type: 'json')]
        public array $settings,
    ) {
    }
}
