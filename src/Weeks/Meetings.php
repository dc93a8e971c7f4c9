<?php

declare(strict_types=1);

namespace MintDoor\Weeks;

use MintDoor\Core\Time\Time;
use MintDoor\Core\Weeks\Attending;
use MintDoor\Core\Weeks\Commitments;
use MintDoor\Core\Weeks\Meeting;
use MintDoor\Platform\PlatformSettings;
use MintDoor\Roster\SiteAccess;
use MintDoor\Weeks\Entity\Hours;
use MintDoor\Weeks\Repository\Attendances;
use MintDoor\Weeks\Repository\StoredHours;

/** What meets when, and whose it is. Days off of the platform's calendar are taken out here. */
final readonly class Meetings
{
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

    /** @return list<Meeting> of some hours, those that are held and not over at an instant */
    public function held(Hours $stored, int $from): array
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
        return $this->stored->any($site, Time::BEGINNING);
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
     *
     * @return array<string, Commitments> by person; none where the site has no hours to come
     */
    public function commitments(SiteAccess $access, array $people, array $but = []): array
    {
        $site = $access->site->id;
        $here = $this->ofSites([$site], $access->now)[$site] ?? [];
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
