<?php

declare(strict_types=1);

namespace MintDoor\Cohorts;

use MintDoor\Cohorts\Entity\Cohort;
use MintDoor\Cohorts\Entity\CohortLink;
use MintDoor\Cohorts\Entity\CohortMember;
use MintDoor\Cohorts\Repository\CohortLinks;
use MintDoor\Cohorts\Repository\CohortMembers;
use MintDoor\Cohorts\Repository\Cohorts;
use MintDoor\Core\Cohorts\Rule;
use MintDoor\Core\Cohorts\RuleKind;
use MintDoor\Core\Roles\Permission;
use MintDoor\People\PersonRow;
use MintDoor\Roster\Gate;
use MintDoor\Roster\Repository\Sections;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Cursor;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Named;
use MintDoor\Shared\Page;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Row;
use MintDoor\Shared\Somebody;

/** Cohorts and who belongs to them, as a caller sees it. */
final readonly class CohortsQuery
{
    private const PAGE = 100;

    private const LIST = 'cohort-members';

    public function __construct(
        private CohortRights $rights,
        private Cohorts $cohorts,
        private CohortMembers $members,
        private CohortLinks $links,
        private CohortsHandler $handler,
        private LinksQuery $linksQuery,
        private Sections $sections,
        private Gate $gate,
        private PlatformClock $clock,
    ) {}

    /** @return list<CohortShown> by name */
    public function all(Caller $caller): array
    {
        $all = $this->rights->all($caller);
        $ids = array_map(static fn(Cohort $cohort): string => $cohort->id, $all);
        $counts = $this->members->counts($ids, $this->clock->instant());
        $sites = array_fill_keys($ids, 0);
        foreach ($this->links->ofCohorts($ids) as $link) {
            ++$sites[$link->cohort->id];
        }

        return array_map(
            fn(Cohort $cohort): CohortShown => $this->facts(
                $cohort,
                $counts[$cohort->id],
                $sites[$cohort->id],
                $caller
            ),
            $all,
        );
    }

    public function one(Cohort $cohort, Caller $caller): CohortAnswer
    {
        $links = $this->links->ofCohorts([$cohort->id]);
        $shown = [];
        foreach ($links as $link) {
            array_push($shown, ...$this->seen($link, $caller));
        }
        $readers = array_filter(
            $this->handler->readers($cohort),
            fn(Cohort $reader): bool => $this->rights->uses($caller, $reader),
        );

        return new CohortAnswer(
            $this->facts(
                $cohort,
                $this->members->counts([$cohort->id], $this->clock->instant())[$cohort->id],
                \count($links),
                $caller,
            ),
            $cohort->rule,
            null === $cohort->rule ? [] : $this->names(RuleCodec::read($cohort->rule), $caller),
            $shown,
            \count($links) - \count($shown),
            array_values(array_map(static fn(Cohort $one): Somebody => new Somebody($one->id, $one->name), $readers)),
        );
    }

    /** @return Page<MemberShown> */
    public function members(Cohort $cohort, bool $ever, string $q, ?string $cursor): Page
    {
        $now = $this->clock->instant();
        $after = Cursor::read($cursor, self::LIST.($ever ? ' ever' : ''), 'sud');
        $rows = $this->members->page($cohort->id, $ever, $q, $after, $now, self::PAGE + 1);
        $next = null;
        if (\count($rows) > self::PAGE) {
            $rows = \array_slice($rows, 0, self::PAGE);
            $last = $rows[self::PAGE - 1];
            $next = Cursor::write(self::LIST.($ever ? ' ever' : ''), [
                $last->string('sort_name'),
                $last->id('person_id'),
                $last->string('from_at'),
            ]);
        }

        return new Page(array_map(static fn(Row $row): MemberShown => self::member($row, $now), $rows), $next);
    }

    /** @return list<PersonCohort> those of somebody that a caller uses, the last first */
    public function ofPerson(string $person, Caller $caller): array
    {
        $now = $this->clock->instant();
        $seen = array_filter(
            $this->members->ofPerson($person),
            fn(CohortMember $one): bool => $this->rights->uses($caller, $one->cohort),
        );

        return array_values(
            array_map(
                static fn(CohortMember $one): PersonCohort => new PersonCohort(
                    $one->cohort->id,
                    $one->cohort->name,
                    (string) Instant::toJson($one->fromAt),
                    Instant::toJson($one->untilAt),
                    $one->fromAt <= $now && $now < $one->untilAt,
                ),
                $seen,
            ),
        );
    }

    private static function member(Row $row, int $now): MemberShown
    {
        [$from, $until] = [$row->instant('from_at'), $row->instant('until_at')];

        return new MemberShown(
            $row->id('person_id'),
            PersonRow::name($row),
            $row->string('person_kind'),
            new Named($row->string('person_division'), $row->string('person_division_name')),
            $row->intOrNull('level'),
            (string) Instant::toJson($from),
            Instant::toJson($until),
            $from <= $now && $now < $until,
        );
    }

    /** @return list<LinkShown> it alone, where the caller keeps doors of its site; none otherwise */
    private function seen(CohortLink $link, Caller $caller): array
    {
        $access = $this->gate->ifThere($link->site()->id, $caller);

        return true === $access?->may(Permission::KeepDoors) ? $this->linksQuery->of($access, [$link]) : [];
    }

    private function facts(Cohort $cohort, int $people, int $sites, Caller $caller): CohortShown
    {
        $division = $cohort->division;

        return new CohortShown(
            $cohort->id,
            $cohort->name,
            $cohort->isList() ? 'list' : 'rule',
            null === $division ? null : new Named($division->code, $division->name),
            $people,
            $sites,
            $this->rights->keeps($caller, $division?->code),
            $cohort->stale,
            $cohort->version,
        );
    }

    /**
     * What the sites, sections and cohorts are called that a rule names, as far as the caller may know.
     *
     * @return list<Somebody>
     */
    private function names(Rule $rule, Caller $caller): array
    {
        $names = $sections = [];
        foreach ($rule->atoms() as $atom) {
            if (RuleKind::In === $atom->kind) {
                $title = $this->gate->ifThere((string) $atom->site, $caller)?->row->string('title');
                if (null !== $title) {
                    $names[(string) $atom->site] = $title;
                    $sections[] = (string) $atom->section;
                }
            } elseif (RuleKind::Cohort === $atom->kind) {
                $other = $this->cohorts->one((string) $atom->cohort);
                if (null !== $other && $this->rights->uses($caller, $other)) {
                    $names[$other->id] = $other->name;
                }
            }
        }
        foreach ($this->sections->named(array_values(array_filter($sections))) as $section) {
            $names[$section->id] = $section->name;
        }

        return array_map(
            static fn(string $id, string $name): Somebody => new Somebody($id, $name),
            array_map(strval(...), array_keys($names)),
            array_values($names),
        );
    }
}
