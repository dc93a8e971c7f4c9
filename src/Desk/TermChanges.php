<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Changes\ChangeHandler;
use MintDoor\Changes\ChangeLists;
use MintDoor\Changes\ComputedList;
use MintDoor\Core\Changes\Verdict;
use MintDoor\Core\Roster\FirstDayCheck;
use MintDoor\Core\Roster\FirstDayGroup;
use MintDoor\Core\Time\Time;
use MintDoor\Desk\Repository\FirstDay;
use MintDoor\Doors\TermDoors;
use MintDoor\Doors\TermDoorsDone;
use MintDoor\Platform\Entity\Term;
use MintDoor\Roles\Roles;
use MintDoor\Roster\ReasonJson;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Caller;
use MintDoor\Shared\FieldErrors;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Said;
use MintDoor\Shared\Transaction;
use MintDoor\Sites\Entity\Site;
use MintDoor\Sites\SiteName;
use MintDoor\Weeks\Meetings;

/**
 * Changes the term of sites: as one change list, looked at before with who could enter on the first day, and taken back
 * as a whole. Runs inside a transaction, under the locks of the sites.
 */
final readonly class TermChanges
{
    private const KIND = 'term-change';

    public function __construct(
        private SiteCarrying $carrying,
        private SiteHandler $handler,
        private TermSites $sites,
        private TermPeople $people,
        private TermDoors $doors,
        private ChangeLists $changeLists,
        private FirstDay $firstDay,
        private Meetings $meetings,
        private ReasonJson $reasons,
        private Roles $roles,
        private Transaction $transaction,
    ) {}

    /** @throws Problem of type `Invalid` at the sites and fields that are wrong, or `ManyRemoved` */
    public function change(TermChangeRequest $request, Caller $caller): TermChangeAnswer
    {
        $accesses = array_map(
            fn(TermChangeSite $site): SiteAccess => $this->carrying->run($site->id, $caller),
            $request->sites,
        );
        $this->check($request, $accesses);

        return $this->transaction->attempt(
            $request->apply,
            fn(): TermChangeAnswer => $this->make($request, $accesses, $caller),
        );
    }

    /** @return list<string> ids of the sites a change list is about */
    public function sitesOf(string $changeList, Caller $caller): array
    {
        $ids = [];
        foreach ($this->parts($changeList, $caller) as $part) {
            array_push($ids, $part->site, ...null === $part->made ? [] : [$part->made]);
        }

        return $ids;
    }

    /** Whoever and whatever was changed since stays as it is. */
    public function undo(string $changeList, bool $apply, Caller $caller): CarriedBackAnswer
    {
        return $this->transaction->attempt($apply, function () use ($changeList, $apply, $caller): CarriedBackAnswer {
            $list = $this->carrying->list($changeList, self::KIND, $caller);
            // Whoever began the draft is not who carried it out.
            $own = $caller->id === ($list->changedBy ?? $list->madeBy->id);
            $parts = $this->parts($changeList, $caller);
            $made = $dates = [];
            foreach ($parts as $part) {
                // What others take back is done with the rights of the platform.
                if (!$own && !$caller->administers($this->carrying->site($part->site)->division->code)) {
                    throw Problem::notAllowed('desk.term.only-who-changed');
                }
                $this->sites->back($part, $this->carrying->run($part->site, $caller));
                if (null !== $part->made) {
                    $there = $this->carrying->run($part->made, $caller);
                    $made[] = new SiteName($part->made, $there->row->string('title'));
                    // A draft needs no lead: they go, too.
                    $dates[$part->made] = $this->handler->turn(
                        $there,
                        $this->carrying->site($part->made)->term,
                        Time::FOREVER,
                        Time::FOREVER,
                    );
                }
            }
            $answer = $this->carrying->back($list, [], $made, $apply, $caller, carried: false);
            foreach ($parts as $part) {
                if (null !== $part->made) {
                    $there = $this->carrying->ofPlatform($part->made, $caller);
                    $this->isEmpty($part->made, $part->lead)
                        ? $this->handler->takeBack($there)
                        : $this->handler->turnBack($there, ...$dates[$part->made]);
                }
            }

            return $answer;
        });
    }

    /** Whether nobody is in a site any more but whoever made it. */
    private function isEmpty(string $site, ?string $lead): bool
    {
        foreach ($this->carrying->enrolled($site) as $person => $enrollment) {
            $here = $enrollment->timeline()->at($this->carrying->instant())?->state->here();
            if (true === $here && (string) $person !== $lead) {
                return false;
            }
        }

        return true;
    }

    /** @return list<TermChangePart> */
    private function parts(string $changeList, Caller $caller): array
    {
        $data = $this->carrying->list($changeList, self::KIND, $caller)->undoData ?? [];

        return array_map(
            static fn(mixed $part): TermChangePart => TermChangePart::read((array) $part),
            array_values((array) ($data['parts'] ?? [])),
        );
    }

    /** @param list<SiteAccess> $accesses */
    private function check(TermChangeRequest $request, array $accesses): void
    {
        $errors = new FieldErrors();
        $seen = [];
        foreach ($accesses as $n => $access) {
            $site = $this->carrying->site($access->site->id);
            if (isset($seen[$site->id])) {
                $errors->add("sites/$n/id", 'repeat', 'desk.term.site-twice');
            }
            if ($site->term?->code === $request->term) {
                $errors->add("sites/$n/id", 'same', Said::with('desk.term.site-has-it', title: $site->title));
            }
            $seen[$site->id] = true;
        }
        if (null === $this->roles->book()->find($request->role)) {
            $errors->add('role', 'unknown', 'shared.no-such-role');
        }
        if ('cohort' === $request->leave && null === $request->cohort) {
            $errors->add('cohort', 'cohort', 'desk.term.choose-cohort');
        }
        $errors->check();
    }

    /** @param list<SiteAccess> $accesses */
    private function make(TermChangeRequest $request, array $accesses, Caller $caller): TermChangeAnswer
    {
        $now = $this->carrying->instant();
        $leaving = 'cohort' === $request->leave && null !== $request->cohort
            ? $this->people->ofCohort($request->cohort, $caller, $now, '/cohort')
            : [];
        $come = $request->people;
        foreach ($request->cohorts as $n => $cohort) {
            $members = $this->people->ofCohort($cohort, $caller, $now, "/cohorts/$n");
            array_push($come, ...array_map(strval(...), array_keys($members)));
        }
        $titles = array_map(static fn(SiteAccess $access): string => $access->row->string('title'), $accesses);
        $title = mb_substr(implode(', ', $titles), 0, 160);
        $only = 1 === \count($accesses) ? $accesses[0]->site->id : null;
        $list = $request->apply && null !== $request->changeList
            ? $this->changeLists->draft($request->changeList, self::KIND, $title, $caller)
            : $this->changeLists->begin(self::KIND, $only, $title, 'applied', $caller);
        $turned = [];
        $many = 0;
        $removal = null;
        foreach ($accesses as $n => $access) {
            $one = $request->makesNew()
                ? $this->anew($request, $access, $come, $n, 1 + $many, $list->id)
                : $this->on($request, $access, $leaving, $come, 1 + $many, $list->id);
            $many += \count($one->computed->lines);
            $this->carrying->assertNotTooMany($many);
            $removal = $one->computed->removal?->and($removal) ?? $removal;
            $turned[] = $one;
        }
        $review = $this->carrying->review(
            array_map(static fn(TermTurned $one): array => [$one->there, $one->computed], $turned),
        );
        if ($request->apply) {
            ChangeHandler::assertRemovalsSaid($removal, $request->removing);
            $parts = array_map(static fn(TermTurned $one): array => $one->part->json(), $turned);
            $ready = $review->verdicts[Verdict::Ready->value] ?? 0;
            $this->changeLists->finished($list, ['parts' => $parts], $many, $ready);
        }

        return new TermChangeAnswer(
            array_map(static fn(TermTurned $one): TermChangedSite => $one->shown, $turned),
            $review,
            $removal?->people,
            $request->apply ? $list->id : null,
        );
    }

    /**
     * A site that goes on.
     *
     * @param array<string, true> $leaving ids of those of the cohort that leaves
     * @param list<string>        $come    ids
     */
    private function on(
        TermChangeRequest $request,
        SiteAccess $access,
        array $leaving,
        array $come,
        int $first,
        string $changeList,
    ): TermTurned {
        $site = $this->carrying->site($access->site->id);
        $term = $this->handler->termOf($request->term, $site->division->code);
        $old = $site->term;
        $oldEnds = null === $old ? null : $access->site->termEnds;
        $shift = TermSites::shift($site, $term);
        $waiting = $request->waiting ? $this->people->waiting($site->id) : [];
        $enrolled = $this->carrying->enrolled($site->id);
        [$before, $after] = $this->sites->goOn($access, $site, $term, $shift);
        $sections = null === $shift ? [] : $this->sites->moveSections($site->id, $shift);
        [$hoursBefore, $hoursAfter] = null === $shift ? [[], []] : $this->sites->moveHours($site->id, $shift);
        $there = $this->sites->now($access);
        [$lines, $counts] = $this->people->turn(
            $there,
            $enrolled,
            $request,
            $leaving,
            [...$come, ...$waiting],
            TermSites::term($term),
            $oldEnds,
            $old?->endsOn,
        );
        $hidden = $this->people->hidden($there, $lines);
        $computed = $this->people->computed($there, array_diff_key($lines, array_flip($hidden)), $first);
        $this->people->store($there, $computed, $changeList);
        $doors = match ($request->doors) {
            'renew' => $this->doors->renew($there, $shift),
            'shut' => $this->doors->shut($there),
            default => new TermDoorsDone(),
        };
        $part = new TermChangePart(
            $site->id,
            null,
            $before,
            $after,
            $doors->kept,
            $sections,
            $hoursBefore,
            $hoursAfter,
        );

        return new TermTurned(
            $there,
            $computed,
            $part,
            $this->shown($site, $site, $there, $computed, \count($hidden), $counts, $doors, $old, $term, $request),
        );
    }

    /**
     * A site that is made like one, which closes.
     *
     * @param list<string> $come ids
     */
    private function anew(
        TermChangeRequest $request,
        SiteAccess $access,
        array $come,
        int $n,
        int $first,
        string $changeList,
    ): TermTurned {
        $site = $this->carrying->site($access->site->id);
        $term = $this->handler->termOf($request->term, $site->division->code);
        $caller = $access->caller;
        $lead = !$caller->administers($site->division->code);
        [$made, $sections] = $this->sites->like($site, $request->sites[$n], $term, $caller, $lead, $n);
        $waiting = $request->waiting ? $this->people->waiting($site->id) : [];
        $enrolled = $this->carrying->enrolled($site->id);
        $staff = $this->people->staff($enrolled, $sections, $access->now, $lead ? $caller->id : null);
        $come = array_values(array_diff([...$come, ...$waiting], array_map(strval(...), array_keys($staff))));
        [$coming, $here] = $this->people->come($made, [], $request, $come, TermSites::term($term));
        $hidden = $this->people->hidden($made, $staff + $coming);
        $computed = $this->people->computed($made, array_diff_key($staff + $coming, array_flip($hidden)), $first);
        $this->people->store($made, $computed, $changeList);
        $doors = $this->sites->furnish($access, $made, $sections, $term, 'renew' === $request->doors);
        [$before, $after] = $this->sites->close($access, $site);
        $there = $this->sites->now($made);
        $counts = ['staff' => \count($staff), 'come' => \count($coming), 'here' => $here];
        $new = $this->carrying->site($made->site->id);
        $part = new TermChangePart($site->id, $new->id, $before, $after, lead: $lead ? $caller->id : null);

        return new TermTurned(
            $there,
            $computed,
            $part,
            $this->shown(
                $site,
                $new,
                $there,
                $computed,
                \count($hidden),
                $counts,
                $doors,
                $site->term,
                $term,
                $request
            ),
        );
    }

    /**
     * @param int                $hidden how many come who are not there for the caller
     * @param array<string, int> $counts
     */
    private function shown(
        Site $old,
        Site $site,
        SiteAccess $there,
        ComputedList $computed,
        int $hidden,
        array $counts,
        TermDoorsDone $doors,
        ?Term $before,
        Term $term,
        TermChangeRequest $request,
    ): TermChangedSite {
        $at = static fn(int $instant): ?string => $instant >= Time::FOREVER ? null : Instant::toJson($instant);

        return new TermChangedSite(
            new SiteName($old->id, $old->title),
            $request->apply && $old !== $site ? new SiteName($site->id, $site->title) : null,
            $site->title,
            $site->code,
            $before?->name,
            $at($site->opensAt),
            $at($site->closesAt),
            $old === $site ? null : $at($old->closesAt),
            $site->timeZone,
            ['notYet' => $hidden + TermPeople::notYet($computed)] + $counts + array_fill_keys(TermPeople::COUNTS, 0),
            $doors->names,
            $doors->left,
            $this->firstDay($there, $term),
        );
    }

    /** Who could enter at the first meeting of the term; where nothing meets, on its first day at nine. */
    private function firstDay(SiteAccess $access, Term $term): TermFirstDay
    {
        $site = $access->site->id;
        $starts = $access->startOf($term->startsOn, '/term');
        $next = $this->meetings->next($site, $starts);
        $at = [] === $next ? Time::FOREVER : min($next);
        if ($at >= $access->site->termEnds) {
            $at = Time::atTime($term->startsOn, '09:00', $access->zone());
        }
        $alike = $this->firstDay->people([$site => $at])->alike[$site] ?? [];
        $check = FirstDayCheck::at($at, $access->site, $this->roles->book(), $alike);

        return new TermFirstDay(
            Instant::toJson($at) ?? '',
            $check->enter,
            $check->look,
            array_values(array_map(
                fn(FirstDayGroup $group): array => [
                    'reason' => $this->reasons->forStaff($group->reason, $access->standing),
                    'people' => \count($group->people),
                ],
                $check->groups,
            )),
        );
    }
}
