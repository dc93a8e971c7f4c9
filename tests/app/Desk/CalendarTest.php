<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Desk;

use MintDoor\Core\Platform\DaysOff;
use MintDoor\Desk\CalendarFile;
use MintDoor\Desk\CalendarRead;
use MintDoor\Shared\Problem;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class CalendarTest extends TestCase
{
    public function testWholeDaysAreOffAndTheirLastIsIncluded(): void
    {
        self::assertEquals(
            [
                new DaysOff('Founders’ day', '2026-10-02', '2026-10-02'),
                new DaysOff('Winter break', '2026-12-21', '2027-01-01'),
            ],
            self::read(
                ['DTSTART;VALUE=DATE:20261221', 'DTEND;VALUE=DATE:20270102', 'SUMMARY:Winter break'],
                ['DTSTART;VALUE=DATE:20261002', 'SUMMARY:Founders’ day'],
                // The same twice, as calendars that were merged have it.
                ['DTSTART;VALUE=DATE:20261002', 'SUMMARY:Founders’ day'],
            )->items,
        );
    }

    public function testHoursAndWhatWasCalledOffAreLeftOut(): void
    {
        $read = self::read(
            ['DTSTART:20261002T090000Z', 'DTEND:20261002T100000Z', 'SUMMARY:A meeting'],
            ['DTSTART;VALUE=DATE:20261003', 'SUMMARY:Never mind', 'STATUS:CANCELLED'],
        );
        self::assertSame([[], 2], [$read->items, $read->left]);
    }

    public function testWhatComesAgainIsWrittenOutAndWhatIsOverIsNot(): void
    {
        $read = self::read(
            ['DTSTART;VALUE=DATE:20150501', 'RRULE:FREQ=YEARLY', 'SUMMARY:May day'],
            ['DTSTART;VALUE=DATE:20240101', 'SUMMARY:Long ago'],
        );
        self::assertSame(
            ['2026-05-01', '2027-05-01', '2028-05-01', '2029-05-01'],
            array_column($read->items, 'from'),
        );
    }

    #[DataProvider('noCalendars')]
    public function testWhatIsNoCalendarIsSaid(string $text, string $code): void
    {
        try {
            CalendarFile::read($text, '2026-11-24');
            self::fail('It was read.');
        } catch (Problem $problem) {
            self::assertSame(['/text', $code], [$problem->errors[0]->pointer, $problem->errors[0]->code]);
        }
    }

    /** @return iterable<string, array{string, string}> */
    public static function noCalendars(): iterable
    {
        $event = static fn(string ...$lines): string => self::calendar(array_values($lines));
        yield 'nothing' => ['', 'no-calendar'];
        yield 'something else' => ['name,from,until', 'no-calendar'];
        yield 'a card' => ["BEGIN:VCARD\r\nVERSION:4.0\r\nFN:Ada\r\nEND:VCARD\r\n", 'no-calendar'];
        yield 'cut off' => ["BEGIN:VCALENDAR\r\nBEGIN:VEVENT\r\n", 'no-calendar'];
        yield 'no day' => [$event('DTSTART;VALUE=DATE:soon', 'SUMMARY:x'), 'no-calendar'];
        yield 'no rule' => [$event('DTSTART;VALUE=DATE:20260101', 'RRULE:FREQ=NEVER', 'SUMMARY:x'), 'no-calendar'];
        yield 'each second' => [
            $event('DTSTART:20260101T000000Z', 'RRULE:FREQ=SECONDLY', 'SUMMARY:x'),
            'too-many',
        ];
        yield 'each day' => [
            $event('DTSTART;VALUE=DATE:20260101', 'RRULE:FREQ=DAILY', 'SUMMARY:x'),
            'too-many',
        ];
        yield 'long' => [str_repeat('x', CalendarFile::LONGEST + 1), 'too-long'];
    }

    /** @param list<string> ...$events */
    private static function read(array ...$events): CalendarRead
    {
        return CalendarFile::read(self::calendar(...$events), '2026-11-24');
    }

    /** @param list<string> ...$events */
    private static function calendar(array ...$events): string
    {
        $lines = ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//Elm Grove//EN'];
        foreach ($events as $n => $event) {
            array_push($lines, 'BEGIN:VEVENT', "UID:$n@elm.example", 'DTSTAMP:20260101T000000Z', ...$event);
            $lines[] = 'END:VEVENT';
        }

        return implode("\r\n", [...$lines, 'END:VCALENDAR', '']);
    }
}
