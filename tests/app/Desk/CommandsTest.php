<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Desk;

use MintDoor\Demo\DemoSignIns;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Tests\App\ApiTestCase;
use PHPUnit\Framework\Attributes\TestWith;

final class CommandsTest extends ApiTestCase
{
    public function testTheDemoIsTheSameEveryTimeAndAgreesWithTheRules(): void
    {
        $this->emptyThePlatform();
        $this->command('demo:load');
        $people =
            <<<'SQL'
                SELECT GROUP_CONCAT(login ORDER BY person_id)
                FROM (SELECT login, person_id FROM account ORDER BY person_id LIMIT 50) some
                SQL;
        $once = $this->db()->fetchOne($people);
        [$code, $said] = $this->command('roster:verify');
        self::assertSame(0, $code, $said);
        $sizes = ['person' => [2_300, 2_500], 'site' => [40, 40], 'enrollment' => [8_500, 9_500]];
        foreach ($sizes as $table => [$least, $most]) {
            $count = (int) $this->db()->fetchOne('SELECT COUNT(*) FROM '.$table);
            self::assertTrue($least <= $count && $count <= $most, "$count in $table");
        }
        self::assertStringContainsString('Nothing was changed', $this->command('demo:load')[1]);
        $this->emptyThePlatform();
        $this->command('demo:load');
        self::assertSame($once, $this->db()->fetchOne($people));
        foreach (array_keys(DemoSignIns::AS) as $login) {
            $this->call($login, 'GET', '/me');
            self::assertStringContainsString($login, $this->command('demo:sign-ins')[1]);
        }
        self::assertStringNotContainsString(
            '@',
            implode(
                ' ',
                array_filter(
                    $this->db()->fetchFirstColumn(
                        "SELECT email FROM person WHERE email NOT REGEXP '@example[.](org|net|com)$'",
                    ),
                ),
            ),
        );
    }

    public function testSomethingAlwaysChangesThisWeek(): void
    {
        $this->emptyThePlatform();
        $this->command('demo:load');
        $lapsing = $this->db()->fetchOne(
            "SELECT COUNT(*) FROM enrollment_segment WHERE state = 'current' AND until_at > ? AND until_at < ?",
            [Instant::toSql($this->now()), Instant::toSql($this->now() + 7 * 86_400)],
        );
        self::assertGreaterThan(0, (int) $lapsing);
    }

    public function testAnEmptyPlatformGetsAFirstAdministratorWhoseLinkWorksOnce(): void
    {
        $this->emptyThePlatform();
        [, $said] = $this->command('platform:found', ['address' => 'http://127.0.0.1:8080']);
        self::assertSame(1, preg_match('~http://127\.0\.0\.1:8080/welcome#(\S+)~', $said, $found), $said);
        [, $again] = $this->command('platform:found', ['address' => 'http://127.0.0.1:8080']);
        preg_match('~/welcome#(\S+)~', $again, $fresh);
        $this->call(null, 'POST', '/first-password', ['token' => $found[1], 'password' => 'a first password'], 410);
        $this->call(null, 'POST', '/first-password', ['token' => $fresh[1] ?? '', 'password' => 'a first password']);
        $me = $this->call(null, 'POST', '/sign-in', ['login' => 'administrator', 'password' => 'a first password']);
        self::assertSame([true, true], [$me['platformAdministrator'], $me['mayMakeSites']]);
        self::assertStringContainsString(
            'has people in it already',
            $this->command('platform:found', ['address' => 'x'])[1],
        );
        self::assertStringContainsString('not the demo', $this->command('demo:sign-ins')[1]);
        $open = array_column($this->call('administrator', 'GET', '/first-steps')['steps'], 'state');
        self::assertSame(['open'], array_values(array_unique($open)), 'Everything is to be done.');
        self::assertStringContainsString('empty already', $this->command('demo:leave')[1]);
        $this->call('administrator', 'POST', '/sites', [
            'title' => 'First aid',
            'code' => 'FIRST',
            'kind' => 'course',
            'division' => 'main',
        ], 201);
        foreach ([['demo:load', ['--fresh' => true]], ['demo:leave', []]] as [$command, $arguments]) {
            $code = $this->command($command, $arguments)[0];
            self::assertSame(1, $code, "$command throws nobody off a platform of their own.");
        }
    }

