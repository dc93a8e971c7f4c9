<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Desk;

use MintDoor\Core\Platform\Division;
use MintDoor\Core\Platform\DivisionTree;
use MintDoor\Core\Platform\Levels;
use MintDoor\Core\Platform\Settings;
use MintDoor\Demo\Dice;
use MintDoor\Platform\SettingsCodec;
use MintDoor\Tests\App\ApiTestCase;

final class SettingsTest extends ApiTestCase
{
    public function testTheyAreReadByAdministratorsAndChangedByThoseOfThePlatform(): void
    {
        $book = $this->call('elsewhere', 'GET', '/settings');
        self::assertSame([0, false], [$book['version'], $book['mayChange']]);
        self::assertSame(
            ['Evening', 'Faculty', 'Juniors', 'Seniors'],
            array_column($book['settings']['divisions'], 'name'),
        );
        self::assertTrue($this->call('admin', 'GET', '/settings')['mayChange']);
        $this->call('elsewhere', 'PUT', '/settings', ['settings' => $book['settings']], 403);
        $this->call('lead', 'GET', '/settings', null, 403);
    }

    public function testAChangeIsLookedAtMadeAndTakenBack(): void
    {
        $settings = $this->settings();
        $settings['name'] = 'Elm Grove';
        $settings['terms'][0]['endsOn'] = '2026-12-21';
        $days = ['from' => '2026-12-25', 'until' => '2026-12-26'];
        $settings['daysOff'][] = ['name' => 'Holiday', ...$days, 'division' => null];
        $preview = $this->call('admin', 'PUT', '/settings', ['settings' => $settings]);
        self::assertSame([[], 2, 0], [$preview['problems'], $preview['sites'], $preview['version']]);
        self::assertSame(
            ['platform changed', 'term changed', 'days-off made'],
            array_map(static fn(array $each): string => $each['of'].' '.$each['how'], $preview['differences']),
        );
        self::assertNotSame('Elm Grove', $this->settings()['name'], 'Looking changes nothing.');
        self::assertSame(2, $this->put($settings, 0)['version']);
        self::assertSame($settings, $this->settings());
        self::assertSame('2026-12-21', $this->call('lead', 'GET', '/platform')['terms'][0]['endsOn']);
        $entry = $this->call('admin', 'GET', '/platform/history')['items'][0];
        self::assertSame(['settings-changed', 2], [$entry['code'], $entry['data']['version']]);
        // Taken back by putting those of before in force again, also where divisions came.
        $before = $this->call('admin', 'GET', '/settings?version=1')['settings'];
        self::assertSame(3, $this->put($before, 2)['version']);
        self::assertSame([], $this->settings()['daysOff']);
        $versions = $this->call('admin', 'GET', '/settings/versions')['items'];
        self::assertSame([3, 2, 1], array_column($versions, 'version'));
        self::assertSame(['Admin Adminsen', 'Admin Adminsen', null], array_column($versions, 'madeBy'));
    }

    public function testAMachineKeepsWhatOneWordingOfAVersionSays(): void
    {
        self::assertTrue(apcu_enabled(), 'php -d apc.enable_cli=1, as bin/test does');
        $this->put(['name' => 'Elm Grove'] + $this->settings(), 0);
        $names = fn(): array => [$this->settings()['name'], $this->settings()['terms'][0]['name']];
        self::assertSame(['Elm Grove', 'Autumn'], $names());
        // Only a version changes what holds, so that what it says is not read again.
        $this->db()->executeStatement("UPDATE term SET name = 'Harvest'");
        self::assertSame(['Elm Grove', 'Autumn'], $names());
        // A copy of the platform that was put back says something else under the number of a version.
        $this->db()->executeStatement("UPDATE settings_version SET settings = JSON_SET(settings, '$.name', 'Oak')");
        self::assertSame(['Oak', 'Harvest'], $names());
    }

    public function testSettingsThatAreAsTheyWereMakeNoVersion(): void
    {
        self::assertSame(0, $this->put($this->settings(), 0)['version']);
    }

    public function testWhoeverLooksAtAnOlderVersionIsTold(): void
    {
        $settings = $this->settings();
        $this->put(['name' => 'Elm Grove'] + $settings, 0);
        $stale = $this->put(['name' => 'Ash Grove'] + $settings, 0, 412);
        self::assertStringEndsWith('stale', $stale['type']);
        self::assertSame('Elm Grove', $this->settings()['name']);
    }

