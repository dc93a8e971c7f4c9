<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Changes\CarryLines;
use MintDoor\Changes\ComputedList;
use MintDoor\Core\Changes\Carried;
use MintDoor\Core\Changes\CarryMap;
use MintDoor\Core\Roster\Enrollment;
use MintDoor\Core\Sites\MergedSite;
use MintDoor\Core\Text\Folding;
use MintDoor\Core\Time\Window;
use MintDoor\Doors\CarriedDoors;
use MintDoor\History\Happening;
use MintDoor\History\History;
use MintDoor\Platform\PlatformSettings;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Entity\Door;
use MintDoor\Roster\Entity\Section;
use MintDoor\Roster\Repository\Sections;
use MintDoor\Roster\Repository\SiteDoors;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Caller;
use MintDoor\Shared\FieldErrors;
use MintDoor\Shared\Ids;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\Said;
use MintDoor\Shared\Transaction;
use MintDoor\Sites\Entity\Site;
use MintDoor\Sites\SiteName;
use MintDoor\Weeks\CarriedHours;

/**
 * Makes one site of several, with a section each, and takes that back. Runs inside a transaction, under the locks of
 * the sites; only looked at, it is done in the same way and then forgotten.
 */
final readonly class SiteMerges
{
    private const KIND = 'site-merge';

    /** So long a name of a section may be. */
    private const NAME = 80;

    public function __construct(
        private SiteCarrying $carrying,
        private CarryLines $lines,
        private CarriedDoors $doors,
        private CarriedHours $hours,
        private SiteDoors $staff,
        private Sections $sections,
        private Roles $roles,
        private PlatformSettings $settings,
        private History $history,
        private Transaction $transaction,
        private Ids $ids,
    ) {}

    /** @throws Problem of type `Invalid` at the sites that cannot be merged, or `NotReady` */
    public function merge(SiteMergeRequest $request, Caller $caller): SiteMergeAnswer
    {
        $into = $this->carrying->run($request->into, $caller);
        $others = array_map(fn(string $site): SiteAccess => $this->carrying->run($site, $caller), $request->sites);
        $this->check($into, $others);

        return $this->transaction->attempt(
            $request->apply,
            fn(): SiteMergeAnswer => $this->make($request, $into, $others, $caller),
        );
    }

    /** @return list<string> ids of the sites a change list merged */
    public function sitesOf(string $changeList, Caller $caller): array
    {
        $kept = SiteMergeKept::read($this->carrying->list($changeList, self::KIND, $caller)->undoData ?? []);

        return [$kept->into, ...array_map(static fn(SiteMergePart $part): string => $part->site, $kept->parts)];
    }

    /** Gives the sites their people, doors and dates back; whoever was changed since stays where they are. */
    public function undo(string $changeList, bool $apply, Caller $caller): CarriedBackAnswer
    {
        $list = $this->carrying->list($changeList, self::KIND, $caller);
        $kept = SiteMergeKept::read($list->undoData ?? []);
        $into = $this->carrying->run($kept->into, $caller);
        $own = $list->madeBy->id === $caller->id;
        foreach ($kept->parts as $part) {
            $division = $this->carrying->site($part->site)->division->code;
            if (!$own && !$caller->administers($division)) {
                throw Problem::notAllowed('desk.merge.only-who-merged');
            }
        }

        return $this->transaction->attempt($apply, function () use (
            $changeList,
            $kept,
            $into,
            $apply,
            $caller,
        ): CarriedBackAnswer {
            $list = $this->carrying->list($changeList, self::KIND, $caller);
            $titles = array_map(fn(SiteMergePart $part): SiteName => $this->open($part, $kept->into), $kept->parts);
            $this->carrying->flush();
            $answer = $this->carrying->back($list, [$kept->into], $titles, $apply, $caller);
            if ($apply) {
                $this->putBack($kept, $into, $titles, $caller);
            }

            return $answer;
        });
    }

    /** Has a site that was merged be there again, with its doors. */
    private function open(SiteMergePart $part, string $into): SiteName
    {
        $site = $this->carrying->site($part->site);
        if ($site->mergedInto?->id !== $into) {
            throw new Problem(ProblemType::ChangedSince, 'desk.merge.changed-since');
        }
        $site->mergedInto = null;
        $site->takenBack = false;
        $site->closesAt = $part->closesAt;
        ++$site->version;
        $this->doors->move($this->doors->still($into, $part->doors), $site, array_flip($part->sections));

        return new SiteName($site->id, $site->title);
    }

    /**
     * Everybody meets as before: those of the site that stays in their own sections, the others in those they came
     * into.
     *
     * @param list<SiteMergePart> $parts
     *
     * @return array<string, mixed> how the site meets then
     */
    private function hoursCome(string $into, ?Section $own, array $parts): array
    {
        $made = array_merge(...array_map(static fn(SiteMergePart $part): array => $part->made(), $parts));
        $offered = array_map(static fn(Section $section): string => $section->id, $this->sections->offered($into));
        $this->hours->narrow($into, null === $own ? array_values(array_diff($offered, $made)) : [$own->id]);
        foreach ($parts as $part) {
            $this->hours->come($into, $part->site, $part->sections, $part->made());
        }

        return $this->hours->kept($into);
    }

    /** @param list<SiteName> $titles of those that are there again */
    private function putBack(SiteMergeKept $kept, SiteAccess $into, array $titles, Caller $caller): void
    {
        $site = $this->carrying->site($kept->into);
        if (null !== $kept->own) {
            $this->doors->move($this->doors->into($kept->into, [$kept->own]), $site, []);
        }
        $this->hours->putBack($kept->into, $kept->hoursBefore, $kept->hoursAfter, $kept->sections());
        $this->carrying->retire($kept->into, $kept->sections());
        $facts = self::facts($site);
        // What was changed since stays.
        $back = array_filter(
            $kept->before,
            static fn(string $field): bool => $facts[$field] === ($kept->after[$field] ?? null),
            \ARRAY_FILTER_USE_KEY,
        );
        $this->carrying->putFacts($site, $back);
        $names = array_map(static fn(SiteName $one): string => $one->title, $titles);
        $this->history->write($kept->into, $caller, new Happening('sites-unmerged', ['name' => implode(', ', $names)]));
        foreach ($titles as $one) {
            $this->history->write($one->id, $caller, new Happening(
                'site-unmerged',
                ['to' => $into->row->string('title')],
            ));
        }
    }

    /**
     * @param list<SiteAccess> $others
     *
     * @throws Problem of type `Invalid`
     */
    private function check(SiteAccess $into, array $others): void
    {
        $errors = new FieldErrors();
        $sites = array_map(static fn(SiteAccess $access) => $access->site, [$into, ...$others]);
        $not = MergedSite::fits($sites, $into->now);
        $starters = array_column($this->settings->read()->starters, 'site');
        foreach ([$into, ...$others] as $n => $access) {
            $field = 0 === $n ? 'into' : 'sites/'.($n - 1);
            $title = $access->row->string('title');
            $why = $not[$access->site->id] ?? null;
            null === $why || $errors->add($field, $why, Said::with('desk.merge.'.$why, title: $title));
            if (0 !== $n && \in_array($access->row->string('code'), $starters, true)) {
                $errors->add($field, 'starter', Said::with('desk.merge.starter', title: $title));
            }
            $choosing = 0 === $n ? [] : $this->doors->choosing($access->site->id);
            if ([] !== $choosing) {
                $errors->add($field, 'door-chooses', Said::with('desk.merge.door-chooses', door: $choosing[0]));
            }
        }
        $errors->check();
    }

    /** @param list<SiteAccess> $others */
    private function make(SiteMergeRequest $request, SiteAccess $into, array $others, Caller $caller): SiteMergeAnswer
    {
        $enrolled = [];
        foreach ([$into, ...$others] as $access) {
            $enrolled[$access->site->id] = $this->carrying->enrolled($access->site->id);
        }
        $this->carrying->assertNotTooMany((int) array_sum(array_map(\count(...), $enrolled)));
        $site = $this->carrying->site($into->site->id);
        $before = self::facts($site);
        $merged = MergedSite::of(array_map(static fn(SiteAccess $access) => $access->site, [$into, ...$others]));
        [$own, $parts, $maps] = $this->divide($into, $others, $enrolled, $merged);
        $both = $this->inSeveral($enrolled, $into->now);
        $site->seats = $merged->seats;
        $site->levelLowest = $merged->levels?->lowest;
        $site->levelHighest = $merged->levels?->highest;
        $site->opensAt = $merged->opensAt;
        $site->closesAt = $merged->closesAt;
        $site->sectionsApart = $request->apart;
        $site->sectionsSeveral = $site->sectionsSeveral
            || $this->anyLearns($enrolled, $both, $into->now)
            || [] !== array_filter($others, static fn(SiteAccess $access): bool => $access->site->several);
        ++$site->version;
        foreach ($others as $access) {
            $this->carrying->site($access->site->id)->closesAt = $into->now;
        }
        $this->carrying->flush();
        $there = $this->carrying->run($into->site->id, $caller);
        $carried = $this->carried($there, $others, $enrolled, $maps, $own?->id, $request->roles);
        [$lists, $come] = $this->lists($there, $others, $carried, $caller);
        $people = [];
        foreach ($come->lines as $line) {
            $people[$line->personId()] = $line;
        }
        $choices = $notes = [];
        foreach ($carried as $person => [$one]) {
            if (null !== $one->between) {
                $choices[] = new PersonRoles(SiteCarrying::named($people[$person]), $one->between);
            }
            foreach ($one->cautions as $note) {
                $notes[] = new CarryNote(SiteCarrying::named($people[$person]), $note->code);
            }
        }
        $ready = SiteCarrying::ready(...array_column($lists, 1));
        $changeList = null;
        if ($request->apply) {
            if (!$ready) {
                throw new Problem(
                    ProblemType::NotReady,
                    [] === $choices ? 'desk.merge.some-cannot-come' : 'desk.merge.choose-roles',
                );
            }
            $kept = new SiteMergeKept(
                $into->site->id,
                $own?->id,
                $parts,
                $before,
                self::facts($site),
                $this->hours->kept($into->site->id),
                $this->hoursCome($into->site->id, $own, $parts),
            );
            $changeList = $this->keep($kept, $into, $others, $lists, $maps, $caller);
        }

        return new SiteMergeAnswer(
            new SiteName($into->site->id, $into->row->string('title')),
            $own?->name,
            $merged->seats,
            $site->sectionsSeveral,
            $this->shown($others, $parts, $enrolled, $both, $into->now),
            $choices,
            $notes,
            $this->carrying->review($lists),
            $ready,
            $changeList,
        );
    }

    /**
     * The sections people come into, made: one for each site that has none, and those of the others once more.
     *
     * @param list<SiteAccess>                         $others
     * @param array<string, array<string, Enrollment>> $enrolled by site
     *
     * @return array{?Section, list<SiteMergePart>, array<string, CarryMap>} that of the people of the site that stays
     */
    private function divide(SiteAccess $into, array $others, array $enrolled, MergedSite $merged): array
    {
        $site = $this->carrying->site($into->site->id);
        $names = $maps = $parts = [];
        foreach ($this->sections->offered($site->id) as $section) {
            $names[Folding::fold($section->name)] = true;
        }
        $place = \count($names);
        $add = function (string $name, string $of, Window $window, ?int $seats, string $meets = '') use (
            $site,
            &$names,
            &$place,
        ): Section {
            $name = self::name($name, $of, $names);
            $names[Folding::fold($name)] = true;
            $section = new Section(
                $this->ids->next(),
                $site,
                $name,
                $meets,
                $place++,
                $seats,
                $window->from,
                $window->until,
            );
            $this->sections->add($section);

            return $section;
        };
        $own = [] === $names && $this->anyIn($enrolled[$site->id], $into->now)
            ? $add($site->title, $site->code, $merged->windowOf($into->site), $into->site->seats)
            : null;
        foreach ($others as $access) {
            $id = $access->site->id;
            $window = $merged->windowOf($access->site);
            $made = [];
            $offered = $this->sections->offered($id);
            foreach ($offered as $section) {
                $made[$section->id] = $add(
                    $section->name,
                    $access->row->string('title'),
                    self::within($window, $section),
                    $section->seats,
                    $section->meets,
                )->id;
            }
            $otherwise = [] === $offered || $this->anyLearnsIn($enrolled[$id], $into->now)
                ? $add($access->row->string('title'), $access->row->string('code'), $window, $access->site->seats)->id
                : null;
            $doors = array_map(static fn(Door $door): string => $door->id, $this->doors->of($id));
            $maps[$id] = new CarryMap($this->staff->idOfStaff($site->id), $doors, $made, $otherwise);
            $parts[] = new SiteMergePart($id, $access->site->closesAt, $doors, $made, $otherwise);
        }
        $this->sections->flush();

        return [$own, $parts, $maps];
    }

    /** When a section may be entered of a site that may be entered at a time. */
    private static function within(Window $window, Section $section): Window
    {
        $from = max($window->from, $section->fromAt);

        return new Window($from, max($from, min($window->until, $section->untilAt)));
    }

    /**
     * A name that no other section has.
     *
     * @param array<string, true> $taken folded
     */
    private static function name(string $name, string $of, array $taken): string
    {
        $tries = [$name, "$of: $name"];
        for ($n = 2; $n < 100; ++$n) {
            $tries[] = mb_substr($name, 0, self::NAME - 5)." ($n)";
        }
        foreach ($tries as $try) {
            $try = mb_substr($try, 0, self::NAME);
            if (!isset($taken[Folding::fold($try)])) {
                return $try;
            }
        }

        return mb_substr("$of: $name", 0, self::NAME);
    }

    /** @param array<string, Enrollment> $enrolled by person */
    private function anyIn(array $enrolled, int $now): bool
    {
        foreach ($enrolled as $enrollment) {
            if (true === $enrollment->timeline()->at($now)?->state->here()) {
                return true;
            }
        }

        return false;
    }

    /** @param array<string, Enrollment> $enrolled by person, of a site that has sections */
    private function anyLearnsIn(array $enrolled, int $now): bool
    {
        foreach ($enrolled as $enrollment) {
            $present = $enrollment->timeline()->at($now);
            $learns = true === $present?->state->here() && $this->roles->book()->takeSeat($present->roles);
            if ($learns && [] === $present->sections) {
                return true;
            }
        }

        return false;
    }

    /**
     * Whether any of some people learns somewhere: staff may be in several sections of any site.
     *
     * @param array<string, array<string, Enrollment>> $enrolled by site
     * @param array<string, true>                      $some     by person
     */
    private function anyLearns(array $enrolled, array $some, int $now): bool
    {
        $book = $this->roles->book();
        foreach ($enrolled as $people) {
            foreach (array_intersect_key($people, $some) as $enrollment) {
                $present = $enrollment->timeline()->at($now);
                if (true === $present?->state->here() && $book->takeSeat($present->roles)) {
                    return true;
                }
            }
        }

        return false;
    }

    /**
     * @param array<string, array<string, Enrollment>> $enrolled by site
     *
     * @return array<string, true> by id, who are here in more than one of them
     */
    private function inSeveral(array $enrolled, int $now): array
    {
        $in = [];
        foreach ($enrolled as $people) {
            foreach ($people as $person => $enrollment) {
                $here = true === $enrollment->timeline()->at($now)?->state->here();
                $in[$person] = ($in[$person] ?? 0) + (int) $here;
            }
        }

        return array_map(
            static fn(): bool => true,
            array_filter($in, static fn(int $sites): bool => $sites > 1),
        );
    }

    /**
     * @param list<SiteAccess>                         $others
     * @param array<string, array<string, Enrollment>> $enrolled by site
     * @param array<string, CarryMap>                  $maps     by site
     * @param ?string                                  $own      section of those who are in none of the site that stays
     * @param array<string, string>                    $roles    by person
     *
     * @return array<string, array{Carried, array<string, Carried>}> by person: in the site that stays, and by site that
     *     goes
     */
    private function carried(
        SiteAccess $there,
        array $others,
        array $enrolled,
        array $maps,
        ?string $own,
        array $roles,
    ): array {
        $into = $there->site->id;
        $all = $this->carrying->by($there);
        $people = array_keys(array_merge(...array_values($enrolled)));
        $carried = [];
        foreach (array_map(strval(...), $people) as $person) {
            $sites = [];
            foreach ($others as $access) {
                $here = $enrolled[$access->site->id][$person] ?? null;
                if (null !== $here) {
                    $sites[$access->site->id] = [$here, $maps[$access->site->id]];
                }
            }
            [$come, $outOf] = $all->joinAll(
                $enrolled[$into][$person] ?? new Enrollment(),
                $own,
                $sites,
                $roles[$person] ?? null,
            );
            $leave = array_filter($outOf, static fn(Carried $one): bool => [] !== $one->outOf);
            if ([] !== $come->into || [] !== $come->cautions || null !== $come->between || [] !== $leave) {
                $carried[$person] = [$come, $leave];
            }
        }

        return $carried;
    }

    /**
     * The lines of all sites: of those that go first, so that what came by a door is free there before it comes again.
     *
     * @param list<SiteAccess>                                      $others
     * @param array<string, array{Carried, array<string, Carried>}> $carried by person
     *
     * @return array{list<array{SiteAccess, ComputedList}>, ComputedList}
     */
    private function lists(SiteAccess $there, array $others, array $carried, Caller $caller): array
    {
        $leave = [];
        foreach ($carried as $person => [, $outOf]) {
            foreach ($outOf as $site => $one) {
                $leave[$site][$person] = $one;
            }
        }
        $first = 1 + (int) array_sum(array_map(\count(...), $leave));
        $come = $this->lines->into($there, array_map(static fn(array $one): Carried => $one[0], $carried), $first);
        $lists = [];
        $first = 1;
        foreach ($others as $access) {
            $from = $this->carrying->run($access->site->id, $caller);
            $those = $leave[$access->site->id] ?? [];
            $lists[] = [$from, $this->lines->outOf($from, $those, $first, $come)];
            $first += \count($those);
        }

        return [[...$lists, [$there, $come]], $come];
    }

    /**
     * @param list<SiteAccess>                        $others
     * @param list<array{SiteAccess, ComputedList}>   $lists
     * @param array<string, CarryMap>                 $maps   by site
     */
    private function keep(
        SiteMergeKept $kept,
        SiteAccess $into,
        array $others,
        array $lists,
        array $maps,
        Caller $caller,
    ): string {
        $titles = array_map(static fn(SiteAccess $access): string => $access->row->string('title'), $others);
        $title = implode(', ', $titles).' → '.$into->row->string('title');
        $list = $this->carrying->keep(self::KIND, $kept->into, $title, $lists, $kept->json(), $caller);
        $site = $this->carrying->site($kept->into);
        if (null !== $kept->own) {
            // Whoever comes by a door of the site that stays comes to its own people.
            $leads = $this->doors->intoNone($this->doors->of($kept->into));
            $this->doors->move($leads, $site, [], $kept->own);
        }
        foreach ($others as $access) {
            $id = $access->site->id;
            $this->doors->move($this->doors->of($id), $site, $maps[$id]->sections, $maps[$id]->otherwise);
            $gone = $this->carrying->site($id);
            $gone->mergedInto = $site;
            $gone->takenBack = true;
            ++$gone->version;
        }
        $this->carrying->flush();
        $happening = new Happening('sites-merged', ['name' => implode(', ', $titles)]);
        $this->history->write($kept->into, $caller, $happening);
        foreach ($others as $access) {
            $this->history->write($access->site->id, $caller, new Happening(
                'site-merged',
                ['to' => $into->row->string('title')],
            ));
        }

        return $list->id;
    }

    /**
     * @param list<SiteAccess>                         $others
     * @param list<SiteMergePart>                      $parts
     * @param array<string, array<string, Enrollment>> $enrolled by site
     * @param array<string, true>                      $both     by person
     *
     * @return list<MergedSiteShown>
     */
    private function shown(array $others, array $parts, array $enrolled, array $both, int $now): array
    {
        $shown = [];
        foreach ($others as $n => $access) {
            $here = array_filter(
                $enrolled[$access->site->id],
                static fn(Enrollment $one): bool => true === $one->timeline()->at($now)?->state->here(),
            );
            $shown[] = new MergedSiteShown(
                new SiteName($access->site->id, $access->row->string('title')),
                \count($here),
                \count(array_intersect_key($here, $both)),
                array_map($this->sections->nameOf(...), $parts[$n]->made()),
                array_map($this->staff->nameOf(...), $parts[$n]->doors),
            );
        }

        return $shown;
    }

    /** @return array<string, bool|int|null> what merging changes of a site, by the names of its fields */
    private static function facts(Site $site): array
    {
        return [
            'seats' => $site->seats,
            'levelLowest' => $site->levelLowest,
            'levelHighest' => $site->levelHighest,
            'opensAt' => $site->opensAt,
            'closesAt' => $site->closesAt,
            'sectionsApart' => $site->sectionsApart,
            'sectionsSeveral' => $site->sectionsSeveral,
        ];
    }
}
