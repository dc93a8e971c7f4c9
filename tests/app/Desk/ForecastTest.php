<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Desk;

use MintDoor\Cohorts\CohortTicker;
use MintDoor\Demo\Dice;
use MintDoor\Doors\ScheduledDoorTasks;
use MintDoor\Tests\App\ApiTestCase;
use PHPUnit\Framework\Attributes\TestWith;

/** What is foreseen is what happens when the clock runs. */
final class ForecastTest extends ApiTestCase
{
    private const DAY = 86_400;

    protected function furnish(): void
    {
        parent::furnish();
        $this->platform->term('spring', 'Spring', '2027-01-11', '2027-04-23');
        for ($n = 0; $n < 14; ++$n) {
            $name = 'p'.\chr(97 + $n);
            $this->ids[$name] = $this->person($name, 'learner', 'seniors', 7);
        }
    }

    protected function tearDown(): void
    {
        $_ENV['MINT_DOOR_CLOCK'] = $_SERVER['MINT_DOOR_CLOCK'] = '2026-11-24T09:00:00Z';
        parent::tearDown();
    }

    public function testEverythingThatIsKnownIsTold(): void
    {
        $in = fn(int $days): int => $this->now() + $days * self::DAY;
        $this->change('lead', 'let-in', 'pa', 'learner', more: ['untilDay' => '2026-12-10']);
        $this->change('lead', 'let-in', 'pb', 'learner', more: ['fromDay' => '2026-12-01']);
        $this->change('lead', 'change-dates', 'lead', more: ['untilDay' => '2026-12-20', 'leadEnds' => true]);
        $key = ['kind' => 'key', 'name' => 'Late', 'untilDay' => '2026-12-05'];
        $this->call('lead', 'POST', $this->path().'/doors', $key, 201);
        $list = $this->call('admin', 'POST', '/cohorts', [
            'name' => 'Ending',
            'division' => 'seniors',
            'rule' => ['kind' => 'in', 'site' => $this->ids['site'], 'section' => null, 'role' => 'learner'],
        ]);
        $this->service(CohortTicker::class)->keep();
        $told = $this->kinds($this->call('lead', 'GET', $this->path().'/forecast'));
        self::assertSame(
            [
                '2026-11-30 begins pb',
                '2026-12-05 door-shuts Late',
                '2026-12-10 ends pa',
                '2026-12-18 term-ends Autumn',
                '2026-12-20 lead-missing Harmony',
                '2026-12-20 ends lead',
                '2027-01-10 term-begins Spring',
            ],
            $told,
        );
        self::assertNotSame([], $list);
        self::assertGreaterThan($in(0), $in(1));
        $division = $this->kinds($this->call('admin', 'GET', '/divisions/seniors/forecast'));
        self::assertSame([], array_diff($told, $division), 'The division knows what its site does.');
        self::assertSame(
            ['2026-12-10 ends pa'],
            $this->kinds($this->call('pa', 'GET', '/people/'.$this->ids['pa'].'/forecast'))
        );
        $theirs = $this->call('assistant', 'GET', $this->path().'/forecast');
        self::assertNotContains('door-shuts', array_column($theirs['events'], 'kind'), 'Doors are for who keeps them.');
        $answer = $this->call('lead', 'GET', $this->path().'/forecast');
        self::assertSame(
            [1, 2],
            [array_sum(array_column($answer['days'], 'come')), array_sum(array_column($answer['days'], 'leave'))]
        );
    }

    public function testACohortThatEndsIsEmptyThen(): void
    {
        $list = ['name' => 'Ending', 'division' => 'seniors', 'people' => [$this->ids['pa'], $this->ids['pb']]];
        $this->call('admin', 'POST', '/cohorts', $list);
        $this->db()->executeStatement("UPDATE cohort_member SET until_at = '2026-12-24 00:00:00'");
        $told = $this->kinds($this->call('admin', 'GET', '/divisions/seniors/forecast'));
        self::assertContains('2026-12-24 cohort-empty Ending', $told);
    }

    #[TestWith([1])]
    #[TestWith([2])]
    #[TestWith([3])]
    #[TestWith([4])]
    public function testTheClockRunsAndItIsAsItWasForeseen(int $seed): void
    {
        $this->begin(new Dice($seed));
        $forecast = $this->call('lead', 'GET', $this->path().'/forecast');
        self::assertContains('seat-offered', array_column($forecast['events'], 'kind'));
        $times = array_values(array_unique(array_column($forecast['events'], 'at')));
        foreach ($times as $n => $at) {
            $now = (int) strtotime($at);
            $this->runTo($forecast['events'], $now, "at $at");
            // And nothing else happens until the next of them.
            $next = (int) strtotime($times[$n + 1] ?? $forecast['until'].'T00:00:00Z');
            $next > $now + 7_200 && $this->runTo($forecast['events'], $next - 60, "after $at");
        }
    }