    public function testSettingsThatCannotBeAreNotPutInForce(): void
    {
        $settings = $this->settings();
        $gone = $settings;
        array_pop($gone['divisions']);
        $gone['terms'] = [];
        $codes = array_column($this->put($gone, 0, 409)['problems'], 'code');
        self::assertEqualsCanonicalizing(['division-stays', 'term-in-use'], $codes);
        $retired = $this->with('seniors', ['retired' => true]);
        $problem = $this->put($retired, 0, 409)['problems'][0];
        self::assertSame(
            ['divisions/seniors/retired', 'division-in-use', ['people' => 3, 'sites' => 2]],
            [$problem['where'], $problem['code'], $problem['values']],
        );
        $levels = $this->with('seniors', ['levels' => ['first' => 8, 'names' => ['Year 8']]]);
        self::assertSame(['level' => 7, 'people' => 2], $this->put($levels, 0, 409)['problems'][0]['values']);
        $this->put(['something' => 1] + $settings, 0, 422);
        $this->put($this->with('seniors', ['language' => 'en-GB', 'minors' => 'perhaps']), 0, 422);
    }

    public function testAdministrationReachesDownTheTree(): void
    {
        $this->call('elsewhere', 'GET', '/sites/'.$this->ids['site'], null, 404);
        $settings = $this->with('seniors', ['parent' => 'evening']);
        $preview = $this->call('admin', 'PUT', '/settings', ['settings' => $settings]);
        self::assertSame(
            [['name' => 'Elsewhere Elsewheresen', 'also' => ['Seniors'], 'not' => []]],
            $preview['reach'],
        );
        $this->put($settings, 0);
        $this->call('elsewhere', 'GET', '/sites/'.$this->ids['site']);
        $this->call('elsewhere', 'GET', '/people/'.$this->ids['learner']);
        $this->call('elsewhere', 'GET', '/people/'.$this->ids['junior'], null, 404);
        // Back again, and it is over.
        $this->put($this->with('seniors', ['parent' => null]), 2);
        $this->call('elsewhere', 'GET', '/sites/'.$this->ids['site'], null, 404);
        $this->call('elsewhere', 'GET', '/people/'.$this->ids['learner'], null, 404);
    }

