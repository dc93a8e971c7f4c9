<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Core\Doors\SeatsAhead;
use MintDoor\Core\Doors\Waiter;
use MintDoor\Core\Roster\Foresight;
use MintDoor\Core\Roster\Happens;
use MintDoor\Core\Roster\Leads;
use MintDoor\Core\Roster\Timeline;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\WakingHours;
use MintDoor\Core\Time\Window;
use MintDoor\Desk\Repository\ForecastRows;
use MintDoor\Doors\Repository\WaitingPlaces;
use MintDoor\Doors\SentenceDoor;
use MintDoor\People\PersonRow;
use MintDoor\People\Repository\People;
use MintDoor\Platform\PlatformSettings;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Repository\Enrollments;
use MintDoor\Roster\SegmentRow;
use MintDoor\Shared\Instant;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Row;
use MintDoor\Shared\Somebody;

/**
 * What will happen by itself in the next days if nobody does anything: from the timelines people have, the dates of
 * sites, doors and terms, and the waiting lists.
 */
final readonly class ForecastQuery
{
    public const DAYS = 90;

    private const DAY = 86_400;

    /** People whose timelines are looked at. */
    private const MOST_PEOPLE = 20_000;

    /** Events in one answer. */
    private const MOST_EVENTS = 500;

    /** Sites whose waiting lists are followed. */
    private const MOST_SITES = 50;

    public function __construct(
        private ForecastRows $rows,
        private Enrollments $enrollments,
        private WaitingPlaces $waiting,
        private People $people,
        private PlatformSettings $settings,
        private Roles $roles,
        private PlatformClock $clock,
    ) {}

    public function of(ForecastScope $scope): ForecastAnswer
    {
        $now = $this->clock->instant();
        $until = $now + self::DAYS * self::DAY;
        $rows = $this->rows->changing($scope->people, $now, $until, self::MOST_PEOPLE + 1);
        [$events, $leading, $many] = $this->ofPeople($rows, $now, $until);
        if (null !== $scope->sites) {
            array_push($events, ...$this->leads($leading, $now, $until), ...$this->turning($scope, $now, $until));
            $scope->doors && array_push($events, ...$this->seats($scope, $now, $until));
        }
        array_push($events, ...$this->terms($scope, $now, $until), ...$this->emptied($scope, $now, $until));
        usort(
            $events,
            static fn(ForecastEvent $a, ForecastEvent $b): int => [$a->at, $a->site?->name, $a->person?->name, $a->kind]
                <=> [$b->at, $b->site?->name, $b->person?->name, $b->kind],
        );
        $day = static fn(int $at): string => (new \DateTimeImmutable('@'.$at))
            ->setTimezone($scope->zone)
            ->format('Y-m-d');

        return new ForecastAnswer(
            $day($now),
            $day($until),
            self::days($events, $scope->zone),
            \array_slice($events, 0, self::MOST_EVENTS),
            \count($events),
            $many > self::MOST_PEOPLE,
        );
    }

    /**
     * @param list<Row> $rows as `ForecastRows::changing()`
     *
     * @return array{list<ForecastEvent>, list<string>, int} events, ids of sites in which somebody's leading changes,
     *     and how many people there are
     */
    private function ofPeople(array $rows, int $now, int $until): array
    {
        $of = [];
        foreach ($rows as $row) {
            $of[$row->id('site_id').$row->id('person_id')][] = $row;
        }
        $book = $this->roles->book();
        $foresight = new Foresight($book);
        $rule = new Leads($book);
        $events = $leading = [];
        foreach ($of as $own) {
            $timeline = new Timeline(array_map(SegmentRow::segment(...), $own));
            foreach ($foresight->of($timeline, $now, $until) as $one) {
                $is = Happens::Begins === $one->what ? $one->after : $one->before;
                $events[] = self::event($own[0], $one->at, $one->what->value, [
                    'person' => new Somebody($own[0]->id('person_id'), $own[0]->string('person_name')),
                    'role' => ($book->pick($is->roles ?? [])[0] ?? null)?->code,
                    'frees' => $one->frees,
                ]);
                if (null !== $one->before && $rule->leads($one->before)) {
                    $leading[$own[0]->id('site_id')] = true;
                }
            }
        }

        return [$events, array_map(strval(...), array_keys($leading)), \count($of)];
    }

    /**
     * @param list<string> $sites ids of those in which somebody's leading changes
     *
     * @return list<ForecastEvent>
     */
    private function leads(array $sites, int $now, int $until): array
    {
        $events = [];
        $rule = new Leads($this->roles->book());
        foreach ($this->rows->sites($sites) as $id => $row) {
            $from = max($now, $row->instant('opens_at'));
            $to = min($until, $row->instant('closes_at'));
            $gap = $from < $to
                ? $rule->firstGap(array_values($this->enrollments->leads($id, $now)), new Window($from, $to))
                : null;
            null === $gap || ($events[] = self::event($row, $gap, 'lead-missing'));
        }

        return $events;
    }

    /** @return list<ForecastEvent> */
    private function turning(ForecastScope $scope, int $now, int $until): array
    {
        $events = [];
        foreach (null === $scope->sites ? [] : $this->rows->turning($scope->sites, $now, $until, 2_000) as $row) {
            $kind = $row->string('kind');
            $ofDoors = str_starts_with($kind, 'door') || str_starts_with($kind, 'invitation');
            if ($scope->doors || !$ofDoors) {
                $events[] = self::event($row, $row->instant('at'), $kind, [
                    'name' => $row->string('name'),
                    'doorKind' => $row->string('door_kind'),
                ]);
            }
        }

        return $events;
    }

    /** @return list<ForecastEvent> to whom seats are offered, and whose offers lapse */
    private function seats(ForecastScope $scope, int $now, int $until): array
    {
        $events = [];
        foreach (null === $scope->sites ? [] : $this->rows->waitedFor($scope->sites, self::MOST_SITES) as $row) {
            $records = array_column($this->waiting->forSeats($row->id('site_id')), null, 'id');
            $zone = new \DateTimeZone($row->string('time_zone'));
            $off = $this->settings->offIn($row->string('division_code'));
            $ahead = SeatsAhead::of(
                $row->int('seats'),
                $this->enrollments->seats($row->id('site_id'), $now),
                WaitingPlaces::listOf(array_values($records))->waiters,
                static fn(Waiter $one, int $at): int => WakingHours::after(
                    $at,
                    3_600 * SentenceDoor::of($records[$one->arrival]->door)->policy->offerHours,
                    $zone,
                    $off,
                ),
                $now,
                $until,
            );
            $names = $this->people->byId(array_values(array_unique(array_map(
                static fn($one): string => $one->waiter->personId,
                $ahead
            ))));
            foreach ($ahead as $one) {
                $door = $records[$one->waiter->arrival]->door;
                $person = $names[$one->waiter->personId] ?? null;
                $events[] = self::event($row, $one->at, $one->lapses ? 'offer-lapses' : 'seat-offered', [
                    'person' => null === $person
                        ? null
                        : new Somebody($one->waiter->personId, PersonRow::name($person)),
                    'name' => $door->name,
                    'doorKind' => $door->kind,
                    'frees' => $one->lapses,
                ]);
            }
        }

        return $events;
    }

    /** @return list<ForecastEvent> */
    private function terms(ForecastScope $scope, int $now, int $until): array
    {
        $events = [];
        $name = $scope->zone->getName();
        foreach (null === $scope->division ? [] : $this->settings->read()->termsOf($scope->division) as $term) {
            $days = [
                'term-begins' => Time::startOfDay($term->startsOn, $scope->zone),
                'term-ends' => Time::untilDayIncluded($term->endsOn, $scope->zone),
            ];
            foreach ($days as $kind => $at) {
                if ($at > $now && $at <= $until) {
                    $at = Instant::toJson($at) ?? '';
                    $events[] = new ForecastEvent($at, $kind, null, null, $term->name, '', null, false, $name);
                }
            }
        }

        return $events;
    }

    /** @return list<ForecastEvent> */
    private function emptied(ForecastScope $scope, int $now, int $until): array
    {
        $events = [];
        foreach (null === $scope->cohorts ? [] : $this->rows->emptied($scope->cohorts, $now, $until) as $row) {
            $at = Instant::toJson($row->instant('at')) ?? '';
            $zone = $scope->zone->getName();
            $name = $row->string('name');
            $events[] = new ForecastEvent($at, 'cohort-empty', null, null, $name, '', null, false, $zone);
        }

        return $events;
    }

    /** @param array{person?: ?Somebody, name?: string, doorKind?: string, role?: ?string, frees?: bool} $more */
    private static function event(Row $site, int $at, string $kind, array $more = []): ForecastEvent
    {
        return new ForecastEvent(
            Instant::toJson($at) ?? '',
            $kind,
            new Somebody($site->id('site_id'), $site->string('site_title')),
            $more['person'] ?? null,
            $more['name'] ?? '',
            $more['doorKind'] ?? '',
            $more['role'] ?? null,
            $more['frees'] ?? false,
            $site->string('time_zone'),
        );
    }

    /**
     * @param list<ForecastEvent> $events in order
     *
     * @return list<ForecastDay>
     */
    private static function days(array $events, \DateTimeZone $zone): array
    {
        $days = [];
        foreach ($events as $event) {
            $day = (new \DateTimeImmutable($event->at))->setTimezone($zone)->format('Y-m-d');
            $days[$day] ??= ['come' => 0, 'leave' => 0, 'other' => 0];
            ++$days[$day][match ($event->kind) {
                Happens::Begins->value => 'come',
                Happens::Ends->value => 'leave',
                default => 'other',
            }];
        }
        ksort($days);

        return array_map(
            static fn(string $day, array $of): ForecastDay => new ForecastDay(
                $day,
                $of['come'],
                $of['leave'],
                $of['other'],
            ),
            array_map(strval(...), array_keys($days)),
            array_values($days),
        );
    }
}
