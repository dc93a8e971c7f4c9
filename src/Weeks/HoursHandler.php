<?php

declare(strict_types=1);

namespace MintDoor\Weeks;

use MintDoor\Core\Time\NotADay;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Weeks\Hours;
use MintDoor\Core\Weeks\Meeting;
use MintDoor\Core\Weeks\MeetingChange;
use MintDoor\Core\Weeks\Place;
use MintDoor\Core\Weeks\WeeklyRule;
use MintDoor\History\Happening;
use MintDoor\History\History;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\FieldErrors;
use MintDoor\Shared\Ids;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\Said;
use MintDoor\Sites\Repository\Sites;
use MintDoor\Weeks\Repository\StoredHours;

/** Says when a site and its sections meet. Runs inside a transaction, under the site's lock. */
final readonly class HoursHandler
{
    public const CHANGED = 'hours-changed';

    public function __construct(
        private StoredHours $stored,
        private Sites $sites,
        private History $history,
        private Ids $ids,
    ) {}

    /**
     * @return int the sequence number of its history entry, 0 when nothing changed
     *
     * @throws Problem of type `Invalid`, at the hours and fields that are wrong
     */
    public function change(SiteAccess $access, HoursRequest $request): int
    {
        $present = array_column($this->stored->all($access->site->id), null, 'id');
        $errors = new FieldErrors();
        $wanted = [];
        foreach ($request->hours as $n => $each) {
            $id = $each->id ?? $this->ids->next();
            if (null !== $each->id && (!isset($present[$id]) || isset($wanted[$id]))) {
                $errors->add("hours/$n/id", 'unknown', 'weeks.no-such-hours');
                continue;
            }
            if (null !== $each->section && !isset($access->site->sections[$each->section])) {
                $errors->add("hours/$n/section", 'unknown', 'shared.no-such-section');
                continue;
            }
            $hours = $this->wanted($access, $id, $each, "hours/$n", $errors);
            $wanted[$id] = null === $hours ? null : [$hours, $this->meetings($hours, "hours/$n", $errors)];
        }
        $errors->check();

        return $this->put($access, self::CHANGED, array_filter($wanted));
    }

    /**
     * Puts the hours back to what they were before an entry of the history, unless they were changed since.
     *
     * @param array<string, mixed> $data of the entry
     */
    public function undo(SiteAccess $access, array $data, int $entry): int
    {
        if (!$this->isStill($access->site->id, $data['after'] ?? [])) {
            throw new Problem(ProblemType::ChangedSince, 'weeks.hours-changed-since');
        }
        $wanted = $this->read($access->site->id, $data['before'] ?? []);
        $sequence = $this->put($access, 'undo', $wanted, ['of' => self::CHANGED]);
        $this->history->undone($access->site->id, $entry, $sequence);

        return $sequence;
    }

    /** Whether a site still meets as was kept of it. */
    public function isStill(string $site, mixed $kept): bool
    {
        return self::compared($kept) == self::compared($this->kept($site));
    }

    /** Has a site meet as was kept of it, or of another one; tells the history nothing. */
    public function restore(string $site, mixed $kept): void
    {
        $this->store($site, $this->read($site, $kept));
    }

    /** @return array<string, array{Hours, list<Meeting>}> by id */
    private function read(string $site, mixed $kept): array
    {
        $wanted = [];
        $errors = new FieldErrors();
        foreach ((array) $kept as $id => $one) {
            $one = (array) $one;
            $section = \is_string($one['section'] ?? null) ? $one['section'] : null;
            $hours = HoursCodec::hours((string) $id, $site, $section, (array) ($one['terms'] ?? []));
            $wanted[(string) $id] = [$hours, $this->meetings($hours, '', $errors)];
        }
        $errors->check();

        return $wanted;
    }

    /** As the core takes them; null where something is wrong. */
    private function wanted(
        SiteAccess $access,
        string $id,
        OneHoursRequest $each,
        string $at,
        FieldErrors $errors,
    ): ?Hours {
        $zone = $access->zone();
        if (null !== $each->zone) {
            try {
                $zone = new \DateTimeZone($each->zone);
            } catch (\Throwable) {
                $errors->add("$at/zone", 'no-zone', 'weeks.no-zone');

                return null;
            }
        }
        foreach (['first' => $each->first, 'until' => $each->until] as $field => $day) {
            if (null !== $day && !self::isDay($day, $zone)) {
                $errors->add("$at/$field", 'day', 'shared.choose-day-between-years');

                return null;
            }
        }
        $rule = strtoupper(trim($each->rule ?? ''));
        if ('' === $rule && [] !== $each->days) {
            if (null === $each->until) {
                $errors->add("$at/until", 'no-end', 'weeks.say-last-day');

                return null;
            }
            if ($each->until < $each->first) {
                $errors->add("$at/until", 'before-start', 'shared.last-day-before-first');

                return null;
            }
            $days = array_values(array_unique($each->days));
            sort($days);
            $rule = (new WeeklyRule($days, $each->every, $each->until))->text($zone);
        }
        $changes = [];
        foreach ($each->changes as $k => $change) {
            if (isset($changes[$change->day])) {
                $errors->add("$at/changes/$k/day", 'twice', 'weeks.day-twice');
            }
            foreach (['day' => $change->day, 'toDay' => $change->toDay] as $field => $day) {
                if (null !== $day && !self::isDay($day, $zone)) {
                    $errors->add("$at/changes/$k/$field", 'day', 'weeks.write-day');
                    continue 2;
                }
            }
            $changes[$change->day] = null === $change->toDay
                ? new MeetingChange($change->day)
                : new MeetingChange(
                    $change->day,
                    $change->toDay,
                    '' === $change->time ? $each->time : $change->time,
                    $change->minutes > 0 ? $change->minutes : $each->minutes,
                    new Place(trim($change->room), trim($change->building)),
                );
        }
        ksort($changes);

        return new Hours(
            $id,
            $access->site->id,
            $each->section,
            $each->first,
            $each->time,
            $each->minutes,
            $zone->getName(),
            $rule,
            new Place(trim($each->room), trim($each->building)),
            $each->rests,
            array_values($changes),
            trim($each->name),
        );
    }

    private static function isDay(string $day, \DateTimeZone $zone): bool
    {
        try {
            Time::startOfDay($day, $zone);
        } catch (NotADay) {
            return false;
        }

        return true;
    }

    /** @return list<Meeting> none where something is wrong */
    private function meetings(Hours $hours, string $at, FieldErrors $errors): array
    {
        try {
            $days = Recurrence::days($hours);
            foreach ($hours->changes as $k => $change) {
                if (!\in_array($change->day, $days, true)) {
                    $errors->add("$at/changes/$k/day", 'no-meeting', 'weeks.no-meeting-that-day');
                }
            }
            $meetings = $hours->meetings($days);
        } catch (NoRecurrence $none) {
            $errors->add("$at/rule", $none->reason, match ($none->reason) {
                'endless' => 'weeks.rule-endless',
                'never' => 'weeks.rule-never',
                default => 'weeks.no-rule',
            });

            return [];
        } catch (NotADay) {
            $errors->add("$at/changes", 'day', 'shared.choose-day-between-years');

            return [];
        }
        if (\count($days) > Hours::MOST_MEETINGS) {
            $errors->add("$at/rule", 'too-many', Said::with('weeks.too-many-meetings', most: Hours::MOST_MEETINGS));
        }

        return $meetings;
    }

    /**
     * @param array<string, array{Hours, list<Meeting>}> $wanted by id, in their order
     * @param array<string, mixed>                       $more   for the history
     */
    private function put(SiteAccess $access, string $code, array $wanted, array $more = []): int
    {
        $id = $access->site->id;
        $before = $this->kept($id);
        $this->store($id, $wanted);
        $after = $this->kept($id);
        if (self::compared($before) == self::compared($after)) {
            return 0;
        }
        $site = $this->sites->find($id) ?? throw Problem::notFound('site');
        ++$site->version;
        $this->stored->flush();

        return $this->history->write($id, $access->caller, new Happening(
            $code,
            ['before' => (object) $before, 'after' => (object) $after, ...$more],
        ));
    }

    /**
     * Has a site meet so from now on; tells the history nothing.
     *
     * @param array<string, array{Hours, list<Meeting>}> $wanted by id, in their order
     */
    private function store(string $site, array $wanted): void
    {
        $present = array_column($this->stored->all($site), null, 'id');
        foreach (array_diff_key($present, $wanted) as $gone) {
            $this->stored->remove($gone);
        }
        $place = 0;
        foreach ($wanted as $key => [$hours, $meetings]) {
            $one = $present[$key] ?? $this->stored->make((string) $key, $site, $hours->section, $place);
            $one->place = $place++;
            $one->section = $this->stored->sectionOf($hours->section);
            $one->terms = HoursCodec::terms($hours);
            $one->placeKey = $hours->place->key();
            $one->meetings = HoursCodec::kept($hours, $meetings);
            $starts = array_map(static fn(Meeting $meeting): int => $meeting->from, $meetings);
            $ends = array_map(static fn(Meeting $meeting): int => $meeting->until, $meetings);
            $one->fromAt = min([Time::FOREVER, ...$starts]);
            $one->untilAt = max([Time::BEGINNING, ...$ends]);
        }
        $this->stored->flush();
    }

    /** @return array<string, array{section: ?string, terms: array<string, mixed>}> as they are kept, by id */
    public function kept(string $site): array
    {
        $kept = [];
        foreach ($this->stored->all($site) as $one) {
            $kept[$one->id] = ['section' => $one->section?->id, 'terms' => $one->terms];
        }

        return $kept;
    }

    /** The same for two that say the same, however the database keeps the order of their names. */
    private static function compared(mixed $kept): mixed
    {
        return json_decode(json_encode($kept, \JSON_THROW_ON_ERROR), true, 32, \JSON_THROW_ON_ERROR);
    }
}
