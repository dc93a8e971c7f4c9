<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Core\People\PersonVisibility;
use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Roster\Access;
use MintDoor\Core\Roster\Timeline;
use MintDoor\Core\Time\Time;
use MintDoor\People\Entity\PersonNote;
use MintDoor\People\PersonRow;
use MintDoor\People\Repository\Labels;
use MintDoor\People\Repository\PersonNotes;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Caring;
use MintDoor\Roster\Gate;
use MintDoor\Roster\PersonGate;
use MintDoor\Roster\ReasonJson;
use MintDoor\Roster\Repository\Standings;
use MintDoor\Roster\SegmentRow;
use MintDoor\Roster\StandingShown;
use MintDoor\Roster\Stretch;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Instant;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Repository\Sessions;
use MintDoor\Shared\Row;
use MintDoor\Sites\SiteRow;

/**
 * Somebody as staff of their reach meet them: who they are, their account, and every site of theirs with its reason
 * line.
 */
final readonly class PersonPage
{
    public function __construct(
        private Standings $standings,
        private Sessions $sessions,
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
        $one = $this->gate->at($personId, $caller);
        [$row, $verdict] = [$one->row, $one->care];
        $person = PersonRow::person($row);
        $now = $this->clock->instant();
        $own = $personId === $caller->id;
        $administers = $this->caring->caretaker($caller)->mayClose($person);
        [$sites, $others] = $this->sites($row, $caller, $now);

        return [
            'person' => PersonRow::shown($row, PersonVisibility::Full),
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
                        'sessions' => $this->sessions->countOf($personId),
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
                ? array_map(
                    static fn(PersonNote $note): array => self::note($note, $administers, $caller),
                    $this->notes->of($this->gate->everyId($personId)),
                )
                : [],
            'sites' => $sites,
            'elsewhere' => $others,
        ];
    }

    /** @return array<string, mixed> schema `PersonNote` */
    private static function note(PersonNote $note, bool $administers, Caller $caller): array
    {
        return [
            'id' => $note->id,
            'text' => $note->text,
            'at' => Instant::toJson($note->madeAt),
            'by' => ['id' => $note->madeBy->id, 'name' => $note->madeBy->name()],
            'mine' => $administers || $note->madeBy->id === $caller->id,
        ];
    }

    /**
     * @return array{list<array<string, mixed>>, int} sites the caller runs or administers, and how many others there
     *     are
     */
    private function sites(Row $personRow, Caller $caller, int $now): array
    {
        $rows = $this->standings->everywhere(
            $personRow->id('person_id'),
            $caller->id,
            $this->roles->book()->holdersOf(Permission::LetIn),
            $now,
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
                'standing' => StandingShown::of($timeline->at($now), $book),
                'reason' => $this->reasons->forStaff(
                    $access->reason($timeline, $person, $site, $now),
                    $access->standing(new Timeline([]), Gate::person($caller), $now, true, $site),
                ),
                'stretches' => Stretch::all($timeline->segments, $book),
            ];
        }

        return [$sites, $others];
    }
}
