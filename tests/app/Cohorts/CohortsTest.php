<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Cohorts;

use MintDoor\Core\Cohorts\Rule;

/** Cohorts as people write, keep and use them. */
final class CohortsTest extends CohortsCase
{
    public function testWhoKeepsWhoUsesAndForWhomItIsNotThere(): void
    {
        $made = $this->cohort(['people' => [$this->ids['ada']]]);
        $path = '/cohorts/'.$made['id'];
        self::assertFalse($this->call('lead', 'GET', $path)['keeps'], 'Their site is of this division.');
        self::assertSame(['Ada Adasen'], $this->names($this->call('lead', 'GET', $path.'/members')['items']));
        $this->call('elsewhere', 'GET', $path, null, 404);
        $this->call('learner', 'GET', $path, null, 404);
        self::assertSame([], $this->call('elsewhere', 'GET', '/cohorts')['items']);
        $body = ['name' => 'Mine', 'division' => 'seniors'];
        $this->call('lead', 'PUT', $path, $body, 403, ['If-Match' => '"1"']);
        $this->call('lead', 'POST', $path.'/members', ['add' => [$this->ids['bo']]], 403);
        $this->call('lead', 'DELETE', $path, null, 403);
        // Whole platforms are kept by their administrators only; a division's by its own.
        $this->cohort(['division' => null, 'name' => 'All'], 422, 'elsewhere');
        $this->cohort(['division' => 'evening', 'name' => 'Evening'], 200, 'elsewhere');
        $this->cohort(['division' => null, 'name' => 'All']);
        self::assertSame(['All', 'Evening', 'Strings'], $this->names($this->call('admin', 'GET', '/cohorts')['items']));
        self::assertSame(['Strings'], $this->names($this->call('lead', 'GET', '/cohorts')['items']));
    }

    public function testWhatIsWrongIsSaidAtItsPart(): void
    {
        $wrong = fn(array $rule): array => array_column(
            $this->cohort(['rule' => $rule], 422)['errors'],
            'code',
            'pointer'
        );
        self::assertSame(['/rule/parts/1' => 'levels'], $wrong(['kind' => 'all', 'parts' => [
            self::labelled('strings'),
            ['kind' => 'levels', 'lowest' => 8, 'highest' => 7],
        ]]));
        self::assertSame(['/rule' => 'no-parts'], $wrong(['kind' => 'any', 'parts' => []]));
        self::assertSame(['/rule/parts/0' => 'nobody-named'], $wrong(['kind' => 'not', 'parts' => [
            ['kind' => 'labels', 'names' => [' ']],
        ]]));
        $deep = self::labelled('strings');
        for ($n = 0; $n < Rule::DEEPEST; ++$n) {
            $deep = ['kind' => 'not', 'parts' => [$deep]];
        }
        self::assertSame(['too-deep'], array_values($wrong($deep)));
        self::assertSame(['/rule' => 'no-such-division'], $wrong(['kind' => 'divisions', 'names' => ['nowhere']]));
        self::assertSame(['/rule' => 'no-such-kind'], $wrong(['kind' => 'kinds', 'names' => ['wizard']]));
        $site = ['kind' => 'in', 'site' => $this->ids['site'], 'section' => $this->ids['ada'], 'role' => null];
        self::assertSame(['/rule' => 'no-such-section'], $wrong($site));
        self::assertSame(['/rule' => 'no-such-role'], $wrong(['section' => null, 'role' => 'king'] + $site));
        self::assertSame(['/rule' => 'no-such-cohort'], $wrong(['kind' => 'cohort', 'cohort' => $this->ids['ada']]));
        // An administrator of another division does not read rosters by rules.
        $mine = ['rule' => ['section' => null] + $site, 'division' => 'evening'];
        self::assertSame('no-such-site', $this->cohort($mine, 422, 'elsewhere')['errors'][0]['code']);
        self::assertSame('/name', $this->cohort(['name' => ' '], 422)['errors'][0]['pointer']);
        $this->cohort();
        self::assertSame('taken', $this->cohort([], 422)['errors'][0]['code']);
    }

    public function testARingIsRefusedByName(): void
    {
        $team = $this->cohort(['name' => 'Team', 'rule' => self::labelled('team')]);
        $reads = ['kind' => 'in', 'site' => $this->ids['other'], 'section' => null, 'role' => null];
        $strings = $this->cohort(['rule' => $reads]);
        $this->connect($team);
        $body = ['name' => 'Team', 'division' => 'seniors', 'rule' => ['kind' => 'cohort', 'cohort' => $strings['id']]];
        $path = '/cohorts/'.$team['id'];
        $refused = $this->call('admin', 'PUT', $path, $body, 422, ['If-Match' => '"1"']);
        self::assertSame('circle', $refused['errors'][0]['code']);
        foreach (['Team', 'Strings', 'Baroque'] as $name) {
            self::assertStringContainsString($name, $refused['detail']);
        }
        $connect = ['sites' => [$this->ids['other']], 'role' => 'learner', 'cohorts' => [$strings['id']]];
        $refused = $this->call('lead', 'POST', '/cohort-links', $connect, 422);
        self::assertStringContainsString('Strings → Baroque → Strings', $refused['detail']);
        $this->call('admin', 'DELETE', $path, null, 409);
        self::assertSame($team['version'], $this->call('admin', 'GET', $path)['version'], 'Nothing was changed.');
    }

