<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Core\Changes\Laws;
use MintDoor\Core\Changes\Verdict;
use MintDoor\Core\Doors\Admission;
use MintDoor\Core\Doors\Passage;
use MintDoor\Core\Sites\Question;
use MintDoor\Doors\Entity\Invitation;
use MintDoor\Doors\Entity\WaitingRecord;
use MintDoor\Doors\Repository\QuietPeople;
use MintDoor\Doors\Repository\SentenceDoors;
use MintDoor\Doors\Repository\StoredInvitations;
use MintDoor\Doors\Repository\WaitingPlaces;
use MintDoor\Messages\Messages;
use MintDoor\People\Repository\People;
use MintDoor\Platform\Repository\Divisions;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Entity\Section;
use MintDoor\Roster\Gate;
use MintDoor\Roster\Repository\SectionNumbers;
use MintDoor\Roster\Repository\Sections;
use MintDoor\Roster\Repository\Standings;
use MintDoor\Shared\Caller;
use MintDoor\Shared\FieldErrors;
use MintDoor\Shared\Instant;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\Row;
use MintDoor\Shared\Said;
use MintDoor\Shared\Speech;
use MintDoor\Sites\Entity\Site;
use MintDoor\Sites\Repository\Sites;
use MintDoor\Sites\SiteName;
use MintDoor\Weeks\Meetings;

/**
 * Coming in through a door by oneself, answering an invitation, waiting, and going again. What changes something runs
 * inside a transaction, under the site's lock.
 */
