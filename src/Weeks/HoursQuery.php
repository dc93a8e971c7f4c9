<?php

declare(strict_types=1);

namespace MintDoor\Weeks;

use MintDoor\Core\Weeks\Clashes;
use MintDoor\Core\Weeks\Meeting;
use MintDoor\Core\Weeks\MeetingChange;
use MintDoor\Core\Weeks\WeeklyRule;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Instant;
use MintDoor\Weeks\Entity\Hours as StoredOne;
use MintDoor\Weeks\Repository\StoredHours;

/** The hours of a site as somebody sees them. */
final readonly class HoursQuery
{
    public function __construct(
        private StoredHours $stored,
        private Meetings $meetings,
        private Occasions $occasions,
    ) {}

    public function of(SiteAccess $access, ?int $entry = null): HoursAnswer
    {
        $shown = $clashes = [];
        foreach ($this->seen($access) as $stored) {
            $held = $this->meetings->held($stored, \PHP_INT_MIN);
            $shown[] = $this->shown($access, $stored, $held);
            array_push($clashes, ...$this->clashes($stored, $held, $access->now));
        }

        return new HoursAnswer(
            $shown,
            $clashes,
            $access->row->stringOrNull('ends_on'),
            $access->row->int('version'),
            $entry,
        );
    }

    /** @return list<HoursShown> all of a site, whoever asks: when a section meets is no secret among its learners */
    public function shownOf(SiteAccess $access): array
    {
        return array_map(
            fn(StoredOne $stored): HoursShown => $this->shown(
                $access,
                $stored,
                $this->meetings->held($stored, \PHP_INT_MIN),
            ),
            $this->stored->all($access->site->id),
        );
    }

    /** @return list<StoredOne> those of the site as a whole, and of sections whose people somebody sees */
    public function seen(SiteAccess $access): array
    {
        $own = $access->standing->sections;

        return array_values(
            array_filter(
                $this->stored->all($access->site->id),
                static fn(StoredOne $hours): bool => null === $own
                    || null === $hours->section
                    || \in_array($hours->section->id, $own, true),
            ),
        );
    }

    /** @param list<Meeting> $held */
    private function shown(SiteAccess $access, StoredOne $stored, array $held): HoursShown
    {
        $hours = HoursCodec::of($stored);
        $all = HoursCodec::meetings($stored, $hours);
        $zone = new \DateTimeZone($hours->zone);
        $weekly = '' === $hours->rule ? null : WeeklyRule::read($hours->rule, $hours->first, $zone);
        $starts = array_map(static fn(Meeting $meeting): int => $meeting->from, $held);
        $off = array_diff(array_map(static fn(Meeting $meeting): int => $meeting->from, $all), $starts);
        $next = array_filter($starts, static fn(int $from): bool => $from > $access->now);

        return new HoursShown(
            $hours->id,
            $hours->section,
            $hours->name,
            $hours->first,
            $hours->time,
            $hours->minutes,
            $weekly->days ?? [],
            $weekly->every ?? 1,
            $weekly?->until,
            null === $weekly && '' !== $hours->rule ? $hours->rule : null,
            $hours->place->room,
            $hours->place->building,
            $hours->rests,
            array_map(
                static fn(MeetingChange $change): MeetingChangeRequest => new MeetingChangeRequest(
                    $change->day,
                    $change->toDay,
                    $change->time,
                    $change->minutes,
                    $change->place->room,
                    $change->place->building,
                ),
                $hours->changes,
            ),
            $zone->getName() === $access->zone()->getName() ? null : $zone->getName(),
            \count($held),
            array_values(
                array_map(
                    static fn(int $from): string => (new \DateTimeImmutable('@'.$from))
                        ->setTimezone($zone)
                        ->format('Y-m-d'),
                    $off,
                ),
            ),
            [] === $next ? null : Instant::toJson(min($next)),
            [] === $starts ? null : Instant::toJson(max($starts)),
        );
    }

    /**
     * @param list<Meeting> $held
     *
     * @return list<PlaceClash> of those to come
     */
    private function clashes(StoredOne $stored, array $held, int $now): array
    {
        $place = $stored->placeKey;
        $coming = array_values(
            array_filter(
                $held,
                static fn(Meeting $meeting): bool => $meeting->until > $now && $meeting->place->key() === $place,
            ),
        );
        if ('' === $place || [] === $coming) {
            return [];
        }
        $others = [];
        foreach ($this->stored->inRoom($place, $now, $stored->untilAt) as $other) {
            if ($other->id !== $stored->id) {
                array_push($others, ...array_filter(
                    $this->meetings->held($other, $now),
                    static fn(Meeting $meeting): bool => $meeting->place->key() === $place,
                ));
            }
        }
        $clashes = [];
        foreach (Clashes::between($coming, $others) as $clash) {
            $clashes[] = new PlaceClash($stored->id, $this->occasions->of($clash->other), $clash->times);
        }

        return $clashes;
    }
}