    public function testALookCountsWithoutChangingAnything(): void
    {
        $this->label('strings', ['ada', 'bo', 'junior']);
        $look = ['rule' => self::labelled('strings'), 'division' => 'seniors'];
        $seen = $this->call('admin', 'POST', '/cohort-looks', $look);
        self::assertSame([2, 0, 2, 0], [$seen['people'], $seen['later'], $seen['come'], $seen['go']]);
        self::assertSame(['Ada Adasen', 'Bo Bosen'], $this->names($seen['some']), 'Nobody of another division.');
        $seen = $this->call('admin', 'POST', '/cohort-looks', ['division' => null] + $look);
        self::assertSame(3, $seen['people']);
        self::assertSame([], $this->call('admin', 'GET', '/cohorts')['items']);
        // What is known to begin later is not counted as now.
        $this->change('lead', 'let-in', 'newcomer', 'learner', more: ['fromDay' => '2026-12-05'], site: 'other');
        $in = ['kind' => 'in', 'site' => $this->ids['other'], 'section' => null, 'role' => 'learner'];
        $seen = $this->call('admin', 'POST', '/cohort-looks', ['rule' => $in, 'division' => 'seniors']);
        self::assertSame([0, 1], [$seen['people'], $seen['later']]);
    }

    public function testWhoBelongedWhenIsKept(): void
    {
        $list = $this->cohort(['people' => [$this->ids['ada'], $this->ids['bo']]]);
        $this->db()->executeStatement('UPDATE cohort_member SET from_at = from_at - INTERVAL 9 DAY');
        $this->put($list, ['cem'], ['ada']);
        $path = '/cohorts/'.$list['id'].'/members';
        self::assertSame(['bo', 'cem'], $this->members($list));
        $ever = $this->call('admin', 'GET', $path.'?ever=true')['items'];
        self::assertSame([false, true, true], array_column($ever, 'now'));
        self::assertSame(9 * 86_400, strtotime($ever[0]['until']) - strtotime($ever[0]['from']));
        self::assertSame(['Cem Cemsen'], $this->names($this->call('admin', 'GET', $path.'?q=cem')['items']));
        $this->put($list, ['ada']);
        $theirs = $this->call('lead', 'GET', '/people/'.$this->ids['ada'].'/cohorts')['items'];
        self::assertSame(
            [['Strings', true]],
            array_map(static fn(array $one): array => [$one['name'], $one['now']], $theirs)
        );
        $log = array_column($this->call('admin', 'GET', '/platform/history')['items'], 'code');
        self::assertSame(['cohort-people', 'cohort-people', 'cohort-made'], \array_slice($log, 0, 3));
    }

    public function testAListHasOnlyPeopleOfItsDivisionAndWithinReach(): void
    {
        $wrong = $this->cohort(['people' => [$this->ids['ada'], $this->ids['junior']]], 422);
        self::assertSame('/people/1', $wrong['errors'][0]['pointer']);
        self::assertStringContainsString('Junior Juniorsen', $wrong['detail']);
        $evening = $this->cohort(['division' => 'evening', 'people' => []], 200, 'elsewhere');
        $add = ['add' => [$this->ids['ada']]];
        $refused = $this->call('elsewhere', 'POST', '/cohorts/'.$evening['id'].'/members', $add, 422);
        self::assertSame('nobody', $refused['errors'][0]['code'], 'They are told nothing of somebody beyond reach.');
        $list = $this->cohort(['people' => [$this->ids['ada']]]);
        $body = ['name' => 'Strings', 'division' => 'juniors'];
        $tag = ['If-Match' => '"'.$list['version'].'"'];
        $moved = $this->call('admin', 'PUT', '/cohorts/'.$list['id'], $body, 422, $tag);
        self::assertStringContainsString('Ada Adasen', $moved['detail']);
        $rule = ['name' => 'Strings', 'division' => 'seniors', 'rule' => self::labelled('strings')];
        $this->call('admin', 'PUT', '/cohorts/'.$list['id'], $rule, 422, $tag);
    }

