<?php

declare(strict_types=1);

namespace MintDoor\Tests\Race;

use DAMA\DoctrineTestBundle\Doctrine\DBAL\StaticDriver;
use Doctrine\DBAL\Connection;
use Doctrine\DBAL\DriverManager;
use Doctrine\DBAL\Tools\DsnParser;
use MintDoor\Demo\PlatformBuilder;
use MintDoor\Kernel;
use MintDoor\Tests\Together;
use PHPUnit\Framework\TestCase;
use Symfony\Component\DependencyInjection\ContainerInterface;
use Symfony\Component\Process\Process;

/** A small platform in a database of its own, for processes with connections of their own. */
abstract class RaceCase extends TestCase
{
    use Together;

    protected const NOW = 1_795_510_800;

    protected const SECRET = 'a secret for races and nothing else';

    protected const PORT = 3_391;

    private ?Process $server = null;

    /** @var array{string, ?string} the database and the secret of the tests */
    private array $given;

    protected Connection $db;
    protected PlatformBuilder $platform;
    protected string $site;
    protected string $division;
    protected string $term;

    /** @var array<string, string> */
    protected array $people = [];

    protected function setUp(): void
    {
        $this->given = [$_SERVER['DATABASE_URL'], $_SERVER['APP_SECRET'] ?? null];
        $url = (string) preg_replace('#/mint_\w+\?#', '/mint_race?', $_SERVER['DATABASE_URL']);
        $this->db = DriverManager::getConnection((new DsnParser(['mysql' => 'pdo_mysql']))->parse($url));
        $this->db->executeStatement('SET FOREIGN_KEY_CHECKS = 0');
        foreach ($this->db->fetchFirstColumn('SHOW TABLES') as $table) {
            if ('doctrine_migration_versions' !== $table) {
                $this->db->executeStatement("TRUNCATE TABLE `$table`");
            }
        }
        $this->db->executeStatement('SET FOREIGN_KEY_CHECKS = 1');
        $_SERVER['RACE_URL'] = $url;
        $this->platform = new PlatformBuilder($this->db, self::NOW);
        $this->platform->roles([], ['seniors']);
        $this->division = $this->platform->division('seniors', 'Seniors');
        $this->term = $this->platform->term('autumn', 'Autumn', '2026-09-07', '2026-12-18');
        $this->site = $this->platform->site(
            'RACE',
            'Race',
            'course',
            $this->division,
            $this->term,
            null,
            1,
            self::NOW - 1_000,
            leadLimit: 2,
        );
        foreach (['anna', 'bert', 'carl', 'dora'] as $name) {
            $this->people[$name] = $this->platform->person('staff', $this->division, $name, $name, login: $name);
        }
        $this->people['ingrid'] = $this->platform->person(
            'staff',
            $this->division,
            'Ingrid',
            'ingrid',
            login: 'ingrid',
            platformAdministrator: true,
        );
        for ($n = 0; $n < 6; ++$n) {
            $this->people["learner$n"] = $this->platform->person(
                'learner',
                $this->division,
                "Learner$n",
                'Racer',
                7,
                login: "learner$n",
            );
        }
        foreach (['anna', 'bert'] as $lead) {
            $this->platform->letIn($this->site, $this->people[$lead], 'lead-tutor', self::NOW - 1_000);
        }
        $this->platform->write();
    }

    protected function tearDown(): void
    {
        StaticDriver::setKeepStaticConnections(true);
        [$_SERVER['DATABASE_URL'], $_SERVER['APP_SECRET']] = $this->given;
        [$_ENV['DATABASE_URL'], $_ENV['APP_SECRET']] = $this->given;
        $this->kill();
    }

    /** @return array<string, string> of a process */
    protected function environment(): array
    {
        return [
            'DATABASE_URL' => $_SERVER['RACE_URL'],
            'APP_ENV' => 'test',
            'APP_SECRET' => self::SECRET,
            'MINT_DOOR_CLOCK' => gmdate('Y-m-d\TH:i:s\Z', self::NOW),
        ];
    }

    /**
     * A service of the application, on the database of the race.
     *
     * @template S of object
     *
     * @param class-string<S> $class
     *
     * @return S
     */
    protected function service(string $class): object
    {
        $_SERVER['DATABASE_URL'] = $_ENV['DATABASE_URL'] = $this->environment()['DATABASE_URL'];
        $_SERVER['APP_SECRET'] = $_ENV['APP_SECRET'] = self::SECRET;
        // What it writes is for the processes to see.
        StaticDriver::setKeepStaticConnections(false);
        $kernel = new Kernel('test', false);
        $kernel->boot();
        $services = $kernel->getContainer()->get('test.service_container');
        \assert($services instanceof ContainerInterface);
        $service = $services->get($class);
        \assert($service instanceof $class);

        return $service;
    }

    protected function worker(): Process
    {
        $worker = new Process(
            [
                \PHP_BINARY,
                \dirname(__DIR__, 2).'/bin/console',
                'messenger:consume',
                'jobs',
                '--sleep=0.05',
                '--keepalive=1',
                '--time-limit=90',
            ],
            env: $this->environment() + [
                'JOBS_DSN' => 'doctrine://default?queue_name=jobs&auto_setup=false&redeliver_timeout=2',
            ],
        );
        $worker->start();

        return $worker;
    }

    /**
     * The application over HTTP on `self::PORT`, as it is where it is used.
     *
     * @param array<string, string> $more of its environment
     */
    protected function serve(array $more = []): void
    {
        $root = \dirname(__DIR__, 2);
        $options = [
            'variables_order' => 'EGPCS',
            'opcache.enable' => '1',
            'opcache.enable_cli' => '1',
            'date.timezone' => 'UTC',
        ];
        $arguments = array_map(
            static fn(string $name): array => ['-d', $name.'='.$options[$name]],
            array_keys($options),
        );
        $this->server = new Process(
            [
                'setsid',
                '--wait',
                \PHP_BINARY,
                ...array_merge(...$arguments),
                '-S',
                '127.0.0.1:'.self::PORT,
                '-t',
                $root.'/public',
                $root.'/public/index.php',
            ],
            env: $more + ['PHP_CLI_SERVER_WORKERS' => '8', 'APP_ENV' => 'prod'] + $this->environment(),
            timeout: null,
        );
        // Nobody reads what it says, and it says a line for every request.
        $this->server->disableOutput();
        $this->server->start();
        for ($n = 0; $n < 200; ++$n) {
            $socket = @fsockopen('127.0.0.1', self::PORT, timeout: 1);
            if (false !== $socket) {
                fclose($socket);

                return;
            }
            usleep(50_000);
        }
        self::fail('The server did not come up.');
    }

    /** @return array<string, string> session cookies by login */
    protected function signedIn(string ...$logins): array
    {
        $ids = array_map(fn(string $login): string => $this->people[$login], $logins);

        return array_combine($logins, Sessions::of($this->db, array_fill_keys($ids, null)));
    }

    /** All of its processes, at once and without a word. */
    protected function kill(): void
    {
        $pid = $this->server?->getPid();
        if (null !== $pid) {
            // It leads a group of its own.
            @posix_kill(-$pid, \SIGKILL);
            $this->server?->stop(0);
        }
        $this->server = null;
    }
}
