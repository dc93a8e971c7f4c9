<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Core\Doors\InvitationState;
use MintDoor\Doors\Entity\Invitation;
use MintDoor\Messages\SiteLetter;
use MintDoor\People\PersonRow;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Row;
use MintDoor\Shared\Somebody;

/** An invitation with how its last message stands, and where who is invited is reached now. */
final readonly class SentInvitation
{
    /** @param Row $beside with names and address of who is invited, `x_` names of who answered, `post` and `reason` */
    public function __construct(public Invitation $invitation, private Row $beside) {}

    public function state(int $now): InvitationState
    {
        return InvitationState::of(
            null !== $this->invitation->answeredAt,
            null !== $this->invitation->withdrawnAt,
            null !== $this->invitation->openedAt,
            $this->invitation->lapsesAt,
            $this->beside->stringOrNull('post'),
            $now,
        );
    }

    public function letter(): SiteLetter
    {
        $known = null !== $this->invitation->person;

        return new SiteLetter(
            $this->beside->string('email') ?: $this->invitation->address,
            $known ? $this->beside : null,
            'invite:'.$this->invitation->id.':'.$this->invitation->sent,
            $this->invitation->words,
            $this->invitation->lapsesAt,
            $this->invitation->id,
        );
    }

    public function shown(int $now): InvitationShown
    {
        $invitation = $this->invitation;
        $person = $invitation->person?->id;
        $answeredBy = $invitation->answeredBy;
        $instant = static fn(?int $at): ?string => null === $at ? null : Instant::toJson($at);

        return new InvitationShown(
            id: $invitation->id,
            person: null === $person ? null : new Somebody($person, PersonRow::name($this->beside)),
            address: null === $person ? $invitation->address : '',
            state: $this->state($now)->value,
            sent: $invitation->sent,
            madeAt: Instant::toJson($invitation->madeAt),
            lapsesAt: Instant::toJson($invitation->lapsesAt),
            openedAt: $instant($invitation->openedAt),
            answeredAt: $instant($invitation->answeredAt),
            answeredBy: null === $answeredBy || $answeredBy === $person
                ? null
                : new Somebody($answeredBy, PersonRow::name($this->beside, 'x_')),
            reason: $this->beside->stringOrNull('reason'),
        );
    }
}
