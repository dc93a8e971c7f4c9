<?php

declare(strict_types=1);

namespace MintDoor\Tests\Race;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\DriverManager;
use Doctrine\DBAL\Tools\DsnParser;
use MintDoor\Hall\Id;
use MintDoor\StandIns\HouseBuilder;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/** Real processes with connections of their own, at the same time, on a database of their own. */
final class RaceTest extends TestCase
{
    private const NOW = 1_795_510_800;

    private Connection $db;
    private HouseBuilder $house;
    private string $site;

    /** @var array<string, string> */
    private array $people = [];

    protected function setUp(): void
    {
        $url = (string) preg_replace('#/mint_\w+\?#', '/mint_race?', $_SERVER['DATABASE_URL']);
        $this->db = DriverManager::getConnection((new DsnParser(['mysql' => 'pdo_mysql']))->parse($url));
        foreach ($this->db->fetchFirstColumn('SHOW TABLES') as $table) {
            if ('doctrine_migration_versions' !== $table) {
                $this->db->executeStatement("TRUNCATE TABLE `$table`");
            }
        }
        $_SERVER['RACE_URL'] = $url;
        $this->house = new HouseBuilder($this->db, self::NOW);
        $this->house->roles([], ['seniors']);
        $seniors = $this->house->division('seniors', 'Seniors');
        $term = $this->house->term('autumn', 'Autumn', '2026-09-07', '2026-12-18');
        $this->site = $this->house->site('RACE', 'Race', 'course', $seniors, $term, null, 1, self::NOW - 1_000, leadLimit: 2);
        foreach (['anna', 'bert', 'carl', 'dora'] as $name) {
            $this->people[$name] = $this->house->person('staff', $seniors, $name, $name, login: $name);
        }
        for ($n = 0; $n < 6; ++$n) {
            $this->people["learner$n"] = $this->house->person('learner', $seniors, "Learner$n", 'Racer', 7, login: "learner$n");
        }
        foreach (['anna', 'bert'] as $lead) {
            $this->house->letIn($this->site, $this->people[$lead], 'lead-tutor', self::NOW - 1_000);
        }
        $this->house->write();
    }

    public function testTheLastSeatGoesToExactlyOne(): void
    {
        $lines = [];
        for ($n = 0; $n < 6; ++$n) {
            $lines[] = [0 === $n % 2 ? 'anna' : 'bert', ['person' => $this->people["learner$n"], 'verb' => 'let-in', 'role' => 'learner']];
        }
        self::assertSame(['no-seat' => 5, 'ready' => 1], $this->race($lines));
        self::assertSame(1, $this->now("state = 'current' AND holds_seat = 1"));
    }

    public function testOfTheLastTwoLeadsOneStays(): void
    {
        self::assertSame(['last-lead' => 1, 'ready' => 1], $this->race([
            ['anna', ['person' => $this->people['anna'], 'verb' => 'take-out']],
            ['bert', ['person' => $this->people['bert'], 'verb' => 'take-out']],
        ]));
        self::assertSame(1, $this->now("state = 'current' AND leads = 1"));
    }

    public function testEachTakingTheOtherOutLeavesALead(): void
    {
        $results = $this->race([
            ['anna', ['person' => $this->people['bert'], 'verb' => 'take-out']],
            ['bert', ['person' => $this->people['anna'], 'verb' => 'take-out']],
        ]);
        self::assertSame(1, $results['ready']);
        self::assertSame(1, $this->now("state = 'current' AND leads = 1"));
    }

    public function testTheSamePersonLetInManyTimesIsThereOnce(): void
    {
        $line = ['anna', ['person' => $this->people['carl'], 'verb' => 'let-in', 'role' => 'co-tutor']];
        self::assertSame(['nothing-to-do' => 5, 'ready' => 1], $this->race([$line, $line, $line, $line, $line, $line]));
        self::assertSame(1, (int) $this->db->fetchOne('SELECT COUNT(*) FROM pass WHERE person_id = ?', [Id::binary($this->people['carl'])]));
        self::assertSame(1, (int) $this->db->fetchOne('SELECT MAX(sequence) FROM log_entry'));
    }

    /**
     * @param list<array{string, array<string, string>}> $lines
     *
     * @return array<string, int> how often each outcome came
     */
    private function race(array $lines): array
    {
        $begin = microtime(true) + 1.2;
        $processes = [];
        foreach ($lines as [$who, $line]) {
            $process = new Process([\PHP_BINARY, __DIR__.'/worker.php', (string) $begin, $this->site, $who, json_encode($line, \JSON_THROW_ON_ERROR)], env: ['DATABASE_URL' => $_SERVER['RACE_URL'], 'APP_ENV' => 'test', 'APP_SECRET' => 'x', 'MINT_DOOR_CLOCK' => gmdate('Y-m-d\TH:i:s\Z', self::NOW)]);
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
        return (int) $this->db->fetchOne("SELECT COUNT(*) FROM enrollment_segment WHERE until_at > '2999-01-01' AND $where");
    }
}
