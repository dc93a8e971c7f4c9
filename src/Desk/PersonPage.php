<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Core\People\Person;
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
use MintDoor\Roster\Details;
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
use MintDoor\Shared\Somebody;
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
        private Details $details,
        private Roles $roles,
        private ReasonJson $reasons,
        private PlatformClock $clock,
    ) {}

    public function of(string $personId, Caller $caller): PersonPageAnswer
    {
        $one = $this->gate->at($personId, $caller);
        [$row, $verdict] = [$one->row, $one->care];
        $person = PersonRow::person($row);
        $now = $this->clock->instant();
        $own = $personId === $caller->id;
        $administers = $this->caring->caretaker($caller)->mayClose($person);
        $seesAccount = null !== $row->stringOrNull('login') && ($verdict->allowed() || $own);
        $all = $this->standings->everywhere(
            $personId,
            $caller->id,
            $this->roles->letting($caller, Permission::LetIn),
            $this->roles->book(),
            $now,
        );
        $sites = $this->sites($all, $person, $caller, $now);

        return new PersonPageAnswer(
            person: PersonRow::shown($row, PersonVisibility::Full),
            version: $row->int('version'),
            gone: $row->stringOrNull('gone'),
            into: $row->idOrNull('gone_into'),
            labels: $this->labels->ofPeople([$personId])[$personId] ?? [],
            details: null === $row->stringOrNull('gone')
                ? $this->details->of($row, $caller, $verdict->allowed())
                : [],
            account: $seesAccount ? $this->account($row, $person, $now) : null,
            looksAfter: $verdict->allowed(),
            refusal: $verdict->refusal,
            careFrom: null === $verdict->from ? null : Instant::toJson($verdict->from),
            administers: $administers,
            mayClose: $verdict->allowed() && $administers,
            // What staff wrote down about somebody is not for them, nor for who does not look after them.
            notes: $verdict->allowed()
                ? array_map(
                    static fn(PersonNote $note): NoteShown => self::note($note, $administers, $caller),
                    $this->notes->of($this->gate->everyId($personId)),
                )
                : [],
            sites: $sites,
            elsewhere: \count(array_unique(array_map(static fn(Row $row): string => $row->id('id'), $all)))
                - \count($sites),
        );
    }

    private function account(Row $row, Person $person, int $now): AccountShown
    {
        return new AccountShown(
            login: $row->string('login'),
            open: $person->accountOpen($now),
            closedFrom: Instant::toJson($person->accountClosedFrom),
            hasPassword: $row->bool('has_password'),
            mustChange: $row->bool('must_change'),
            sessions: $this->sessions->countOf($person->id),
            madeAt: Instant::toJson($row->instantOrNull('made_at') ?? Time::BEGINNING),
            usedAt: Instant::toJson($row->instantOrNull('used_at') ?? Time::BEGINNING),
        );
    }

    private static function note(PersonNote $note, bool $administers, Caller $caller): NoteShown
    {
        return new NoteShown(
            $note->id,
            $note->text,
            Instant::toJson($note->madeAt),
            new Somebody($note->madeBy->id, $note->madeBy->name()),
            $administers || $note->madeBy->id === $caller->id,
        );
    }

    /**
     * Of all sites of somebody those the caller runs or administers.
     *
     * @param list<Row> $rows
     *
     * @return list<SiteOfPerson>
     */
    private function sites(array $rows, Person $person, Caller $caller, int $now): array
    {
        $bySite = [];
        foreach ($rows as $row) {
            if ($row->bool('runs') || $caller->administers($row->string('division_code'))) {
                $bySite[$row->id('id')][] = $row;
            }
        }
        $book = $this->roles->book();
        $access = new Access($book);
        $sites = [];
        foreach ($bySite as $own) {
            $site = SiteRow::site($own[0]);
            $timeline = new Timeline(array_map(SegmentRow::segment(...), $own));
            $sites[] = new SiteOfPerson(
                SiteRow::facts($own[0], $now),
                StandingShown::of($timeline->at($now), $book),
                $this->reasons->forStaff(
                    $access->reason($timeline, $person, $site, $now),
                    $access->standing(new Timeline([]), PersonRow::caller($caller), $now, true, $site),
                ),
                Stretch::all($timeline->segments, $book),
            );
        }

        return $sites;
    }
}