    public function testConnectingSaysFirstWhatWouldComeOfIt(): void
    {
        $this->db()->executeStatement("UPDATE site SET seats = 2 WHERE code = 'BAROQUE'");
        $this->change('lead', 'let-in', 'ada', 'learner', site: 'other');
        $this->change('lead', 'let-in', 'bo', 'learner', site: 'other');
        $this->change('lead', 'remove', 'bo', site: 'other');
        $this->change('lead', 'block', 'dana', site: 'other');
        $all = array_map(fn(string $name): string => $this->ids[$name], ['ada', 'bo', 'cem', 'dana', 'newcomer']);
        $list = $this->cohort(['people' => $all]);
        $would = $this->connect($list, ['apply' => false]);
        self::assertSame(
            ['removed' => 1, 'blocked' => 1, 'waits' => 1, 'come' => 1, 'here' => 1],
            array_filter($would['counts']),
        );
        self::assertSame([2, 2, null, null], [$would['seats'], $would['held'], $would['link'], $would['changeList']]);
        self::assertSame('removed', $would['people'][0]['what']);
        self::assertSame([], $this->call('lead', 'GET', '/sites/'.$this->ids['other'].'/cohort-links')['items']);
        self::assertSame(['ada'], $this->learners());
        $this->db()->executeStatement("UPDATE site SET seats = 3 WHERE code = 'BAROQUE'");
        $done = $this->connect($list, ['again' => [$this->ids['bo']]]);
        self::assertSame(['ada', 'bo', 'newcomer'], $this->learners(), 'Bo was asked for.');
        $shown = $this->call('lead', 'GET', '/sites/'.$this->ids['other'].'/cohort-links')['items'][0];
        self::assertSame([5, 3], [$shown['people'], $shown['here']]);
        self::assertSame([['why' => 'no-seat', 'people' => 2]], $shown['waiting']);
        $undone = '/sites/'.$this->ids['other'].'/change-lists/'.$done['changeList'].'/undo';
        $this->call('lead', 'POST', $undone, ['apply' => true]);
        $this->keep();
        self::assertSame(['ada', 'cem'], $this->learners(), 'What was undone by hand is not done again.');
        $again = $this->call('lead', 'POST', '/cohort-links', [
            'sites' => [$this->ids['other']],
            'role' => 'learner',
            'cohorts' => [$list['id']],
        ], 422);
        self::assertSame('connected', $again['errors'][0]['code']);
    }

    public function testManySitesAndManyCohortsAtOnce(): void
    {
        $one = $this->cohort(['people' => [$this->ids['ada']]]);
        $two = $this->cohort(['name' => 'Team', 'people' => [$this->ids['bo']]]);
        $body = [
            'sites' => [$this->ids['other'], $this->ids['site']],
            'role' => 'learner',
            'cohorts' => [$one['id'], $two['id']],
            'from' => '2026-12-07',
            'apply' => true,
        ];
        $pairs = $this->call('lead', 'POST', '/cohort-links', $body)['items'];
        self::assertCount(4, $pairs);
        self::assertSame([1, 1, 1, 1], array_map(static fn(array $pair): int => $pair['counts']['later'], $pairs));
        self::assertSame('learner upcoming', $this->roster('lead')['bo']);
        $seen = $this->call('admin', 'GET', '/cohorts/'.$one['id']);
        self::assertSame([2, 0, '2026-12-07'], [\count($seen['links']), $seen['others'], $seen['links'][0]['from']]);
        $this->call('cotutor', 'POST', '/cohort-links', ['role' => 'lead-tutor'] + $body, 404);
        $this->call(
            'cotutor',
            'POST',
            '/cohort-links',
            ['role' => 'lead-tutor', 'sites' => [$this->ids['site']]] + $body,
            422
        );
    }

    public function testTakingAConnectionBackTakesNothingThatIsNotTheirs(): void
    {
        $list = $this->cohort(['division' => 'faculty', 'people' => [$this->ids['colleague']]]);
        $body = ['role' => 'class-assistant', 'sites' => [$this->ids['site']]];
        $link = $this->connect($list, $body, 'cotutor')['link'];
        $this->change('lead', 'change-role', 'colleague', 'lead-tutor');
        $would = $this->call('cotutor', 'POST', "/cohort-links/$link/end", ['apply' => false]);
        self::assertSame(['refused' => 1], array_filter($would['counts']));
        $this->call('cotutor', 'POST', "/cohort-links/$link/end", ['apply' => true]);
        self::assertSame('lead-tutor current', $this->roster()['colleague'] ?? null);
    }

    public function testWhoeverStandsBehindAConnectionMayGiveItsRoleStill(): void
    {
        $list = $this->cohort(['people' => [$this->ids['ada']]]);
        $this->change('lead', 'let-in', 'colleague', 'lead-tutor', site: 'other');
        $this->connect($list, as: 'colleague');
        $this->change('lead', 'remove', 'colleague', site: 'other');
        $this->put($list, ['bo']);
        $this->keep();
        self::assertSame(['ada'], $this->learners());
        $path = '/sites/'.$this->ids['other'].'/cohort-links';
        $link = $this->call('lead', 'GET', $path)['items'][0];
        self::assertFalse($link['backed']);
        $tag = ['If-Match' => '"'.$link['version'].'"'];
        $this->call('lead', 'PUT', '/cohort-links/'.$link['id'], ['mine' => true], 200, $tag);
        $this->keep();
        self::assertSame(['ada', 'bo'], $this->learners());
        self::assertTrue($this->call('lead', 'GET', $path)['items'][0]['backed']);
    }

    /**
     * @param list<array<string, mixed>> $items
     *
     * @return list<string>
     */
    private function names(array $items): array
    {
        return array_column($items, 'name');
    }
}
