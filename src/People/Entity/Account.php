<?php

declare(strict_types=1);

namespace MintDoor\People\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\Core\Time\Time;
use MintDoor\Shared\Charset;

/** What a person signs in with. */
#[ORM\Entity]
#[ORM\Table(name: 'account')]
#[ORM\UniqueConstraint(columns: ['login'])]
class Account
{
    public function __construct(
        #[ORM\Id] #[ORM\OneToOne]
        public readonly Person $person,
        #[ORM\Column(length: 80, options: Charset::EXACT)] public string $login,
        #[ORM\Column(length: 255, nullable: true, options: Charset::CODE)]
        public ?string $passwordHash = null,
        #[ORM\Column(type: 'instant')] public int $closedFrom = Time::FOREVER,
        #[ORM\Column] public bool $platformAdministrator = false,
        /** Whether whoever signs in has to choose another password before anything else. */
        #[ORM\Column(options: ['default' => 0])] public bool $mustChange = false,
        #[ORM\Column(type: 'instant', nullable: true)]
        public readonly ?int $madeAt = null,
        /** When they last signed in. */
        #[ORM\Column(type: 'instant', nullable: true)]
        public ?int $usedAt = null,
        /** Until when a password from a sign-in card holds; null for one of their own. */
        #[ORM\Column(type: 'instant', nullable: true)]
        public ?int $cardUntil = null,
        /** Until when they said that they had seen what others did. Never written through this class. */
        #[ORM\Column(type: 'instant', nullable: true, updatable: false)]
        public readonly ?int $todaySeenAt = null,
        /** How days and numbers are written for them, BCP 47; null for as their browser says. Never written here. */
        #[ORM\Column(length: 16, nullable: true, updatable: false, options: Charset::CODE)]
        public readonly ?string $language = null,
        #[ORM\Column(length: 64, nullable: true, updatable: false, options: Charset::CODE)]
        public readonly ?string $timeZone = null,
    ) {}

    /** @param int $until until when the password of the card holds */
    public function giveCard(#[\SensitiveParameter] string $hash, bool $mustChange, int $until): void
    {
        $this->passwordHash = $hash;
        $this->mustChange = $mustChange;
        $this->cardUntil = $until;
    }

    /** A password somebody chose. */
    public function setPassword(#[\SensitiveParameter] string $hash): void
    {
        $this->passwordHash = $hash;
        $this->mustChange = false;
        $this->cardUntil = null;
    }
}
