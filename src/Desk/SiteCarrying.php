<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Changes\CarryLines;
use MintDoor\Changes\ChangeLists;
use MintDoor\Changes\ComputedLine;
use MintDoor\Changes\ComputedList;
use MintDoor\Changes\Entity\ChangeList;
use MintDoor\Changes\Repository\AppliedLines;
use MintDoor\Changes\ReviewAnswer;
use MintDoor\Changes\ReviewedLine;
use MintDoor\Changes\ReviewedSite;
use MintDoor\Changes\SiteInZone;
use MintDoor\Core\Changes\Carrying;
use MintDoor\Core\Changes\Verdict;
use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Roster\Enrollment;
use MintDoor\People\PersonRow;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Gate;
use MintDoor\Roster\LeadsAlong;
use MintDoor\Roster\Repository\Enrollments;
use MintDoor\Roster\Repository\SectionNumbers;
use MintDoor\Roster\Repository\Sections;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Ids;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\Said;
use MintDoor\Shared\Somebody;
use MintDoor\Sites\Entity\Site;
use MintDoor\Sites\Repository\Sites;
use MintDoor\Sites\SiteName;

/** What merging sites and dividing them have in common. Runs inside a transaction, under the locks of the sites. */
final readonly class SiteCarrying
{
    private const SHOWN = 50;

    public function __construct(
        private Gate $gate,
        private Sites $sites,
        private Sections $sections,
        private SectionNumbers $numbers,
        private LeadsAlong $along,
        private Enrollments $enrollments,
        private CarryLines $lines,
        private ChangeLists $changeLists,
        private AppliedLines $applied,
        private Roles $roles,
        private PlatformClock $clock,
        private Ids $ids,
    ) {}

    /** A site that the caller runs, and all of whose people they see. */
    public function run(string $site, Caller $caller): SiteAccess
    {
        $access = $this->gate->at($site, $caller)->require(Permission::RunSite, 'desk.only-lead-site-administrator');
        if (null !== $access->standing->sections) {
            throw Problem::notAllowed('desk.only-lead-site-administrator');
        }

        return $access;
    }

    /** As it stands by now, for what whoever runs it may do. */
    public function ofPlatform(string $site, Caller $caller): SiteAccess
    {
        $row = $this->sites->withTerms([$site])[0] ?? throw Problem::notFound('site');

        return SiteAccess::ofPlatform($row, $caller, $this->clock->instant());
    }

    /** What carries people, as whoever meets a site does it. */
    public function by(SiteAccess $access): Carrying
    {
        return new Carrying(
            $this->ids,
            $this->roles->book(),
            $access->now,
            $access->caller->id,
            $access->standing->height(),
        );
    }

    public function site(string $id): Site
    {
        return $this->sites->find($id) ?? throw Problem::notFound('site');
    }

    public function instant(): int
    {
        return $this->clock->instant();
    }

    public function flush(): void
    {
        $this->sites->flush();
    }

    /** @return array<string, Enrollment> of everybody who is or was in a site, by person id */
    public function enrolled(string $site): array
    {
        return $this->enrollments->ofPeople($site, $this->enrollments->everybody($site));
    }

    /** @throws Problem of type `Invalid` */
    public function assertNotTooMany(int $people): void
    {
        $most = $this->roles->limits()->changeList;
        if ($people > $most) {
            throw Problem::field('/sites', 'too-many', Said::with('desk.merge.too-many-people', n: $most));
        }
    }

    /**
     * What becomes of people in the sites, those first who stand in the way.
     *
     * @param list<array{SiteAccess, ComputedList}> $lists
     */
    public function review(array $lists): ReviewAnswer
    {
        $lines = $sites = $verdicts = [];
        foreach ($lists as [$access, $computed]) {
            $summary = $computed->summary;
            $title = $access->row->string('title');
            $in = new SiteInZone($access->site->id, $title, $access->row->string('time_zone'));
            foreach ($computed->answers as $key => $answer) {
                $lines[] = new ReviewedLine($key, $in, $access->row->int('version'), $answer->atVersion(0));
            }
            foreach ($summary->verdicts as $verdict => $many) {
                $verdicts[$verdict] = ($verdicts[$verdict] ?? 0) + $many;
            }
            $sites[] = new ReviewedSite(
                $access->site->id,
                $title,
                $summary->seats,
                $summary->held,
                $summary->after,
                $summary->joining,
                $summary->leaving,
            );
        }
        $isReady = static fn(ReviewedLine $line): bool => Verdict::Ready === $line->line->verdict;
        usort($lines, static fn(ReviewedLine $a, ReviewedLine $b): int => $isReady($a) <=> $isReady($b));

        return new ReviewAnswer(\array_slice($lines, 0, self::SHOWN), $sites, $verdicts, null, \count($lines));
    }

    /** Whether nobody stands in the way. */
    public static function ready(ComputedList ...$lists): bool
    {
        foreach ($lists as $list) {
            foreach ($list->answers as $answer) {
                if (!\in_array($answer->verdict, [Verdict::Ready, Verdict::NothingToDo], true)) {
                    return false;
                }
            }
        }

        return true;
    }

    /**
     * @param 'site-merge'|'site-split' $kind
     * @param list<array{SiteAccess, ComputedList}> $lists    in the order in which they are stored
     * @param array<string, mixed>                  $undoData
     */
    public function keep(
        string $kind,
        string $site,
        string $title,
        array $lists,
        array $undoData,
        Caller $caller,
    ): ChangeList {
        $title = mb_substr($title, 0, 160);
        $list = $this->changeLists->begin($kind, $site, $title, 'applied', $caller, undoData: $undoData);
        $many = 0;
        foreach ($lists as [$access, $computed]) {
            $this->lines->store($access, $computed, $list->id);
            $many += \count($computed->ready());
        }
        $list->finish(max(1, $many), max(1, $many));

        return $list;
    }

    /**
     * @param 'site-merge'|'site-split'|'term-change' $kind
     *
     * @throws Problem of type `UndoneAlready` or `NotFound`
     */
    public function list(string $id, string $kind, Caller $caller): ChangeList
    {
        $list = $this->changeLists->seen($id, $caller, $kind);
        if ($this->changeLists->isUndone($list->id)) {
            throw new Problem(ProblemType::UndoneAlready, 'shared.nothing-change-list-left');
        }

        return $list;
    }

    /**
     * Takes lines back: those first that brought people somewhere, then those that took them from where they were; of
     * whoever was changed since neither.
     *
     * @param list<string>   $into  ids of the sites people came to, whose lines come first
     * @param list<SiteName> $sites that are there again, or were made and go
     * @param bool           $carried whether they are lines that carried people between sites
     */
    public function back(
        ChangeList $list,
        array $into,
        array $sites,
        bool $apply,
        Caller $caller,
        bool $carried = true,
    ): CarriedBackAnswer {
        $bySite = [];
        $position = 0;
        foreach ($this->applied->ofList($list->id) as $row) {
            $bySite[$row->id('site_id')][++$position] = [$row->id('id'), $row->id('person_id')];
        }
        $undo = $apply
            ? $this->changeLists->begin('undo', $list->site?->id, $list->title, 'applied', $caller, $list->id)
            : null;
        $stay = $back = [];
        foreach (array_intersect_key($bySite, array_flip($into)) + $bySite as $site => $lines) {
            $lines = array_filter($lines, static fn(array $line): bool => !isset($stay[$line[1]]));
            $access = $this->ofPlatform($site, $caller);
            $ids = array_map(static fn(array $line): string => $line[0], $lines);
            $computed = $this->lines->undone($access, $ids, $carried);
            foreach ($computed->lines as $line) {
                $person = $line->personId();
                $was = $line->change?->before?->state->here() ?? false;
                $here = $was || ($line->change?->after?->state->here() ?? false);
                $line->isReady()
                    ? ($back[$person] = $here || ($back[$person] ?? false))
                    : ($stay[$person] ??= self::named($line));
            }
            null === $undo || $this->lines->store($access, $computed, $undo->id);
        }
        $gone = array_diff_key($back, $stay);
        $undo?->finish(max(1, \count($gone)), max(1, \count($gone)));

        return new CarriedBackAnswer(
            \count(array_filter($gone)),
            \count($stay),
            \array_slice(array_values($stay), 0, self::SHOWN),
            $sites,
            $undo?->id,
        );
    }

    /**
     * Has a site be otherwise, but for seats that people sit on.
     *
     * @param array<string, bool|int|null> $facts by the names of its fields
     */
    public function putFacts(Site $site, array $facts): void
    {
        $held = $this->enrollments->seats($site->id, $this->clock->instant())->most();
        foreach ($facts as $field => $value) {
            $tooFew = 'seats' === $field && null !== $value && $value < $held;
            $site->{$field} = $tooFew ? $held : $value;
        }
        ++$site->version;
        $this->sites->flush();
    }

    /**
     * Sections that nobody is in and no door leads into are retired; the others stay.
     *
     * @param list<string> $sections ids
     */
    public function retire(string $site, array $sections): void
    {
        $now = $this->clock->instant();
        foreach ($this->sections->among($site, $sections) as $section) {
            $section->retired = 0 === $this->numbers->everIn($site, $section->id, $now)
                && [] === $this->numbers->doorsTo($site, $section->id)
                && [] === $this->along->into($section->id);
        }
        $this->sections->flush();
    }

    public static function named(ComputedLine $line): Somebody
    {
        return new Somebody($line->personId(), PersonRow::name($line->person));
    }
}
