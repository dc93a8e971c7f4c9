<?php

declare(strict_types=1);

namespace MintDoor\Tests\Faults;

use MintDoor\Shared\Id;
use MintDoor\Tests\Together;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/** The application as `bin/start` serves it, from a database folder of its own, to be hurt. */
abstract class FaultCase extends TestCase
{
    use Together;

    protected const PORT = 8_197;

    protected const DB_PORT = 3_337;

    private ?Process $start = null;

    protected static function root(): string
    {
        return \dirname(__DIR__, 2);
    }

    /** @return array<string, string|false> false for what is not handed on */
    protected function environment(): array
    {
        $never = ['APP_ENV', 'APP_SECRET', 'DATABASE_URL', 'MINT_DOOR_CLOCK'];

        return array_fill_keys($never, false) + [
            'DATA' => self::root().'/var/mariadb-faults',
            'DB_PORT' => (string) self::DB_PORT,
            'DB_BUFFER' => '256M',
            'MESSAGES_HOLD' => '3600', // and no DB_FAST: what was answered must be on the disk
        ];
    }

    /** @param list<string> $within what it is run by */
    protected function start(array $within = []): void
    {
        $start = [self::root().'/bin/start', '--port', (string) self::PORT, '--fresh'];
        $command = ['setsid', '--wait', ...$within, ...$start];
        $this->start = new Process($command, self::root(), $this->environment(), timeout: null);
        $this->start->start();
        for ($n = 0; $n < 900 && !str_contains($this->start->getOutput(), 'Ctrl-C closes it'); ++$n) {
            self::assertTrue($this->start->isRunning(), $this->start->getOutput().$this->start->getErrorOutput());
            usleep(100_000);
        }
    }

    protected function tearDown(): void
    {
        if (null !== $this->start && $this->start->isRunning()) {
            @posix_kill(-(int) $this->start->getPid(), \SIGTERM);
            $this->start->wait();
        }
        $this->start = null;
    }

    /** The process that everything was begun from. */
    protected function started(): int
    {
        return (int) $this->start?->getPid();
    }

    /** @return string the folder the application runs from */
    protected function folder(): string
    {
        return trim((string) file_get_contents(self::root().'/var/mariadb-faults.serving'));
    }

    /** The process a program runs as now. */
    protected function pid(string $program): int
    {
        if ('keeper' === $program) {
            $keeper = new Process(['pgrep', '-f', 'bin/lib/keeper '.$this->folder().'$']);
            $keeper->run();

            return (int) trim($keeper->getOutput());
        }

        return (int) @file_get_contents($this->folder().'/'.$program.'.kept');
    }

    /**
     * @param list<string>          $command
     * @param array<string, string> $more    of its environment
     */
    protected function run_(array $command, array $more = [], int $expected = 0, int $timeout = 120): string
    {
        $process = new Process($command, self::root(), $more + $this->environment(), timeout: $timeout);
        $process->run();
        $said = implode(' ', $command)."\n".$process->getOutput().$process->getErrorOutput();
        self::assertSame($expected, $process->getExitCode(), $said);

        return trim($process->getOutput());
    }

    protected function sql(string $sql, string $database = 'mint_door'): string
    {
        return $this->run_([self::root().'/bin/db', 'client', '-N', $database, '-e', $sql]);
    }

    /** @return array{string, non-empty-list<string>} id of a site of the demo, and of its learners */
    protected function learners(string $title): array
    {
        $ids = explode(
            "\n",
            $this->sql(
                "SELECT HEX(s.id) FROM site s WHERE s.title = '$title'
             UNION ALL (SELECT HEX(g.person_id) FROM enrollment_segment g JOIN site s ON s.id = g.site_id
                WHERE s.title = '$title' AND g.state = 'current' AND g.role = 'learner' AND g.until_at > '2999-01-01'
                ORDER BY g.person_id)",
            ),
        );
        $ids = array_map(static fn(string $hex): string => Id::text((string) hex2bin($hex)), $ids);
        $people = \array_slice($ids, 1);
        self::assertNotSame([], $people);

        return [$ids[0], $people];
    }

    /** An id as SQL. */
    protected static function hex(string $id): string
    {
        return '0x'.str_replace('-', '', $id);
    }

    protected function assertRosterIsTrue(string $database): void
    {
        $said = $this->run_(['php', 'bin/console', 'roster:verify'], $this->on($database));
        self::assertStringContainsString(' 0 differ', $said);
    }

    /** @return array<string, string> to have a command of the application work on a database */
    protected function on(string $database): array
    {
        return [
            'APP_ENV' => 'prod',
            'APP_SECRET' => trim((string) file_get_contents(self::root().'/var/secret')),
            'DATABASE_URL' => $this->run_([self::root().'/bin/db', 'url', $database]),
        ];
    }

    /**
     * @param ?array<string, mixed> $body
     * @param list<string>          $headers
     *
     * @return array{int, array<string, mixed>} status (0 for no answer) and what it says
     */
    protected function ask(
        string $method,
        string $path,
        ?array $body = null,
        string $cookie = '',
        array $headers = [],
    ): array {
        $handle = curl_init('http://127.0.0.1:'.self::PORT.'/api/v1'.$path);
        \assert(false !== $handle);
        curl_setopt_array(
            $handle,
            (null === $body
                ? []
                : [
                    \CURLOPT_POSTFIELDS => json_encode($body, \JSON_THROW_ON_ERROR),
                ]) + [
                    \CURLOPT_RETURNTRANSFER => true,
                    \CURLOPT_TIMEOUT => 20,
                    \CURLOPT_CUSTOMREQUEST => $method ?: 'GET',
                    \CURLOPT_COOKIE => $cookie ?: 'none=1',
                    \CURLOPT_HTTPHEADER => ['X-Mint-Door: 1', 'Content-Type: application/json', ...$headers],
                    \CURLOPT_HEADERFUNCTION => function ($handle, string $line): int {
                        if (1 === preg_match('/^Set-Cookie: (mint_door=[^;]+)/i', $line, $found)) {
                            $this->cookie = $found[1];
                        }

                        return \strlen($line);
                    },
                ],
        );
        $answer = json_decode((string) curl_exec($handle), true);

        return [(int) curl_getinfo($handle, \CURLINFO_RESPONSE_CODE), \is_array($answer) ? $answer : []];
    }

    protected string $cookie = '';

    protected function signIn(string $login): string
    {
        for ($n = 0; $n < 100; ++$n) {
            if (200 === $this->ask('POST', '/sign-in', ['login' => $login, 'password' => 'alder-quay-demo'])[0]) {
                return $this->cookie;
            }
            usleep(100_000);
        }
        self::fail('Nobody signs in.');
    }
}
