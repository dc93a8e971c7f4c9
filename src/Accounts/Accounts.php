<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use MintDoor\Core\Accounts\SpokenPassword;
use MintDoor\Core\People\Person;
use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Roster\LeadTimeline;
use MintDoor\Core\Time\Time;
use MintDoor\History\Happening;
use MintDoor\History\History;
use MintDoor\Messages\AccountNews;
use MintDoor\Messages\Notices;
use MintDoor\People\PersonRow;
use MintDoor\People\Repository\AccountRecords;
use MintDoor\People\Repository\People;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Caring;
use MintDoor\Roster\Repository\Enrollments;
use MintDoor\Roster\Repository\Standings;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Locks;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Repository\Sessions;
use MintDoor\Shared\Row;
use MintDoor\Shared\Somebody;
use MintDoor\Shared\Speech;
use Symfony\Component\PasswordHasher\Hasher\PasswordHasherFactoryInterface;

/**
 * Looks after accounts. The rules of who may are the core's (`Caretaker`). What changes something runs inside a
 * transaction.
 */
final readonly class Accounts
{
    public function __construct(
        private People $people,
        private AccountRecords $records,
        private Sessions $sessions,
        private Standings $standings,
        private Roles $roles,
        private Enrollments $enrollments,
        private PlatformClock $clock,
        private History $history,
        private PasswordHasherFactoryInterface $hashers,
        private Caring $caring,
        private Notices $notices,
        private Speech $speech,
        private Locks $locks,
    ) {}

    /**
     * New passwords, made of words, for those whose account the caller may look after; sessions of before are over.
     *
     * @param list<string> $people ids
     * @param int          $days   for which they hold
     *
     * @return list<CardShown>
     */
    public function cards(array $people, bool $once, int $days, Caller $caller): array
    {
        $this->locks->people($people, alone: true);
        $verdicts = $this->caring->cards($people, $caller);
        $rows = $this->people->byId($people);
        $cards = $happenings = $told = [];
        $until = $this->clock->instant() + 86_400 * $days;
        foreach ($people as $person) {
            $verdict = $verdicts[$person] ?? null;
            $row = $rows[$person] ?? new Row([]);
            if (null === $verdict) {
                // Nobody, and somebody one has nothing to do with, are the same; the others get theirs.
                $cards[] = CardShown::refused(
                    new Somebody($person, ''),
                    $this->speech->say(Problem::notFound('person')->said)
                );
                continue;
            }
            $who = new Somebody($person, PersonRow::name($row));
            $login = $row->stringOrNull('login');
            if (!$verdict->allowed()) {
                $cards[] = CardShown::refused($who, $this->speech->say($this->caring->sentence($verdict)));
            } elseif (null === $login) {
                $cards[] = CardShown::refused($who, $this->speech->say('accounts.person-no-account-yet'));
            } else {
                $password = SpokenPassword::make(static fn(int $bound): int => random_int(0, $bound - 1));
                $hash = $this->hashers->getPasswordHasher(Caller::class)->hash($password);
                $this->records->locked($person)?->giveCard($hash, $once, $until);
                $this->endSessions($person);
                $cards[] = new CardShown($who, $login, $password, Instant::toJson($until), null);
                $happenings[] = new Happening('password-reset', person: $person);
                $told[] = new AccountNews($row, 'card');
            }
        }
        if ([] !== $happenings) {
            $this->records->flush();
            $this->history->writeAll(History::PLATFORM, $caller, $happenings);
            $this->notices->tell($told, $caller);
        }

        return $cards;
    }

    /** Opens or closes an account. */
    public function open(string $person, bool $open, bool $apply, Caller $caller): AccountChange
    {
        $this->locks->people([$person], alone: true);
        $this->caring->assertMay($person, $caller);
        if (!$this->caring->caretaker($caller)->mayClose($this->person($person))) {
            throw Problem::notAllowed('accounts.account-holds-every-site');
        }
        $now = $this->clock->instant();
        $account = $this->records->locked($person) ?? throw Problem::notFound('account');
        $isOpen = $account->closedFrom > $now;
        $changes = $isOpen !== $open || ($open && $account->closedFrom < Time::FOREVER);
        $leaderless = $open ? [] : $this->leaderless($person);
        if ($apply && $changes) {
            $account->closedFrom = $open ? Time::FOREVER : $now;
            $this->records->flush();
            if (!$open) {
                $this->endSessions($person);
            }
            $code = $open ? 'account-opened' : 'account-closed';
            $this->history->write(History::PLATFORM, $caller, new Happening($code, person: $person));
            $this->notices->tell([new AccountNews($this->row($person), $code)], $caller);
        }

        return new AccountChange($apply ? $open : $isOpen, $changes, $leaderless);
    }

    /** @return list<string> codes of the divisions of sites the caller lets people into */
    public function lettingInto(Caller $caller): array
    {
        $roles = $this->roles->letting($caller, Permission::LetIn);

        return $this->standings->divisionsOf($caller->id, $roles, $this->clock->instant());
    }

    /** @throws Problem of type `NotFound` */
    public function person(string $id): Person
    {
        return PersonRow::person($this->row($id));
    }

    /**
     * @return Row with `PersonRow::COLUMNS`
     *
     * @throws Problem of type `NotFound`
     */
    public function row(string $id): Row
    {
        return $this->people->byId([$id])[$id] ?? throw Problem::notFound('person');
    }

    /** @return int how many there were */
    public function endSessions(string $person): int
    {
        return $this->sessions->endAllOf($person);
    }

    /** @return list<array{id: string, title: string}> open sites that somebody alone leads */
    private function leaderless(string $person): array
    {
        $now = $this->clock->instant();
        $sites = $this->standings->ledBy($person, $now);

        return array_values(
            array_map(
                static fn(Row $row): array => ['id' => $row->id('id'), 'title' => $row->string('title')],
                array_filter($sites, function (Row $row) use ($person, $now): bool {
                    $others = array_filter(
                        $this->enrollments->leads($row->id('id'), $now),
                        static fn(LeadTimeline $lead): bool => $lead->accountClosedFrom > $now,
                    );
                    unset($others[$person]);

                    return [] === $others;
                }),
            ),
        );
    }
}
