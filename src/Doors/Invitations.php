<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use MintDoor\Changes\ChangeContextLoader;
use MintDoor\Core\Doors\InvitationState;
use MintDoor\Core\Doors\InviteVerdict;
use MintDoor\Core\Intake\Circumstances;
use MintDoor\Core\Intake\Outcome;
use MintDoor\Core\Intake\Reading;
use MintDoor\Core\Messages\MessageKind;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\People\PersonVisibility;
use MintDoor\Core\Roster\State;
use MintDoor\History\History;
use MintDoor\Intake\PeopleReader;
use MintDoor\Messages\Messages;
use MintDoor\People\PersonRow;
use MintDoor\Roles\Roles;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\BulkWriter;
use MintDoor\Shared\Caller;
use MintDoor\Shared\CallerProvider;
use MintDoor\Shared\Id;
use MintDoor\Shared\Ids;
use MintDoor\Shared\Instant;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Row;

/**
 * Invitations through a door: to people of the directory, and to addresses it does not know. What changes something
 * runs inside a transaction, under the site's lock.
 */
final readonly class Invitations
{
    public function __construct(
        private Connection $db,
        private PeopleReader $reader,
        private ChangeContextLoader $contextLoader,
        private DoorLines $lines,
        private DoorMessages $post,
        private Messages $room,
        private Roles $roles,
        private CallerProvider $callers,
        private PlatformClock $clock,
        private Ids $ids,
        private History $history,
    ) {}

    /**
     * Whom lines mean, and whether they can be invited. Changes nothing.
     *
     * @param Row $door as `Doors::row()` reads it
     *
     * @return list<array<string, mixed>> schema `InviteLine`
     */
    public function plan(SiteAccess $access, Row $door, InviteRequest $request): array
    {
        $lines = '' === trim($request->text) ? [] : $this->reader->lines($request->text, InviteRequest::MOST);
        $role = $this->roles->book()->find(DoorTermsJson::of($door)->text('role'));
        $planned = [];
        if ([] !== $lines) {
            [$readings, $rows] = $this->reader->readings(
                $lines,
                $access->caller,
                new Circumstances($access->site, $role->for ?? [PersonKind::Learner]),
            );
            foreach ($readings as $reading) {
                $planned[] = $this->line($reading, $rows, $request->choices[(string) $reading->line->number] ?? null);
            }
        }

        return $this->judged($access, $door, $planned);
    }

    /**
     * @param list<array<string, mixed>> $plan schema `InviteLine`
     *
     * @return int how many were invited
     */
    public function invite(SiteAccess $access, Row $door, array $plan, string $words): int
    {
        $terms = DoorTermsJson::of($door);
        $lapses = $access->now + 86_400 * ($terms->number('answerDays') ?? 14);
        $remind = $terms->number('remindDays');
        $ready = array_values(array_filter($plan, static fn(array $line): bool => 'ready' === $line['verdict']));
        $people = $this->people($ready);
        $this->lines->invite($access, $door, $people, $access->caller);
        $rows = new BulkWriter($this->db);
        $letters = [];
        foreach ($ready as $line) {
            $person = self::person($line);
            $row = null === $person ? null : $people[$person];
            $address = $row?->string('email') ?? (\is_string($line['address']) ? $line['address'] : '');
            $id = $this->ids->next();
            $rows->add('invitation', [
                'id' => BulkWriter::id($id),
                'site_id' => BulkWriter::id($access->site->id),
                'door_id' => BulkWriter::id($door->id('id')),
                'person_id' => BulkWriter::id($person),
                'address' => $address,
                'words' => trim($words),
                'holds' => $terms->is('holds'),
                'made_by' => BulkWriter::id($access->caller->id),
                'made_at' => Instant::toSql($access->now),
                'lapses_at' => Instant::toSql($lapses),
                'remind_at' => null === $remind ? null : Instant::toSql($access->now + 86_400 * $remind),
            ]);
            $letters[] = [
                'address' => $address,
                'person' => $row,
                'cause' => 'invite:'.$id.':1',
                'words' => trim($words),
                'until' => $lapses,
                'invitation' => $id,
            ];
        }
        $rows->flush();
        $this->post->send(MessageKind::Invitation, $access, $terms->text('role'), $letters, $access->caller);
        $unknown = \count(array_filter($letters, static fn(array $letter): bool => null === $letter['person']));
        if ($unknown > 0) {
            $this->history->write($access->site->id, $access->caller, [
                ['invited', ['door' => $door->id('id'), 'name' => $door->string('name'), 'people' => $unknown]],
            ]);
        }

        return \count($letters);
    }

    /** @return list<array<string, mixed>> schema `Invitation`, the last first */
    public function of(Row $door): array
    {
        return array_map(function (Row $row): array {
            $answeredBy = $row->idOrNull('answered_by');

            return [
                'id' => $row->id('id'),
                'person' =>
                    null === $row->idOrNull('person_id')
                        ? null
                        : ['id' => $row->id('person_id'), 'name' => PersonRow::name($row)],
                'address' => null === $row->idOrNull('person_id') ? $row->string('address') : '',
                'state' => $this->state($row)->value,
                'sent' => $row->int('sent'),
                'madeAt' => Instant::toJson($row->instant('made_at')),
                'lapsesAt' => Instant::toJson($row->instant('lapses_at')),
                'openedAt' =>
                    null === $row->stringOrNull('opened_at') ? null : Instant::toJson($row->instant('opened_at')),
                'answeredAt' =>
                    null === $row->stringOrNull('answered_at') ? null : Instant::toJson($row->instant('answered_at')),
                'answeredBy' =>
                    null === $answeredBy || $answeredBy === $row->idOrNull('person_id')
                        ? null
                        : ['id' => $answeredBy, 'name' => PersonRow::name($row, 'x_')],
                'reason' => $row->stringOrNull('reason'),
            ];
        }, $this->rows('i.door_id = ?', [Id::binary($door->id('id'))]));
    }

    /**
     * Sends invitations again, so that they hold for the whole time anew.
     *
     * @param ?list<string> $only ids; null for all that are not answered
     *
     * @return int how many
     */
    public function again(SiteAccess $access, Row $door, ?array $only): int
    {
        $terms = DoorTermsJson::of($door);
        // Those whose address is not kept any more are invited anew.
        $open = array_values(
            array_filter(
                $this->chosen($door, $only),
                fn(Row $row): bool => $this->state($row)->open()
                    && InvitationState::OnItsWay !== $this->state($row)
                    && '' !== $row->string('address'),
            ),
        );
        $lapses = $access->now + 86_400 * ($terms->number('answerDays') ?? 14);
        // Whose invitation had lapsed waits for their own answer again.
        $over = array_values(
            array_filter(
                $open,
                static fn(Row $row): bool => null !== $row->idOrNull('person_id')
                    && null === $row->stringOrNull('unanswered'),
            ),
        );
        $again = $this->judged(
            $access,
            $door,
            array_map(
                static fn(Row $row): array => [
                    'number' => 0,
                    'text' => '',
                    'person' => $row->id('person_id'),
                    'address' => null,
                    'candidates' => [],
                    'known' => [],
                    'verdict' => 'ready',
                ],
                $over,
            ),
        );
        $this->lines->invite(
            $access,
            $door,
            $this->people(
                array_values(array_filter($again, static fn(array $line): bool => 'ready' === $line['verdict'])),
            ),
            $access->caller,
        );
        foreach ($open as $row) {
            $this->db->executeStatement(
                'UPDATE invitation SET lapses_at = ?, sent = sent + 1, remind_at = ?, unanswered = 1 WHERE id = ?',
                [
                    Instant::toSql($lapses),
                    null === $terms->number('remindDays')
                        ? null
                        : Instant::toSql($access->now + 86_400 * $terms->number('remindDays')),
                    Id::binary($row->id('id')),
                ],
            );
        }
        $this->post->send(
            MessageKind::Invitation,
            $access,
            $terms->text('role'),
            array_map(static fn(Row $row): array => self::letter($row, $row->int('sent') + 1, $lapses), $open),
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
    public function withdraw(SiteAccess $access, Row $door, ?array $only): int
    {
        $open = array_values(
            array_filter($this->chosen($door, $only), fn(Row $row): bool => $this->state($row)->open()),
        );
        $this->end($access, $door->id('id'), $open, 'withdrawn_at', $access->caller);
        $this->room->withdraw('invitation_id', array_map(static fn(Row $row): string => $row->id('id'), $open));

        return \count($open);
    }

    /** Reminds those of a site whose day it is, and ends what lapsed. Says how many of each. */
    public function tasks(SiteAccess $access): int
    {
        $now = Instant::toSql($access->now);
        $due = $this->rows('i.site_id = ? AND i.unanswered = 1 AND (i.lapses_at <= ? OR i.remind_at <= ?)', [
            Id::binary($access->site->id),
            $now,
            $now,
        ]);
        $doors = $over = $letters = [];
        foreach ($due as $row) {
            $door = $doors[$row->id('door_id')] ??= new Row(
                $this->db->fetchAssociative('SELECT '.Doors::COLUMNS.' FROM door d WHERE d.id = ?', [
                    Id::binary($row->id('door_id')),
                ])
                ?: [],
            );
            if ($row->instant('lapses_at') <= $access->now) {
                $over[$door->id('id')][] = $row;
                continue;
            }
            $this->db->executeStatement('UPDATE invitation SET remind_at = NULL, sent = sent + 1 WHERE id = ?', [
                Id::binary($row->id('id')),
            ]);
            $letters[$door->id('id')][] = self::letter($row, $row->int('sent') + 1, $row->instant('lapses_at'));
        }
        foreach ($letters as $door => $all) {
            $this->post->send(
                MessageKind::Reminder,
                $access,
                DoorTermsJson::of($doors[$door])->text('role'),
                $all,
                null,
                false,
            );
        }
        foreach ($over as $door => $rows) {
            $this->end($access, $door, $rows, null, $this->callers->anybody($doors[$door]->id('made_by')));
        }

        return \count($due);
    }

    /**
     * @param string              $door id
     * @param list<Row>           $rows
     * @param 'withdrawn_at'|null $mark null where their time is over
     */
    private function end(SiteAccess $access, string $door, array $rows, ?string $mark, Caller $by): void
    {
        foreach ($rows as $row) {
            $this->db->executeStatement(
                'UPDATE invitation SET unanswered = NULL, remind_at = NULL'
                    .(null === $mark ? '' : ", $mark = ?")
                    .' WHERE id = ?',
                [...null === $mark ? [] : [Instant::toSql($this->clock->instant())], Id::binary($row->id('id'))],
            );
        }
        $known = array_values(
            array_unique(
                array_filter(
                    array_map(static fn(Row $row): ?string => $row->idOrNull('person_id'), $rows),
                    is_string(...),
                ),
            ),
        );
        $this->lines->lapse($access, $door, [] === $known ? [] : $this->contextLoader->people($known), $by);
    }

    /**
     * @param list<array<string, mixed>> $lines schema `InviteLine`
     *
     * @return array<string, Row> whom of the directory they mean, by id
     */
    private function people(array $lines): array
    {
        $known = array_values(array_filter(array_map(self::person(...), $lines), is_string(...)));

        return [] === $known ? [] : $this->contextLoader->people($known);
    }

    /** @param array<string, mixed> $line schema `InviteLine` */
    private static function person(array $line): ?string
    {
        $person = \is_array($line['person']) ? $line['person']['id'] ?? null : null;

        return \is_string($person) ? $person : null;
    }

    /** @return array{address: string, person: ?Row, cause: string, words: string, until: int, invitation: string} */
    private static function letter(Row $row, int $nth, int $until): array
    {
        return [
            'address' => $row->string('now_at') ?: $row->string('address'),
            'person' => null === $row->idOrNull('person_id') ? null : $row,
            'cause' => 'invite:'.$row->id('id').':'.$nth,
            'words' => $row->string('words'),
            'until' => $until,
            'invitation' => $row->id('id'),
        ];
    }

    private function state(Row $row): InvitationState
    {
        return InvitationState::of(
            null !== $row->stringOrNull('answered_at'),
            null !== $row->stringOrNull('withdrawn_at'),
            null !== $row->stringOrNull('opened_at'),
            $row->instant('lapses_at'),
            $row->stringOrNull('post'),
            $this->clock->instant(),
        );
    }

    /**
     * @param ?list<string> $only
     *
     * @return list<Row>
     */
    private function chosen(Row $door, ?array $only): array
    {
        return array_values(
            array_filter(
                $this->rows('i.door_id = ?', [Id::binary($door->id('id'))]),
                static fn(Row $row): bool => null === $only || \in_array($row->id('id'), $only, true),
            ),
        );
    }

    /**
     * @param list<mixed> $values
     *
     * @return list<Row> with how their last message stands, and where people are reached now
     */
    private function rows(string $where, array $values): array
    {
        return Row::all(
            $this->db->fetchAllAssociative(
                <<<SQL
                    SELECT i.id, i.door_id, i.person_id, i.address, i.words, i.made_at, i.lapses_at, i.sent,
                        i.opened_at, i.answered_at, i.answered_by, i.withdrawn_at, i.unanswered, p.email AS now_at,
                        p.given_name, p.family_name, p.preferred_name, a.login, x.given_name AS x_given_name,
                        x.family_name AS x_family_name, x.preferred_name AS x_preferred_name, m.state AS post, m.reason
                    FROM invitation i
                    LEFT JOIN person p ON p.id = i.person_id
                    LEFT JOIN account a ON a.person_id = p.id
                    LEFT JOIN person x ON x.id = i.answered_by
                    LEFT JOIN message m ON m.id = (SELECT MAX(o.id) FROM message o WHERE o.invitation_id = i.id)
                    WHERE $where
                    ORDER BY i.id DESC
                    LIMIT 5000
                    SQL,
                $values,
            ),
        );
    }

    /**
     * @param array<string, array{Row, PersonVisibility}> $rows by person
     *
     * @return array<string, mixed>
     */
    private function line(Reading $reading, array $rows, ?string $chosen): array
    {
        $about = [
            'number' => $reading->line->number,
            'text' => mb_substr($reading->line->text, 0, 200),
            'person' => null,
            'address' => null,
            'candidates' => [],
            'known' => [],
        ];
        $candidates = array_map(static fn($each): string => $each->known->person->id, $reading->candidates);
        // Whose address one may see is told it; of others it stays with the door.
        $about['known'] = array_values(
            array_filter($candidates, static fn(string $id): bool => PersonVisibility::Full === $rows[$id][1]),
        );
        if (null !== $chosen && \in_array($chosen, $candidates, true)) {
            return [...$about, 'person' => $chosen, 'verdict' => 'ready'];
        }
        $address =
            array_values(
                array_filter($reading->line->identifiers, static fn(string $each): bool => str_contains($each, '@')),
            )[0] ?? null;

        return match ($reading->outcome) {
            Outcome::Match => [...$about, 'person' => $candidates[0], 'verdict' => 'ready'],
            Outcome::Choose => [
                ...$about,
                'verdict' => 'choose',
                'candidates' => array_map(static fn(string $id): array => PersonRow::json(...$rows[$id]), $candidates),
            ],
            Outcome::Repeat => [...$about, 'verdict' => 'repeat'],
            Outcome::NoPerson => [...$about, 'verdict' => 'nobody'],
            default => [...$about, 'address' => $address, 'verdict' => null === $address ? 'unknown' : 'ready'],
        };
    }

    /**
     * What stands in the way of each, and once of everybody.
     *
     * @param list<array<string, mixed>> $planned
     *
     * @return list<array<string, mixed>> schema `InviteLine`
     */
    private function judged(SiteAccess $access, Row $door, array $planned): array
    {
        $ids = array_values(array_unique(array_filter(array_column($planned, 'person'), is_string(...))));
        $people = [];
        $at = Instant::toSql($access->now);
        foreach (
            [] === $ids
                ? []
                : Row::all(
                    $this->db->fetchAllAssociative(
                        'SELECT '
                            .PersonRow::COLUMNS
                            .', p.gone, g.state FROM '
                            .PersonRow::TABLES
                            .' LEFT JOIN enrollment_segment g ON g.site_id = ? AND g.person_id = p.id '
                                .'AND g.from_at <= ? AND g.until_at > ? WHERE p.id IN (?)',
                        [Id::binary($access->site->id), $at, $at, array_map(Id::binary(...), $ids)],
                        [3 => ArrayParameterType::BINARY],
                    ),
                ) as $row
        ) {
            $people[$row->id('person_id')] = $row;
        }
        $open = [];
        foreach (
            Row::all(
                $this->db->fetchAllAssociative(
                    'SELECT address, person_id FROM invitation WHERE door_id = ? AND unanswered = 1',
                    [Id::binary($door->id('id'))],
                ),
            ) as $row
        ) {
            $open[$row->idOrNull('person_id') ?? $row->string('address')] = true;
        }
        $role = DoorTermsJson::of($door)->text('role');
        $seen = [];

        return array_map(function (array $line) use ($access, $people, $role, $open, &$seen): array {
            $person = \is_string($line['person']) ? $people[$line['person']] ?? null : null;
            $address = null === $person ? $line['address'] : $person->stringOrNull('email');
            $key = null === $person ? (string) (\is_string($address) ? $address : '') : $person->id('person_id');
            $verdict = $line['verdict'];
            if ('ready' === $verdict) {
                $holds =
                    null === $person
                        ? null
                        : $this->roles
                            ->book()
                            ->mayGive($role, $access->standing, PersonRow::person($person), $access->site);
                $verdict =
                    \is_string($line['person']) && (null === $person || null !== $person->stringOrNull('gone'))
                        ? 'unknown'
                        : InviteVerdict::of(
                            \is_string($address) ? $address : null,
                            isset($seen[$key]),
                            isset($open[$key]),
                            State::tryFrom($person?->stringOrNull('state') ?? ''),
                            null === $person
                                || (null !== $person->stringOrNull('login')
                                    && PersonRow::person($person)->accountOpen($access->now)),
                            $holds,
                        )->value;
                $seen[$key] = true;
            }

            return [
                'number' => $line['number'],
                'text' => $line['text'],
                'person' =>
                    null === $person ? null : ['id' => $person->id('person_id'), 'name' => PersonRow::name($person)],
                'address' =>
                    null === $person || \in_array($person->id('person_id'), (array) $line['known'], true)
                        ? $address
                        : null,
                'verdict' => $verdict,
                'candidates' => $line['candidates'],
            ];
        }, $planned);
    }
}
