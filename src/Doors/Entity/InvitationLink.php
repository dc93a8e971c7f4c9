<?php

declare(strict_types=1);

namespace MintDoor\Doors\Entity;

use Doctrine\ORM\Mapping as ORM;

/** A link that answers an invitation. Only the hash of its token is kept. */
#[ORM\Entity]
#[ORM\Table(name: 'invitation_link')]
#[ORM\Index(name: 'invitation', columns: ['invitation_id'])]
class InvitationLink
{
    public function __construct(
        #[ORM\Id] #[ORM\Column(
            type: 'bytes',
            length: 32,
            options: ['fixed' => true]
        )] public readonly string $tokenHash,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Invitation $invitation,
    ) {}
}
