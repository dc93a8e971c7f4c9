<?php

declare(strict_types=1);

namespace MintDoor\Weeks;

use MintDoor\Core\Time\Time;
use MintDoor\Core\Weeks\Attending;
use MintDoor\Core\Weeks\Commitments;
use MintDoor\Core\Weeks\Hours;
use MintDoor\Core\Weeks\Meeting;
use MintDoor\Core\Weeks\WeeklyRule;
use MintDoor\Platform\PlatformSettings;
use MintDoor\Roster\SiteAccess;
use MintDoor\Weeks\Entity\Hours as StoredHour;
use MintDoor\Weeks\Repository\Attendances;
use MintDoor\Weeks\Repository\StoredHours;

/** What meets when, and whose it is. Days off of the platform's calendar are taken out here. */
final readonly class Meetings
{
    /** For so long something is supposed, where a site says nothing of when it meets. */
    private const WEEKS = 26;

    public function __construct(
        private StoredHours $stored,
        private Attendances $attendances,
        private PlatformSettings $settings,
    ) {}

    /**
     * @param list<string> $sites ids
     *
     * @return array<string, list<Meeting>> of sites, those that are not over at an instant, by site
     */
    public function ofSites(array $sites, int $from): array
    {
        $meetings = [];
        foreach ($this->stored->of($sites, $from) as $hours) {
            $site = $hours->site->id;
            $meetings[$site] = [...$meetings[$site] ?? [], ...$this->held($hours, $from)];
        }

        return $meetings;
    }

    /**
     * The same if some sections met otherwise.
     *
     * @param list<string>                 $sites ids
     * @param array<string, list<Meeting>> $moved by section
     *
     * @return array<string, list<Meeting>> by site
     */
    public function ofSitesWith(array $sites, int $from, array $moved): array
    {
        $meetings = $this->ofSites($sites, $from);
        foreach ($meetings as $site => $all) {
            $stay = static fn(Meeting $meeting): bool => !isset($moved[$meeting->section]);
            $meetings[$site] = array_values(array_filter($all, $stay));
        }
        foreach (array_merge(...array_values($moved)) as $meeting) {
            if (\in_array($meeting->site, $sites, true)) {
                $meetings[$meeting->site][] = $meeting;
            }
        }

        return $meetings;
    }

    /**
     * What a section would have if it met on some days of every week, as long as its site meets.
     *
     * @param list<int> $days    1 for Monday
     * @param string    $time    `HH:MM`
     * @param int       $minutes that a meeting lasts
     *
     * @return list<Meeting>
     */
    public function supposed(SiteAccess $access, string $section, array $days, string $time, int $minutes): array
    {
        $site = $access->site->id;
        $last = $access->now + self::WEEKS * 7 * 86_400;
        $ends = array_map(
            static fn(Meeting $meeting): int => $meeting->until,
            $this->ofSites([$site], $access->now)[$site] ?? [],
        );
        $until = [] === $ends ? $last : min($last, max($ends));
        $day = (new \DateTimeImmutable('@'.$access->now))->setTimezone($access->zone());
        $end = $day->setTimestamp($until)->format('Y-m-d');
        while (!\in_array((int) $day->format('N'), $days, true)) {
            $day = $day->modify('+1 day');
        }
        if ($day->format('Y-m-d') > $end) {
            return [];
        }
        sort($days);
        $hours = new Hours(
            '',
            $site,
            $section,
            $day->format('Y-m-d'),
            $time,
            $minutes,
            $access->zone()->getName(),
            (new WeeklyRule($days, 1, $end))->text($access->zone()),
        );
        $meetings = $hours->meetings(Recurrence::days($hours));

        return $hours->held($meetings, $this->settings->offIn($access->site->division));
    }

    /** @return list<Meeting> of some hours, those that are held and not over at an instant */
    public function held(StoredHour $stored, int $from): array
    {
        $hours = HoursCodec::of($stored);
        $meetings = array_values(
            array_filter(
                HoursCodec::meetings($stored, $hours),
                static fn(Meeting $meeting): bool => $meeting->until > $from,
            ),
        );

        return $hours->held($meetings, $this->settings->offIn($stored->site->division->code));
    }

    /**
     * @param list<string> $people ids
     * @param ?string      $but    id of a site that is of no interest
     *
     * @return array<string, list<Meeting>> theirs, those that are not over at an instant, by person
     */
    public function ofPeople(array $people, int $from, ?string $but = null): array
    {
        $attend = $this->attendances->of($people, $from);
        $sites = [];
        foreach ($attend as $own) {
            $sites += array_diff_key($own, [(string) $but => true]);
        }
        $all = $this->ofSites(array_map(strval(...), array_keys($sites)), $from);
        $theirs = [];
        foreach ($attend as $person => $own) {
            foreach ($own as $site => $timeline) {
                if (isset($all[$site])) {
                    $theirs[$person] = [...$theirs[$person] ?? [], ...Attending::of($timeline, $all[$site])];
                }
            }
        }

        return $theirs;
    }

    /** Whether a site says when it meets. */
    public function saysWhen(string $site): bool
    {
        return $this->stored->any([$site], Time::BEGINNING);
    }

    /**
     * Meetings of a site that are theirs, from an instant on.
     *
     * @param list<string> $people ids
     *
     * @return ?array<string, list<Meeting>> by person, by their beginning; null where the site does not say when it
     *     meets
     */
    public function inSite(string $site, array $people, int $from): ?array
    {
        if (!$this->saysWhen($site)) {
            return null;
        }
        $meetings = $this->ofSites([$site], $from)[$site] ?? [];
        usort($meetings, static fn(Meeting $a, Meeting $b): int => $a->from <=> $b->from);
        $timelines = $this->attendances->inSite($site, $from);
        $theirs = [];
        foreach ($people as $person) {
            $theirs[$person] = isset($timelines[$person]) ? Attending::of($timelines[$person], $meetings) : [];
        }

        return $theirs;
    }

    /**
     * The next meeting of each section.
     *
     * @return array<string, int> instants by id of the section; of the site as a whole by nothing
     */
    public function next(string $site, int $now): array
    {
        $next = [];
        foreach ($this->ofSites([$site], $now)[$site] ?? [] as $meeting) {
            if ($meeting->from >= $now) {
                $section = (string) $meeting->section;
                $next[$section] = min($next[$section] ?? Time::FOREVER, $meeting->from);
            }
        }

        return $next;
    }

    /**
     * What a change of where people are in a site meets.
     *
     * @param list<string> $people ids
     * @param list<string> $but    ids of sections of other sites that are of no interest
     * @param array<string, list<Meeting>> $moved what sections of the site would have instead of their meetings
     *
     * @return array<string, Commitments> by person; none where the site has no hours to come
     */
    public function commitments(SiteAccess $access, array $people, array $but = [], array $moved = []): array
    {
        $site = $access->site->id;
        $here = $this->ofSitesWith([$site], $access->now, $moved)[$site] ?? [];
        if ([] === $here) {
            return [];
        }
        $elsewhere = $this->ofPeople($people, $access->now, $site);
        $all = Commitments::at($here);
        $commitments = [];
        foreach ($people as $person) {
            $theirs = array_filter(
                $elsewhere[$person] ?? [],
                static fn(Meeting $meeting): bool => !\in_array($meeting->section, $but, true),
            );
            $commitments[$person] = $all->and(array_values($theirs));
        }

        return $commitments;
    }
}
