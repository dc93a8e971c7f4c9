<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\ParameterType;
use MintDoor\Core\Doors\Key;
use MintDoor\Core\Doors\KeyReading;
use MintDoor\Core\Doors\KeySlip;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\Row;
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

    private const COLUMNS =
        'SELECT '
        .Doors::COLUMNS
        .' FROM door d JOIN site s ON s.id = d.site_id AND s.taken_back = 0 WHERE d.terms IS NOT NULL AND d.id = ?';

    public function __construct(
        private Connection $db,
        private DoorKeys $keys,
        private Throttle $throttle,
        private PlatformClock $clock,
        private RequestStack $requests,
    ) {}

    /** @return array{Row, ?Row} the door, and the invitation that was shown */
    public function of(JoinRequest $request, ?Caller $caller): array
    {
        if (null !== $request->invitation) {
            $invitation = $this->invitation($request->invitation);

            return [$this->row($invitation->id('door_id')), $invitation];
        }
        if (null !== $request->door) {
            $row = $this->row($request->door);
            // A door that is opened by a key is not opened by its id.
            if ('request' !== Doors::requestKind($row)) {
                throw Problem::notFound('This door');
            }

            return [$row, null];
        }

        return [$this->row($this->byKey(trim((string) $request->key), $request->visitor, $caller)), null];
    }

    /** @throws Problem when it is over */
    private function invitation(#[\SensitiveParameter] string $token): Row
    {
        $this->assertFew('answering', 60);
        $found = $this->db->fetchAssociative(
            'SELECT i.id, i.site_id, i.door_id, i.person_id, i.address, i.words, i.lapses_at, i.answered_at,
                i.withdrawn_at, i.opened_at, i.made_by, i.made_at FROM invitation_link l
                JOIN invitation i ON i.id = l.invitation_id WHERE l.token_hash = ?',
            [hash('sha256', $token, true)],
            [ParameterType::BINARY],
        );
        if (false === $found) {
            $this->throttle->hit('answering from '.$this->address(), 60, self::WINDOW);
            throw new Problem(
                ProblemType::LinkIsOver,
                'This link is not complete, or its time is over. Open it as it was sent, or ask for another.',
            );
        }

        return new Row($found);
    }

    private function assertFew(string $what, int $most): void
    {
        if ($this->throttle->reached($what.' from '.$this->address(), $most)) {
            throw new Problem(
                ProblemType::TooManyTries,
                'Too many tries from here. Wait a quarter of an hour, then try again.',
                retryAfter: self::WINDOW,
            );
        }
    }

    private function byKey(#[\SensitiveParameter] string $typed, string $visitor, ?Caller $caller): string
    {
        if ('' === $typed) {
            throw Problem::field('/key', 'empty', 'Type the key you were given.');
        }
        if (\strlen($typed) > self::LONGEST) {
            throw Problem::field('/key', 'too-long', 'That is longer than any key. A key is four words and a number.');
        }
        $guessed = null !== $caller && $this->throttle->reached('keys of '.$caller->id, self::MOST_PER_ACCOUNT);
        if (
            $guessed
            || ((null === $caller || $this->throttle->reached('keys of '.$caller->id, 3))
                && $this->throttle->reached('keys from '.$this->address(), self::MOST_PER_ADDRESS))
        ) {
            throw new Problem(
                ProblemType::TooManyTries,
                'Too many keys that open nothing. Wait a quarter of an hour, and ask for the key once more.',
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

            return Problem::field(
                '/key',
                'no-door',
                'No door opens with this key. Compare it with the one you were given, or ask for it once more.',
            );
        }
        $near = null === $reading->meant ? null : $this->keys->door($reading->meant);
        if (null !== $near && !$this->throttle->hit('near '.$near, self::MOST_PER_DOOR, self::WINDOW)->isAccepted()) {
            return Problem::field(
                '/key',
                'no-door',
                'No door opens with this key. Compare it with the one you were given, or ask for it once more.',
            );
        }
        null === $near || $this->note($near, $reading->slip, $visitor, $caller);

        return Problem::field(
            '/key',
            $reading->slip->value,
            match ($reading->slip) {
                KeySlip::OneLetter => 'That is almost right: one letter is wrong. Compare it letter by letter.',
                KeySlip::Order => 'That is almost right: two words stand in each other\'s place.',
                KeySlip::Number =>
                    'That is almost right: the number does not belong to these words. Compare it digit by digit.',
                default => \sprintf(
                    'No key has the word "%s" in it. Compare it with the one you were given.',
                    (string) $reading->word,
                ),
            },
        );
    }

    /** For whoever watches people come in. */
    private function note(string $door, KeySlip $slip, string $visitor, ?Caller $caller): void
    {
        $who = substr(hash('sha256', null === $caller ? $this->address().' '.$visitor : $caller->id, true), 0, 16);
        $this->db->executeStatement(
            <<<'SQL'
                INSERT INTO door_try (site_id, door_id, visitor, person_id, slip, at)
                SELECT d.site_id, d.id, ?, ?, ?, ?
                FROM door d
                WHERE d.id = ?
                SQL,
            [
                $who,
                null === $caller ? null : Id::binary($caller->id),
                $slip->value,
                Instant::toSql($this->clock->instant()),
                Id::binary($door),
            ],
            [ParameterType::BINARY, ParameterType::BINARY],
        );
    }

    private function row(string $door): Row
    {
        $row = $this->db->fetchAssociative(self::COLUMNS, [Id::binary($door)]);

        return new Row(false === $row ? throw Problem::notFound('This door') : $row);
    }

    private function address(): string
    {
        return (string) $this->requests->getMainRequest()?->getClientIp();
    }
}