    /**
     * The clock runs on, and whatever is due is done.
     *
     * @param list<array<string, mixed>> $events
     */
    private function runTo(array $events, int $at, string $when): void
    {
        $this->clock(gmdate('Y-m-d\TH:i:s\Z', $at));
        $this->service(ScheduledDoorTasks::class)->all();
        $this->assertAsForeseen($events, $at, $when);
    }

    /** A full site, people who begin and end on any day, and a line at its door. */
    private function begin(Dice $dice): void
    {
        $names = array_map(static fn(int $n): string => 'p'.\chr(97 + $n), range(0, 13));
        $this->db()->executeStatement(
            'UPDATE site SET seats = 4 WHERE id = ?',
            [hex2bin(str_replace('-', '', $this->ids['site']))],
        );
        foreach (\array_slice($names, 0, 3) as $name) {
            $this->change('lead', 'let-in', $name, 'learner', more: [
                'untilDay' => gmdate('Y-m-d', $this->now() + $dice->below(60) * self::DAY + 2 * self::DAY),
            ]);
        }
        $this->change('lead', 'pause', 'learner', more: ['untilDay' => gmdate('Y-m-d', $this->now() + 9 * self::DAY)]);
        $this->call('lead', 'POST', $this->path().'/doors', ['kind' => 'request', 'waiting' => true], 201);
        $door = $this->call('pn', 'GET', '/open-doors')['items'][0]['door'];
        foreach (\array_slice($names, 5, 3 + $dice->below(4)) as $name) {
            $this->call($name, 'POST', '/join', ['door' => $door]);
        }
        $this->service(ScheduledDoorTasks::class)->all();
    }

    /**
     * @param list<array<string, mixed>> $events
     */
    private function assertAsForeseen(array $events, int $at, string $when): void
    {
        $here = $open = [];
        foreach ($events as $event) {
            if (strtotime($event['at']) > $at || null === $event['person']) {
                continue;
            }
            match ($event['kind']) {
                'begins', 'resumes' => $here[$event['person']['id']] = true,
                'ends' => $here[$event['person']['id']] = false,
                'seat-offered' => $open[$event['person']['id']] = true,
                'offer-lapses' => $open[$event['person']['id']] = false,
                default => null,
            };
        }
        foreach ($here as $person => $is) {
            $state = $this->db()->fetchOne(
                'SELECT state FROM enrollment_segment
                 WHERE site_id = ? AND person_id = ? AND from_at <= ? AND until_at > ?',
                [
                    hex2bin(str_replace('-', '', $this->ids['site'])),
                    hex2bin(str_replace('-', '', (string) $person)),
                    gmdate('Y-m-d H:i:s', $at),
                    gmdate('Y-m-d H:i:s', $at),
                ],
            );
            self::assertSame($is, \in_array($state, ['current', 'paused'], true), $when);
        }
        $offered = $this->db()->fetchFirstColumn(
            'SELECT LOWER(HEX(person_id)) FROM waiter WHERE waits = 1 AND offered_until > ?',
            [gmdate('Y-m-d H:i:s', $at)],
        );
        $expected = array_map(
            static fn(string $id): string => str_replace('-', '', $id),
            array_map(strval(...), array_keys(array_filter($open))),
        );
        sort($offered);
        sort($expected);
        self::assertSame($expected, $offered, $when);
    }

    /** Everything is looked at as of then. */
    private function clock(string $at): void
    {
        $_ENV['MINT_DOOR_CLOCK'] = $_SERVER['MINT_DOOR_CLOCK'] = $at;
        self::ensureKernelShutdown();
        $this->client = self::createClient();
        $this->client->disableReboot();
    }

    private function path(): string
    {
        return '/sites/'.$this->ids['site'];
    }

    /**
     * @param array<array-key, mixed> $forecast
     *
     * @return list<string> day, kind and name of each event
     */
    private function kinds(array $forecast): array
    {
        $told = [];
        foreach ($forecast['events'] as $event) {
            $name = $event['person']['name'] ?? ($event['name'] ?: $event['site']['name']);
            $name = null === $event['person'] ? $name : strtolower((string) strtok($name, ' '));
            $told[] = substr($event['at'], 0, 10).' '.$event['kind'].' '.$name;
        }

        return $told;
    }
}