final readonly class Joining
{
    /** Names of leads that are told to who stands before a door. */
    private const LEADS = 3;

    public function __construct(
        private DoorContextLoader $doorContexts,
        private StoredInvitations $invitations,
        private WaitingPlaces $places,
        private QuietPeople $quiet,
        private SentenceDoors $doors,
        private Sections $sections,
        private Sites $sites,
        private Meetings $meetings,
        private SectionNumbers $numbers,
        private People $people,
        private Standings $standings,
        private Divisions $divisions,
        private Gate $gate,
        private DoorLines $lines,
        private Roles $roles,
        private PlatformClock $clock,
        private Messages $post,
        private Speech $speech,
    ) {}

    /**
     * What one stands before, and what would happen. Changes nothing but that an invitation was opened.
     */
    public function look(BeforeDoor $at, ?Caller $caller): JoinLook
    {
        $door = $at->door;
        $invitation = $at->invitation;
        $site = $door->door->site;
        $policy = $door->policy;
        $now = $this->clock->instant();
        if (null !== $invitation && null === $invitation->answeredAt) {
            $invitation->openedAt ??= $now;
            $this->invitations->flush();
        }
        $before =
            null === $caller || \in_array($invitation?->over($now), ['withdrawn', 'lapsed'], true)
                ? null
                : $this->doorContexts->at($door, $caller, $invitation);
        $role = $this->roles->book()->find($policy->role);

        return new JoinLook(
            site: new SiteBefore(
                $site->id,
                $site->title,
                $this->roles->rules()->nameOfKind($site->kind),
                $site->division->name,
                $site->term->name ?? '',
                $site->timeZone,
                Instant::toJson($site->opensAt),
            ),
            leads: null === $caller
                    ? []
                    : \array_slice($this->standings->namesOfLeads($site->id, $now), 0, self::LEADS),
            role: ['code' => $role->code ?? '', 'name' => $role->name ?? '', 'caution' => $role?->caution],
            state: $door->state($now)->value,
            untilAt: Instant::toJson($door->hours->until),
            fromAt: Instant::toJson($door->hours->from),
            about: $policy->about,
            sections: 'choice' === $policy->place ? $this->sectionsOf($site->id, $before) : [],
            asks: $policy->approval || Passage::Approval === $before?->admission->passage,
            questions: $this->roles->rules()->questionsOf($site->kind),
            question: $this->roles->rules()->question,
            accounts: $policy->accounts,
            levels: $policy->accounts ? $this->levels($policy, $site) : null,
            invitation: null === $invitation ? null : $this->invited($invitation, $caller),
            you: null === $caller ? null : ['id' => $caller->id, 'name' => $caller->name, 'login' => $caller->login],
            admission: null === $before ? null : $this->admission($before),
            clash: null === $before || 'choice' === $policy->place ? null : $this->clash($before, null),
        );
    }

    /**
     * Through the door, or into the line before it.
     *
     * @throws Problem of type `NoWayIn`
     */
    public function join(BeforeDoor $before, Caller $caller, JoinRequest $request): Joined
    {
        $invitation = $before->invitation;
        $over = $invitation?->over($this->clock->instant());
        if (null !== $over && 'answered' !== $over) {
            throw self::noWayIn($over, 'ask-lead');
        }
        if (null !== $invitation && 'answered' !== $over) {
            $this->assertTheirs($invitation, $caller, $request->asMe);
        }
        $at = $this->doorContexts->at($before->door, $caller, $invitation, $request->section);
        $admission = $at->admission;
        if (Passage::No === $admission->passage || ('answered' === $over && Passage::Already !== $admission->passage)) {
            throw self::noWayIn($over ?? $admission->code, $admission->next, $admission->values);
        }
        $section = $this->section($at, $request->section, $admission);
        // Whoever waited said it when they asked.
        if (Passage::Already !== $admission->passage && null === $at->waiting) {
            $this->assertClashMeant($at, $section, $request);
        }
        if (Passage::In === $admission->passage) {
            $this->comeIn($at, $section, $request->clash ? $request->why : $at->waiting?->why);
        } elseif (Passage::Already !== $admission->passage && null === $at->waiting) {
            $for = Passage::Line === $admission->passage ? 'seat' : 'approval';
            $this->lines->stand($at, $for, $section, $this->said($at, $for, $request));
        }
        if (null !== $invitation && null === $over) {
            $invitation->answer($caller->id, $at->access->now);
            $this->invitations->flush();
            $this->post->withdraw('invitation_id', [$invitation->id]);
        }

        $opensAt = $at->access->site->opensAt;

        return new Joined(
            $admission->passage->value,
            Passage::Line === $admission->passage ? $at->place : null,
            new SiteName($at->access->site->id, $at->access->row->string('title')),
            $opensAt > $at->access->now ? Instant::toJson($opensAt) : null,
        );
    }

    /**
     * What whoever asks for a place says to those who say yes or no.
     *
     * @param 'seat'|'approval' $for
     *
     * @throws Problem of type `Invalid` where a question of the kind of site has no answer
     */
    private function said(DoorContext $at, string $for, JoinRequest $request): string
    {
        $questions = 'approval' === $for ? $this->roles->rules()->questionsOf($at->access->site->kind) : [];
        if ([] === $questions) {
            return trim($request->why);
        }
        $errors = new FieldErrors();
        foreach ($questions as $index => $question) {
            $refusal = $question->refusal($request->answers[$index] ?? '');
            if (null !== $refusal) {
                $errors->add("answers/$index", $refusal, 'doors.answer.'.$refusal);
            }
        }
        $errors->check();

        return Question::answered($questions, $request->answers);
    }

    /**
     * Whoever has something else at the same time says that they come all the same, and why.
     *
     * @throws Problem of type `Invalid` at `clash`, or at `why`
     */
    private function assertClashMeant(DoorContext $at, ?string $section, JoinRequest $request): void
    {
        $clash = $this->clash($at, $section);
        if (null === $clash) {
            return;
        }
        if (!$request->clash) {
            throw Problem::field('/clash', 'clash', Said::with('doors.clash', site: $clash->site));
        }
        if ('' === trim($request->why)) {
            throw Problem::field('/why', 'why', 'doors.say-why-clash');
        }
    }

    private function clash(DoorContext $at, ?string $section): ?DoorClash
    {
        $note = $this->lines->clash($at, $section);
        $site = $note->values['otherSite'] ?? null;
        $from = $note->values['at'] ?? null;
        $times = $note->values['times'] ?? null;

        return \is_string($site) && \is_int($from) && \is_int($times)
            ? new DoorClash($this->sites->find($site)->title ?? '', (string) Instant::toJson($from), $times)
            : null;
    }

    private function comeIn(DoorContext $at, ?string $section, ?string $why): void
    {
        $line = $this->lines->comeIn($at, $section, why: $why);
        $why = $line->reasons[0] ?? null;
        if (Verdict::WaitsForSeat === $line->verdict) {
            throw self::noWayIn(Laws::SECTION_FULL === $why?->code ? $why->code : 'no-seat', 'ask-lead');
        }
        if (null !== $why && Verdict::NothingToDo !== $line->verdict) {
            throw self::noWayIn($why->code, 'ask-lead', $why->values);
        }
    }

    /**
     * Who came through a key door goes again, or was let in from another division, and nobody waits there any more.
     *
     * @return bool whether something else still brings them
     */
    public function leave(string $site, Caller $caller): bool
    {
        // A site one has nothing to do with is the same as none.
        $this->gate->at($site, $caller);
        $access = $this->gate->atDoor($site, $caller);
        $line = $this->lines->leave($access, $caller);
        foreach ($this->doors->keyDoors($site) as $door) {
            $this->lines->close($door, $caller->id, 'left', $access);
        }
        if (Verdict::Refused === $line->verdict) {
            throw Problem::notAllowed('doors.answer-site-cannot-just');
        }
        if (Verdict::Ready !== $line->verdict) {
            throw Problem::notAllowed('doors.neither-key-nor-somebody');
        }

        return true === $line->after?->state->here();
    }

    /** @return list<OwnWait> what somebody waits with, and what is kept for them */
    public function waits(Caller $caller): array
    {
        $now = $this->clock->instant();

        return array_map(function (WaitingRecord $one) use ($caller, $now): OwnWait {
            $list = 'seat' === $one->what ? $this->places->list($one->site->id) : null;

            return new OwnWait(
                id: (int) $one->id,
                site: new SiteName($one->site->id, $one->site->title),
                timeZone: $one->site->timeZone,
                what: $one->what,
                since: Instant::toJson($one->madeAt),
                place: $list?->place($caller->id),
                of: null === $list ? null : \count($list->waiters),
                offeredUntil: $one->offeredAt($now) ? Instant::toJson((int) $one->offeredUntil) : null,
            );
        }, $this->places->of($caller->id));
    }

    /** @return list<QuietSeat> seats they lose unless they come */
    public function quiet(Caller $caller): array
    {
        return array_map(
            static fn(Row $row): QuietSeat => new QuietSeat(
                new SiteName($row->id('site_id'), $row->string('title')),
                $row->string('time_zone'),
                Instant::toJson($row->instant('goes_at')),
            ),
            $this->quiet->of($caller->id),
        );
    }

    /** What somebody waits with, or waited; its site has to be locked before anything is done about it. */
    public function wait(int $id, Caller $caller): WaitingRecord
    {
        return $this->places->own($id, $caller->id) ?? throw Problem::notFound('waiting-place');
    }

    /** Takes the seat that is kept for one, or waits no longer. */
    public function answer(WaitingRecord $wait, bool $take, Caller $caller): Joined
    {
        if (true !== $wait->waits) {
            throw Problem::notFound('waiting-place');
        }
        $door = SentenceDoor::of($wait->door);
        if ($take) {
            if (!$wait->offeredAt($this->clock->instant())) {
                throw self::noWayIn(null === $wait->offeredUntil ? 'no-seat' : 'offer-over', 'none');
            }

            return $this->join(new BeforeDoor($door), $caller, new JoinRequest(section: $wait->section?->id));
        }
        $at = $this->doorContexts->at($door, $caller);
        $this->lines->goAgain($at, [$door->id], true, 'leave');
        $this->lines->close($door->id, $caller->id, 'left', $at->access);

        $site = new SiteName($at->access->site->id, $at->access->row->string('title'));

        return new Joined('left', null, $site, null);
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

    private function admission(DoorContext $at): AdmissionShown
    {
        $admission = $at->admission;

        return new AdmissionShown(
            passage: $admission->passage->value,
            code: $admission->code,
            next: $admission->next,
            values: (object) Refusals::values($admission->values),
            place: Passage::Line === $admission->passage ? $at->place : null,
            waits: null !== $at->waiting,
            sentence: Passage::No === $admission->passage
                ? $this->speech->say(Refusals::sentence($admission->code))
                : null,
        );
    }

    /**
     * An invitation to somebody the directory knows is theirs; one to an address may be answered by whoever holds its
     * link, on purpose.
     */
    private function assertTheirs(Invitation $invitation, Caller $caller, bool $asMe): void
    {
        $whose = $invitation->person?->id;
        if (null !== $whose && $whose !== $caller->id) {
            throw self::noWayIn('for-another', 'sign-in');
        }
        if (null === $whose && !$asMe && !$this->hasAddress($caller, $invitation->address)) {
            throw self::noWayIn('another-address', 'sign-in');
        }
    }

    private function hasAddress(Caller $caller, string $address): bool
    {
        return $this->people->find($caller->id)?->email === $address;
    }

    private function invited(Invitation $invitation, ?Caller $caller): InvitationLook
    {
        $person = $invitation->person;
        $row = null === $person ? null : $this->people->withAccount($person->id);

        $login = $row?->stringOrNull('login');

        return new InvitationLook(
            over: $invitation->over($this->clock->instant()),
            address: $invitation->address,
            name: $person?->name(),
            login: $login,
            account: match (true) {
                null === $row || null === $login => 'none',
                default => $row->bool('has_password') ? 'sign-in' : 'password',
            },
            yours: match (true) {
                null === $caller => false,
                null === $person => $this->hasAddress($caller, $invitation->address),
                default => $person->id === $caller->id,
            },
            words: $invitation->words,
        );
    }

    /** @return list<SectionChoice> those with a seat left; where none has, all of them: it is said then */
    private function sectionsOf(string $site, ?DoorContext $at): array
    {
        $offered = $this->sections->offered($site);
        $limited = array_filter($offered, static fn(Section $section): bool => null !== $section->seats);
        $held = [] === $limited ? [] : $this->numbers->of($site, $this->clock->instant());
        $free = array_filter(
            $offered,
            static fn(Section $section): bool => ($held[$section->id]['learners'] ?? 0)
                < ($section->seats ?? \PHP_INT_MAX),
        );

        $next = $this->meetings->next($site, $this->clock->instant());

        return array_map(
            fn(Section $section): SectionChoice => new SectionChoice(
                $section->id,
                $section->name,
                $section->meets,
                isset($next[$section->id]) ? Instant::toJson($next[$section->id]) : null,
                null === $at ? null : $this->clash($at, $section->id),
            ),
            array_values($free ?: $offered),
        );
    }

    /** @throws Problem at `/section` where one has to be chosen */
    private function section(DoorContext $at, ?string $chosen, Admission $admission): ?string
    {
        $choosing =
            'choice' === $at->door->policy->place && Passage::Already !== $admission->passage && null === $at->waiting;
        if (!$choosing) {
            return $chosen ?? $at->waiting?->section?->id;
        }
        if (!\in_array($chosen, array_column($this->sectionsOf($at->access->site->id, null), 'id'), true)) {
            throw Problem::field('/section', 'choose', 'doors.choose-section');
        }

        return $chosen;
    }

    private function levels(DoorPolicy $policy, Site $site): ?LevelsOffered
    {
        return LevelsOffered::of(
            $policy->lowest ?? $site->levelLowest,
            $policy->highest ?? $site->levelHighest,
            $this->divisions->tree()->levels($policy->divisions[0] ?? $site->division->code),
        );
    }
}
