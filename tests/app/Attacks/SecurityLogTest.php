<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Attacks;

use MintDoor\Roles\Roles;
use MintDoor\Roles\RulesCodec;
use PHPUnit\Framework\Attributes\TestWith;

/** What matters is written down where whoever did it cannot take it out again. */
final class SecurityLogTest extends AttackCase
{
    public function testWhatMattersIsWrittenDown(): void
    {
        $this->signIn('learner', 'guess', '192.0.2.9');
        $this->signIn('learner', self::PASSWORD, '192.0.2.9');
        $this->call('lead', 'POST', '/sign-in-cards', ['people' => [$this->ids['learner']]]);
        $this->call('admin', 'POST', '/people/'.$this->ids['learner'].'/export');
        $this->call('admin', 'GET', '/people/'.$this->ids['junior']);
        $this->change('learner', 'let-in', 'newcomer', 'learner', 403);
        $rules = RulesCodec::write($this->service(Roles::class)->rules());
        $rules['limits']['cardDays'] = 7;
        $this->call('admin', 'PUT', '/rules', ['rules' => $rules, 'apply' => true], headers: ['If-Match' => '"1"']);
        $this->call('admin', 'PUT', '/administrators/'.$this->ids['lead'], [
            'platform' => false,
            'divisions' => ['evening'],
        ]);
        $seen = $this->log('admin');
        self::assertSame(
            [
                'administrator-named',
                'rules-changed',
                'refused',
                'page-outside',
                'person-exported',
                'password-reset',
                'sign-in',
                'sign-in-failed',
            ],
            array_column($seen, 'code'),
        );
        self::assertSame(['192.0.2.9', 'Learner Learnersen'], [$seen[7]['address'], $seen[7]['person']['name']]);
        self::assertSame(['Lead Leadsen', 'Learner Learnersen'], [$seen[5]['by']['name'], $seen[5]['person']['name']]);
        self::assertStringNotContainsString('guess', json_encode($seen, \JSON_THROW_ON_ERROR));
    }

    public function testAdministratorsSeeWhatConcernsTheirDivisions(): void
    {
        $this->platform->administrator($this->ids['colleague'], $this->ids['seniors']);
        $this->platform->write();
        $this->signIn('learner', 'guess');
        $this->signIn('junior', 'guess');
        $this->signIn('nobody', 'guess');
        self::assertCount(3, $this->log('admin'));
        self::assertSame([], $this->log('elsewhere'));
        self::assertSame(
            ['Junior Juniorsen', 'Learner Learnersen'],
            array_map(static fn(array $entry): string => $entry['person']['name'], $this->log('colleague')),
        );
        self::assertSame(
            ['Learner Learnersen'],
            array_map(
                static fn(array $entry): string => $entry['person']['name'],
                $this->log('colleague', '?q=learner'),
            ),
        );
        self::assertSame([], $this->log('colleague', '?code=sign-in'));
        self::assertCount(2, $this->log('colleague', '?from=2026-11-24&until=2026-11-24'));
        self::assertSame([], $this->log('colleague', '?until=2026-11-23'));
        $this->call('lead', 'GET', '/security-log', null, 403);
    }

    public function testItIsTakenAwayAsJsonLinesWhichIsALineOfIt(): void
    {
        $this->signIn('learner', 'guess');
        $this->call('admin', 'POST', '/security-log/export');
        $response = $this->client->getResponse();
        self::assertSame('application/x-ndjson', $response->headers->get('Content-Type'));
        $lines = explode("\n", trim((string) $response->getContent()));
        self::assertCount(1, $lines);
        self::assertSame('sign-in-failed', json_decode($lines[0], true, flags: \JSON_THROW_ON_ERROR)['code']);
        self::assertSame('export', $this->log('admin')[0]['code']);
    }

    /** The thief of the database, tidying up behind them. */
    #[TestWith(["DELETE FROM security_entry WHERE code = 'sign-in'", 'From line 2'])]
    #[TestWith(["UPDATE security_entry SET code = 'sign-in-failed' WHERE code = 'sign-in'", 'From line 2'])]
    #[TestWith(['UPDATE security_entry SET by_id = NULL WHERE sequence = 2', 'From line 2'])]
    #[TestWith(['UPDATE security_entry SET at = at - INTERVAL 1 HOUR WHERE sequence = 3', 'From line 3'])]
    #[TestWith(['DELETE FROM security_entry WHERE sequence = 3', 'missing at the end'])]
    #[TestWith(['UPDATE security_chain SET entries = 2', 'missing at the end'])]
    #[TestWith([
        'INSERT INTO security_entry SELECT 4, at, code, person_id, by_id, site_id, division_id, address, place,
            data, hash FROM security_entry WHERE sequence = 3',
        'From line 4',
    ])]
    public function testALineThatIsTakenOutChangedOrAddedShows(string $sql, string $said): void
    {
        $this->signIn('learner', 'guess');
        $this->signIn('learner', self::PASSWORD);
        $this->signIn('junior', 'guess');
        self::assertSame(0, $this->command('security:verify')[0]);
        $this->db()->executeStatement($sql);
        [$failed, $output] = $this->command('security:verify');
        self::assertSame(1, $failed);
        self::assertStringContainsString($said, $output);
    }

    public function testAddressesAreForgottenAndTheChainHolds(): void
    {
        $this->signIn('learner', 'guess', '192.0.2.9');
        $this->db()->executeStatement("UPDATE security_entry SET address = NULL WHERE code = 'sign-in-failed'");
        self::assertSame(0, $this->command('security:verify')[0]);
    }

    public function testNobodyFillsItByTryingAgainAndAgain(): void
    {
        for ($n = 0; $n < 15; ++$n) {
            $this->signIn('learner', 'guess');
        }
        $codes = array_count_values(array_column($this->log('admin'), 'code'));
        self::assertSame(['sign-in-refused' => 1, 'sign-in-failed' => 10], $codes);
    }

    public function testWhatDidNotHappenIsNotWrittenDown(): void
    {
        $this->call(
            'admin',
            'PUT',
            '/administrators/'.$this->ids['guardian'],
            ['platform' => false, 'divisions' => ['nowhere']],
            422,
        );
        self::assertSame(
            [],
            array_filter(
                $this->log('admin'),
                static fn(array $entry): bool => 'administrator-named' === $entry['code'],
            ),
        );
    }

    /** @return list<array<string, mixed>> the last first */
    private function log(string $as, string $query = ''): array
    {
        return $this->call($as, 'GET', '/security-log'.$query)['items'];
    }
}
