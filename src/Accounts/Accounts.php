<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use MintDoor\Core\Accounts\SpokenPassword;
use MintDoor\Core\People\Person;
use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Time\Time;
use MintDoor\History\History;
use MintDoor\Messages\Notices;
use MintDoor\People\PersonRow;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Caring;
use MintDoor\Roster\Enrollments;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Locks;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Row;
use Symfony\Component\PasswordHasher\Hasher\PasswordHasherFactoryInterface;

/**
 * Looks after accounts. The rules of who may are the core's (`Caretaker`). What changes something runs inside a
 * transaction.
 */
final readonly class Accounts
{
    public function __construct(
        private Connection $db,
        private Roles $roles,
        private Enrollments $enrollments,
        private PlatformClock $clock,
        private History $history,
        private PasswordHasherFactoryInterface $hashers,
        private Caring $caring,
        private Notices $notices,
        private Locks $locks,
    ) {}

    /**
     * New passwords, made of words, for those whose account the caller may look after; sessions of before are over.
     *
     * @param list<string> $people ids
     * @param int          $days   for which they hold
     *
     * @return list<array<string, mixed>> schema `SignInCard`
     */
    public function cards(array $people, bool $once, int $days, Caller $caller): array
    {
        $this->locks->people($people, alone: true);
        $verdicts = $this->caring->cards($people, $caller);
        $rows = [];
        foreach (
            Row::all(
                $this->db->fetchAllAssociative(
                    'SELECT '.PersonRow::COLUMNS.' FROM '.PersonRow::TABLES.' WHERE p.id IN (?)',
                    [array_map(Id::binary(...), $people)],
                    [ArrayParameterType::BINARY],
                ),
            ) as $row
        ) {
            $rows[$row->id('person_id')] = $row;
        }
        $cards = $entries = $told = [];
        $until = $this->clock->instant() + 86_400 * $days;
        foreach ($people as $person) {
            $verdict = $verdicts[$person] ?? null;
            $row = $rows[$person] ?? new Row([]);
            if (null === $verdict) {
                // Nobody, and somebody one has nothing to do with, are the same; the others get theirs.
                $cards[] = [
                    'person' => ['id' => $person, 'name' => ''],
                    'login' => null,
                    'password' => null,
                    'until' => null,
                    'refused' => Problem::notFound('This person')->detail,
                ];
                continue;
            }
            $about = [
                'person' => ['id' => $person, 'name' => PersonRow::name($row)],
                'login' => null,
                'password' => null,
                'until' => null,
                'refused' => null,
            ];
            $login = $row->stringOrNull('login');
            if (!$verdict->allowed()) {
                $cards[] = [...$about, 'refused' => $this->caring->sentence($verdict)];
            } elseif (null === $login) {
                $cards[] = [...$about, 'refused' => 'This person has no account yet.'];
            } else {
                $password = SpokenPassword::make(static fn(int $bound): int => random_int(0, $bound - 1));
                $this->db->executeStatement(
                    'UPDATE account SET password_hash = ?, must_change = ?, card_until = ? WHERE person_id = ?',
                    [
                        $this->hashers->getPasswordHasher(Caller::class)->hash($password),
                        (int) $once,
                        Instant::toSql($until),
                        Id::binary($person),
                    ],
                );
                $this->endSessions($person);
                $cards[] = [...$about, 'login' => $login, 'password' => $password, 'until' => Instant::toJson($until)];
                $entries[] = ['password-reset', [], $person];
                $told[] = [$row, 'card'];
            }
        }
        if ([] !== $entries) {
            $this->history->write(History::PLATFORM, $caller, $entries);
            $this->notices->tell($told, $caller);
        }

        return $cards;
    }

    /**
     * Opens or closes an account.
     *
     * @return array<string, mixed> schema `AccountChange`: sites that closing would leave, or leaves, without a lead
     */
    public function open(string $person, bool $open, bool $apply, Caller $caller): array
    {
        $this->locks->people([$person], alone: true);
        $this->caring->assertMay($person, $caller);
        if (!$this->caring->caretaker($caller)->mayClose($this->person($person))) {
            throw Problem::notAllowed(
                'An account holds for every site: only administrators close and open it. To stop somebody from '
                    .'entering a '
                    .'site of yours, pause them there or remove them.',
            );
        }
        $now = $this->clock->instant();
        $account = new Row(
            $this->db->fetchAssociative('SELECT closed_from FROM account WHERE person_id = ? FOR UPDATE', [
                Id::binary($person),
            ])
            ?: throw Problem::notFound('This account'),
        );
        $isOpen = $account->instant('closed_from') > $now;
        $changes = $isOpen !== $open || ($open && $account->instant('closed_from') < Time::FOREVER);
        $leaderless = $open ? [] : $this->leaderless($person);
        if ($apply && $changes) {
            $this->db->executeStatement('UPDATE account SET closed_from = ? WHERE person_id = ?', [
                Instant::toSql($open ? Time::FOREVER : $now),
                Id::binary($person),
            ]);
            if (!$open) {
                $this->endSessions($person);
            }
            $code = $open ? 'account-opened' : 'account-closed';
            $this->history->write(History::PLATFORM, $caller, [[$code, [], $person]]);
            $this->notices->tell([[$this->row($person), $code]], $caller);
        }

        return ['open' => $apply ? $open : $isOpen, 'changes' => $changes, 'leaderless' => $leaderless];
    }

    /** @return list<string> codes of the divisions of sites the caller lets people into */
    public function lettingInto(Caller $caller): array
    {
        $now = Instant::toSql($this->clock->instant());

        return array_values(
            array_filter(
                $this->db->fetchFirstColumn(
                    <<<'SQL'
                        SELECT DISTINCT d.code
                        FROM enrollment_segment g
                        JOIN site s ON s.id = g.site_id
                        JOIN division d ON d.id = s.division_id
                        WHERE g.person_id = ? AND g.from_at <= ? AND g.until_at > ? AND g.state = 'current'
                            AND g.role IN (?)
                        SQL,
                    [Id::binary($caller->id), $now, $now, $this->roles->book()->holdersOf(Permission::LetIn) ?: ['']],
                    [3 => ArrayParameterType::STRING],
                ),
                is_string(...),
            ),
        );
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
        $found = $this->db->fetchAssociative(
            'SELECT '.PersonRow::COLUMNS.' FROM '.PersonRow::TABLES.' WHERE p.id = ?',
            [Id::binary($id)],
        );

        return new Row(false === $found ? throw Problem::notFound('This person') : $found);
    }

    /** @return int how many there were */
    public function endSessions(string $person): int
    {
        return (int) $this->db->executeStatement('DELETE FROM session WHERE person_id = ?', [Id::binary($person)]);
    }

    /** @return list<array{id: string, title: string}> open sites that somebody alone leads */
    private function leaderless(string $person): array
    {
        $now = $this->clock->instant();
        $sites = Row::all(
            $this->db->fetchAllAssociative(
                <<<'SQL'
                    SELECT s.id, s.title
                    FROM enrollment_segment g
                    JOIN site s ON s.id = g.site_id
                    WHERE g.person_id = ? AND g.leads = 1 AND g.from_at <= ? AND g.until_at > ? AND s.opens_at <= ?
                        AND s.closes_at > ?
                    ORDER BY s.title
                    SQL,
                [Id::binary($person), ...array_fill(0, 4, Instant::toSql($now))],
            ),
        );

        return array_values(
            array_map(
                static fn(Row $row): array => ['id' => $row->id('id'), 'title' => $row->string('title')],
                array_filter($sites, function (Row $row) use ($person, $now): bool {
                    $others = array_filter(
                        $this->enrollments->leads($row->id('id'), $now),
                        static fn(array $lead, string $id): bool => $id !== $person && $lead[1] > $now,
                        \ARRAY_FILTER_USE_BOTH,
                    );

                    return [] === $others;
                }),
            ),
        );
    }
}
