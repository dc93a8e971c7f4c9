<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Desk;

use MintDoor\Shared\Instant;
use MintDoor\Tests\App\ApiTestCase;

final class NumbersTest extends ApiTestCase
{
    protected function furnish(): void
    {
        parent::furnish();
        $this->ids['big'] = $this->platform->site(
            'BIG',
            'Big',
            'club',
            $this->ids['evening'],
            $this->ids['term'],
            null,
            40,
            $this->now() - 1_000,
        );
        for ($n = 0; $n < 6; ++$n) {
            $this->ids["l$n"] = $this->person("l$n", 'learner', 'evening', 7);
            $this->platform->letIn($this->ids['big'], $this->ids["l$n"], 'learner', $this->now() - 900);
        }
    }

    public function testAdministratorsSeeThoseOfTheirReach(): void
    {
        $all = $this->call('admin', 'GET', '/numbers');
        self::assertSame(['Big', 'Draft', 'Harmony'], array_column($all['sites'], 'title'));
        self::assertSame(['Evening', 'Seniors'], array_column(array_column($all['divisions'], 'division'), 'name'));
        $harmony = array_column($all['sites'], null, 'title')['Harmony'];
        self::assertSame([1, 3, 3, true], [
            $harmony['learners'],
            $harmony['staff'],
            $harmony['seats'],
            $harmony['opens'],
        ]);
        self::assertSame(['Big'], array_column($this->call('elsewhere', 'GET', '/numbers')['sites'], 'title'));
        self::assertSame(['Harmony'], array_column(
            $this->call('admin', 'GET', '/numbers?division=seniors&state=open&kind=course&term=autumn')['sites'],
            'title',
        ));
    }

    public function testWhoeverIsAllowedItSeesNumbersAndNothingElse(): void
    {
        self::assertFalse($this->call('colleague', 'GET', '/me')['readsNumbers']);
        $this->call('colleague', 'GET', '/numbers', null, 403);
        $this->seen('l0', 'l1');
        $this->allow('colleague', ['numbersOf' => ['evening', 'seniors']]);
        self::assertTrue($this->call('colleague', 'GET', '/me')['readsNumbers']);
        $sites = array_column($this->call('colleague', 'GET', '/numbers')['sites'], null, 'title');
        self::assertSame([6, 2, 4, false], [
            $sites['Big']['learners'],
            $sites['Big']['lately'],
            $sites['Big']['never'],
            $sites['Big']['opens'],
        ]);
        self::assertSame(
            [1, null, null],
            [$sites['Harmony']['learners'], $sites['Harmony']['lately'], $sites['Harmony']['never']],
            'Of one learner it is not told whether they came.',
        );
        foreach (['', '/roster', '/history', '/waiting', '/doors'] as $path) {
            $this->call('colleague', 'GET', '/sites/'.$this->ids['big'].$path, null, 404);
        }
        $this->call('colleague', 'GET', '/sites?scope=all', null, 403);
        $this->call('colleague', 'GET', '/platform/history', null, 403);

        $this->allow('colleague', ['numbersOf' => ['juniors']]);
        self::assertSame([], $this->call('colleague', 'GET', '/numbers')['sites']);
        self::assertSame([], $this->call('colleague', 'GET', '/numbers?division=evening')['sites']);
        $this->allow('colleague', ['numbers' => true]);
        self::assertCount(3, $this->call('colleague', 'GET', '/numbers')['sites']);
        self::assertContains([true, []], array_map(
            static fn(array $item): array => [$item['numbers'], $item['numbersOf']],
            $this->call('admin', 'GET', '/administrators')['items'],
        ));
        $this->allow('colleague', []);
        $this->call('colleague', 'GET', '/numbers', null, 403);
    }

    public function testOnlyAPlatformAdministratorSaysWhoSeesNumbers(): void
    {
        $path = '/administrators/'.$this->ids['elsewhere'];
        $this->call('elsewhere', 'PUT', $path, ['platform' => false, 'numbers' => true], 403);
        $wrong = $this->call('admin', 'PUT', $path, ['platform' => false, 'numbersOf' => ['nowhere']], 422);
        self::assertSame('/divisions', $wrong['errors'][0]['pointer']);
    }

    /** @param array<string, mixed> $what */
    private function allow(string $who, array $what): void
    {
        $this->call('admin', 'PUT', '/administrators/'.$this->ids[$who], ['platform' => false, ...$what]);
    }

    private function seen(string ...$people): void
    {
        foreach ($people as $person) {
            $this->db()->executeStatement('UPDATE enrollment SET last_seen_at = ? WHERE person_id = ?', [
                Instant::toSql($this->now() - 500),
                hex2bin(str_replace('-', '', $this->ids[$person])),
            ]);
        }
    }
}
