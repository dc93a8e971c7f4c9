<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Doors;

use MintDoor\Core\Doors\DoorState;
use MintDoor\Core\Doors\InvitationState;
use MintDoor\Core\Doors\QuietRule;
use MintDoor\Core\Time\Window;
use MintDoor\Core\Weeks\Meeting;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class QuietRuleTest extends TestCase
{
    /** @param list<int> $weekdays */
    #[TestWith([5, null, [], '2026-11-07 00:00'])]
    #[TestWith([null, 2, [1], '2026-11-10 00:00'])]
    #[TestWith([null, 2, [1, 4], '2026-11-06 00:00'])]
    #[TestWith([3, 2, [1], '2026-11-05 00:00'])]
    #[TestWith([null, 3, [], null])]
    #[TestWith([null, null, [], null])]
    public function testSomebodyIsQuietAtTheEndOfTheDayThatMakesItFull(
        ?int $days,
        ?int $meetings,
        array $weekdays,
        ?string $from,
    ): void {
        // Sunday, 1 November 2026, in the evening.
        $zone = new \DateTimeZone('Europe/Amsterdam');
        $seen = (new \DateTimeImmutable('2026-11-01 19:00', $zone))->getTimestamp();
        $quiet = (new QuietRule($days, $meetings, $weekdays))->quietFrom(
            $seen,
            $zone,
            static fn(string $day): bool => true,
        );
        self::assertSame(
            null === $from ? null : $from,
            null === $quiet ? null : (new \DateTimeImmutable('@'.$quiet))->setTimezone($zone)->format('Y-m-d H:i'),
        );
        self::assertSame(null !== $days || null !== $meetings, (new QuietRule($days, $meetings, $weekdays))->holds());
    }

    public function testWhereTheSiteSaysWhenItMeetsRealMeetingsCount(): void
    {
        $zone = new \DateTimeZone('Europe/Amsterdam');
        $at = static fn(string $time): int => (new \DateTimeImmutable($time, $zone))->getTimestamp();
        $meeting = static fn(string $time): Meeting => new Meeting('h', 's', null, $at($time), $at($time) + 3_600);
        $own = array_map($meeting, ['2026-11-01 20:00', '2026-11-04 09:00', '2026-11-04 14:00', '2026-11-20 09:00']);
        $rule = new QuietRule(null, 3, [1, 2, 3, 4, 5]);
        $counts = static fn(string $day): bool => true;
        // Whoever was here on a day missed nothing of it.
        $quiet = $rule->quietFrom($at('2026-11-01 19:00'), $zone, $counts, own: $own);
        self::assertSame($at('2026-11-21 00:00'), $quiet);
        self::assertNull($rule->quietFrom($at('2026-11-05 19:00'), $zone, $counts, own: $own));
        self::assertNull($rule->quietFrom($at('2026-11-05 19:00'), $zone, $counts, own: []));
    }

    /** A day off never brings it nearer, and puts it off by a day at most. */
    public function testDaysOffDoNotCount(): void
    {
        $zone = new \DateTimeZone('Europe/Amsterdam');
        $rule = new QuietRule(6, 2, [2, 5]);
        $seen = 1_793_000_000;
        $before = $rule->quietFrom($seen, $zone, static fn(string $day): bool => true);
        for ($n = 0; $n < 30; ++$n) {
            $off = (new \DateTimeImmutable('@'.$seen))
                ->setTimezone($zone)
                ->modify("+$n days")
                ->format('Y-m-d');
            $after = $rule->quietFrom($seen, $zone, static fn(string $day): bool => $day !== $off);
            self::assertGreaterThanOrEqual($before, $after);
            self::assertLessThanOrEqual($before + 8 * 86_400, $after);
        }
        self::assertNull($rule->quietFrom($seen, $zone, static fn(string $day): bool => false));
        self::assertSame(
            $rule->quietFrom($seen + 864_000, $zone, static fn(string $day): bool => true),
            $rule->quietFrom($seen, $zone, static fn(string $day): bool => true, $seen + 864_000),
            'Before the site opens nobody is absent.',
        );
        self::assertGreaterThan($seen + QuietRule::GRACE, QuietRule::releasedAt($seen, $zone));
    }

    #[TestWith([true, true, true, 0, 'sent', 'answered'])]
    #[TestWith([false, true, true, 0, 'sent', 'withdrawn'])]
    #[TestWith([false, false, true, 0, 'sent', 'lapsed'])]
    #[TestWith([false, false, true, 99, 'bounced', 'opened'])]
    #[TestWith([false, false, false, 99, 'bounced', 'bounced'])]
    #[TestWith([false, false, false, 99, 'sent', 'sent'])]
    #[TestWith([false, false, false, 99, 'held', 'on-its-way'])]
    public function testHowAnInvitationStands(
        bool $answered,
        bool $withdrawn,
        bool $opened,
        int $lapses,
        string $post,
        string $state,
    ): void {
        $is = InvitationState::of($answered, $withdrawn, $opened, $lapses, $post, 10);
        self::assertSame($state, $is->value);
        self::assertSame(!\in_array($state, ['answered', 'withdrawn'], true), $is->open());
    }

    #[TestWith([true, false, 15, 'open', 20])]
    #[TestWith([true, true, 15, 'by-approval', 20])]
    #[TestWith([true, false, 5, 'not-yet', 10])]
    #[TestWith([true, false, 20, 'over', null])]
    #[TestWith([false, true, 15, 'shut', null])]
    public function testHowADoorStandsAndWhenItChanges(
        bool $open,
        bool $approval,
        int $now,
        string $state,
        ?int $changes,
    ): void {
        $hours = new Window(10, 20);
        self::assertSame($state, DoorState::of($open, $approval, $hours, $now)->value);
        self::assertSame($changes, DoorState::changesAt($open, $hours, $now));
        self::assertNull(DoorState::changesAt(true, new Window(), $now));
    }
}
