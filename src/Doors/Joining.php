<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use Doctrine\DBAL\Connection;
use MintDoor\Core\Changes\Verdict;
use MintDoor\Core\Doors\Admission;
use MintDoor\Core\Doors\DoorState;
use MintDoor\Core\Doors\Passage;
use MintDoor\Messages\Messages;
use MintDoor\People\PersonRow;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Enrollments;
use MintDoor\Roster\Gate;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\Row;

/**
 * Coming in through a door by oneself, answering an invitation, waiting, and going again. What changes something runs
 * inside a transaction, under the site's lock.
 */
final readonly class Joining
{
    public function __construct(
        private Connection $db,
        private DoorContextLoader $doorContexts,
        private Gate $gate,
        private DoorLines $lines,
        private Roles $roles,
        private Enrollments $enrollments,
        private PlatformClock $clock,
        private Messages $post,
    ) {}

    /**
     * What one stands before, and what would happen. Changes nothing but that an invitation was opened.
     *
     * @return array<string, mixed> schema `JoinLook`
     */
    public function look(Row $door, ?Row $invitation, ?Caller $caller): array
    {
        $site = new Row(
            $this->db->fetchAssociative(
                <<<'SQL'
                    SELECT s.id, s.title, s.kind, s.time_zone, s.opens_at, s.closes_at, s.level_lowest, s.level_highest,
                        d.code AS division_code, d.name AS division_name, t.name AS term_name
                    FROM site s
                    JOIN division d ON d.id = s.division_id
                    JOIN term t ON t.id = s.term_id
                    WHERE s.id = ?
                    SQL,
                [Id::binary($door->id('site_id'))],
            )
            ?: [],
        );
        $terms = DoorTermsJson::of($door);
        if (
            null !== $invitation
            && null === $invitation->stringOrNull('opened_at')
            && null === $invitation->stringOrNull('answered_at')
        ) {
            $this->db->executeStatement('UPDATE invitation SET opened_at = COALESCE(opened_at, ?) WHERE id = ?', [
                Instant::toSql($this->clock->instant()),
                Id::binary($invitation->id('id')),
            ]);
        }
        $before =
            null === $caller || \in_array($this->over($invitation), ['withdrawn', 'lapsed'], true)
                ? null
                : $this->doorContexts->at($door, $caller, $invitation);
        $role = $this->roles->book()->find($terms->text('role'));

        return [
            'site' => [
                'id' => $site->id('id'),
                'title' => $site->string('title'),
                'kind' => $site->string('kind'),
                'division' => $site->string('division_name'),
                'term' => $site->string('term_name'),
                'timeZone' => $site->string('time_zone'),
                'opensAt' => Instant::toJson($site->instant('opens_at')),
            ],
            'leads' =>
                null === $caller
                    ? []
                    : \array_slice(
                        $this->enrollments->namesOfLeads($door->id('site_id'), $this->clock->instant()),
                        0,
                        3,
                    ),
            'role' => ['code' => $role->code ?? '', 'name' => $role->name ?? '', 'caution' => $role?->caution],
            'state' => DoorState::of($terms->open, $terms->is('approval'), $terms->hours, $this->clock->instant())
                ->value,
            'untilAt' => Instant::toJson($terms->hours->until),
            'fromAt' => Instant::toJson($terms->hours->from),
            'about' => $terms->text('about'),
            'sections' => 'choice' === $terms->text('place') ? $this->sections($door->id('site_id')) : [],
            'asks' => $terms->is('approval') || Passage::Approval === $before?->admission->passage,
            'accounts' => $terms->is('accounts'),
            'levels' => $terms->is('accounts') ? self::levels($terms, $site) : null,
            'invitation' => null === $invitation ? null : $this->invited($invitation, $caller),
            'you' =>
                null === $caller ? null : ['id' => $caller->id, 'name' => $caller->name, 'login' => $caller->login],
            'admission' => null === $before ? null : self::admission($before),
        ];
    }

    /**
     * Through the door, or into the line before it.
     *
     * @return array<string, mixed> schema `Joined`
     *
     * @throws Problem of type `NoWayIn`
     */
    public function join(Row $door, ?Row $invitation, Caller $caller, JoinRequest $request): array
    {
        $over = $this->over($invitation);
        if (null !== $over && 'answered' !== $over) {
            throw self::noWayIn($over, 'ask-lead');
        }
        if (null !== $invitation && 'answered' !== $over) {
            $this->assertTheirs($invitation, $caller, $request->asMe);
        }
        $at = $this->doorContexts->at($door, $caller, $invitation);
        $admission = $at->admission;
        if (Passage::No === $admission->passage || ('answered' === $over && Passage::Already !== $admission->passage)) {
            throw self::noWayIn($over ?? $admission->code, $admission->next, $admission->values);
        }
        $section = $this->section($at, $request->section, $admission);
        if (Passage::In === $admission->passage) {
            $line = $this->lines->comeIn($at, $section);
            $why = $line->reasons[0] ?? null;
            if (Verdict::WaitsForSeat === $line->verdict) {
                throw self::noWayIn('no-seat', 'ask-lead');
            }
            if (null !== $why && Verdict::NothingToDo !== $line->verdict) {
                throw self::noWayIn($why->code, 'ask-lead', $why->values);
            }
        } elseif (Passage::Already !== $admission->passage && null === $at->waiter) {
            $this->lines->stand(
                $at,
                Passage::Line === $admission->passage ? 'seat' : 'approval',
                $section,
                $request->why
            );
        }
        if (null !== $invitation && null === $over) {
            $this->db->executeStatement(
                <<<'SQL'
                    UPDATE invitation
                    SET answered_at = ?, answered_by = ?, unanswered = NULL, opened_at = COALESCE(opened_at, ?)
                    WHERE id = ?
                    SQL,
                [
                    Instant::toSql($at->access->now),
                    Id::binary($caller->id),
                    Instant::toSql($at->access->now),
                    Id::binary($invitation->id('id')),
                ],
            );
            $this->post->withdraw('invitation_id', [$invitation->id('id')]);
        }

        return [
            'passage' => $admission->passage->value,
            'place' => Passage::Line === $admission->passage ? $at->place : null,
            'site' => ['id' => $at->access->site->id, 'title' => $at->access->row->string('title')],
            'opensAt' =>
                $at->access->site->opensAt > $at->access->now ? Instant::toJson($at->access->site->opensAt) : null,
        ];
    }

    /**
     * Who came through a key door goes again, or was let in from another division, and nobody waits there any more.
     *
     * @return array<string, mixed> schema `Left`: whether something else still brings them
     */
    public function leave(string $site, Caller $caller): array
    {
        // A site one has nothing to do with is the same as none.
        $this->gate->at($site, $caller);
        $access = $this->gate->atDoor($site, $caller);
        $line = $this->lines->leave($access, $caller);
        $sql = "SELECT id FROM door WHERE site_id = ? AND kind = 'key'";
        foreach ($this->db->fetchFirstColumn($sql, [Id::binary($site)]) as $door) {
            $this->lines->close(Id::text((string) $door), $caller->id, 'left', $access);
        }
        if (Verdict::Refused === $line->verdict) {
            throw Problem::notAllowed('You answer for this site, so you cannot just go. Find another lead first.');
        }
        if (Verdict::Ready !== $line->verdict) {
            throw Problem::notAllowed(
                'Neither a key nor somebody from outside your division brought you here, so it is not yours to take '
                    .'back. Ask a lead of the site.',
            );
        }

        return ['still' => true === $line->after?->state->here()];
    }

    /** @return list<array<string, mixed>> schema `OwnWait`: what somebody waits with, and what is kept for them */
    public function waits(Caller $caller): array
    {
        $rows = Row::all(
            $this->db->fetchAllAssociative(
                <<<'SQL'
                    SELECT w.id, w.site_id, w.door_id, w.what, w.made_at, w.offered_until, s.title, s.time_zone
                    FROM waiter w
                    JOIN site s ON s.id = w.site_id
                    WHERE w.person_id = ? AND w.waits = 1
                    ORDER BY w.id
                    SQL,
                [Id::binary($caller->id)],
            ),
        );

        return array_map(function (Row $row) use ($caller): array {
            $until = $row->instantOrNull('offered_until');
            $line = 'seat' === $row->string('what') ? $this->doorContexts->line($row->id('site_id')) : null;

            return [
                'id' => $row->int('id'),
                'site' => ['id' => $row->id('site_id'), 'title' => $row->string('title')],
                'timeZone' => $row->string('time_zone'),
                'what' => $row->string('what'),
                'since' => Instant::toJson($row->instant('made_at')),
                'place' => $line?->place($caller->id),
                'of' => null === $line ? null : \count($line->waiters),
                'offeredUntil' => null === $until || $until <= $this->clock->instant() ? null : Instant::toJson($until),
            ];
        }, $rows);
    }

    /** @return list<array<string, mixed>> sites whose seat they lose unless they come */
    public function quiet(Caller $caller): array
    {
        return array_map(
            static fn(Row $row): array => [
                'site' => ['id' => $row->id('site_id'), 'title' => $row->string('title')],
                'timeZone' => $row->string('time_zone'),
                'until' => Instant::toJson($row->instant('goes_at')),
            ],
            Row::all(
                $this->db->fetchAllAssociative(
                    <<<'SQL'
                        SELECT q.site_id, q.goes_at, s.title, s.time_zone
                        FROM quiet q
                        JOIN site s ON s.id = q.site_id
                        JOIN enrollment e ON e.site_id = q.site_id AND e.person_id = q.person_id
                        WHERE q.person_id = ? AND (e.last_seen_at IS NULL OR e.last_seen_at <= q.warned_at)
                        ORDER BY q.goes_at
                        SQL,
                    [Id::binary($caller->id)],
                ),
            ),
        );
    }

    /** What somebody waits with; its site has to be locked before anything is done about it. */
    public function wait(int $id, Caller $caller): Row
    {
        $row = $this->db->fetchAssociative(
            'SELECT w.id AS waiter, w.section_id, w.offered_until, '
                .Doors::COLUMNS
                .' FROM waiter w JOIN door d ON d.id = w.door_id WHERE w.id = ? AND w.person_id = ? AND w.waits = 1',
            [$id, Id::binary($caller->id)],
        );

        return new Row(false === $row ? throw Problem::notFound('This place in the line') : $row);
    }

    /**
     * Takes the seat that is kept for one, or waits no longer.
     *
     * @return array<string, mixed> schema `Joined`
     */
    public function answer(Row $wait, bool $take, Caller $caller): array
    {
        $at = $this->doorContexts->at($wait, $caller);
        if (!$take) {
            $this->lines->goAgain($at, [$wait->id('id')], true, 'leave');
            $this->lines->close($wait->id('id'), $caller->id, 'left', $at->access);

            return [
                'passage' => 'left',
                'place' => null,
                'site' => ['id' => $at->access->site->id, 'title' => $at->access->row->string('title')],
                'opensAt' => null,
            ];
        }
        $until = $wait->instantOrNull('offered_until');
        if (null === $until || $until <= $at->access->now) {
            throw self::noWayIn(null === $until ? 'no-seat' : 'offer-over', 'none');
        }

        return $this->join($wait, null, $caller, new JoinRequest(section: $wait->idOrNull('section_id')));
    }

    /** @param array<string, string|int|list<string>|null> $values */
    private static function noWayIn(string $code, string $next, array $values = []): Problem
    {
        return new Problem(
            ProblemType::NoWayIn,
            Refusals::sentence($code),
            more: ['code' => $code, 'next' => $next, 'values' => (object) Refusals::values($values)],
        );
    }

    /** @return array<string, mixed> schema `Admission` */
    private static function admission(DoorContext $at): array
    {
        $admission = $at->admission;

        return [
            'passage' => $admission->passage->value,
            'code' => $admission->code,
            'next' => $admission->next,
            'values' => (object) Refusals::values($admission->values),
            'place' => Passage::Line === $admission->passage ? $at->place : null,
            'waits' => null !== $at->waiter,
            'sentence' => Passage::No === $admission->passage ? Refusals::sentence($admission->code) : null,
        ];
    }

    /** @return 'answered'|'withdrawn'|'lapsed'|null */
    private function over(?Row $invitation): ?string
    {
        return match (true) {
            null === $invitation => null,
            null !== $invitation->stringOrNull('answered_at') => 'answered',
            null !== $invitation->stringOrNull('withdrawn_at') => 'withdrawn',
            default => $invitation->instant('lapses_at') <= $this->clock->instant() ? 'lapsed' : null,
        };
    }

    /**
     * An invitation to somebody the directory knows is theirs; one to an address may be answered by whoever holds its
     * link, on purpose.
     */
    private function assertTheirs(Row $invitation, Caller $caller, bool $asMe): void
    {
        $whose = $invitation->idOrNull('person_id');
        if (null !== $whose && $whose !== $caller->id) {
            throw self::noWayIn('for-another', 'sign-in');
        }
        if (null === $whose && !$asMe && !$this->hasAddress($caller, $invitation->string('address'))) {
            throw self::noWayIn('another-address', 'sign-in');
        }
    }

    private function hasAddress(Caller $caller, string $address): bool
    {
        $found = $this->db->fetchOne(
            'SELECT 1 FROM person WHERE id = ? AND email = ?',
            [Id::binary($caller->id), $address],
        );

        return false !== $found;
    }

    /** @return array<string, mixed> schema `InvitationLook` */
    private function invited(Row $invitation, ?Caller $caller): array
    {
        $person = $invitation->idOrNull('person_id');
        $row =
            null === $person
                ? null
                : new Row(
                    $this->db->fetchAssociative(
                        'SELECT '
                            .PersonRow::COLUMNS
                            .', a.password_hash IS NOT NULL AS has_password FROM '
                            .PersonRow::TABLES
                            .' WHERE p.id = ?',
                        [Id::binary($person)],
                    )
                    ?: [],
                );

        return [
            'over' => $this->over($invitation),
            'address' => $invitation->string('address'),
            'name' => null === $row ? null : PersonRow::name($row),
            'login' => $row?->stringOrNull('login'),
            'account' => match (true) {
                null === $row || null === $row->stringOrNull('login') => 'none',
                default => $row->bool('has_password') ? 'sign-in' : 'password',
            },
            'yours' =>
                null !== $caller
                && (null === $person
                    ? $this->hasAddress($caller, $invitation->string('address'))
                    : $person === $caller->id),
            'words' => $invitation->string('words'),
        ];
    }

    /** @return list<array{id: string, name: string, meets: string}> */
    private function sections(string $site): array
    {
        return array_map(
            static fn(Row $row): array => [
                'id' => $row->id('id'),
                'name' => $row->string('name'),
                'meets' => $row->string('meets'),
            ],
            Row::all(
                $this->db->fetchAllAssociative('SELECT id, name, meets FROM section WHERE site_id = ? ORDER BY name', [
                    Id::binary($site),
                ]),
            ),
        );
    }

    /** @throws Problem at `/section` where one has to be chosen */
    private function section(DoorContext $at, ?string $chosen, Admission $admission): ?string
    {
        if (
            'choice' !== $at->terms->text('place')
            || Passage::Already === $admission->passage
            || null !== $at->waiter
        ) {
            return $chosen ?? $at->waiter?->idOrNull('section_id');
        }
        if (!\in_array($chosen, array_column($this->sections($at->access->site->id), 'id'), true)) {
            throw Problem::field('/section', 'choose', 'Choose a section.');
        }

        return $chosen;
    }

    /** @return array{lowest: int, highest: int} levels somebody who makes an account here may have */
    private static function levels(DoorTermsJson $terms, Row $site): array
    {
        return [
            'lowest' => $terms->number('lowest') ?? ($site->intOrNull('level_lowest') ?? 1),
            'highest' => $terms->number('highest') ?? ($site->intOrNull('level_highest') ?? 10),
        ];
    }
}