    public function testRulesOfADivisionAreThoseOfTheOnesBelowIt(): void
    {
        $settings = $this->settings();
        $settings['divisions'][] = self::division('choir', ['parent' => 'juniors', 'minors' => true]);
        $this->put($settings, 0);
        $this->change('admin', 'let-in', 'junior', 'learner');
        $before = $this->call('junior', 'GET', '/sites/'.$this->ids['site'])['may'];
        $this->db()->executeStatement("UPDATE person SET division_id = (SELECT id FROM division WHERE code = 'choir')
            WHERE given_name = 'Junior'");
        self::assertSame($before, $this->call('junior', 'GET', '/sites/'.$this->ids['site'])['may']);
        self::assertNotSame($before, $this->call('learner', 'GET', '/sites/'.$this->ids['site'])['may']);
    }

    public function testADivisionThatNothingPointsToGoesAgain(): void
    {
        $before = $this->settings();
        $after = $before;
        $after['divisions'][] = self::division('choir', ['parent' => 'juniors']);
        $after['divisions'][] = self::division('boys', ['parent' => 'choir']);
        $this->put($after, 0);
        $this->put($before, 2);
        self::assertSame($before, $this->settings());
        $this->put($after, 3);
        $this->call('admin', 'PUT', '/administrators/'.$this->ids['colleague'], [
            'platform' => false,
            'divisions' => ['boys'],
        ]);
        $problem = $this->put($before, 4, 409)['problems'];
        self::assertSame(['divisions/boys division-stays'], array_map(
            static fn(array $each): string => $each['where'].' '.$each['code'],
            $problem,
        ));
    }

    public function testARetiredDivisionIsOfferedNoMore(): void
    {
        $settings = $this->settings();
        $settings['divisions'][] = self::division('choir', []);
        $this->put($settings, 0);
        self::assertContains('choir', array_column($this->call('admin', 'GET', '/platform')['divisions'], 'code'));
        $this->put($this->with('choir', ['retired' => true]), 2);
        self::assertNotContains('choir', array_column($this->call('admin', 'GET', '/platform')['divisions'], 'code'));
        $site = [
            'title' => 'Late',
            'code' => 'LATE',
            'kind' => 'course',
            'division' => 'choir',
            'term' => 'autumn',
            'seats' => null,
        ];
        self::assertSame('/division', $this->call('admin', 'POST', '/sites', $site, 422)['errors'][0]['pointer']);
        // A term of another division is not offered for its sites either.
        $settings = $this->settings();
        $settings['terms'][] = [
            'code' => 'short',
            'name' => 'Short',
            'startsOn' => '2026-09-07',
            'endsOn' => '2026-10-02',
            'division' => 'juniors',
        ];
        $this->put($settings, 3);
        $of = static fn(string $division): array => [...$site, 'division' => $division, 'term' => 'short'];
        self::assertSame('/term', $this->call('admin', 'POST', '/sites', $of('seniors'), 422)['errors'][0]['pointer']);
        $this->call('admin', 'POST', '/sites', $of('juniors'), 201);
    }

    public function testLaterTermsFollowThePattern(): void
    {
        $term = $this->settings()['terms'][0];
        $later = $this->call('admin', 'POST', '/settings/later-terms', [
            'terms' => [$term],
            'years' => 2,
            'taken' => ['autumn'],
        ])['items'];
        self::assertSame(['autumn-2', 'autumn-3'], array_column($later, 'code'));
        self::assertSame(['2027-09-06', '2028-09-04'], array_column($later, 'startsOn'));
        $never = ['startsOn' => '2026-13-40'] + $term;
        $problem = $this->call('admin', 'POST', '/settings/later-terms', ['terms' => [$never]], 422);
        self::assertSame('/terms/0/startsOn', $problem['errors'][0]['pointer']);
    }

    public function testWhatIsWrittenIsReadAsTheSame(): void
    {
        for ($seed = 1; $seed <= 40; ++$seed) {
            $dice = new Dice($seed);
            $divisions = array_map(
                static fn(int $n): Division => new Division(
                    "d$n",
                    "Name $n",
                    0 === $n || $dice->chance(30) ? null : 'd'.$dice->below($n),
                    $dice->chance(50),
                    levels: $dice->chance(50) ? new Levels($dice->below(9), ['a', 'b']) : null,
                    welcome: $dice->chance(50) ? 'Hello' : '',
                    retired: $dice->chance(10),
                ),
                range(0, $dice->below(20)),
            );
            $tree = new DivisionTree($divisions);
            $settings = new Settings('Elm', $tree, [], []);
            $again = SettingsCodec::read((array) json_decode(
                json_encode(SettingsCodec::write($settings), \JSON_THROW_ON_ERROR),
                true,
            ));
            self::assertEqualsCanonicalizing($tree->all(), $again->divisions->all());
            self::assertSame(SettingsCodec::write($settings), SettingsCodec::write($again));
        }
    }

    /** @return array<string, mixed> */
    private function settings(): array
    {
        return $this->call('admin', 'GET', '/settings')['settings'];
    }

    /**
     * @param array<string, mixed> $other
     *
     * @return array<string, mixed> the settings, where a division has something else
     */
    private function with(string $code, array $other): array
    {
        $settings = $this->settings();
        foreach ($settings['divisions'] as $index => $division) {
            if ($code === $division['code']) {
                $settings['divisions'][$index] = [...$division, ...$other];
            }
        }

        return $settings;
    }

    /**
     * @param array<string, mixed> $other
     *
     * @return array<string, mixed>
     */
    private static function division(string $code, array $other): array
    {
        return [
            'code' => $code,
            'name' => ucfirst($code),
            'parent' => null,
            'minors' => false,
            'language' => 'en-GB',
            'timeZone' => 'Europe/Amsterdam',
            'levels' => null,
            'welcome' => '',
            'retired' => false,
            ...$other,
        ];
    }

    /**
     * @param array<string, mixed> $settings
     *
     * @return array<string, mixed>
     */
    private function put(array $settings, int $seen, int $expected = 200): array
    {
        return $this->call(
            'admin',
            'PUT',
            '/settings',
            ['settings' => $settings, 'apply' => true],
            $expected,
            ['If-Match' => '"'.$seen.'"'],
        );
    }
}
