<?php

declare(strict_types=1);

namespace MintDoor\Tests\Faults;

use Symfony\Component\Process\Process;

/**
 * A database that cannot for a while is said as what it is, costs nobody anything, and is forgotten once it can again.
 */
final class OutagesTest extends FaultCase
{
    private const AWAY = 'urn:mint-door:problem:away';

    /** A disk with room for the demo and a little more. */
    private const DISK = '560m';

    /** Changes after which there is no room for certain. */
    private const CHANGES = 1_500;

    /** Where the data is, if not where it is mostly. */
    private ?string $data = null;

    protected function environment(): array
    {
        return (null === $this->data ? [] : ['DATA' => $this->data]) + parent::environment();
    }

    public function testNoConnectionsLeftIsAnOutageAndPasses(): void
    {
        $this->start();
        $cookie = $this->signIn('mara.lindqvist');
        $url = parse_url($this->run_([self::root().'/bin/db', 'url', 'mint_door']));
        $this->sql('SET GLOBAL max_connections = 10');
        $held = [];
        try {
            for ($n = 0; $n < 12; ++$n) {
                $dsn = 'mysql:host=127.0.0.1;port='.self::DB_PORT;
                $held[] = new \PDO($dsn, $url['user'] ?? '', $url['pass'] ?? '');
            }
            self::fail('There is an end to them.');
        } catch (\PDOException $none) {
            self::assertSame(1040, $none->getCode());
        }
        $signIn = ['login' => 'x', 'password' => 'y'];
        foreach (
            [
                ['GET', '/me', null],
                ['GET', '/sites?scope=run', null],
                ['POST', '/sign-in', $signIn],
                ['GET', '/health', null],
            ] as [$method, $path, $body]
        ) {
            $this->assertAway($this->ask($method, $path, $body, $cookie), $path);
        }
        $held = [];
        usleep(300_000);
        self::assertSame(200, $this->ask('GET', '/me', null, $cookie)[0]);
    }

    /** Whoever waits for a site is told so in the end, and nobody waits for it who wants another one. */
    public function testOneBusySiteSilencesNoOther(): void
    {
        $this->start();
        $cookie = substr($this->signIn('ingrid.solheim'), \strlen('mint_door='));
        [$busy, $people] = $this->learners('Harmony & Ear Training II');
        [$other, $others] = $this->learners('Choral Studio');
        $lock = $this->beside(
            'bin/db client mint_door -e "START TRANSACTION; UPDATE site SET version = version + 1
                WHERE id = '
                .self::hex($busy)
                .'; SELECT SLEEP(60)"',
        );
        usleep(400_000);
        $pause = static fn(string $site, string $person): array => [
            $cookie,
            'POST',
            "/sites/$site/change-lists",
            ['lines' => [['person' => $person, 'verb' => 'pause']]],
        ];
        $waiting = array_map(static fn(string $person): array => $pause($busy, $person), \array_slice($people, 0, 4));
        $answers = $this->together([...$waiting, $pause($other, $others[0]), [$cookie, 'GET', '/me']]);
        self::assertTrue($lock->isRunning());
        $this->run_(['bash', '-c', self::kill("info LIKE 'SELECT SLEEP%'")]);
        $lock->wait();
        $waited = array_splice($answers, 0, 4);
        foreach ($waited as [$status, $says]) {
            self::assertSame([503, 'urn:mint-door:problem:busy'], [$status, $says['type']]);
        }
        $longest = max([0.0, ...array_column($waited, 2)]);
        self::assertGreaterThan(4.0, $longest, 'they are given five seconds');
        foreach ($answers as [$status, , $seconds]) {
            self::assertSame(200, $status);
            self::assertLessThan($longest, $seconds, 'nobody else waits for them');
        }
        self::assertSame(200, $this->together([$waiting[0]])[0][0]);
    }

    /** Whoever cannot be looked up for a moment is not signed out for it. */
    public function testAnOutageWhileItIsReadWhoAsksSignsNobodyOut(): void
    {
        $this->start();
        $cookie = $this->signIn('mara.lindqvist');
        // Their session is read, and then their account: whoever waits for that is cut off.
        $lock = $this->beside('bin/db client mint_door -e "LOCK TABLES account WRITE; SELECT SLEEP(60)"');
        $waiting = self::kill("state LIKE 'Waiting for table metadata lock%'");
        $cut = $this->beside('while sleep 0.05; do '.$waiting.'; done');
        usleep(400_000);
        $answer = $this->ask('GET', '/me', null, $cookie);
        $cut->stop(0);
        self::assertTrue($lock->isRunning());
        $this->run_(['bash', '-c', self::kill("info LIKE 'SELECT SLEEP%'")]);
        $lock->wait();
        $this->assertAway($answer, 'while it was read who asks');
        self::assertSame(200, $this->ask('GET', '/me', null, $cookie)[0]);
    }

