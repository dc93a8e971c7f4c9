<?php

declare(strict_types=1);

namespace MintDoor\Tests\Faults;

use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Process\Process;

/** Databases of before become those of now, also when that is killed half-way; backups come back whole. */
final class UpgradesTest extends FaultCase
{
    private const MIGRATE = [
        'php',
        'bin/console',
        'doctrine:migrations:migrate',
        '--no-interaction',
        '--allow-no-migration',
        '-q',
    ];

    protected function setUp(): void
    {
        // Nothing serves meanwhile.
        $this->run_([self::root().'/bin/db', 'start']);
        $this->run_(['bash', '-c', 'ROOT=$PWD; . bin/lib/setup.sh; secret >/dev/null; need_container']);
    }

    protected function tearDown(): void
    {
        parent::tearDown();
        (new Process([self::root().'/bin/db', 'stop'], self::root(), $this->environment()))->run();
    }

    /** Tables of a release, and what they are called by now. */
    private const NOW_CALLED = [
        'person' => 'person',
        'account' => 'account',
        'site' => 'site',
        'pass' => 'access_grant',
        'mark' => 'enrollment_override',
        // Lines about people who had nothing in the site have an empty one.
        'enrollment' => "enrollment WHERE terms <> ''",
        'log_entry' => 'history_entry',
        'change_sheet' => 'change_list',
        'invitation' => 'invitation',
    ];

    /** Where codes of a release would still stand. */
    private const FORMER_CODES = [
        'states' => "SELECT COUNT(*) FROM enrollment_segment WHERE state IN ('kept-out', 'taken-out')",
        'doors' => "SELECT COUNT(*) FROM door WHERE kind IN ('desk', 'look-in')",
        'people' => "SELECT COUNT(*) FROM person WHERE kind = 'outsider'",
        'rules' => "SELECT COUNT(*) FROM rule_book WHERE settings REGEXP '\"(outsider|see-logbook)\"'",
    ];

    /** @return iterable<string, array{string}> a dump of each release */
    public static function releases(): iterable
    {
        foreach (glob(\dirname(__DIR__).'/upgrade/*.sql.gz') ?: [] as $file) {
            yield basename($file, '.sql.gz') => [$file];
        }
    }

    #[DataProvider('releases')]
    public function testADatabaseOfBeforeBecomesOneOfNow(string $dump): void
    {
        $this->fresh('mint_upgrade', $dump);
        $counts = fn(array $tables): array => array_map(
            fn(string $table): string => $this->sql("SELECT COUNT(*) FROM $table", 'mint_upgrade'),
            $tables,
        );
        $before = $counts(array_keys(self::NOW_CALLED));
        $this->migrate('mint_upgrade');
        self::assertSame($before, $counts(array_values(self::NOW_CALLED)));
        foreach (self::FORMER_CODES as $what => $sql) {
            self::assertSame('0', $this->sql($sql, 'mint_upgrade'), $what);
        }
        self::assertSame('', $this->run_(['php', 'bin/console', 'schema:verify'], $this->on('mint_upgrade')));
        $this->assertRosterIsTrue('mint_upgrade');
        self::assertSame(
            '1',
            $this->sql(
                <<<'SQL'
                    SELECT MAX(log_sequence) = (SELECT MAX(sequence) FROM history_entry
                        WHERE site_id = REPEAT(CHAR(0), 16))
                    FROM platform_counter
                    SQL,
                'mint_upgrade',
            ),
        );
        $this->migrate('mint_upgrade');
    }

    /** Where two came to have one address, the first keeps it and the others are told. */
    public function testAnAddressThatSeveralHadIsOnePersonsAfterwards(): void
    {
        $this->fresh('mint_upgrade', \dirname(__DIR__).'/upgrade/before-steadfast.sql.gz');
        $three = "UPDATE person SET email = 'family@example.org' WHERE gone IS NULL ORDER BY id LIMIT 3";
        $this->sql($three, 'mint_upgrade');
        $this->migrate('mint_upgrade');
        foreach (
            [
                '1' => "SELECT COUNT(*) FROM person WHERE email = 'family@example.org'",
                '2' => "SELECT COUNT(*) FROM notice WHERE data LIKE '%e-mail address%'",
            ] as $many => $sql
        ) {
            self::assertSame((string) $many, $this->sql($sql, 'mint_upgrade'));
        }
    }

