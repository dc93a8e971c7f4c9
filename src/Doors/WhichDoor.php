<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Core\Doors\Key;
use MintDoor\Core\Doors\KeyReading;
use MintDoor\Core\Doors\KeySlip;
use MintDoor\Doors\Entity\Invitation;
use MintDoor\Doors\Repository\DoorKeys;
use MintDoor\Doors\Repository\DoorTries;
use MintDoor\Doors\Repository\InvitationLinks;
use MintDoor\Doors\Repository\SentenceDoors;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Id;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\Said;
use MintDoor\Shared\Throttle;
use Symfony\Component\HttpFoundation\RequestStack;

/**
 * Finds the door somebody stands before. A slip that shows from the key itself is no guess and is not counted as one;
 * keys that are well made and open nothing are, per account and per address. Whoever guessed nothing is never kept
 * waiting by neighbours behind the same address once they are signed in. What is refused tells nothing about any site.
 */
final readonly class WhichDoor
{
    /** Seconds. */
    private const WINDOW = 900;

    private const MOST_PER_ACCOUNT = 20;

    private const MOST_PER_ADDRESS = 300;

    /** Of slips near the key of one door; beyond, nobody is told that they are near. */
    private const MOST_PER_DOOR = 200;

    private const LONGEST = 200;

    public function __construct(
        private SentenceDoors $doors,
        private InvitationLinks $links,
        private DoorTries $tries,
        private DoorKeys $keys,
        private Throttle $throttle,
        private PlatformClock $clock,
        private RequestStack $requests,
    ) {}

    public function of(JoinRequest $request, ?Caller $caller): BeforeDoor
    {
        if (null !== $request->invitation) {
            $invitation = $this->invitation($request->invitation);

            return new BeforeDoor($this->doors->anywhere($invitation->door->id), $invitation);
        }
        if (null !== $request->door) {
            $door = $this->doors->anywhere($request->door);

            // A door that is opened by a key is not opened by its id.
            return 'request' === $door->asked() ? new BeforeDoor($door) : throw Problem::notFound('door');
        }

        return new BeforeDoor(
            $this->doors->anywhere($this->byKey(trim((string) $request->key), $request->visitor, $caller)),
        );
    }

    /** @throws Problem when it is over */
    private function invitation(#[\SensitiveParameter] string $token): Invitation
    {
        $this->assertFew('answering', 60);
        $found = $this->links->invitation(hash('sha256', $token, true));
        if (null === $found) {
            $this->throttle->hit('answering from '.$this->address(), 60, self::WINDOW);
            throw new Problem(ProblemType::LinkIsOver, 'doors.link-not-complete-time');
        }

        return $found;
    }

    private function assertFew(string $what, int $most): void
    {
        if ($this->throttle->reached($what.' from '.$this->address(), $most)) {
            throw new Problem(
                ProblemType::TooManyTries,
                'shared.too-many-tries-wait-quarter',
                retryAfter: self::WINDOW,
            );
        }
    }

    private function byKey(#[\SensitiveParameter] string $typed, string $visitor, ?Caller $caller): string
    {
        if ('' === $typed) {
            throw Problem::field('/key', 'empty', 'doors.type-key-given');
        }
        if (\strlen($typed) > self::LONGEST) {
            throw Problem::field('/key', 'too-long', 'doors.longer-any-key-key');
        }
        $guessed = null !== $caller && $this->throttle->reached('keys of '.$caller->id, self::MOST_PER_ACCOUNT);
        if (
            $guessed
            || ((null === $caller || $this->throttle->reached('keys of '.$caller->id, 3))
                && $this->throttle->reached('keys from '.$this->address(), self::MOST_PER_ADDRESS))
        ) {
            throw new Problem(
                ProblemType::TooManyTries,
                'doors.too-many-keys-open',
                retryAfter: self::WINDOW,
            );
        }
        $reading = Key::read($typed);
        $door = null === $reading->key ? $this->keys->doorOfChosen($typed) : $this->keys->door($reading->key);

        return $door ?? throw $this->refusal($reading, $visitor, $caller);
    }

    private function refusal(KeyReading $reading, string $visitor, ?Caller $caller): Problem
    {
        if (null === $reading->slip || KeySlip::OtherKind === $reading->slip) {
            $this->throttle->hit('keys from '.$this->address(), self::MOST_PER_ADDRESS, self::WINDOW);
            null === $caller || $this->throttle->hit('keys of '.$caller->id, self::MOST_PER_ACCOUNT, self::WINDOW);

            return Problem::field('/key', 'no-door', 'doors.no-door-opens-key');
        }
        $near = null === $reading->meant ? null : $this->keys->door($reading->meant);
        if (null !== $near && !$this->throttle->hit('near '.$near, self::MOST_PER_DOOR, self::WINDOW)->isAccepted()) {
            return Problem::field('/key', 'no-door', 'doors.no-door-opens-key');
        }
        null === $near || $this->note($near, $reading->slip, $visitor, $caller);

        return Problem::field(
            '/key',
            $reading->slip->value,
            match ($reading->slip) {
                KeySlip::OneLetter => 'doors.almost-right-letter-wrong',
                KeySlip::Order => 'doors.almost-right-two-words',
                KeySlip::Number => 'doors.almost-right-number-not',
                default => Said::with('doors.no-such-word', word: (string) $reading->word),
            },
        );
    }

    /** For whoever watches people come in. */
    private function note(string $door, KeySlip $slip, string $visitor, ?Caller $caller): void
    {
        $who = substr(hash('sha256', null === $caller ? $this->address().' '.$visitor : $caller->id, true), 0, 16);
        $this->tries->note($door, Id::text($who), $caller?->id, $slip, $this->clock->instant());
    }

    private function address(): string
    {
        return (string) $this->requests->getMainRequest()?->getClientIp();
    }
}
