<?php

declare(strict_types=1);

namespace MintDoor\Accounts\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\Core\Time\Time;

/** What a person signs in with. */
#[ORM\Entity]
#[ORM\Table(name: 'account')]
#[ORM\UniqueConstraint(columns: ['login'])]
class Account
{
    public function __construct(
        #[ORM\Id] #[ORM\Column(type: 'id')] public readonly string $personId,
        #[ORM\Column(length: 80, options: ['charset' => 'utf8mb4', 'collation' => 'utf8mb4_bin'])] public string $login,
        #[ORM\Column(length: 255, nullable: true, options: ['charset' => 'ascii', 'collation' => 'ascii_bin'])]
        public ?string $passwordHash = null,
        #[ORM\Column(type: 'instant')] public int $closedFrom = Time::FOREVER,
        #[ORM\Column] public bool $platformAdministrator = false,
        /** Whether whoever signs in has to choose another password before anything else. */
        #[ORM\Column(options: ['default' => 0])] public bool $mustChange = false,
        #[ORM\Column(type: 'instant', nullable: true)] public ?int $madeAt = null,
        /** When they last signed in. */
        #[ORM\Column(type: 'instant', nullable: true)] public ?int $usedAt = null,
        /** Until when a password from a sign-in card holds; null for one of their own. */
        #[ORM\Column(type: 'instant', nullable: true)] public ?int $cardUntil = null,
    ) {}
}
