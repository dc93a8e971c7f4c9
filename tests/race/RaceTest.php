<?php

declare(strict_types=1);

namespace MintDoor\Tests\Race;

use MintDoor\Shared\Id;
use Symfony\Component\Process\Process;

/** Real processes with connections of their own, at the same time, on a database of their own. */
final class RaceTest extends RaceCase
{
    public function testTheLastSeatGoesToExactlyOne(): void
    {
        $lines = [];
        for ($n = 0; $n < 6; ++$n) {
            $lines[] = [
                0 === $n % 2 ? 'anna' : 'bert',
                ['person' => $this->people["learner$n"], 'verb' => 'let-in', 'role' => 'learner'],
            ];
        }
        self::assertSame(['no-seat' => 5, 'ready' => 1], $this->race($lines));
        self::assertSame(1, $this->now("state = 'current' AND holds_seat = 1"));
    }

    public function testOfTheLastTwoLeadsOneStays(): void
    {
        self::assertSame(
            ['last-lead' => 1, 'ready' => 1],
            $this->race([
                ['anna', ['person' => $this->people['anna'], 'verb' => 'remove']],
                ['bert', ['person' => $this->people['bert'], 'verb' => 'remove']],
            ]),
        );
        self::assertSame(1, $this->now("state = 'current' AND leads = 1"));
    }

    public function testEachTakingTheOtherOutLeavesALead(): void
    {
        $results = $this->race([
            ['anna', ['person' => $this->people['bert'], 'verb' => 'remove']],
            ['bert', ['person' => $this->people['anna'], 'verb' => 'remove']],
        ]);
        self::assertSame(1, $results['ready']);
        self::assertSame(1, $this->now("state = 'current' AND leads = 1"));
    }

    public function testTheSamePersonLetInManyTimesIsThereOnce(): void
    {
        $line = ['anna', ['person' => $this->people['carl'], 'verb' => 'let-in', 'role' => 'co-tutor']];
        self::assertSame(['nothing-to-do' => 5, 'ready' => 1], $this->race([$line, $line, $line, $line, $line, $line]));
        self::assertSame(
            1,
            (int) $this->db->fetchOne('SELECT COUNT(*) FROM access_grant WHERE person_id = ?', [
                Id::binary($this->people['carl']),
            ]),
        );
        self::assertSame(1, (int) $this->db->fetchOne('SELECT MAX(sequence) FROM history_entry'));
    }

    /** Machines whose clocks differ see each other's seats: the later instant counts for all that comes after. */
    public function testClocksThatDifferGiveNoSeatTwice(): void
    {
        for ($n = 6; $n < 30; ++$n) {
            $this->people["learner$n"] = $this->platform->person('learner', $this->division, "Learner$n", 'Racer', 7);
        }
        $this->platform->write();
        $this->db->executeStatement('UPDATE site SET seats = 10');
        $at = fn(int $n, int $clock): array => [
            'anna',
            ['person' => $this->people["learner$n"], 'verb' => 'let-in', 'role' => 'learner'],
            self::NOW + $clock,
        ];
        $apart = array_map(static fn(int $n): array => $at($n, 2 * ($n % 2)), range(0, 19));
        self::assertSame(['no-seat' => 10, 'ready' => 10], $this->race($apart), 'two seconds apart');
        foreach ([-3_600 => range(20, 24), 3_600 => range(25, 29)] as $clock => $some) {
            $lines = array_map(static fn(int $n): array => $at($n, $clock), $some);
            self::assertSame(['no-seat' => 5], $this->race($lines), "a clock that is $clock seconds off");
        }
        self::assertSame(
            10,
            (int) $this->db->fetchOne('SELECT COUNT(DISTINCT person_id) FROM enrollment_segment WHERE holds_seat = 1'),
        );
    }

    /**
     * @param list<array{string, array<string, string>, 2?: int}> $lines who, what, and the time on their machine
     *
     * @return array<string, int> how often each outcome came
     */
    private function race(array $lines): array
    {
        $begin = microtime(true) + 1.2;
        $processes = [];
        foreach ($lines as $each) {
            [$who, $line] = $each;
            $clock = ['MINT_DOOR_CLOCK' => gmdate('Y-m-d\TH:i:s\Z', $each[2] ?? self::NOW)];
            $process = new Process(
                [
                    \PHP_BINARY,
                    __DIR__.'/worker.php',
                    (string) $begin,
                    $this->site,
                    $who,
                    json_encode($line, \JSON_THROW_ON_ERROR),
                ],
                env: $clock + $this->environment(),
            );
            $process->start();
            $processes[] = $process;
        }
        $results = [];
        foreach ($processes as $process) {
            $process->wait();
            self::assertTrue($process->isSuccessful(), $process->getErrorOutput());
            $results[$process->getOutput()] = ($results[$process->getOutput()] ?? 0) + 1;
        }
        ksort($results);

        return $results;
    }

    private function now(string $where): int
    {
        return (int) $this->db->fetchOne(
            "SELECT COUNT(*) FROM enrollment_segment WHERE until_at > '2999-01-01' AND $where",
        );
    }
}
