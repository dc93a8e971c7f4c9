<?php

declare(strict_types=1);

namespace MintDoor\Accounts\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\Platform\Entity\Division;
use MintDoor\Shared\Charset;

/** Somebody who registers: there is no account before they show that the address is theirs. */
#[ORM\Entity]
#[ORM\Table(name: 'registration')]
#[ORM\UniqueConstraint(name: 'token', columns: ['token_hash'])]
#[ORM\Index(name: 'waiting', columns: ['division_id', 'confirmed_at'])]
class Registration
{
    public function __construct(
        #[ORM\Id] #[ORM\Column(type: 'id')] public readonly string $id,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Division $division,
        #[ORM\Column(length: 80)] public readonly string $givenName,
        #[ORM\Column(length: 80)] public readonly string $familyName,
        #[ORM\Column(length: 190, options: Charset::EXACT)] public readonly string $email,
        #[ORM\Column(length: 40, nullable: true)] public readonly ?string $number,
        #[ORM\Column(type: 'smallint', nullable: true)] public readonly ?int $level,
        #[ORM\Column(type: 'instant')] public readonly int $askedAt,
        /** SHA-256 of the token of its link; null before the message is sent. */
        #[ORM\Column(type: 'bytes', length: 32, nullable: true)] public ?string $tokenHash = null,
        /** When the address was shown to be theirs; it waits for a yes since then. */
        #[ORM\Column(type: 'instant', nullable: true)] public ?int $confirmedAt = null,
    ) {}
}
