<?php

declare(strict_types=1);

namespace MintDoor\Tests\Faults;

use MintDoor\Shared\Id;

/** Whatever process is killed, it is back soon; nothing that was answered is lost, and nothing happens twice. */
final class KillsTest extends FaultCase
{
    /** `KILLS` says how often each is killed. */
    private const KILLS = 3;

    /** In seconds, on a machine that is busy now and then: how long it takes is printed, not judged. */
    private const SOON = 60.0;

    private const PROGRAMS = ['fpm', 'nginx', 'database', 'worker', 'scheduler', 'keeper'];

    public function testKilledProcessesComeBackAndNothingIsLostOrDoubled(): void
    {
        $this->start();
        $cookie = $this->signIn('mara.lindqvist');
        [$site, $people] = $this->learners('Harmony & Ear Training II');
        $kills = (int) (getenv('KILLS') ?: self::KILLS);
        $statuses = $slowest = [];
        $done = 0;
        for ($round = 0; $round < $kills; ++$round) {
            foreach (self::PROGRAMS as $program) {
                // A worker ends with its database, and may be just about to be begun again.
                $before = $this->pid($program);
                for ($n = 0; $n < 100 && $before < 2; ++$n) {
                    usleep(50_000);
                    $before = $this->pid($program);
                }
                self::assertGreaterThan(1, $before, $program);
                // Asked while it is killed, and again under its key until there is an answer.
                $verb = 0 === intdiv($done, \count($people)) % 2 ? 'pause' : 'resume';
                $line = ['person' => $people[$done % \count($people)], 'verb' => $verb];
                $killed = microtime(true);
                posix_kill($before, \SIGKILL);
                do {
                    $key = "Idempotency-Key: kill-$round-$program";
                    [$status] = $this->ask('POST', "/sites/$site/change-lists", ['lines' => [$line]], $cookie, [$key]);
                    $statuses[$status] = ($statuses[$status] ?? 0) + 1;
                    200 === $status || usleep(50_000);
                } while (200 !== $status && microtime(true) - $killed < self::SOON);
                self::assertSame(200, $status, "$program: ".json_encode($statuses));
                while (\in_array($this->pid($program), [0, $before], true) && microtime(true) - $killed < self::SOON) {
                    usleep(50_000);
                }
                $took = microtime(true) - $killed;
                $slowest[$program] = max($slowest[$program] ?? 0.0, $took);
                self::assertLessThan(self::SOON, $took, "$program is back");
                ++$done;
            }
        }
        self::assertSame([], array_diff(array_keys($statuses), [200, 0, 503, 502]), json_encode($statuses) ?: '');
        self::assertSame(
            $done,
            (int) $this->sql(
                'SELECT COUNT(*) FROM history_entry
            WHERE site_id = '
                    .self::hex($site)
                    ." AND code IN ('pause', 'resume')
                AND at > UTC_TIMESTAMP() - INTERVAL 1 HOUR",
            ),
        );
        $this->assertRosterIsTrue('mint_door');
        ksort($statuses);
        $back = array_map(
            static fn(string $name, float $seconds): string => \sprintf('%s %.1f s', $name, $seconds),
            array_keys($slowest),
            $slowest,
        );
        fwrite(
            \STDERR,
            \sprintf(
                "\n%d kills of each; slowest back: %s; answers: %s; lost 0, twice 0\n",
                $kills,
                implode(', ', $back),
                json_encode($statuses),
            ),
        );
    }

    /** A worker that is killed in the middle of a list is replaced, and the list goes on. */
    public function testAListGoesOnWhenItsWorkerIsKilled(): void
    {
        $this->start();
        $cookie = $this->signIn('ingrid.solheim');
        $people = explode(
            "\n",
            $this->sql("SELECT HEX(id) FROM person WHERE kind = 'learner' AND gone IS NULL ORDER BY id LIMIT 1200"),
        );
        $people = array_map(static fn(string $hex): string => Id::text((string) hex2bin($hex)), $people);
        $site = Id::text((string) hex2bin($this->sql("SELECT HEX(id) FROM site WHERE title = 'Choral Studio'")));
        $list = ['kind' => 'people', 'work' => ['sites' => []], 'title' => 'Many'];
        [, $draft] = $this->ask('POST', '/change-lists', $list, $cookie);
        $each = ['people' => $people, 'sites' => [$site], 'verb' => 'let-in', 'role' => 'day-guest', 'sure' => true];
        [$status] = $this->ask('POST', "/change-lists/{$draft['id']}/apply", ['each' => $each], $cookie);
        self::assertSame(200, $status);
        usleep(400_000);
        posix_kill($this->pid('worker'), \SIGKILL);
        $killed = microtime(true);
        do {
            usleep(100_000);
            [, $page] = $this->ask('GET', '/change-lists/'.$draft['id'], null, $cookie);
        } while ('applied' !== ($page['state'] ?? '') && microtime(true) - $killed < 40);
        self::assertSame(['applied', 1_200], [$page['state'], $page['done']]);
        self::assertSame(
            '0',
            $this->sql(
                'SELECT COUNT(*) - COUNT(DISTINCT person_id) FROM change_line WHERE change_list_id = '
                    .self::hex($draft['id']),
            ),
        );
        self::assertTrue($this->ask('GET', '/health')[1]['well'] ?? null);
    }
}
