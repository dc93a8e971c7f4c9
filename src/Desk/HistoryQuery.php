<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Changes\CarryLines;
use MintDoor\Changes\Histories;
use MintDoor\Changes\Repository\ChangeHistories;
use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Time\Time;
use MintDoor\Desk\Repository\HistoryPages;
use MintDoor\History\History;
use MintDoor\History\HistoryFilter;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Sights;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Cursor;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Page;
use MintDoor\Shared\PlatformClock;
use MintDoor\Sites\Repository\Sites;

/** Pages of histories, newest first, with what of it can still be undone. */
final readonly class HistoryQuery
{
    private const PAGE = 50;

    public function __construct(
        private HistoryPages $pages,
        private ChangeHistories $histories,
        private Roles $roles,
        private PlatformClock $clock,
        private Sights $sights,
        private Sites $sites,
    ) {}

    /** @return Page<EntryShown> schema `HistoryEntries`: also of the sites that are part of it by now */
    public function ofSite(SiteAccess $access, HistoryFilter $filter): Page
    {
        $site = $access->site->id;
        $from = null === $filter->from ? null : $access->startOf($filter->from, '/from');
        $until = null === $filter->until ? null : $access->endOf($filter->until, '/until');
        $seen = $this->sights->everybody($access);
        $merged = $this->sites->mergedInto($site);
        if ([] !== $merged) {
            $cursor = Cursor::read($filter->cursor, 'histories', 'du');
            $all = [$site, ...$merged];
            $lines = $this->pages->ofSites($all, $filter, $from, $until, $cursor, self::PAGE + 1, $seen);
            $next = self::nextByTime($lines, 'histories');
        } else {
            $before = self::before($filter);
            $lines = $this->pages->ofSite($site, $filter, $from, $until, $before, self::PAGE + 1, $seen);
            $next = self::next($lines);
        }
        $people = array_filter(array_map(static fn(HistoryLine $line): ?string => $line->personId, $lines));
        $histories = $this->histories->of($site, array_values(array_unique($people)));

        return new Page(
            $this->items(
                $lines,
                $histories,
                // What was done in a site that is no more is not undone there.
                static fn(HistoryLine $line): ?string => $line->siteId === $site ? $line->personId : null,
                $site,
            ),
            $next,
        );
    }

    /** @return Page<EntryShown> schema `HistoryEntries` */
    public function ofPlatform(HistoryFilter $filter): Page
    {
        $lines = $this->pages->ofSite(
            History::PLATFORM,
            $filter,
            self::fromInUtc($filter),
            self::untilInUtc($filter),
            self::before($filter),
            self::PAGE + 1,
        );

        return new Page($this->items($lines, new Histories(), static fn(): null => null), self::next($lines));
    }

    /** @return Page<EntryShown> schema `HistoryEntries`: of all sites whose history the caller reads */
    public function ofPerson(string $person, Caller $caller, HistoryFilter $filter): Page
    {
        $lines = $this->pages->ofPerson(
            $person,
            $caller,
            $this->roles->letting($caller, Permission::SeeHistory),
            $filter,
            self::fromInUtc($filter),
            self::untilInUtc($filter),
            $this->clock->instant(),
            Cursor::read($filter->cursor, 'person-history', 'du'),
            self::PAGE + 1,
        );
        $histories = $this->histories->ofPerson($person);

        return new Page(
            $this->items(
                $lines,
                $histories,
                static fn(HistoryLine $line): string => $line->siteId,
            ),
            self::nextByTime($lines, 'person-history'),
        );
    }

    /** @param list<HistoryLine> $lines one more than a page has, where there is one */
    private static function nextByTime(array $lines, string $of): ?string
    {
        $last = \count($lines) > self::PAGE ? $lines[self::PAGE - 1] : null;

        return null === $last ? null : Cursor::write($of, [Instant::toSql($last->at), $last->id]);
    }

    private static function before(HistoryFilter $filter): ?int
    {
        $cursor = Cursor::read($filter->cursor, 'history', 'i');

        return null === $cursor ? null : (int) $cursor->values[0];
    }

    /** @param list<HistoryLine> $lines one more than a page has, where there is one */
    private static function next(array $lines): ?string
    {
        return \count($lines) > self::PAGE
            ? Cursor::write('history', [$lines[self::PAGE - 1]->sequence])
            : null;
    }

    /** From the beginning of a day where no site says which time zone it is in. */
    private static function fromInUtc(HistoryFilter $filter): ?int
    {
        return null === $filter->from ? null : Time::startOfDay($filter->from, new \DateTimeZone('UTC'));
    }

    private static function untilInUtc(HistoryFilter $filter): ?int
    {
        return null === $filter->until ? null : Time::untilDayIncluded($filter->until, new \DateTimeZone('UTC'));
    }

    /**
     * @param list<HistoryLine>              $lines
     * @param \Closure(HistoryLine): ?string $whose under whose id the history of the enrollment it is about is found
     * @param ?string                        $only  id of the site whose entries can be undone; null for any
     *
     * @return list<EntryShown>
     */
    private function items(array $lines, Histories $histories, \Closure $whose, ?string $only = null): array
    {
        $items = [];
        foreach (\array_slice($lines, 0, self::PAGE) as $line) {
            if (null === $line->lineId) {
                $may = \in_array($only, [null, $line->siteId], true) && $line->undoesItself();
                $items[] = $line->shown($may, $line->undoneBy);
                continue;
            }
            $history = $histories->of($whose($line));
            $undoneBy = $history?->undoneBy($line->lineId);
            $items[] = $line->shown(
                // Whoever was carried between sites goes back with all of them.
                !CarryLines::isOf($line->code) && true === $history?->mayUndo($line->lineId),
                null === $undoneBy ? null : $histories->sequence($undoneBy),
            );
        }

        return $items;
    }
}