    /** A label or a note may be the very word that was a code. */
    public function testWhatSomebodyTypedIsNotTakenForACode(): void
    {
        $this->fresh('mint_upgrade', \dirname(__DIR__).'/upgrade/before-ground.sql.gz');
        $typed = '{"label":"outsider","role":"desk","note":"kept-out"}';
        $this->sql("UPDATE log_entry SET data = '$typed' LIMIT 1", 'mint_upgrade');
        $this->migrate('mint_upgrade');
        self::assertSame('1', $this->sql("SELECT COUNT(*) FROM history_entry WHERE data = '$typed'", 'mint_upgrade'));
    }

    public function testAnUpgradeThatIsKilledAgainAndAgainIsSimplyRunAgain(): void
    {
        $this->fresh('mint_upgrade');
        $kills = 0;
        for ($n = 0; $n < 60; ++$n) {
            $process = new Process(self::MIGRATE, self::root(), $this->on('mint_upgrade') + $this->environment());
            $process->start();
            // A little later each time, so that every statement is met.
            usleep(150_000 + 25_000 * $n);
            if (!$process->isRunning()) {
                self::assertSame(0, $process->getExitCode(), $process->getErrorOutput());
                break;
            }
            $process->signal(\SIGKILL);
            $process->wait();
            ++$kills;
        }
        self::assertGreaterThan(2, $kills);
        $this->migrate('mint_upgrade');
        self::assertSame('', $this->run_(['php', 'bin/console', 'schema:verify'], $this->on('mint_upgrade')));
    }

    public function testTablesThatSomebodyChangedAreSaid(): void
    {
        $this->fresh('mint_upgrade');
        $this->migrate('mint_upgrade');
        $this->sql('ALTER TABLE person ADD nickname VARCHAR(10); DROP TABLE quiet', 'mint_upgrade');
        $says = $this->run_(['php', 'bin/console', 'schema:verify'], $this->on('mint_upgrade'), 1);
        self::assertStringContainsString('person differs: with `nickname` varchar(10)', $says);
        self::assertStringContainsString('quiet is missing', $says);
    }

    public function testABackupComesBackWholeInAnEmptyPlaceAndNowhereElse(): void
    {
        $file = sys_get_temp_dir().'/mint-door-backup-'.bin2hex(random_bytes(4)).'.tar';
        $data = self::root().'/var/mariadb-restored';
        $other = ['DATA' => $data, 'DB_PORT' => '3338', 'SECRET_FILE' => $data.'.secret'];
        $clean = static fn(): int => (new Process(['bash', '-c', 'rm -rf "$DATA"*'], env: $other))->run();
        $clean();
        $this->fresh('mint_door', \dirname(__DIR__).'/upgrade/before-steadfast.sql.gz');
        $this->migrate('mint_door');
        $this->sql('DELETE FROM security_entry; DELETE FROM security_chain');
        try {
            $this->run_([self::root().'/bin/backup', $file]);
            self::assertSame('0600', substr(\sprintf('%o', fileperms($file)), -4));
            $says = $this->run_([self::root().'/bin/restore', $file], $other);
            self::assertStringContainsString(' 0 differ', $says);
            self::assertStringContainsString('is here again', $says);
            $this->run_([self::root().'/bin/restore', $file], $other, 1);
            file_put_contents($file, str_repeat("\0", 512).substr((string) file_get_contents($file), 512));
            $clean();
            $this->run_([self::root().'/bin/restore', $file], $other, 1);
        } finally {
            @unlink($file);
            $clean();
        }
    }

    /** A number in a file may be another process's by now: that one is left alone. */
    public function testAProcessThatIsNotOursIsNotEnded(): void
    {
        $data = sys_get_temp_dir().'/mint-door-stale-'.bin2hex(random_bytes(4));
        $bystander = new Process(['sleep', '60']);
        $bystander->start();
        file_put_contents($data.'.pid', (string) $bystander->getPid());
        $this->run_([self::root().'/bin/db', 'stop'], ['DATA' => $data, 'DB_PORT' => '3339']);
        self::assertTrue($bystander->isRunning());
        $bystander->stop(0);
    }

    private function fresh(string $database, ?string $dump = null): void
    {
        $anew = "DROP DATABASE IF EXISTS $database; CREATE DATABASE $database";
        $this->run_([self::root().'/bin/db', 'client', '-e', $anew]);
        if (null !== $dump) {
            $this->run_(['bash', '-c', 'zcat "$0" | bin/db client "$1"', $dump, $database]);
        }
    }

    private function migrate(string $database): void
    {
        $this->run_(self::MIGRATE, $this->on($database));
    }
}
