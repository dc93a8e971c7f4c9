<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Roster\Access;
use MintDoor\Core\Roster\Timeline;
use MintDoor\Desk\Repository\SiteList;
use MintDoor\People\PersonRow;
use MintDoor\Roles\Roles;
use MintDoor\Roster\ReasonJson;
use MintDoor\Roster\Repository\Counts;
use MintDoor\Roster\Repository\Standings;
use MintDoor\Roster\SegmentRow;
use MintDoor\Roster\StandingShown;
use MintDoor\Shared\Caller;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Row;
use MintDoor\Sites\SiteRow;

/** Lists of sites: those somebody runs, those they are in, and for administrators all of their reach. */
final readonly class SitesQuery
{
    /** Sites one has left are still listed for so long, in seconds. */
    private const REMEMBERED = 60 * 86_400;

    public function __construct(
        private SiteList $sites,
        private Standings $standings,
        private Roles $roles,
        private PlatformClock $clock,
        private ReasonJson $reasons,
        private Counts $counts,
    ) {}

    public function list(Caller $caller, SitesFilter $filter): SitesAnswer
    {
        $now = $this->clock->instant();
        if ('all' === $filter->scope && !$caller->isAdministrator()) {
            throw Problem::notAllowed('desk.only-administrators-see-all');
        }
        $runs = $this->roles->letting($caller, Permission::LetIn);
        $remembered = $now - self::REMEMBERED;
        $page = $this->sites->page($caller, $filter, $runs, $now, $remembered);
        $rows = $page->rows;
        $counts = $this->counts->of(array_map(static fn(Row $row): string => $row->id('id'), $rows), $now);
        $mine = 'in' === $filter->scope ? $this->reasonsFor($caller, $rows, $now) : [];

        return new SitesAnswer(
            array_map(
                static fn(Row $row): SiteSummary => new SiteSummary(
                    SiteRow::facts($row, $now),
                    $row->intOrNull('seats'),
                    $counts[$row->id('id')]->seatsHeld ?? 0,
                    $counts[$row->id('id')]->staff ?? 0,
                    $mine[$row->id('id')] ?? null,
                ),
                $rows,
            ),
            $page->many->total,
            $page->many->moreThanThat,
            $page->next,
            $page->archived,
        );
    }

    /**
     * @param list<Row> $sites
     *
     * @return array<string, OwnStanding> by site
     */
    private function reasonsFor(Caller $caller, array $sites, int $now): array
    {
        $own = [];
        foreach ($this->standings->toCome($caller->id, $now) as $row) {
            $own[$row->id('site_id')][] = SegmentRow::segment($row);
        }
        $access = new Access($this->roles->book());
        $mine = [];
        foreach ($sites as $row) {
            $site = SiteRow::site($row);
            $timeline = new Timeline($own[$site->id] ?? []);
            $reason = $access->reason($timeline, PersonRow::caller($caller), $site, $now);
            $mine[$site->id] = new OwnStanding(
                StandingShown::of($timeline->at($now), $this->roles->book()),
                $this->reasons->forThePerson($reason),
            );
        }

        return $mine;
    }
}
