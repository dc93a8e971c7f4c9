<?php

declare(strict_types=1);

namespace MintDoor\Cohorts;

use MintDoor\Cohorts\Entity\Cohort;
use MintDoor\Cohorts\Entity\CohortLink;
use MintDoor\Cohorts\Repository\CohortLinks;
use MintDoor\Cohorts\Repository\CohortMembers;
use MintDoor\Cohorts\Repository\Cohorts;
use MintDoor\Cohorts\Repository\LinkWorks;
use MintDoor\Cohorts\Repository\RuleFacts;
use MintDoor\Core\Changes\Summary;
use MintDoor\Core\Cohorts\Rule;
use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Roster\DoorKind;
use MintDoor\Core\Time\Time;
use MintDoor\History\Happening;
use MintDoor\History\History;
use MintDoor\People\PersonRow;
use MintDoor\People\Repository\People;
use MintDoor\Platform\PlatformSettings;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Entity\Door;
use MintDoor\Roster\Gate;
use MintDoor\Roster\Keepers;
use MintDoor\Roster\Repository\Enrollments;
use MintDoor\Roster\Repository\Sections;
use MintDoor\Roster\Repository\SiteDoors;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Ids;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\Said;
use MintDoor\Shared\Somebody;
use MintDoor\Sites\Repository\Sites;

/**
 * Connections of cohorts with sites: made, changed, taken back. What is carried out at once is a change list; what is
 * left follows within seconds. Runs inside a transaction, under the locks of the sites.
 */
