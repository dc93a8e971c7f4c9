<?php

declare(strict_types=1);

namespace MintDoor\Tests\Faults;

/** What serves has as few rights as it can do with, whoever started it. */
final class PrivilegesTest extends FaultCase
{
    public function testNothingThatMeetsPeopleRunsAsRootAndTheDatabaseWantsAPassword(): void
    {
        $this->start();
        $of = fn(string $program): array => explode(
            "\n",
            $this->run_(['bash', '-c', 'ps -o user:32=,args= -g "$0"', (string) $this->pid($program)]),
        );
        foreach (['fpm', 'nginx', 'database', 'worker', 'scheduler'] as $program) {
            $meets = array_filter(
                $of($program),
                static fn(string $line): bool => 1 !== preg_match('/(nginx|php-fpm): master process/', $line),
            );
            self::assertNotSame([], $meets, $program);
            self::assertSame([], preg_grep('/^root\s/', $meets), $program);
        }
        $dsn = 'mysql:host=127.0.0.1;port='.self::DB_PORT;
        foreach ([['mint', ''], ['mint', 'mint'], ['root', ''], ['', '']] as [$user, $password]) {
            try {
                new \PDO($dsn, $user, $password);
                self::fail("$user gets in.");
            } catch (\PDOException $refused) {
                self::assertContains($refused->getCode(), [1045, 1698], $user);
            }
        }
        $url = parse_url($this->run_([self::root().'/bin/db', 'url', 'mint_door']));
        $own = new \PDO($dsn, $url['user'] ?? '', $url['pass'] ?? '');
        $seen = $own->query('SHOW DATABASES');
        self::assertNotFalse($seen);
        $others = preg_grep(
            '/^(information_schema|mint_\w+)$/D',
            $seen->fetchAll(\PDO::FETCH_COLUMN),
            \PREG_GREP_INVERT,
        );
        self::assertSame([], $others);
    }
}
