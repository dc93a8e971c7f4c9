<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Changes\ChangeContextLoader;
use MintDoor\Core\Doors\InvitationState;
use MintDoor\Core\Messages\MessageKind;
use MintDoor\Doors\Entity\Invitation;
use MintDoor\Doors\Repository\StoredInvitations;
use MintDoor\History\Happening;
use MintDoor\History\History;
use MintDoor\Messages\Messages;
use MintDoor\Messages\SiteLetter;
use MintDoor\Messages\SiteLetters;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Caller;
use MintDoor\Shared\CallerProvider;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Row;

/**
 * Invitations through a door: to people of the directory, and to addresses it does not know. `InvitationPlanner` says
 * who can be invited. What changes something runs inside a transaction, under the site's lock.
 */
final readonly class Invitations
{
    public function __construct(
        private StoredInvitations $stored,
        private InvitationPlanner $planner,
        private ChangeContextLoader $contexts,
        private DoorLines $lines,
        private SiteLetters $post,
        private Messages $room,
        private CallerProvider $callers,
        private PlatformClock $clock,
        private History $history,
    ) {}

    /**
     * @param list<InviteLine> $plan
     *
     * @return int how many were invited
     */
    public function invite(SiteAccess $access, SentenceDoor $door, array $plan, string $words): int
    {
        $policy = $door->policy;
        $ready = array_values(array_filter($plan, static fn(InviteLine $line): bool => $line->isReady()));
        $people = $this->people($ready);
        $this->lines->invite($access, $door, $people, $access->caller);
        $invitations = $letters = [];
        foreach ($ready as $line) {
            $person = null === $line->personId ? null : $people[$line->personId];
            $invitation = $this->stored->begin(
                $door->door,
                $line->personId,
                $person?->string('email') ?? (string) $line->address,
                trim($words),
                $access->caller->id,
                $access->now,
                $policy->answerUntil($access->now),
                $policy->holds,
                $policy->remindAt($access->now),
            );
            $invitations[] = $invitation;
            $letters[] = new SiteLetter(
                $invitation->address,
                $person,
                'invite:'.$invitation->id.':1',
                trim($words),
                $invitation->lapsesAt,
                $invitation->id,
            );
        }
        $this->stored->write($invitations);
        $this->post->send(MessageKind::Invitation, $access, $policy->role, $letters, $access->caller);
        $unknown = \count(array_filter($letters, static fn(SiteLetter $letter): bool => null === $letter->person));
        if ($unknown > 0) {
            $this->history->write(
                $access->site->id,
                $access->caller,
                new Happening('invited', ['door' => $door->id, 'name' => $door->door->name, 'people' => $unknown]),
            );
        }

        return \count($letters);
    }

    /** @return list<InvitationShown> the last first */
    public function of(SentenceDoor $door): array
    {
        $now = $this->clock->instant();

        return array_map(
            static fn(SentInvitation $sent): InvitationShown => $sent->shown($now),
            $this->stored->ofDoor($door->id),
        );
    }

    /**
     * Sends invitations again, so that they hold for the whole time anew.
     *
     * @param ?list<string> $only ids; null for all that are not answered
     *
     * @return int how many
     */
    public function again(SiteAccess $access, SentenceDoor $door, ?array $only): int
    {
        $now = $this->clock->instant();
        // Those whose address is not kept any more are invited anew.
        $open = array_filter(
            $this->open($door, $only),
            static fn(SentInvitation $sent): bool => InvitationState::OnItsWay !== $sent->state($now)
                && '' !== $sent->invitation->address,
        );
        // Whose invitation had lapsed waits for their own answer again.
        $over = [];
        foreach ($open as $sent) {
            if (null !== $sent->invitation->person && null === $sent->invitation->unanswered) {
                $over[] = $sent->invitation->person->id;
            }
        }
        $again = $this->people($this->planner->ready($access, $door, $over));
        $this->lines->invite($access, $door, $again, $access->caller);
        $letters = [];
        foreach ($open as $sent) {
            $sent->invitation->sendAgain(
                $door->policy->answerUntil($access->now),
                $door->policy->remindAt($access->now),
            );
            $letters[] = $sent->letter();
        }
        $this->stored->flush();
        $this->post->send(
            MessageKind::Invitation,
            $access,
            $door->policy->role,
            $letters,
            $access->caller,
            false,
        );

        return \count($open);
    }

    /**
     * @param ?list<string> $only ids; null for all that are not answered
     *
     * @return int how many
     */
    public function withdraw(SiteAccess $access, SentenceDoor $door, ?array $only): int
    {
        $open = array_map(
            static fn(SentInvitation $sent): Invitation => $sent->invitation,
            $this->open($door, $only),
        );
        foreach ($open as $invitation) {
            $invitation->withdrawnAt = $this->clock->instant();
        }
        $this->end($access, $door->id, $open, $access->caller);
        $this->room->withdraw(
            'invitation_id',
            array_map(static fn(Invitation $invitation): string => $invitation->id, $open),
        );

        return \count($open);
    }

    /** Reminds those of a site whose day it is, and ends what lapsed. Says how many of each. */
    public function tasks(SiteAccess $access): int
    {
        $due = $this->stored->due($access->site->id, $access->now);
        $doors = $over = $letters = [];
        foreach ($due as $sent) {
            $invitation = $sent->invitation;
            $door = $doors[$invitation->door->id] ??= SentenceDoor::of($invitation->door);
            if ($invitation->lapsesAt <= $access->now) {
                $over[$door->id][] = $invitation;
                continue;
            }
            $invitation->remind();
            $letters[$door->id][] = $sent->letter();
        }
        $this->stored->flush();
        foreach ($letters as $door => $all) {
            $this->post->send(MessageKind::Reminder, $access, $doors[$door]->policy->role, $all, null, false);
        }
        foreach ($over as $door => $invitations) {
            $by = $this->callers->anybody((string) $doors[$door]->keeper());
            $this->end($access, $door, $invitations, $by);
        }

        return \count($due);
    }

    /**
     * @param string           $door        id
     * @param list<Invitation> $invitations
     */
    private function end(SiteAccess $access, string $door, array $invitations, Caller $by): void
    {
        $known = [];
        foreach ($invitations as $invitation) {
            $invitation->end();
            if (null !== $invitation->person) {
                $known[$invitation->person->id] = $invitation->person->id;
            }
        }
        $this->stored->flush();
        $people = [] === $known ? [] : $this->contexts->people(array_values($known));
        $this->lines->lapse($access, $door, $people, $by);
    }

    /**
     * @param list<InviteLine> $lines
     *
     * @return array<string, Row> whom of the directory they mean, by id
     */
    private function people(array $lines): array
    {
        $known = array_filter(array_map(static fn(InviteLine $line): ?string => $line->personId, $lines));

        return [] === $known ? [] : $this->contexts->people(array_values($known));
    }

    /**
     * @param ?list<string> $only
     *
     * @return list<SentInvitation> those of a door that can still be answered
     */
    private function open(SentenceDoor $door, ?array $only): array
    {
        $now = $this->clock->instant();

        return array_values(
            array_filter(
                $this->stored->ofDoor($door->id),
                static fn(SentInvitation $sent): bool => $sent->state($now)->open()
                    && (null === $only || \in_array($sent->invitation->id, $only, true)),
            ),
        );
    }
}