final readonly class LinksHandler
{
    /** People of one connection that are looked at while one waits. */
    private const AT_ONCE = 500;

    /** People who are named in an answer. */
    private const NAMED = 60;

    public function __construct(
        private Cohorts $cohorts,
        private CohortMembers $members,
        private CohortLinks $links,
        private LinkWorks $work,
        private LinkLines $lines,
        private LinkWorker $worker,
        private CohortKeeper $keeper,
        private CohortBook $book,
        private CohortRights $rights,
        private RuleChecker $rules,
        private RuleFacts $facts,
        private PlatformSettings $settings,
        private Gate $gate,
        private Keepers $keepers,
        private Roles $roles,
        private Enrollments $enrollments,
        private Sections $sections,
        private SiteDoors $doors,
        private Sites $sites,
        private People $people,
        private History $history,
        private Ids $ids,
    ) {}

    /**
     * Connects each cohort with each site.
     *
     * @return list<ConnectedPair>
     *
     * @throws Problem where somebody may not, or a ring would close
     */
    public function connect(ConnectRequest $request, Caller $caller): array
    {
        $this->cohorts->takeTurns();
        $accesses = [];
        foreach ($request->sites as $n => $site) {
            $accesses[$site] = $this->site($site, $request, $caller, "/sites/$n");
        }
        $cohorts = $this->sources($request, $caller);
        $links = [];
        foreach ($accesses as $access) {
            foreach ($cohorts as $n => $cohort) {
                $links[] = $this->link($access, $cohort, $request, "/cohorts/$n");
            }
        }
        $this->links->flush();
        $ring = $this->book->web()->circle();
        if ([] !== $ring) {
            $named = $this->rules->named($ring, $caller);
            throw Problem::field('/sites/0', 'circle', Said::with('cohorts.circle', ring: $named));
        }
        $pairs = [];
        foreach ($links as $link) {
            $access = $accesses[$link->site()->id];
            $this->note($access, 'cohort-connected', $link);
            $people = $this->members->ofCohort($link->cohort->id, $access->now);
            $again = array_values(array_intersect($people, $request->again));
            $this->work->ask([$link->id => array_values(array_diff($people, $again))], $access->now);
            $this->work->ask([$link->id => $again], $access->now, true);
            $pairs[] = $this->pair($access, $link, \count($people), $request->apply);
        }

        return $pairs;
    }

    public function change(SiteAccess $access, CohortLink $link, LinkRequest $request): void
    {
        $this->assertKeeps($access, $link->role);
        $link->fromAt = $this->from($request->from, $access);
        [$link->days, $link->toTerm] = self::leaves($request->leaves, $request->days);
        if ($request->mine) {
            $link->door->keptBy($this->people->known($access->caller->id));
        }
        ++$link->version;
        $this->links->flush();
        $this->note($access, 'cohort-link-changed', $link);
        // Also those who belonged and keep access for a while: for how long may be another now.
        $this->work->ask([$link->id => $this->work->everybody($link, $access->now)], $access->now);
    }

    /** Takes a connection back, or says what would come of it. */
    public function end(SiteAccess $access, CohortLink $link, EndRequest $request): ConnectedPair
    {
        $this->assertKeeps($access, $link->role);
        $here = $this->work->everBrought($link->door->id);
        $brought = $this->work->brought($link->door->id, $access->now);
        $link->endedAt = $access->now;
        $link->heldAt = null;
        $link->door->state = 'shut';
        ++$link->version;
        if (Cohort::SHARED === $link->cohort->kind) {
            $link->cohort->putAwayAt = $access->now;
        }
        $this->links->flush();
        $this->book->watch();
        $this->work->forget($link->id);
        $this->work->ask([$link->id => $request->stay ? [] : $here], $access->now);
        $many = !$request->stay && $this->roles->limits()->manyRemoved($brought, $brought);
        if ($request->apply && $many && $request->number !== $brought) {
            throw Problem::field('/number', 'number', Said::with('cohorts.type-number', n: $brought));
        }
        $this->note($access, 'cohort-ended', $link);

        return $this->pair($access, $link, \count($here), $request->apply, $many ? $brought : null);
    }

    /** Says yes to people going who wait for it. */
    public function agree(SiteAccess $access, CohortLink $link, AgreeRequest $request): void
    {
        $this->assertKeeps($access, $link->role);
        $held = $this->work->held($link->id);
        if ($held !== $request->number) {
            throw new Problem(ProblemType::ChangedSince, Said::with('cohorts.held-changed', n: $held));
        }
        $this->work->agree($link->id, $access->now);
        $link->heldAt = null;
        ++$link->version;
        $this->links->flush();
        $this->note($access, 'cohort-agreed', $link, ['people' => $held]);
    }

    /**
     * Has people come whom staff took out before.
     *
     * @param list<string> $people ids
     */
    public function again(SiteAccess $access, CohortLink $link, array $people): void
    {
        $this->assertKeeps($access, $link->role);
        $theirs = array_values(array_intersect($this->members->ofCohort($link->cohort->id, $access->now), $people));
        if ([] === $theirs) {
            throw Problem::field('/people', 'nobody', 'cohorts.choose-people');
        }
        $this->work->ask([$link->id => $theirs], $access->now, true);
        $due = array_intersect_key($this->work->due($link, $access->now, self::AT_ONCE), array_flip($theirs));
        $this->worker->look($link, $due);
    }

    /** @throws Problem of type `NotAllowed` */
    public function assertKeeps(SiteAccess $access, string $role): void
    {
        self::assertSees($access);
        if (!$this->keepers->verdict($access, $role)->allowed) {
            throw Problem::notAllowed('cohorts.not-give-role');
        }
    }

    /** @throws Problem of type `NotAllowed` */
    public static function assertSees(SiteAccess $access): void
    {
        $access->require(Permission::KeepDoors, 'cohorts.not-connect');
        if (null !== $access->standing->sections) {
            throw Problem::notAllowed('cohorts.not-connect-all');
        }
    }

    private function site(string $id, ConnectRequest $request, Caller $caller, string $field): SiteAccess
    {
        $access = $this->gate->at($id, $caller);
        self::assertSees($access);
        $verdict = $this->keepers->verdict($access, $request->role);
        if (!$verdict->allowed) {
            throw Problem::field('/role', 'role', 'cohorts.not-give-role');
        }
        if (null !== $request->section) {
            $section = $access->site->sections[$request->section] ?? null;
            if (\count($request->sites) > 1 || null === $section || $section->retired) {
                throw Problem::field('/section', 'section', 'cohorts.choose-section');
            }
        }
        if ('term' === $request->leaves && $access->site->termEnds >= Time::FOREVER) {
            throw Problem::field($field, 'term', Said::with('cohorts.no-term', site: $access->row->string('title')));
        }

        return $access;
    }

    /** @return list<Cohort> */
    private function sources(ConnectRequest $request, Caller $caller): array
    {
        if ([] === $request->cohorts && [] === $request->shared) {
            throw Problem::field('/cohorts', 'none', 'cohorts.choose-cohort');
        }
        $ids = array_unique($request->cohorts);
        $cohorts = array_map(fn(string $id): Cohort => $this->rights->used($id, $caller), $ids);
        foreach ($request->shared as $n => $shared) {
            $cohorts[] = $this->shared($shared, $caller, "/shared/$n");
        }

        return array_values($cohorts);
    }

    /** A cohort of whoever is in another site, for this connection alone. */
    private function shared(SharedRequest $shared, Caller $caller, string $field): Cohort
    {
        $access = $this->gate->at($shared->site, $caller);
        if (!RuleChecker::seesAll($access)) {
            throw Problem::field($field, 'site', 'cohorts.rule-no-such-site');
        }
        if (null !== $shared->section && !isset($access->site->sections[$shared->section])) {
            throw Problem::field($field, 'section', 'cohorts.rule-no-such-section');
        }
        $name = $access->row->string('title');
        if (null !== $shared->section) {
            $name .= ' · '.$this->sections->nameOf($shared->section);
        }
        $cohort = new Cohort(
            $this->ids->next(),
            mb_substr($name, 0, 80),
            Cohort::SHARED,
            null,
            $this->people->known($caller->id),
            $access->now,
            RuleCodec::write(Rule::in($shared->site, $shared->section, $shared->role)),
        );
        // Whoever comes to that site in this moment is found by the look that follows.
        $cohort->settings = $this->settings->version();
        $this->cohorts->add($cohort);
        $this->cohorts->flush();
        $this->book->watch();
        $web = $this->book->web();
        $after = null;
        do {
            $some = $this->facts->next(
                Rule::in($shared->site),
                $this->settings->read()->divisions,
                $cohort->id,
                $after,
                $access->now,
                self::AT_ONCE,
            );
            $this->keeper->look($web, $some, [$cohort->id], $access->now);
            $after = [] === $some ? null : $some[\count($some) - 1];
        } while (self::AT_ONCE === \count($some));

        return $cohort;
    }

    private function link(SiteAccess $access, Cohort $cohort, ConnectRequest $request, string $field): CohortLink
    {
        foreach ($this->links->ofCohorts([$cohort->id]) as $other) {
            if ($other->site()->id === $access->site->id && $other->role === $request->role) {
                $said = Said::with('cohorts.connected-already', name: $cohort->name, site: $other->site()->title);
                throw Problem::field($field, 'connected', $said);
            }
        }
        $site = $this->sites->known($access->site->id);
        $door = new Door(
            $this->ids->next(),
            $site,
            DoorKind::Cohort->value,
            $cohort->name,
            madeBy: $this->people->known($access->caller->id),
            madeAt: $access->now,
        );
        $this->doors->add($door);
        [$days, $toTerm] = self::leaves($request->leaves, $request->days);
        $link = new CohortLink(
            $this->ids->next(),
            $cohort,
            $door,
            $request->role,
            null === $request->section ? null : $this->sections->ofSite($site->id, $request->section),
            $request->spread && null === $request->section,
            $this->from($request->from, $access),
            $days,
            $toTerm,
        );
        $this->links->add($link);

        return $link;
    }

    /**
     * What becomes of those who are to be looked at; carried out where that is asked for.
     *
     * @param ?int $asks what has to be typed for it
     */
    private function pair(
        SiteAccess $access,
        CohortLink $link,
        int $people,
        bool $apply,
        ?int $asks = null,
    ): ConnectedPair {
        $most = $apply ? self::AT_ONCE : 4 * self::AT_ONCE;
        $due = $this->work->due($link, $access->now, $most);
        $by = $this->lines->access($link)->doneBy($access->caller);
        $outcomes = $this->lines->would($by, $link, $due, $access->standing);
        $book = $this->roles->book();
        $summary = Summary::of(
            array_filter(array_map(static fn(LinkOutcome $one) => $one->line->change, $outcomes)),
            $access->site,
            $book,
            $this->enrollments->seats($access->site->id, $access->now),
        );
        $list = $apply ? $this->worker->carry($by, $link, $due, $outcomes, listed: true) : null;
        $counts = array_fill_keys(PersonOutcome::ALL, 0);
        foreach ($outcomes as $outcome) {
            ++$counts[$outcome->what()];
        }

        return new ConnectedPair(
            new Somebody($link->cohort->id, $link->cohort->name),
            new Somebody($link->site()->id, $link->site()->title),
            $apply ? $link->id : null,
            $counts,
            self::named($outcomes),
            $summary->seats,
            $summary->after,
            $list,
            max(0, $people - \count($due)),
            $asks,
        );
    }

    /**
     * @param array<string, LinkOutcome> $outcomes
     *
     * @return list<PersonOutcome> those first for whom something stands in the way
     */
    private static function named(array $outcomes): array
    {
        $order = array_flip(PersonOutcome::ALL);
        $shown = array_map(
            static fn(LinkOutcome $one): PersonOutcome => new PersonOutcome(
                $one->line->personId(),
                PersonRow::name($one->line->person),
                $one->what(),
                $one->against ?? $one->waitsFor(),
                $one->clashes(),
            ),
            array_values($outcomes),
        );
        usort(
            $shown,
            static fn(PersonOutcome $a, PersonOutcome $b): int => [$order[$a->what], !$a->clash, $a->name] <=> [
                $order[$b->what],
                !$b->clash,
                $b->name,
            ],
        );

        return \array_slice($shown, 0, self::NAMED);
    }

    /** @return array{int, bool} for how many days access is kept, and whether to the end of the term instead */
    private static function leaves(string $leaves, ?int $days): array
    {
        if ('days' === $leaves && null === $days) {
            throw Problem::field('/days', 'days', 'cohorts.days-1-366');
        }

        return ['days' === $leaves ? (int) $days : 0, 'term' === $leaves];
    }

    private function from(?string $day, SiteAccess $access): int
    {
        return null === $day ? Time::BEGINNING : $access->startOf($day, '/from');
    }

    /** @param array<string, int> $numbers */
    private function note(SiteAccess $access, string $code, CohortLink $link, array $numbers = []): void
    {
        $data = ['cohort' => $link->cohort->name, 'role' => $link->role, ...$numbers];
        $this->history->write($access->site->id, $access->caller, new Happening($code, $data));
    }
}
