<?php

declare(strict_types=1);

namespace MintDoor\Weeks;

use MintDoor\Core\Weeks\Hours;
use MintDoor\Core\Weeks\Meeting;
use MintDoor\Core\Weeks\MeetingChange;
use MintDoor\Core\Weeks\Place;
use MintDoor\Weeks\Entity\Hours as StoredHours;

/** Hours between the core and what is stored of them. */
final class HoursCodec
{
    private function __construct() {}

    /** @return array<string, mixed> all but the ids */
    public static function terms(Hours $hours): array
    {
        return [
            'name' => $hours->name,
            'first' => $hours->first,
            'time' => $hours->time,
            'minutes' => $hours->minutes,
            'zone' => $hours->zone,
            'rule' => $hours->rule,
            'room' => $hours->place->room,
            'building' => $hours->place->building,
            'rests' => $hours->rests,
            'changes' => array_map(
                static fn(MeetingChange $change): array => [
                    'day' => $change->day,
                    'toDay' => $change->toDay,
                    'time' => $change->time,
                    'minutes' => $change->minutes,
                    'room' => $change->place->room,
                    'building' => $change->place->building,
                ],
                $hours->changes,
            ),
        ];
    }

    /** @param array<array-key, mixed> $terms as `terms()` */
    public static function hours(string $id, string $site, ?string $section, array $terms): Hours
    {
        $changes = [];
        foreach ((array) ($terms['changes'] ?? []) as $each) {
            $each = (array) $each;
            $toDay = self::text($each, 'toDay');
            $changes[] = new MeetingChange(
                self::text($each, 'day'),
                '' === $toDay ? null : $toDay,
                self::text($each, 'time'),
                self::number($each, 'minutes'),
                new Place(self::text($each, 'room'), self::text($each, 'building')),
            );
        }

        return new Hours(
            $id,
            $site,
            $section,
            self::text($terms, 'first'),
            self::text($terms, 'time'),
            self::number($terms, 'minutes'),
            self::text($terms, 'zone') ?: 'UTC',
            self::text($terms, 'rule'),
            new Place(self::text($terms, 'room'), self::text($terms, 'building')),
            false !== ($terms['rests'] ?? true),
            $changes,
            self::text($terms, 'name'),
        );
    }

    public static function of(StoredHours $stored): Hours
    {
        return self::hours($stored->id, $stored->site->id, $stored->section?->id, $stored->terms);
    }

    /** @return list<Meeting> of stored hours, days off among them */
    public static function meetings(StoredHours $stored, Hours $hours): array
    {
        $meetings = [];
        foreach ($stored->meetings as $kept) {
            $place = isset($kept[3]) ? new Place((string) $kept[2], (string) $kept[3]) : $hours->place;
            $meetings[] = new Meeting(
                $hours->id,
                $hours->site,
                $hours->section,
                (int) ($kept[0] ?? 0),
                (int) ($kept[1] ?? 0),
                $place,
            );
        }

        return $meetings;
    }

    /**
     * @param list<Meeting> $meetings
     *
     * @return list<list<int|string>> as they are kept
     */
    public static function kept(Hours $hours, array $meetings): array
    {
        return array_map(
            static fn(Meeting $meeting): array => $meeting->place == $hours->place
                ? [$meeting->from, $meeting->until]
                : [$meeting->from, $meeting->until, $meeting->place->room, $meeting->place->building],
            $meetings,
        );
    }

    /** @param array<array-key, mixed> $terms as `terms()` */
    public static function nameOf(array $terms): string
    {
        return self::text($terms, 'name');
    }

    /** @param array<array-key, mixed> $terms */
    private static function text(array $terms, string $name): string
    {
        return \is_string($terms[$name] ?? null) ? $terms[$name] : '';
    }

    /** @param array<array-key, mixed> $terms */
    private static function number(array $terms, string $name): int
    {
        return \is_int($terms[$name] ?? null) ? $terms[$name] : 0;
    }
}