    /** What was answered with yes is there; what was not is done once there is room, under the same key, once. */
    public function testAFullDiskIsAnOutageAndPasses(): void
    {
        $parent = self::root().'/var/small-disk';
        $mount = 'mkdir -p "$1" && mount -t tmpfs -o mode=755,size='.self::DISK.' tmpfs "$1" && shift && exec "$@"';
        $within = ['unshare', '--mount', 'bash', '-c', $mount, 'mount', $parent];
        if (0 !== (new Process([...$within, 'true']))->run()) {
            self::markTestSkipped('Only root may have a small disk.');
        }
        $this->data = $parent.'/mariadb';
        $this->start($within);
        $cookie = $this->signIn('mara.lindqvist');
        [$site, $people] = $this->learners('Harmony & Ear Training II');
        $filler = '/proc/'.$this->started().'/root'.$parent.'/filler';
        $this->fill($filler);
        // Everybody paused and resumed in turn, until there is no room and a little further.
        $answers = [];
        for ($n = 0, $over = 0; $n < self::CHANGES && $over < 20; ++$n) {
            $answers[$n] = $this->change($site, $people, $cookie, $n);
            $over += (int) (200 !== $answers[$n][0]);
        }
        $refused = array_filter($answers, static fn(array $answer): bool => 200 !== $answer[0]);
        self::assertNotSame([], $refused, 'There is an end to the room.');
        array_map(fn(array $answer) => $this->assertAway($answer, 'on a full disk'), $refused);
        // Reading goes on; but for some tables that cannot grow the database server stops itself, and is started again.
        $reading = $this->ask('GET', "/sites/$site/roster", null, $cookie);
        200 === $reading[0] || $this->assertAway($reading, 'stopped by a full disk');
        $this->run_(['rm', $filler]);
        for ($try = 0; $try < 600 && 200 !== $this->ask('GET', "/sites/$site/roster", null, $cookie)[0]; ++$try) {
            usleep(100_000);
        }
        $statuses = [];
        foreach (array_keys($answers) as $n) {
            for ($try = 0; 200 !== ($statuses[$n] ?? 0) && $try < 50; ++$try) {
                $statuses[$n] = $this->change($site, $people, $cookie, $n)[0];
                200 === $statuses[$n] || usleep(100_000);
            }
        }
        self::assertSame([200], array_values(array_unique($statuses)));
        $each = $this->sql("SELECT COUNT(*) FROM history_entry l JOIN account a ON a.person_id = l.actor_id
            WHERE a.login = 'mara.lindqvist' AND l.code IN ('pause', 'resume')
                AND l.at > UTC_TIMESTAMP() - INTERVAL 10 MINUTE");
        self::assertSame((string) \count($answers), $each);
        fwrite(
            \STDERR,
            \sprintf(
                "\nA full disk: %d changes, %d refused at first, all of them done once afterwards; reading %s.\n",
                \count($answers),
                \count($refused),
                200 === $reading[0] ? 'went on' : \sprintf('was back after %.1f s', $try / 10),
            ),
        );
    }

    /**
     * @param non-empty-list<string> $people
     *
     * @return array{int, array<string, mixed>}
     */
    private function change(string $site, array $people, string $cookie, int $n): array
    {
        $line = [
            'person' => $people[$n % \count($people)],
            'verb' => 0 === intdiv($n, \count($people)) % 2 ? 'pause' : 'resume',
        ];

        $key = 'Idempotency-Key: full-disk-'.$n;

        return $this->ask('POST', "/sites/$site/change-lists", ['lines' => [$line]], $cookie, [$key]);
    }

    /** Until there is no room: on the small disk only, whatever way leads there. */
    private function fill(string $file): void
    {
        $fill = '(( $(stat -f -c "%S * %b" "${0%/*}") < 1000000000 )) || exit 3; cat /dev/zero >"$0"';
        $this->run_(['bash', '-c', $fill, $file], expected: 1);
    }

    /** @param array{int, array<string, mixed>} $answer */
    private function assertAway(array $answer, string $when): void
    {
        self::assertSame([503, self::AWAY], [$answer[0], $answer[1]['type'] ?? ''], $when);
    }

    /** A command that is run beside. */
    private function beside(string $command): Process
    {
        $command = ['setsid', '--wait', 'bash', '-c', $command];
        $process = new Process($command, self::root(), $this->environment(), timeout: 120);
        $process->start();

        return $process;
    }

    /** A command that ends connections. */
    private static function kill(string $which): string
    {
        $list = "SELECT CONCAT('KILL ', id, ';') FROM information_schema.processlist
            WHERE $which AND id <> CONNECTION_ID()";

        return 'bin/db client -N -e "'.$list.'" | bin/db client -f';
    }
}