    public function testTidyingThrowsAwayOnlyWhatIsOver(): void
    {
        $now = $this->now();
        $person = Id::binary($this->ids['lead']);
        foreach (
            [3_600 => 'UTC_TIMESTAMP() - INTERVAL 1 '
                .'HOUR', 50_000 => 'UTC_TIMESTAMP() - INTERVAL 50000 SECOND'] as $id => $touched
        ) {
            $this->db()->executeStatement(
                "INSERT INTO session (id, data, touched_at, made_at, ends_at)
                    VALUES (?, '', $touched, $touched, $touched + INTERVAL 30 DAY)",
                [str_pad((string) $id, 32, 'x')],
            );
        }
        foreach ([60, 3 * 86_400] as $ago) {
            $this->db()->insert('idempotency', [
                'person_id' => $person,
                'id' => "made-$ago",
                'body_hash' => str_repeat('x', 32),
                'made_at' => Instant::toSql($now - $ago),
            ]);
        }
        foreach ([-60, 60] as $left) {
            $this->db()->insert('first_password', [
                'token_hash' => str_pad((string) $left, 32, 'x'),
                'person_id' => $person,
                'expires_at' => Instant::toSql($now + $left),
            ]);
        }
        $this->command('platform:tidy');
        self::assertSame(
            [1, 1, 1],
            array_map(fn(string $table): int => (int) $this->db()->fetchOne('SELECT COUNT(*) FROM '.$table), [
                'session',
                'idempotency',
                'first_password',
            ]),
        );
        self::assertSame('made-60', $this->db()->fetchOne('SELECT id FROM idempotency'));
    }

    #[TestWith(['lead', 'lead', 11])]
    #[TestWith(['LEAD ', 'lead', 11])]
    public function testTriesToSignInAreCountedPerAccount(string $typed, string $meant, int $refusedAt): void
    {
        for ($n = 1; $n < $refusedAt; ++$n) {
            $this->call(
                null,
                'POST',
                '/sign-in',
                ['login' => 0 === $n % 2 ? $typed : $meant, 'password' => 'wrong'],
                401,
            );
        }
        $problem = $this->call(null, 'POST', '/sign-in', ['login' => $meant, 'password' => self::PASSWORD], 429);
        self::assertStringEndsWith('too-many-tries', $problem['type']);
        self::assertGreaterThan(0, (int) $this->client->getResponse()->headers->get('Retry-After'));
        $this->call(null, 'POST', '/sign-in', ['login' => 'cotutor', 'password' => self::PASSWORD]);
    }

    public function testASignInThatWorksStartsTheAccountAnew(): void
    {
        for ($round = 0; $round < 3; ++$round) {
            for ($n = 0; $n < 6; ++$n) {
                $this->call(null, 'POST', '/sign-in', ['login' => 'lead', 'password' => 'wrong'], 401);
            }
            $this->call(null, 'POST', '/sign-in', ['login' => 'lead', 'password' => self::PASSWORD]);
        }
    }

    /** Within the test's transaction, so that the tables are full again after it. */
    private function emptyThePlatform(): void
    {
        $this->db()->executeStatement('SET FOREIGN_KEY_CHECKS = 0');
        foreach ($this->db()->fetchFirstColumn('SHOW TABLES') as $table) {
            if ('doctrine_migration_versions' !== $table) {
                $this->db()->executeStatement("DELETE FROM `$table`");
            }
        }
        $this->db()->executeStatement('SET FOREIGN_KEY_CHECKS = 1');
    }
}
