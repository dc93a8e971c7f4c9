<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use MintDoor\Changes\ChangeContextLoader;
use MintDoor\Core\Changes\ChangeContext;
use MintDoor\Core\Changes\LineComputer;
use MintDoor\Core\Changes\Verdict;
use MintDoor\Core\People\PersonVisibility;
use MintDoor\Core\Roles\Standing;
use MintDoor\Core\Roster\DoorKind;
use MintDoor\Core\Roster\Grant;
use MintDoor\Core\Roster\Phase;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;
use MintDoor\Messages\Notices;
use MintDoor\People\PersonRow;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Enrollments;
use MintDoor\Roster\Gate;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Instant;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\Row;

/**
 * People of a division who were let in by somebody that has nothing to do with them, and wait for its yes. Answered by
 * who administers the division; the role is judged with the rights whoever asked has when it is answered.
 */
final readonly class Approvals
{
    private const MOST = 500;

    public function __construct(
        private Connection $db,
        private Gate $gate,
        private Doors $doors,
        private DoorLines $lines,
        private ChangeContextLoader $contextLoader,
        private LineComputer $computer,
        private Roles $roles,
        private Notices $notices,
        private PlatformClock $clock,
    ) {}

    /** @return list<array<string, mixed>> schema `Approval`, the oldest first */
    public function of(Caller $caller): array
    {
        $now = Instant::toSql($this->clock->instant());
        $rows = Row::all(
            $this->db->fetchAllAssociative(
                'SELECT '
                    .PersonRow::COLUMNS
                    .', w.role, w.given_at, w.until_at, s.id AS site_id, s.title, s.time_zone, b.id AS by_id, '
                        .'b.given_name AS b_given_name, b.family_name AS b_family_name, b.preferred_name AS '
                        ."b_preferred_name FROM access_grant w JOIN door o ON o.id = w.door_id AND o.kind = 'staff' "
                        .'JOIN site s ON s.id = w.site_id AND s.taken_back = 0 AND s.closes_at > ? '
                        .'JOIN enrollment_segment g ON g.site_id = w.site_id AND g.person_id = w.person_id '
                        ."AND g.from_at <= ? AND g.until_at > ? AND g.state = 'waiting' "
                        .'JOIN person p ON p.id = w.person_id AND p.gone IS NULL '
                        .'JOIN division pd ON pd.id = p.division_id LEFT JOIN account a ON a.person_id = p.id '
                        .'LEFT JOIN person b ON b.id = w.given_by WHERE '
                    .Enrollments::UNANSWERED
                    .' AND (? OR pd.code IN (?))
             ORDER BY w.given_at, w.id LIMIT '
                    .self::MOST,
                [$now, $now, $now, $now, $now, (int) $caller->platformAdministrator, $caller->divisions ?: ['']],
                [6 => ArrayParameterType::STRING],
            ),
        );

        return array_map(
            static fn(Row $row): array => [
                'site' => ['id' => $row->id('site_id'), 'title' => $row->string('title')],
                'timeZone' => $row->string('time_zone'),
                'person' => PersonRow::json($row, PersonVisibility::Full),
                'role' => $row->string('role'),
                'by' =>
                    null === $row->idOrNull('by_id')
                        ? null
                        : [
                            'id' => $row->id('by_id'),
                            'name' => PersonRow::name($row, 'b_'),
                        ],
                'askedAt' => Instant::toJson($row->instant('given_at')),
                'untilAt' => Instant::toJson($row->instant('until_at')),
            ],
            $rows,
        );
    }

    /**
     * Says yes or no for somebody of a division. Runs inside a transaction, under the site's lock.
     *
     * @throws Problem of type `NotFound`, or `NotReady` where the yes changes nothing
     */
    public function answer(string $site, string $person, bool $yes, Caller $caller): void
    {
        $row = $this->found($person, $caller);
        $access = $this->gate->atDoor($site, $caller);
        $context = $this->contextLoader->of($access, [$person => $row])->one($person);
        $asked = $this->asked($context) ?? throw Problem::notFound('This request');
        if (!$yes) {
            $line = $this->computer->goAgain($context, [$context->staff], true);
            $this->lines->keep($access, $row, 'decline', $line, $caller);

            return;
        }
        $asker = $this->doors->keeper($site, $asked->givenBy) ?? new Standing('', false);
        $verdict = $this->roles->book()->mayGive($asked->role, $asker, $context->person, $access->site);
        if (!$verdict->allowed) {
            throw new Problem(
                ProblemType::NotReady,
                'Whoever asked may not give this role there any more. Say no, or let them in yourself.',
            );
        }
        $window = new Window(
            min(max($access->now, $asked->window->from), $asked->window->until),
            $asked->window->until,
        );
        $line = $this->computer->comeIn(
            $context,
            $context->staff,
            DoorKind::Staff,
            $asked->role,
            $window,
            $asked->section,
        );
        if (Verdict::Ready !== $line->verdict) {
            throw new Problem(ProblemType::NotReady, Refusals::sentence($line->reasons[0]->code ?? ''));
        }
        $this->lines->keep($access, $row, 'approve', $line, $caller);
        $this->notices->tell([[$row, 'let-in-outside', ['site' => $access->row->string('title')]]], $caller);
    }

    /** Somebody of a division the caller administers. */
    private function found(string $person, Caller $caller): Row
    {
        $row = $this->contextLoader->people([$person])[$person];

        return $caller->administers($row->string('person_division')) ? $row : throw Problem::notFound('This person');
    }

    private function asked(ChangeContext $context): ?Grant
    {
        foreach ($context->enrollment->grantsIn(Phase::Waiting, $context->now) as $grant) {
            if ($grant->doorId === $context->staff && Time::FOREVER === $grant->acceptedAt) {
                return $grant;
            }
        }

        return null;
    }
}
