<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Accounts\Accounts;
use MintDoor\Core\People\Person;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Roster\DoorKind;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;
use MintDoor\Core\Time\WindowOutOfOrder;
use MintDoor\Platform\Repository\Divisions;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Caring;
use MintDoor\Roster\Repository\Sections;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\FieldErrors;
use MintDoor\Shared\Id;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Said;
use MintDoor\Weeks\Meetings;

/** Checks a door as it is asked for, and says at its fields what is wrong with it. */
final readonly class DoorPlanner
{
    /** Seconds a term may lie ahead; a door for later is a slip of the year. */
    private const FURTHEST = 3 * 366 * 86_400;

    private const NAMES = [
        'key' => 'Key',
        'request' => 'On request',
        'invitation' => 'Invitations',
        'preview' => 'Just looking',
    ];

    public function __construct(
        private Roles $roles,
        private Divisions $divisions,
        private Sections $sections,
        private Accounts $accounts,
        private Caring $caring,
        private DoorAuthority $authority,
        private Meetings $meetings,
    ) {}

    /**
     * @param ?SentenceDoor $kept as it is kept, for a change
     *
     * @throws Problem of type `Invalid`
     */
    public function plan(SiteAccess $access, DoorRequest $request, ?SentenceDoor $kept = null): PlannedDoor
    {
        $errors = new FieldErrors();
        $policy = self::policy($request);
        $this->whom($access, $request, $policy, $errors);
        $this->where($access, $request, $errors);
        $hours = $this->hours($access, $request->fromDay, $request->untilDay, $errors, $kept?->hours->until);
        $policy = $this->staying($access, $request, $policy, $errors);
        $errors->check();

        return new PlannedDoor(self::kind($request), self::name($request), $policy, $hours);
    }

    /** @throws Problem at the fields of the days */
    public function planHours(SiteAccess $access, ?string $fromDay, ?string $untilDay): Window
    {
        $errors = new FieldErrors();
        $hours = $this->hours($access, $fromDay, $untilDay, $errors, null);
        $errors->check();

        return $hours;
    }

    private static function kind(DoorRequest $request): DoorKind
    {
        return 'request' === $request->kind ? DoorKind::Key : DoorKind::from($request->kind);
    }

    private static function name(DoorRequest $request): string
    {
        return '' !== trim($request->name) ? trim($request->name) : self::NAMES[$request->kind];
    }

    private static function policy(DoorRequest $request, ?int $stayUntil = null): DoorPolicy
    {
        \assert(\in_array($request->place, ['none', 'fixed', 'emptiest', 'choice'], true));
        \assert(\in_array($request->stay, ['site', 'term', 'day'], true));

        return new DoorPolicy(
            role: $request->role,
            place: $request->place,
            section: 'fixed' === $request->place ? $request->section : null,
            seats: $request->seats,
            divisions: $request->divisions,
            lowest: $request->lowest,
            highest: $request->highest,
            domains: $request->domains,
            listed: 'request' === $request->kind,
            approval: $request->approval && 'invitation' !== $request->kind,
            waiting: $request->waiting,
            accounts: $request->accounts && 'key' === $request->kind,
            stay: $request->stay,
            stayUntil: $stayUntil,
            quietDays: $request->quietDays,
            quietMeetings: $request->quietMeetings,
            meets: $request->meets,
            offerHours: $request->offerHours,
            answerDays: $request->answerDays,
            remindDays: $request->remindDays,
            holds: $request->holds && 'invitation' === $request->kind,
            shows: $request->shows,
            anyone: $request->anyone && 'preview' === $request->kind,
            about: trim($request->about),
        );
    }

    /** Whom it is for, and what it gives them. */
    private function whom(SiteAccess $access, DoorRequest $request, DoorPolicy $policy, FieldErrors $errors): void
    {
        foreach (array_diff($request->divisions, array_keys($this->divisions->offered())) as $unknown) {
            $errors->add('divisions', 'unknown', Said::with('doors.no-division', code: $unknown));
        }
        if (
            (null === $request->lowest) !== (null === $request->highest)
            || (null !== $request->lowest && $request->lowest > $request->highest)
        ) {
            $errors->add('lowest', 'levels', 'doors.give-both-levels-lower');
        }
        if ('preview' !== $request->kind && $errors->none()) {
            $verdict = $this->authority->verdict($access, $policy);
            $verdict->allowed || $errors->add('role', $verdict->code, self::refusal($verdict->code));
        }
        if ($request->accounts) {
            $this->mayMakeAccounts($access, $request, $errors);
        }
        if ($request->accounts && [] !== $request->domains) {
            $errors->add('accounts', 'no-address', 'doors.accounts-made-way-no');
        }
    }

    private static function refusal(string $code): string
    {
        return match ($code) {
            'no-such-role' => 'shared.no-such-role-any',
            'wrong-kind', 'wrong-level' => 'doors.nobody-door-hold-role',
            default => 'doors.not-give-role-hand',
        };
    }

    /** Into which section people come. */
    private function where(SiteAccess $access, DoorRequest $request, FieldErrors $errors): void
    {
        $section = null === $request->section ? null : $this->sections->ofSite($access->site->id, $request->section);
        if ('fixed' === $request->place && false !== $section?->retired) {
            $errors->add('section', 'no-such-section', 'doors.choose-section-site');
        }
        if (
            \in_array($request->place, ['emptiest', 'choice'], true)
            && [] === $this->sections->offered($access->site->id)
        ) {
            $errors->add('place', 'no-sections', 'doors.site-no-sections');
        }
    }

    /** How long people stay, and when those go who never come. */
    private function staying(
        SiteAccess $access,
        DoorRequest $request,
        DoorPolicy $policy,
        FieldErrors $errors,
    ): DoorPolicy {
        $says = null === $request->quietMeetings || $this->meetings->saysWhen($access->site->id);
        if (!$says && [] === $request->meets) {
            $errors->add('meets', 'no-meetings', 'doors.say-which-weekdays-meet');
        }
        if ('day' !== $request->stay) {
            return $policy;
        }
        $until = null === $request->stayDay ? null : $access->endOf($request->stayDay, '/stayDay');
        if (null === $until || $until <= $access->now) {
            $errors->add('stayDay', 'over', 'doors.choose-day-still-come');
        }

        return self::policy($request, $until);
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
            $errors->add('untilDay', 'over', 'doors.day-over-already-choose');
        }
        if ($from > $access->now + self::FURTHEST) {
            $errors->add('fromDay', 'far', 'doors.more-three-years-ahead');
        }
        try {
            return new Window($from, $until);
        } catch (WindowOutOfOrder) {
            $errors->add('untilDay', 'before-start', 'shared.last-day-before-first');

            return new Window();
        }
    }

    private function mayMakeAccounts(SiteAccess $access, DoorRequest $request, FieldErrors $errors): void
    {
        $division = $request->divisions[0] ?? $access->site->division;
        $level = $request->lowest ?? ($access->site->levels->lowest ?? 1);
        $newcomer = new Person(Id::NONE, PersonKind::Learner, $division, $level);
        if (\count($request->divisions) > 1) {
            $errors->add('divisions', 'one', 'doors.makes-account-becomes-learner');
        } elseif (
            !$this->caring
                ->caretaker($access->caller)
                ->mayMake(PersonKind::Learner, $division, $this->accounts->lettingInto($access->caller))
        ) {
            $errors->add('accounts', 'not-yours', 'doors.not-make-accounts-division');
        } elseif (!$this->roles->book()->mayHold($request->role, $newcomer, $access->site)->allowed) {
            $errors->add('accounts', 'wrong-kind', 'doors.makes-account-learner-learners');
        }
    }
}
