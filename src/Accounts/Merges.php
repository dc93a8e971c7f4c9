<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use MintDoor\Accounts\Repository\CalendarAddresses;
use MintDoor\Accounts\Repository\HeldAbout;
use MintDoor\Changes\ChangeItem;
use MintDoor\Changes\ChangeListRunner;
use MintDoor\Changes\ChangeLists;
use MintDoor\Changes\Entity\ChangeList;
use MintDoor\Changes\LineRequest;
use MintDoor\Changes\ManySites;
use MintDoor\Changes\Repository\AppliedLines;
use MintDoor\Changes\RequestedItem;
use MintDoor\Changes\ReviewAnswer;
use MintDoor\Cohorts\Lists;
use MintDoor\Core\Accounts\Merging;
use MintDoor\Core\Changes\Wanted;
use MintDoor\Core\People\FurtherName;
use MintDoor\Core\People\NameKind;
use MintDoor\Core\People\PersonVisibility;
use MintDoor\Core\Roster\Timeline;
use MintDoor\Core\Time\Time;
use MintDoor\Groups\Repository\GroupPlaces;
use MintDoor\History\Happening;
use MintDoor\History\History;
use MintDoor\Messages\AccountNews;
use MintDoor\Messages\Notices;
use MintDoor\People\Facts;
use MintDoor\People\PersonFacts;
use MintDoor\People\PersonRow;
use MintDoor\People\Repository\AccountRecords;
use MintDoor\People\Repository\Labels;
use MintDoor\People\Repository\People;
use MintDoor\People\Repository\PersonDetails;
use MintDoor\Plans\Repository\Wishes;
use MintDoor\Roles\Roles;
use MintDoor\Roster\PersonGate;
use MintDoor\Roster\Repository\Enrollments;
use MintDoor\Roster\Repository\Standings;
use MintDoor\Roster\SegmentRow;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Locks;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\Row;
use MintDoor\Shared\Transaction;
use MintDoor\Sites\SiteName;

/**
 * Makes one person of two, and takes that back. What changes something runs inside a transaction.
 */
