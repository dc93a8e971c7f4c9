<?php

declare(strict_types=1);

namespace MintDoor\Tests\Race;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\DriverManager;
use Doctrine\DBAL\Tools\DsnParser;
use MintDoor\StandIns\HouseBuilder;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/** A small house in a database of its own, for processes with connections of their own. */
abstract class RaceCase extends TestCase
{
    protected const NOW = 1_795_510_800;

    protected Connection $db;
    protected HouseBuilder $house;
    protected string $site;
    protected string $division;
    protected string $term;

    /** @var array<string, string> */
    protected array $people = [];

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
        $this->division = $this->house->division('seniors', 'Seniors');
        $this->term = $this->house->term('autumn', 'Autumn', '2026-09-07', '2026-12-18');
        $this->site = $this->house->site('RACE', 'Race', 'course', $this->division, $this->term, null, 1, self::NOW - 1_000, leadLimit: 2);
        foreach (['anna', 'bert', 'carl', 'dora'] as $name) {
            $this->people[$name] = $this->house->person('staff', $this->division, $name, $name, login: $name);
        }
        $this->people['ingrid'] = $this->house->person('staff', $this->division, 'Ingrid', 'ingrid', login: 'ingrid', platformAdministrator: true);
        for ($n = 0; $n < 6; ++$n) {
            $this->people["learner$n"] = $this->house->person('learner', $this->division, "Learner$n", 'Racer', 7, login: "learner$n");
        }
        foreach (['anna', 'bert'] as $lead) {
            $this->house->letIn($this->site, $this->people[$lead], 'lead-tutor', self::NOW - 1_000);
        }
        $this->house->write();
    }

    /** @return array<string, string> of a process */
    protected function environment(): array
    {
        return ['DATABASE_URL' => $_SERVER['RACE_URL'], 'APP_ENV' => 'test', 'APP_SECRET' => 'x', 'MINT_DOOR_CLOCK' => gmdate('Y-m-d\TH:i:s\Z', self::NOW)];
    }

    protected function worker(): Process
    {
        $worker = new Process([\PHP_BINARY, \dirname(__DIR__, 2).'/bin/console', 'messenger:consume', 'jobs', '--sleep=0.05', '--time-limit=90'], env: $this->environment() + ['JOBS_DSN' => 'mint-door-jobs://jobs?longest=1']);
        $worker->start();

        return $worker;
    }
}
