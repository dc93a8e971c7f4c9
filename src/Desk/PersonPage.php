<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use MintDoor\Core\People\PersonVisibility;
use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Roster\Access;
use MintDoor\Core\Roster\Timeline;
use MintDoor\Core\Time\Time;
use MintDoor\People\Labels;
use MintDoor\People\PersonNotes;
use MintDoor\People\PersonRow;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Caring;
use MintDoor\Roster\Gate;
use MintDoor\Roster\PersonGate;
use MintDoor\Roster\ReasonJson;
use MintDoor\Roster\SegmentRow;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Row;
use MintDoor\Sites\SiteRow;

/**
 * Somebody as staff of their reach meet them: who they are, their account, and every site of theirs with its reason
 * line.
 */
final readonly class PersonPage
{
    public function __construct(
        private Connection $db,
        private PersonGate $gate,
        private Caring $caring,
        private PersonNotes $notes,
        private Labels $labels,
        private Roles $roles,
        private ReasonJson $reasons,
        private PlatformClock $clock,
    ) {}

    /** @return array<string, mixed> schema `PersonPage` */
    public function of(string $personId, Caller $caller): array
    {
        [$row, $verdict] = $this->gate->at($personId, $caller);
        $person = PersonRow::person($row);
        $now = $this->clock->instant();
        $own = $personId === $caller->id;
        $sessions = $this->db->fetchOne('SELECT COUNT(*) FROM session WHERE person_id = ?', [Id::binary($personId)]);
        $administers = $this->caring->caretaker($caller)->mayClose($person);
        [$sites, $others] = $this->sites($row, $caller, $now);

        return [
            'person' => PersonRow::json($row, PersonVisibility::Full),
            'version' => $row->int('version'),
            'gone' => $row->stringOrNull('gone'),
            'into' => $row->idOrNull('gone_into'),
            'labels' => $this->labels->ofPeople([$personId])[$personId] ?? [],
            'account' =>
                null === $row->stringOrNull('login') || (!$verdict->allowed() && !$own)
                    ? null
                    : [
                        'login' => $row->string('login'),
                        'open' => $person->accountOpen($now),
                        'closedFrom' =>
                            $person->accountClosedFrom >= Time::FOREVER
                                ? null
                                : Instant::toJson($person->accountClosedFrom),
                        'hasPassword' => $row->bool('has_password'),
                        'mustChange' => $row->bool('must_change'),
                        'sessions' => is_numeric($sessions) ? (int) $sessions : 0,
                        'madeAt' => Instant::toJson($row->instantOrNull('made_at') ?? Time::BEGINNING),
                        'usedAt' => Instant::toJson($row->instantOrNull('used_at') ?? Time::BEGINNING),
                    ],
            'looksAfter' => $verdict->allowed(),
            'refusal' => $verdict->refusal,
            'careFrom' => null === $verdict->from ? null : Instant::toJson($verdict->from),
            'administers' => $administers,
            'mayClose' => $verdict->allowed() && $administers,
            // What staff wrote down about somebody is not for them, nor for who does not look after them.
            'notes' => $verdict->allowed()
                ? $this->notes->of($this->gate->everyId($personId), $administers, $caller)
                : [],
            'sites' => $sites,
            'elsewhere' => $others,
        ];
    }

    /**
     * @return array{list<array<string, mixed>>, int} sites the caller runs or administers, and how many others there
     *     are
     */
    private function sites(Row $personRow, Caller $caller, int $now): array
    {
        $at = Instant::toSql($now);
        $rows = Row::all(
            $this->db->fetchAllAssociative(
                'SELECT '
                    .SiteRow::COLUMNS
                    .', g.state, g.roles, g.from_at, g.until_at, g.since_at, g.holds_seat, EXISTS (SELECT 1 '
                        .'FROM enrollment_segment own WHERE own.site_id = s.id AND own.person_id = ? '
                        .'AND own.from_at <= ? AND own.until_at > ? AND own.state = \'current\' '
                        .'AND own.role IN (?)) AS runs FROM '
                    .SiteRow::TABLES
                    .' JOIN enrollment_segment g ON g.site_id = s.id WHERE g.person_id = ? AND s.taken_back = 0 '
                        .'ORDER BY t.starts_on DESC, s.title, s.id, g.from_at',
                [
                    Id::binary($caller->id),
                    $at,
                    $at,
                    $this->roles->book()->holdersOf(Permission::LetIn) ?: [''],
                    Id::binary($personRow->id('person_id')),
                ],
                [3 => ArrayParameterType::STRING],
            ),
        );
        $bySite = [];
        foreach ($rows as $row) {
            $bySite[$row->id('id')][] = $row;
        }
        $book = $this->roles->book();
        $access = new Access($book);
        $person = PersonRow::person($personRow);
        $sites = [];
        $others = 0;
        foreach ($bySite as $own) {
            $site = SiteRow::site($own[0]);
            $administers = $caller->administers($site->division);
            if (!$own[0]->bool('runs') && !$administers) {
                ++$others;
                continue;
            }
            $timeline = new Timeline(array_map(SegmentRow::segment(...), $own));
            $sites[] = [
                'site' => SiteRow::json($own[0], $now),
                'standing' => SegmentRow::json($timeline->at($now), $book),
                'reason' => $this->reasons->forStaff(
                    $access->reason($timeline, $person, $site, $now),
                    $access->standing(new Timeline([]), Gate::person($caller), $now, true, $site),
                ),
                'stretches' => SegmentRow::stretches($timeline->segments, $book),
            ];
        }

        return [$sites, $others];
    }
}