final readonly class Merges
{
    private const MAY = 'accounts.only-administrators-both-divisions-merge';

    public function __construct(
        private People $people,
        private AccountRecords $records,
        private Enrollments $enrollments,
        private Standings $standings,
        private Labels $labels,
        private PersonDetails $details,
        private HeldAbout $held,
        private AppliedLines $applied,
        private Transaction $transaction,
        private PersonGate $gate,
        private PersonFacts $facts,
        private Accounts $accounts,
        private CalendarAddresses $calendars,
        private Wishes $wishes,
        private GroupPlaces $places,
        private Lists $lists,
        private ManySites $sites,
        private ChangeListRunner $runner,
        private ChangeLists $changeLists,
        private Roles $roles,
        private PlatformClock $clock,
        private History $history,
        private Notices $notices,
        private Locks $locks,
    ) {}

    /** @return list<string> ids of the sites either of them has to do with */
    public function sitesOf(string ...$people): array
    {
        return $this->enrollments->sitesOf(array_values($people));
    }

    public function merge(MergeRequest $request, Caller $caller): MergeAnswer
    {
        $this->locks->people([$request->stays, $request->goes], alone: true);
        $stays = $this->gate->administered($request->stays, $caller, self::MAY);
        $goes = $this->gate->administered($request->goes, $caller, self::MAY);
        $this->assertMay($goes, $caller);
        $steps = $this->steps($request, $caller);
        $review = $this->sites->review($steps->items, $caller);
        $facts = $this->settled($request, $stays, $goes);
        $open = $review->total - ($review->verdicts['ready'] ?? 0) - ($review->verdicts['nothing-to-do'] ?? 0);
        $ready = [] === $steps->choices && 0 === $open;
        $changeList = null;
        if ($request->apply) {
            if (!$ready) {
                throw new Problem(
                    ProblemType::NotReady,
                    [] === $steps->choices
                        ? 'accounts.sites-not-allow-see'
                        : 'accounts.different-roles-site-choose',
                );
            }
            $changeList = $this->apply($request, $stays, $goes, $facts, $steps->items, $caller);
        }

        $login = $stays->stringOrNull('login');

        return new MergeAnswer(
            stays: PersonRow::shown($stays, PersonVisibility::Full),
            goes: PersonRow::shown($goes, PersonVisibility::Full),
            facts: $facts->kept(),
            login: $login ?? $goes->stringOrNull('login'),
            closes: null === $login ? null : $goes->stringOrNull('login'),
            choices: $steps->choices,
            review: $review,
            ready: $ready,
            changeList: $changeList,
        );
    }

    /**
     * What parting them again would do in their sites. They are parted for it, and that is forgotten.
     */
    public function lookBack(string $changeList, Caller $caller): ReviewAnswer
    {
        $kept = $this->kept($this->list($changeList, $caller));

        return $this->transaction->attempt(false, function () use ($kept, $changeList, $caller): ReviewAnswer {
            $this->part($kept, $caller);

            return $this->sites->reviewUndo($this->applied->ofList($changeList), $caller);
        });
    }

    /** @return string id of the change list that took it back */
    public function takeBack(string $changeList, Caller $caller): string
    {
        $list = $this->list($changeList, $caller);
        [$kept, $title] = [$this->kept($list), $list->title];
        $this->locks->people([$kept->stays, $kept->goes], alone: true);
        $this->part($kept, $caller);
        $lines = $this->applied->ofList($changeList);
        $review = $this->sites->reviewUndo($lines, $caller);
        if (($review->verdicts['ready'] ?? 0) < $review->total) {
            throw new Problem(ProblemType::ChangedSince, 'accounts.something-changed-site-since');
        }
        $undo = $this->carryOut(
            'undo',
            $title,
            array_map(
                static fn(Row $line): RequestedItem => RequestedItem::undo(
                    $line->id('site_id'),
                    $line->id('person_id'),
                    $line->id('id'),
                ),
                $lines,
            ),
            $caller,
            $changeList,
        );
        $this->history->write(
            History::PLATFORM,
            $caller,
            new Happening('unmerged', ['changeList' => $changeList], $kept->stays),
        );

        return $undo;
    }

    /** Gives both their own names, numbers, addresses and accounts back. */
    private function part(MergeKept $kept, Caller $caller): void
    {
        $stays = $this->gate->administered($kept->stays, $caller, self::MAY);
        $goes = $this->people->locked($kept->goes);
        if ('merged' !== $goes->gone || $goes->goneInto?->id !== $kept->stays) {
            throw new Problem(ProblemType::UndoneAlready, 'shared.already-undone');
        }
        if ($stays->int('version') !== $kept->version) {
            throw new Problem(ProblemType::ChangedSince, 'accounts.names-number-address-changed');
        }
        if ($kept->moved) {
            $this->records->move($kept->stays, $kept->goes);
            $this->accounts->endSessions($kept->stays);
        } elseif (null !== $kept->closedFrom) {
            $this->records->closeFrom($kept->goes, $kept->closedFrom);
        }
        // Whoever stays lets go of number and address first: two cannot hold them.
        $this->facts->write($kept->stays, $kept->before);
        $this->facts->write($kept->goes, $kept->other);
        $this->labels->take($kept->stays, $kept->labels);
        $this->details->take($kept->stays, $kept->details);
        $this->wishes->giveBack($kept->stays, $kept->goes, $kept->wishes);
        $this->places->giveBack($kept->stays, $kept->goes, $kept->places, $this->clock->instant());
        $this->lists->giveBack($kept->stays, $kept->lists, $caller->id);
    }

    /** @return list<string> ids of both */
    public function people(string $changeList, Caller $caller): array
    {
        $kept = $this->kept($this->list($changeList, $caller));

        return [$kept->stays, $kept->goes];
    }

    private function assertMay(Row $goes, Caller $caller): void
    {
        if ($goes->id('person_id') === $caller->id) {
            throw Problem::notAllowed('accounts.cannot-goes-keep-own');
        }
        if ($this->held->administers([$goes->id('person_id')])) {
            throw Problem::notAllowed('accounts.goes-administers-something-take');
        }
    }

    private function steps(MergeRequest $request, Caller $caller): MergeSteps
    {
        $now = $this->clock->instant();
        $timelines = $rows = [];
        foreach ($this->standings->ofPeople([$request->stays, $request->goes]) as $row) {
            if (!$caller->administers($row->string('division_code'))) {
                throw Problem::notAllowed('accounts.site-another-division-ask');
            }
            $rows[$row->id('id')] = $row;
            $timelines[$row->id('id')][$row->id('person_id')][] = SegmentRow::segment($row);
        }
        $items = $choices = [];
        foreach ($timelines as $site => $of) {
            $merging = Merging::inSite(
                new Timeline($of[$request->stays] ?? []),
                new Timeline($of[$request->goes] ?? []),
                $now,
                $this->roles->book(),
                $request->roles[$site] ?? null,
            );
            if (null !== $merging->between) {
                $choices[] = new RoleChoice(
                    new SiteName($site, $rows[$site]->string('title')),
                    $merging->between,
                );
            }
            foreach ($merging->steps as $step) {
                $items[] = new ChangeItem(
                    $site,
                    $this->line(
                        $step->stays ? $request->stays : $request->goes,
                        $step->wanted,
                        new \DateTimeZone($rows[$site]->string('time_zone')),
                        $now,
                    ),
                );
            }
        }

        return new MergeSteps($items, $choices);
    }

    private function line(string $person, Wanted $wanted, \DateTimeZone $zone, int $now): LineRequest
    {
        $day = static fn(int $instant): string => (new \DateTimeImmutable('@'.$instant))
            ->setTimezone($zone)
            ->format('Y-m-d');
        $window = $wanted->window;

        return new LineRequest(
            $person,
            $wanted->verb->value,
            $wanted->role,
            null === $window || $window->from <= $now ? null : $day($window->from),
            null === $window || $window->until >= Time::FOREVER ? null : $day($window->until - 1),
            sure: true,
        );
    }

    private function settled(MergeRequest $request, Row $stays, Row $goes): Facts
    {
        [$own, $theirs] = [Facts::ofRow($stays)->kept(), Facts::ofRow($goes)->kept()];
        $kept = [];
        foreach (array_keys($own) as $field) {
            // What only one of them has is kept, whatever is chosen for it.
            $kept[$field] =
                'goes' === ($request->take[$field] ?? 'stays')
                    ? $theirs[$field] ?? $own[$field]
                    : $own[$field] ?? $theirs[$field];
        }
        // A kind of the platform's own is like one of the four, and so only for people of that one.
        $alike = $stays->string('person_kind') === $goes->string('person_kind');
        $kept['ownKind'] = $own['ownKind'] ?? ($alike ? $theirs['ownKind'] : null);
        $further = [...FurtherName::ofPlain($own['further']), ...FurtherName::ofPlain($theirs['further'])];
        // They are still found by the family name that is not kept.
        $other = $kept['family'] === $own['family'] ? $theirs['family'] : $own['family'];
        if ($other !== $kept['family']) {
            $further[] = new FurtherName(NameKind::Former, '', $other);
        }
        $kept['further'] = FurtherName::plain(FurtherName::distinct($further));

        return Facts::read($kept);
    }

    /** @param list<ChangeItem> $items */
    private function apply(
        MergeRequest $request,
        Row $stays,
        Row $goes,
        Facts $facts,
        array $items,
        Caller $caller,
    ): string {
        $moved = null === $stays->stringOrNull('login') && null !== $goes->stringOrNull('login');
        $labels = array_diff($this->labels->idsOf($request->goes), $this->labels->idsOf($request->stays));
        $kept = new MergeKept(
            $request->stays,
            $request->goes,
            Facts::ofRow($stays),
            Facts::ofRow($goes),
            $moved,
            array_values($labels),
            $stays->int('version') + 1,
            null === $goes->stringOrNull('login') ? null : $goes->instant('closed_from'),
            $this->details->lend($request->goes, $request->stays),
            $this->wishes->lend($request->goes, $request->stays),
            $this->places->lend($request->goes, $request->stays, $this->clock->instant()),
            $this->lists->lend($request->goes, $request->stays, $caller->id),
        );
        $changeList = $this->carryOut(
            'merge',
            PersonRow::name($stays),
            array_map(
                static fn(ChangeItem $item): RequestedItem => RequestedItem::change($item->site, $item->line),
                $items,
            ),
            $caller,
            undoData: $kept->json(),
        );
        $now = $this->clock->instant();
        $this->labels->put($request->stays, $kept->labels, $caller->id, $now);
        $this->facts->write($request->goes, $kept->other->withoutNumberAndAddress(), 'merged', $request->stays);
        $moved
            ? $this->records->move($request->goes, $request->stays)
            : $this->records->closeFrom($request->goes, min($now, $kept->closedFrom ?? $now));
        $this->accounts->endSessions($request->goes);
        $this->calendars->dropOf($request->goes);
        $this->facts->write($request->stays, $facts);
        $this->history->write(
            History::PLATFORM,
            $caller,
            new Happening('merged', ['changeList' => $changeList], $request->stays),
        );
        $this->notices->tell([new AccountNews($this->accounts->row($request->stays), 'login')], $caller);

        return $changeList;
    }

    /**
     * Keeps a change list and applies its lines; one without lines counts as one.
     *
     * @param list<RequestedItem>   $items
     * @param ?array<string, mixed> $undoData
     *
     * @return string its id
     */
    private function carryOut(
        string $kind,
        string $title,
        array $items,
        Caller $caller,
        ?string $undoes = null,
        ?array $undoData = null,
    ): string {
        $state = [] === $items ? 'applied' : 'applying';
        $list = $this->changeLists->begin($kind, null, $title, $state, $caller, $undoes, $undoData);
        if ([] === $items) {
            $list->finish(1, 1);
        } else {
            $list->total = \count($items);
            $this->runner->begin($list->id, $items);
        }

        return $list->id;
    }

    private function list(string $changeList, Caller $caller): ChangeList
    {
        $list = $this->changeLists->seen($changeList, $caller, 'merge');
        ChangeLists::assertState(
            $list,
            ['applied', 'applying'],
            'accounts.never-done-nothing-take',
        );

        return $list;
    }

    private function kept(ChangeList $list): MergeKept
    {
        // Written by the server alone; what clients keep in `work` is never read for this.
        return null !== $list->undoData
            ? MergeKept::read($list->undoData)
            : throw new Problem(ProblemType::ChangedSince, 'accounts.erased-since-cannot-taken');
    }
}
