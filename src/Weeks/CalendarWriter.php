<?php

declare(strict_types=1);

namespace MintDoor\Weeks;

use MintDoor\Core\Weeks\Hours;
use MintDoor\Core\Weeks\Meeting;
use MintDoor\Core\Weeks\Place;
use MintDoor\Platform\PlatformSettings;
use MintDoor\Shared\PlatformClock;
use MintDoor\Weeks\Entity\Hours as StoredOne;
use Sabre\VObject\Component\VCalendar;
use Sabre\VObject\Component\VEvent;
use Symfony\Component\HttpFoundation\Response;

/** Hours and meetings as a calendar (iCalendar, RFC 5545). */
final readonly class CalendarWriter
{
    private const PRODUCT = '-//Mint Door//Hours//EN';

    public function __construct(private PlatformSettings $settings, private PlatformClock $clock) {}

    /** @param string $name of the file, without its ending */
    public static function answer(VCalendar $calendar, string $name): Response
    {
        return new Response($calendar->serialize(), headers: [
            'Content-Type' => 'text/calendar; charset=utf-8',
            'Content-Disposition' => 'attachment; filename="'.preg_replace('/[^A-Za-z0-9_-]+/', '-', $name).'.ics"',
            'Cache-Control' => 'private, no-store',
            'X-Content-Type-Options' => 'nosniff',
        ]);
    }

    /**
     * Hours with their rules, what is different on single days, and days off of the platform's calendar left out.
     *
     * @param list<StoredOne> $all of one site
     */
    public function ofHours(string $title, array $all): VCalendar
    {
        $calendar = $this->calendar($title);
        $zones = [];
        foreach ($all as $stored) {
            $hours = HoursCodec::of($stored);
            $until = max($stored->untilAt, $zones[$hours->zone][1] ?? $stored->untilAt);
            $zones[$hours->zone] = [min($stored->fromAt, $zones[$hours->zone][0] ?? $stored->fromAt), $until];
        }
        foreach ($zones as $zone => [$from, $until]) {
            TimeZoneWriter::add($calendar, new \DateTimeZone((string) $zone), $from, $until);
        }
        foreach ($all as $stored) {
            $this->addHours($calendar, $title, $stored);
        }

        return $calendar;
    }

    /**
     * Single meetings, in UTC.
     *
     * @param list<Meeting> $meetings
     */
    public function ofMeetings(string $title, array $meetings, Occasions $occasions): VCalendar
    {
        $calendar = $this->calendar($title);
        foreach ($meetings as $meeting) {
            $named = $occasions->of($meeting);
            $this->event(
                $calendar,
                $meeting->hours.'-'.$meeting->from.'@mint-door',
                self::summary((string) $named->site?->name, $named->section, $named->name),
                self::utc($meeting->from),
                self::utc($meeting->until),
                $meeting->place,
            );
        }

        return $calendar;
    }

    private function calendar(string $title): VCalendar
    {
        $calendar = new VCalendar(['PRODID' => self::PRODUCT]);
        $calendar->add('X-WR-CALNAME', $title);

        return $calendar;
    }

    private function addHours(VCalendar $calendar, string $title, StoredOne $stored): void
    {
        $hours = HoursCodec::of($stored);
        $zone = new \DateTimeZone($hours->zone);
        $days = Recurrence::days($hours);
        $summary = self::summary($title, $stored->section?->name, $hours->name);
        $uid = $hours->id.'@mint-door';
        $at = static fn(string $day): \DateTimeImmutable => new \DateTimeImmutable("$day $hours->time", $zone);
        $ends = static fn(\DateTimeImmutable $starts): \DateTimeImmutable => $starts
            ->setTimestamp($starts->getTimestamp() + 60 * $hours->minutes);
        // The beginning of a rule is a meeting in RFC 5545, so it has to be one.
        $starts = $at($days[0]);
        $event = $this->event($calendar, $uid, $summary, $starts, $ends($starts), $hours->place);
        if ('' !== $hours->rule) {
            $event->add('RRULE', $hours->rule);
        }
        $off = $this->settings->offIn($stored->site->division->code);
        $changed = array_column($hours->changes, null, 'day');
        foreach ($days as $day) {
            $change = $changed[$day] ?? null;
            if (null === $change ? $hours->rests && $off($day) : $change->isOff()) {
                $event->add('EXDATE', $at($day));
            } elseif (null !== $change) {
                $this->addMoved($calendar, $hours, $uid, $summary, $at($day), $change->day);
            }
        }
    }

    private function addMoved(
        VCalendar $calendar,
        Hours $hours,
        string $uid,
        string $summary,
        \DateTimeImmutable $instead,
        string $day,
    ): void {
        $meeting = $hours->meetings([$day])[0];
        $starts = $instead->setTimestamp($meeting->from);
        $moved = $this->event(
            $calendar,
            $uid,
            $summary,
            $starts,
            $starts->setTimestamp($meeting->until),
            $meeting->place,
        );
        $moved->add('RECURRENCE-ID', $instead);
    }

    private function event(
        VCalendar $calendar,
        string $uid,
        string $summary,
        \DateTimeImmutable $starts,
        \DateTimeImmutable $ends,
        Place $place,
    ): VEvent {
        $event = $calendar->add('VEVENT', [
            'UID' => $uid,
            'SUMMARY' => $summary,
            'DTSTART' => $starts,
            'DTEND' => $ends,
        ]);
        \assert($event instanceof VEvent);
        $event->__set('DTSTAMP', self::utc($this->clock->instant()));
        if ($place->isKnown() || '' !== $place->building) {
            $event->add('LOCATION', implode(', ', array_filter([$place->room, $place->building])));
        }

        return $event;
    }

    private static function summary(string $title, ?string $section, string $name): string
    {
        return implode(' · ', array_filter([$title, (string) $section, $name]));
    }

    private static function utc(int $instant): \DateTimeImmutable
    {
        return (new \DateTimeImmutable('@'.$instant))->setTimezone(new \DateTimeZone('UTC'));
    }
}
