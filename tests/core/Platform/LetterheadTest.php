<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Platform;

use MintDoor\Core\Platform\Division;
use MintDoor\Core\Platform\DivisionTree;
use MintDoor\Core\Platform\Letterhead;
use MintDoor\Core\Platform\Settings;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class LetterheadTest extends TestCase
{
    public function testWhatADivisionLeavesEmptyIsAsAbove(): void
    {
        $settings = new Settings(
            'Elm Park',
            new DivisionTree([new Division('school', 'School'), new Division('upper', 'Upper', 'school')]),
            [],
            [],
            letterheads: [
                new Letterhead(null, 'Elm Park', 'office@example.org', 'Elm Park, 1 Elm Road', '21:00', '07:00'),
                new Letterhead('school', replyTo: 'school@example.org'),
                new Letterhead('upper', 'Upper School', quietFrom: '22:00', quietUntil: '06:00'),
            ],
        );
        $upper = $settings->letterheadOf('upper');
        self::assertSame('Upper School', $upper->sender);
        self::assertSame('school@example.org', $upper->replyTo);
        self::assertSame('Elm Park, 1 Elm Road', $upper->footer);
        self::assertSame(['22:00', '06:00'], [$upper->quietFrom, $upper->quietUntil]);
        self::assertSame('office@example.org', $settings->letterheadOf(null)->replyTo);
        self::assertSame('office@example.org', $settings->letterheadOf('moon')->replyTo);
    }

    #[TestWith(['22:00', '07:00', '2026-11-28T20:59:00Z', 0])]
    #[TestWith(['22:00', '07:00', '2026-11-28T21:00:00Z', 9 * 3_600])]
    #[TestWith(['22:00', '07:00', '2026-11-29T05:59:00Z', 60])]
    #[TestWith(['22:00', '07:00', '2026-11-29T06:00:00Z', 0])]
    #[TestWith(['12:00', '14:00', '2026-11-28T11:30:00Z', 5_400])]
    #[TestWith(['12:00', '14:00', '2026-11-28T13:00:00Z', 0])]
    #[TestWith(['', '', '2026-11-28T23:00:00Z', 0])]
    #[TestWith(['08:00', '08:00', '2026-11-28T07:00:00Z', 0])]
    // The night clocks go forward is an hour shorter.
    #[TestWith(['22:00', '07:00', '2026-03-28T21:00:00Z', 8 * 3_600])]
    public function testMessagesWaitForTheEndOfTheQuietHours(string $from, string $until, string $at, int $waits): void
    {
        $letterhead = new Letterhead(null, quietFrom: $from, quietUntil: $until);
        $zone = new \DateTimeZone('Europe/Amsterdam');
        self::assertSame($waits, $letterhead->waits((int) strtotime($at), $zone));
    }

    public function testNothingWaitsTwice(): void
    {
        mt_srand(5);
        for ($n = 0; $n < 2_000; ++$n) {
            $time = static fn(): string => \sprintf('%02d:%02d', mt_rand(0, 23), mt_rand(0, 59));
            $letterhead = new Letterhead(null, quietFrom: $time(), quietUntil: $time());
            $zone = new \DateTimeZone(['UTC', 'Europe/Amsterdam', 'America/St_Johns'][$n % 3]);
            $at = 1_774_000_000 + mt_rand(0, 30_000_000);
            $waits = $letterhead->waits($at, $zone);
            self::assertLessThan(86_400 + 7_200, $waits);
            self::assertSame(0, $letterhead->waits($at + $waits, $zone));
        }
    }
}
