<?php

declare(strict_types=1);

namespace MintDoor\Doors\Repository;

use MintDoor\Core\Messages\MessageKind;
use MintDoor\Doors\Entity\Invitation;
use MintDoor\Doors\Entity\InvitationLink;
use MintDoor\Messages\KeepsSecretLinks;
use MintDoor\Shared\BaseRepository;

/**
 * Links that answer an invitation, by the hash of their token: the others hold as well, until one of them is used.
 *
 * @extends BaseRepository<InvitationLink>
 */
final class InvitationLinks extends BaseRepository implements KeepsSecretLinks
{
    protected const ENTITY = InvitationLink::class;

    public function opens(MessageKind $kind): bool
    {
        return \in_array($kind, [MessageKind::Invitation, MessageKind::Reminder], true);
    }

    public function keep(array $links, int $now): void
    {
        foreach ($links as $link) {
            $invitation = $this->reference(Invitation::class, $link->invitation)
                ?? throw new \LogicException('A link to answer an invitation says which.');
            $this->add(new InvitationLink($link->hash, $invitation));
        }
        $this->flush();
    }

    /** @param string $hash of the token */
    public function invitation(string $hash): ?Invitation
    {
        return $this->find($hash)?->invitation;
    }
}
