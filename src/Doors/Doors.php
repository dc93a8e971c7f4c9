<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use MintDoor\Accounts\Accounts;
use MintDoor\Core\Doors\Doorman;
use MintDoor\Core\People\Person;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Roles\RoleVerdict;
use MintDoor\Core\Roles\Standing;
use MintDoor\Core\Roster\DoorKind;
use MintDoor\Core\Roster\Segment;
use MintDoor\Core\Roster\State;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;
use MintDoor\Core\Time\WindowOutOfOrder;
use MintDoor\History\History;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Caring;
use MintDoor\Roster\Gate;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\BulkWriter;
use MintDoor\Shared\CallerProvider;
use MintDoor\Shared\FieldErrors;
use MintDoor\Shared\Id;
use MintDoor\Shared\Ids;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Row;
use MintDoor\Sites\Divisions;
use Symfony\Component\Security\Core\Exception\UserNotFoundException;

/**
 * The doors that are set up as sentences: made, changed, opened and shut. What changes something runs inside a
 * transaction, under the site's lock.
 */
final readonly class Doors
{
    /** What a door is read with, from a table called d. */
    public const COLUMNS = 'd.id, d.site_id, d.kind, d.name, d.state, d.terms, d.from_at, d.until_at, d.version, '
        .'d.made_by';

    /** Seconds a term may lie ahead; a door for later is a slip of the year. */
    private const FURTHEST = 3 * 366 * 86_400;

    public function __construct(
        private Connection $db,
        private DoorKeys $keys,
        private Roles $roles,
        private Divisions $divisions,
        private Accounts $accounts,
        private Caring $caring,
        private Ids $ids,
        private History $history,
        private Gate $gate,
        private CallerProvider $callers,
    ) {}

    /** @return string id of the door */
    public function make(SiteAccess $access, DoorRequest $request): string
    {
        [$terms, $hours] = $this->checked($access, $request);
        $door = $this->ids->next();
        $name = $this->named($request);
        $rows = new BulkWriter($this->db);
        $rows->add('door', [
            'id' => BulkWriter::id($door),
            'site_id' => BulkWriter::id($access->site->id),
            'kind' => self::kind($request)->value,
            'name' => $name,
            'state' => 'open',
            'reserved' => false,
            'terms' => json_encode($terms, \JSON_THROW_ON_ERROR),
            'from_at' => Instant::toSql($hours->from),
            'until_at' => Instant::toSql($hours->until),
            'made_by' => BulkWriter::id($access->caller->id),
            'made_at' => Instant::toSql($access->now),
        ]);
        $rows->flush();
        if ('key' === $request->kind) {
            $this->giveKey($access, $door, $request->key);
        }
        $this->history->write($access->site->id, $access->caller, [['door-made', ['door' => $door, 'name' => $name]]]);

        return $door;
    }

    /** @param callable(int): void $assertVersion called with the version that is kept */
    public function change(SiteAccess $access, string $door, DoorRequest $request, callable $assertVersion): void
    {
        $row = $this->row($access, $door);
        $assertVersion($row->int('version'));
        if ($request->kind !== self::requestKind($row)) {
            throw Problem::field('/kind', 'kind', 'A door stays the kind it is. Make another one for this.');
        }
        [$terms, $hours] = $this->checked($access, $request, $row);
        $name = $this->named($request);
        $this->db->executeStatement(
            'UPDATE door SET name = ?, terms = ?, from_at = ?, until_at = ?, made_by = ?, version = version + 1
                WHERE id = ?',
            [
                $name,
                json_encode($terms, \JSON_THROW_ON_ERROR),
                Instant::toSql($hours->from),
                Instant::toSql($hours->until),
                Id::binary($access->caller->id),
                Id::binary($door),
            ],
        );
        if (null !== $request->key && 'key' === $request->kind) {
            $this->giveKey($access, $door, $request->key);
        }
        $this->history->write($access->site->id, $access->caller, [
            ['door-changed', ['door' => $door, 'name' => $name]],
        ]);
    }

    public function open(SiteAccess $access, string $door, bool $open): void
    {
        $row = $this->row($access, $door);
        if ($open) {
            $this->assertMayGive($access, $row);
        }
        $keeper = $row->idOrNull('made_by');
        $standing = $this->keeper($access->site->id, $keeper);
        if (('open' === $row->string('state')) !== $open || ($open && !$this->backed($access, $row, $standing))) {
            // Whoever opens a door stands behind it from then on.
            $keeper = $open ? $access->caller->id : $keeper;
            $this->db->executeStatement('UPDATE door SET state = ?, made_by = ?, version = version + 1 WHERE id = ?', [
                $open ? 'open' : 'shut',
                null === $keeper ? null : Id::binary($keeper),
                Id::binary($door),
            ]);
            $this->history->write($access->site->id, $access->caller, [
                [$open ? 'door-opened' : 'door-shut', ['door' => $door, 'name' => $row->string('name')]],
            ]);
        }
    }

    /**
     * A fresh key for a door, and for another term if so wished: the key of before opens nothing any more.
     *
     * @param ?Window $hours null leaves them
     */
    public function renew(SiteAccess $access, string $door, ?Window $hours = null): void
    {
        $row = $this->row($access, $door);
        if ('key' !== self::requestKind($row)) {
            throw Problem::notAllowed('Only key doors have a key.');
        }
        $this->assertMayGive($access, $row);
        $this->keys->fresh($door);
        $this->db->executeStatement(
            'UPDATE door SET made_by = ?, version = version + 1'
                .(null === $hours
                    ? ''
                    : ", from_at = ?, until_at = ?,
                state = 'open'")
                .' WHERE id = ?',
            [
                Id::binary($access->caller->id),
                ...null === $hours ? [] : [Instant::toSql($hours->from), Instant::toSql($hours->until)],
                Id::binary($door),
            ],
        );
        $this->history->write($access->site->id, $access->caller, [
            ['door-key-renewed', ['door' => $door, 'name' => $row->string('name')]],
        ]);
    }

    /** @throws Problem at the fields of the days */
    public function renewFor(SiteAccess $access, string $door, ?string $fromDay, ?string $untilDay): void
    {
        $errors = new FieldErrors();
        $hours = $this->hours($access, $fromDay, $untilDay, $errors, null);
        $errors->check();
        $this->renew($access, $door, $hours);
    }

    /**
     * How many could come through a door on such terms.
     *
     * @return array<string, mixed> schema `DoorReach`
     */
    public function reach(SiteAccess $access, DoorRequest $request): array
    {
        [$terms, $hours] = $this->checked($access, $request);
        $door = DoorTermsJson::planned($terms, $hours, self::kind($request))->terms();
        $at = Instant::toSql($access->now);
        $domain =
            [] === $door->domains
                ? "IF(p.email IS NULL, NULL, 'x@any')"
                : "IF(p.email IS NULL, NULL, CONCAT('x@', IF(SUBSTRING_INDEX(p.email, '@', -1) IN (?), "
                    ."SUBSTRING_INDEX(p.email, '@', -1), 'any')))";
        // Those alike for every rule of a door are counted by the database and judged once.
        $alike = Row::all(
            $this->db->fetchAllAssociative(
                <<<SQL
                    SELECT p.kind AS person_kind, pd.code AS person_division, p.level,
                        IF(a.closed_from <= ?, a.closed_from, '9999-12-31 00:00:00') AS closed_from, $domain AS address,
                        g.state, COUNT(*) AS people
                    FROM person p
                    JOIN division pd ON pd.id = p.division_id
                    JOIN account a ON a.person_id = p.id
                    LEFT JOIN enrollment_segment g ON g.site_id = ? AND g.person_id = p.id AND g.from_at <= ?
                        AND g.until_at > ?
                    WHERE p.gone IS NULL
                    GROUP BY p.kind, pd.code, p.level, IF(a.closed_from <= ?, a.closed_from, '9999-12-31 00:00:00'),
                        address, g.state
                    SQL,
                [$at, ...[] === $door->domains ? [] : [$door->domains], Id::binary($access->site->id), $at, $at, $at],
                [] === $door->domains ? [] : [1 => ArrayParameterType::STRING],
            ),
        );
        $people = array_map(
            static fn(Row $row): array => [
                new Person(
                    '',
                    PersonKind::from($row->string('person_kind')),
                    $row->string('person_division'),
                    $row->intOrNull('level'),
                    $row->instant('closed_from'),
                ),
                $row->stringOrNull('address'),
                null === $row->stringOrNull('state')
                    ? null
                    : new Segment(new Window(), State::from($row->string('state')), [], false, Time::BEGINNING),
                $row->int('people'),
            ],
            $alike,
        );
        // Before it opens, those count who could come through once it does.
        $reach = (new Doorman($this->roles->book()))->reach(
            $door,
            $access->site,
            $people,
            max($access->now, $hours->from),
        );

        return [...$reach, 'seats' => $request->seats ?? $access->site->seats];
    }

    /** A door that is set up as a sentence. */
    public function row(SiteAccess $access, string $door): Row
    {
        $found = $this->db->fetchAssociative(
            'SELECT '.self::COLUMNS.' FROM door d WHERE d.id = ? AND d.site_id = ? AND d.terms IS NOT NULL',
            [Id::binary($door), Id::binary($access->site->id)],
        );

        return new Row(false === $found ? throw Problem::notFound('This door') : $found);
    }

    /** The kind a door was asked for as. */
    public static function requestKind(Row $door): string
    {
        return 'key' === $door->string('kind') && true === ($door->json('terms')['listed'] ?? null)
            ? 'request'
            : $door->string('kind');
    }

    private static function kind(DoorRequest $request): DoorKind
    {
        return 'request' === $request->kind ? DoorKind::Key : DoorKind::from($request->kind);
    }

    private function giveKey(SiteAccess $access, string $door, ?string $chosen): void
    {
        $staff = array_filter(
            $this->db->fetchFirstColumn(
                <<<'SQL'
                    SELECT g.sort_name
                    FROM enrollment_segment g
                    WHERE g.site_id = ? AND g.leads = 1 AND g.until_at > ?
                    LIMIT 20
                    SQL,
                [Id::binary($access->site->id), Instant::toSql($access->now)],
            ),
            is_string(...),
        );
        null === $chosen || '' === trim($chosen)
            ? $this->keys->fresh($door)
            : $this->keys->choose(
                $door,
                $chosen,
                implode(' ', [
                    $access->row->string('title'),
                    $access->row->string('code'),
                    $access->row->string('division_name'),
                    $access->row->string('term_name'),
                    ...$staff,
                ]),
            );
    }

    private function named(DoorRequest $request): string
    {
        return '' !== trim($request->name)
            ? trim($request->name)
            : ['key' => 'Key', 'request' => 'On request', 'invitation' => 'Invitations', 'preview' => 'Just looking'][
                $request->kind
            ];
    }

    /**
     * @param ?Row $kept as it is kept, for a change
     *
     * @return array{array<string, mixed>, Window} terms as they are stored, and hours
     */
    private function checked(SiteAccess $access, DoorRequest $request, ?Row $kept = null): array
    {
        $errors = new FieldErrors();
        $divisions = array_keys($this->divisions->all());
        foreach (array_diff($request->divisions, $divisions) as $unknown) {
            $errors->add('divisions', 'unknown', \sprintf('There is no division %s any more.', $unknown));
        }
        if (
            (null === $request->lowest) !== (null === $request->highest)
            || (null !== $request->lowest && $request->lowest > $request->highest)
        ) {
            $errors->add('lowest', 'levels', 'Give both levels, the lower one first, or neither.');
        }
        if ('preview' !== $request->kind) {
            $verdict = $errors->none()
                ? $this->mayGive(
                    $access,
                    $request->role,
                    $request->divisions,
                    $request->lowest
                )
                : null;
            if (null !== $verdict && !$verdict->allowed) {
                $errors->add(
                    'role',
                    $verdict->code,
                    match ($verdict->code) {
                        'no-such-role' => 'There is no such role any more. Choose another.',
                        'wrong-kind',
                        'wrong-level' =>
                            'Nobody this door is for may hold that role. Choose another role, or other people.',
                        default =>
                        'You may not give this role by hand, so you cannot give it at a door. Choose another.',
                    },
                );
            }
        }
        if (
            'fixed' === $request->place
            && (null === $request->section
                || false
                    === $this->db->fetchOne('SELECT 1 FROM section WHERE id = ? AND site_id = ?', [
                        Id::binary($request->section),
                        Id::binary($access->site->id),
                    ]))
        ) {
            $errors->add('section', 'no-such-section', 'Choose a section of this site.');
        }
        $sections = $this->db->fetchOne(
            'SELECT COUNT(*) FROM section WHERE site_id = ?',
            [Id::binary($access->site->id)],
        );
        if (\in_array($request->place, ['emptiest', 'choice'], true) && 0 === (int) $sections) {
            $errors->add('place', 'no-sections', 'This site has no sections.');
        }
        if (null !== $request->quietMeetings && [] === $request->meets) {
            $errors->add('meets', 'no-meetings', 'Say on which weekdays they meet.');
        }
        if ($request->accounts) {
            $this->mayMakeAccounts($access, $request, $errors);
        }
        if ($request->accounts && [] !== $request->domains) {
            $errors->add(
                'accounts',
                'no-address',
                'Accounts made on the way have no address yet, so a door for addresses cannot make them.',
            );
        }
        $hours = $this->hours(
            $access,
            $request->fromDay,
            $request->untilDay,
            $errors,
            null === $kept ? null : $kept->instant('until_at'),
        );
        $stayUntil = null;
        if ('day' === $request->stay) {
            $stayUntil = null === $request->stayDay ? null : $access->endOf($request->stayDay, '/stayDay');
            if (null === $stayUntil || $stayUntil <= $access->now) {
                $errors->add('stayDay', 'over', 'Choose a day that is still to come.');
            }
        }
        $errors->check();

        return [
            array_filter(
                [
                    'listed' => 'request' === $request->kind,
                    'role' => $request->role,
                    'place' => $request->place,
                    'section' => 'fixed' === $request->place ? $request->section : null,
                    'seats' => $request->seats,
                    'divisions' => $request->divisions,
                    'lowest' => $request->lowest,
                    'highest' => $request->highest,
                    'domains' => $request->domains,
                    'approval' => $request->approval && 'invitation' !== $request->kind,
                    'waiting' => $request->waiting,
                    'accounts' => $request->accounts && 'key' === $request->kind,
                    'stay' => $request->stay,
                    'stayUntil' => $stayUntil,
                    'quietDays' => $request->quietDays,
                    'quietMeetings' => $request->quietMeetings,
                    'meets' => $request->meets,
                    'offerHours' => $request->offerHours,
                    'answerDays' => $request->answerDays,
                    'remindDays' => $request->remindDays,
                    'holds' => $request->holds && 'invitation' === $request->kind,
                    'shows' => $request->shows,
                    'anyone' => $request->anyone && 'preview' === $request->kind,
                    'about' => trim($request->about),
                ],
                static fn(mixed $value): bool => !\in_array($value, [null, false, [], ''], true),
            ),
            $hours,
        ];
    }

    private function hours(
        SiteAccess $access,
        ?string $fromDay,
        ?string $untilDay,
        FieldErrors $errors,
        ?int $keptUntil,
    ): Window {
        $from = null === $fromDay ? Time::BEGINNING : $access->startOf($fromDay, '/fromDay');
        $until = null === $untilDay ? Time::FOREVER : $access->endOf($untilDay, '/untilDay');
        if ($until <= $access->now && $until !== $keptUntil) {
            $errors->add('untilDay', 'over', 'That day is over already. Choose a later one.');
        }
        if ($from > $access->now + self::FURTHEST) {
            $errors->add('fromDay', 'far', 'That is more than three years ahead. Is the year right?');
        }
        try {
            return new Window($from, $until);
        } catch (WindowOutOfOrder) {
            $errors->add('untilDay', 'before-start', 'The last day is before the first. Choose a later one.');

            return new Window();
        }
    }

    /**
     * A door that somebody else set up is used only by those who could have.
     *
     * @param Row $door as `row()` reads it
     */
    public function assertMayGive(SiteAccess $access, Row $door): void
    {
        if (!$this->gives($access, DoorTermsJson::of($door))) {
            throw Problem::notAllowed(
                'You may not give the role of this door by hand, so this is not yours to do. Ask whoever set it up.',
            );
        }
    }

    /** Whether somebody may give by hand what a door gives. */
    public function gives(SiteAccess $access, DoorTermsJson $terms): bool
    {
        return DoorKind::Preview === $terms->kind
            || $this->mayGive($access, $terms->text('role'), $terms->texts('divisions'), $terms->number('lowest'))
                ->allowed;
    }

    /**
     * Whether whoever keeps a door may still give by hand what it gives: otherwise it lets nobody in.
     *
     * @param ?Standing $standing of its keeper (`keeper()`)
     */
    public function backed(SiteAccess $access, Row $door, ?Standing $standing): bool
    {
        return null !== $standing
            && $this->gives(
                new SiteAccess($access->site, $access->row, $access->caller, $standing, null, $access->now),
                DoorTermsJson::of($door),
            );
    }

    /** What whoever keeps a door, or sent an invitation, is in its site now; null where they are nothing there. */
    public function keeper(string $site, ?string $keeper): ?Standing
    {
        try {
            return null === $keeper ? null : $this->gate->standing($site, $this->callers->byId($keeper));
        } catch (UserNotFoundException) {
            return null;
        }
    }

    /**
     * Nobody gives at a door what they may not give by hand, to any kind of person it lets in.
     *
     * @param list<string> $divisions
     */
    private function mayGive(SiteAccess $access, string $code, array $divisions, ?int $lowest): RoleVerdict
    {
        $role = $this->roles->book()->find($code);
        $refused = null;
        foreach (null === $role ? [] : $role->for as $kind) {
            $level =
                PersonKind::Learner === $kind
                    ? $lowest ?? ($role->learnersOf->lowest ?? ($access->site->levels->lowest ?? 1))
                    : null;
            $verdict = $this->roles
                ->book()
                ->mayGive(
                    $code,
                    $access->standing,
                    new Person(Id::NONE, $kind, $divisions[0] ?? $access->site->division, $level),
                    $access->site,
                );
            if ($verdict->allowed) {
                return $verdict;
            }
            $refused = str_starts_with($verdict->code, 'not-') ? $verdict : $refused ?? $verdict;
        }

        return $refused ?? RoleVerdict::no('no-such-role');
    }

    private function mayMakeAccounts(SiteAccess $access, DoorRequest $request, FieldErrors $errors): void
    {
        $division = $request->divisions[0] ?? $access->site->division;
        if (\count($request->divisions) > 1) {
            $errors->add(
                'divisions',
                'one',
                'Who makes an account here becomes a learner of one division. Name just that one.',
            );
        } elseif (
            !$this->caring
                ->caretaker($access->caller)
                ->mayMake(PersonKind::Learner, $division, $this->accounts->lettingInto($access->caller))
        ) {
            $errors->add('accounts', 'not-yours', 'You may not make accounts in that division.');
        } elseif (
            !$this->roles
                ->book()
                ->mayHold(
                    $request->role,
                    new Person(
                        Id::NONE,
                        PersonKind::Learner,
                        $division,
                        $request->lowest ?? ($access->site->levels->lowest ?? 1),
                    ),
                    $access->site,
                )->allowed
        ) {
            $errors->add(
                'accounts',
                'wrong-kind',
                'Who makes an account here is a learner, and learners may not hold that role.',
            );
        }
    }

    /** @return list<string> states in which somebody has a seat at a door or waits for one */
    public static function through(): array
    {
        return array_values(array_diff(State::valuesHere(), [State::Waiting->value]));
    }
}
