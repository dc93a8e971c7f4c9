<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Roster;

use MintDoor\Roster\Repository\Counts;
use MintDoor\Roster\Repository\Enrollments;
use MintDoor\Shared\Id;
use MintDoor\Tests\App\ApiTestCase;

/** The count that is kept of a site stands in for its people where seats are plenty, and only there. */
final class SeatsKeptTest extends ApiTestCase
{
    private const WRONG = 7;

    protected function setUp(): void
    {
        parent::setUp();
        $this->service(Counts::class)->of([$this->ids['site']], $this->now());
        // A wrong count shows where it is used.
        $this->keep('seats_held', self::WRONG);
    }

    public function testItIsTakenWhereFarMoreAreFreeThanAreWanted(): void
    {
        self::assertSame(self::WRONG, $this->held(seats: 1_000));
        self::assertSame(self::WRONG, $this->held(seats: self::WRONG + 1 + 20));
        self::assertSame(1, $this->held(seats: self::WRONG + 1 + 19));
        self::assertSame(1, $this->held(seats: 1_000, wanted: 990));
        self::assertSame(1 + 990, $this->held(seats: 1_000, kept: 990));
    }

    public function testSeatsThatAreScarceAreCounted(): void
    {
        $this->keep('seats_held', 0);
        $this->ids['second'] = $this->person('second', 'learner', 'seniors', 7);
        $this->platform->write();
        $this->db()->executeStatement('UPDATE site SET seats = 2 WHERE id = ?', [Id::binary($this->ids['site'])]);
        $this->change('lead', 'let-in', 'newcomer', 'learner');
        $line = $this->change('lead', 'let-in', 'second', 'learner', 409)['line'];
        self::assertSame(['no-seat', 2], [$line['reasons'][0]['code'], $line['reasons'][0]['values']['held']]);
    }

    public function testACountOfAnotherRosterOrAnotherTimeIsNotTaken(): void
    {
        $this->db()->executeStatement('UPDATE site SET roster_version = roster_version + 1');
        self::assertSame(1, $this->held(seats: 1_000));
        $this->db()->executeStatement('UPDATE site SET roster_version = roster_version - 1');
        self::assertSame(self::WRONG, $this->held(seats: 1_000));
        $this->keep('until_at', '2026-01-01 00:00:00');
        self::assertSame(1, $this->held(seats: 1_000));
    }

    public function testWhereSomebodyComesLaterEverybodyIsCounted(): void
    {
        $this->change('lead', 'let-in', 'newcomer', 'learner', more: ['fromDay' => '2026-12-07']);
        $this->service(Counts::class)->of([$this->ids['site']], $this->now());
        $this->keep('seats_held', self::WRONG + 1);
        self::assertSame(2, $this->held(seats: 1_000));
    }

    private function held(int $seats, int $kept = 0, int $wanted = 1): int
    {
        return $this->service(Enrollments::class)
            ->seats($this->ids['site'], $this->now(), $kept, $seats, $wanted)
            ->most();
    }

    private function keep(string $column, int|string $value): void
    {
        $changed = $this->db()->executeStatement("UPDATE site_count SET $column = ?", [$value]);
        self::assertGreaterThan(0, $changed);
    }
}
