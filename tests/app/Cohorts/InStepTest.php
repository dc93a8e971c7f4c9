<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Cohorts;

/** Sites follow cohorts: whatever changes, and nothing twice. */
final class InStepTest extends CohortsCase
{
    public function testALabelBringsSomebodyAndTakesThemOut(): void
    {
        $this->label('strings', ['ada', 'bo']);
        $strings = $this->cohort(['rule' => self::labelled('strings')]);
        self::assertTrue($strings['looking']);
        $this->keep();
        self::assertSame(['ada', 'bo'], $this->members($strings));
        $pair = $this->connect($strings);
        self::assertSame(['come' => 2], array_filter($pair['counts']));
        self::assertSame(['ada', 'bo'], $this->learners());
        self::assertSame(0, $this->keep(), 'Nothing is left to do.');

        $this->label('Strings', ['cem']);
        self::assertSame(1, $this->keep());
        self::assertSame(['ada', 'bo', 'cem'], $this->learners());
        $this->label('strings', ['bo'], false);
        $this->keep();
        self::assertSame(['ada', 'cem'], $this->learners());
        self::assertSame(0, $this->keep());

        $codes = array_column($this->call('lead', 'GET', '/sites/'.$this->ids['other'].'/history')['items'], 'code');
        self::assertSame(
            ['taken-out', 'brought', 'brought', 'brought', 'cohort-connected'],
            \array_slice($codes, 0, 5)
        );
        $ever = $this->call('admin', 'GET', '/cohorts/'.$strings['id'].'/members?ever=true')['items'];
        self::assertCount(2, $ever, 'Bo came and went within one instant.');
    }

    public function testWhatStaffSetHolds(): void
    {
        $list = $this->cohort(['people' => [$this->ids['ada'], $this->ids['bo'], $this->ids['cem']]]);
        $this->connect($list);
        $this->change('lead', 'remove', 'ada', site: 'other');
        $this->change('lead', 'block', 'bo', site: 'other');
        $this->change('lead', 'change-role', 'cem', 'day-guest', site: 'other');
        $this->put($list, ['dana'], ['cem']);
        $this->put($list, ['cem']);
        $this->keep();
        $roster = $this->roster('lead', '', 'other');
        self::assertSame('day-guest current', $roster['cem'] ?? null);
        self::assertSame(['dana'], $this->learners());
        $this->change('lead', 'unblock', 'bo', site: 'other');
        $this->keep();
        self::assertSame(['dana'], $this->learners(), 'Whom staff took out is not brought again.');
        $link = $this->links()[0];
        $again = ['people' => [$this->ids['ada'], $this->ids['bo']]];
        $this->call('lead', 'POST', '/cohort-links/'.$link['id'].'/again', $again);
        self::assertSame(['ada', 'bo', 'dana'], $this->learners(), 'Unless that is asked for.');
    }

    public function testWhoCameByTwoWaysLeavesWhenBothAreGone(): void
    {
        $one = $this->cohort(['people' => [$this->ids['ada']]]);
        $two = $this->cohort(['name' => 'Team', 'people' => [$this->ids['ada'], $this->ids['bo']]]);
        $this->connect($one);
        $this->change('lead', 'let-in', 'bo', 'learner', site: 'other');
        self::assertSame(['here' => 2], array_filter($this->connect($two)['counts']));
        $this->put($one, [], ['ada']);
        $this->keep();
        self::assertSame(['ada', 'bo'], $this->learners());
        $this->put($two, [], ['ada', 'bo']);
        $this->keep();
        self::assertSame(['bo'], $this->learners(), 'Bo was let in by hand, too.');
    }

    public function testConnectingAndTakingItBackLeavesTheRosterAsItWas(): void
    {
        $this->change('lead', 'let-in', 'ada', 'learner', site: 'other');
        $before = $this->roster('lead', '', 'other');
        $list = $this->cohort(['people' => [$this->ids['ada'], $this->ids['bo'], $this->ids['cem']]]);
        $link = $this->connect($list)['link'];
        self::assertSame(['ada', 'bo', 'cem'], $this->learners());
        $path = "/cohort-links/$link/end";
        $would = $this->call('lead', 'POST', $path, ['apply' => false]);
        self::assertSame([1, 2], [$would['counts']['stays'], $would['counts']['goes']]);
        self::assertSame(['ada', 'bo', 'cem'], $this->learners(), 'It was only asked what would come of it.');
        $this->call('lead', 'POST', $path, ['apply' => true]);
        self::assertSame($before, $this->roster('lead', '', 'other'));
        $this->call('lead', 'POST', $path, ['apply' => true], 404);
        $this->put($list, ['dana']);
        self::assertSame(0, $this->keep());
        self::assertSame([], $this->links());
    }

    public function testManyWhoWouldGoWaitForAYes(): void
    {
        $names = [];
        for ($n = 0; $n < 12; ++$n) {
            $names[] = $name = 'many'.\chr(97 + $n);
            $this->ids[$name] = $this->person($name, 'learner', 'seniors', 7);
        }
        $this->platform->write();
        $this->label('strings', [...$names, 'ada']);
        $strings = $this->cohort(['rule' => self::labelled('strings')]);
        $this->keep();
        $this->connect($strings);
        self::assertCount(13, $this->learners());
        $body = ['name' => 'Strings', 'division' => 'seniors', 'rule' => self::labelled('brass')];
        $look = ['rule' => $body['rule'], 'division' => 'seniors', 'cohort' => $strings['id'], 'sites' => true];
        $seen = $this->call('admin', 'POST', '/cohort-looks', $look);
        self::assertSame([0, 13], [$seen['people'], $seen['go']]);
        self::assertSame([13, true], [$seen['sites'][0]['go'], $seen['sites'][0]['waits']]);
        self::assertCount(13, $this->members($strings), 'It was only looked at.');
        $tag = ['If-Match' => '"'.$strings['version'].'"'];
        $this->call('admin', 'PUT', '/cohorts/'.$strings['id'], $body, 200, $tag);
        $this->label('brass', ['bo']);
        $this->keep();
        self::assertSame(['bo'], $this->members($strings));
        self::assertCount(14, $this->learners(), 'Whoever comes comes, and nobody goes yet.');
        $link = $this->links()[0];
        self::assertSame(13, $link['held']);
        $yes = '/cohort-links/'.$link['id'].'/yes';
        $waits = array_column($this->call('lead', 'GET', '/today')['decisions'], null, 'kind')['leaving'] ?? null;
        self::assertSame(['13', 'Strings'], [$waits['items'][0]['words'], $waits['items'][0]['about']['name']]);
        $others = array_column($this->call('assistant', 'GET', '/today')['decisions'], 'kind');
        self::assertNotContains('leaving', $others, 'It is for whoever keeps the doors of the site.');
        $this->call('lead', 'POST', $yes, ['number' => 12], 409);
        $this->call('lead', 'POST', $yes, ['number' => 13]);
        $this->keep();
        self::assertSame(['bo'], $this->learners());
        self::assertSame([0, null], [$this->links()[0]['held'], $this->links()[0]['heldAt']]);
    }

    public function testWhoBelongsAgainIsNotHeldAnyMore(): void
    {
        $people = array_map(
            fn(string $name): string => $this->ids[$name],
            ['ada', 'bo', 'cem', 'dana', 'learner', 'newcomer']
        );
        $list = $this->cohort(['people' => $people]);
        $this->connect($list);
        $this->put($list, [], ['ada', 'bo', 'cem', 'dana', 'learner', 'newcomer']);
        $this->keep();
        self::assertSame(6, $this->links()[0]['held']);
        $this->put($list, ['bo', 'cem', 'dana', 'learner', 'newcomer']);
        $this->keep();
        self::assertSame(0, $this->links()[0]['held'], 'One is not many.');
        self::assertNotContains('ada', $this->learners());
    }

    public function testAccessGoesOnForAsLongAsTheSentenceSays(): void
    {
        $list = $this->cohort(['people' => [$this->ids['ada'], $this->ids['bo']]]);
        $this->connect($list, ['leaves' => 'days', 'days' => 7]);
        $this->db()->executeStatement('UPDATE cohort_member SET from_at = from_at - INTERVAL 1 DAY');
        $this->put($list, [], ['ada']);
        $this->keep();
        self::assertSame(['ada', 'bo'], $this->learners());
        $until = $this->until('ada');
        self::assertSame($this->now() + 7 * 86_400, $until);
        $link = $this->links()[0];
        $tag = ['If-Match' => '"'.$link['version'].'"'];
        $this->call('lead', 'PUT', '/cohort-links/'.$link['id'], ['leaves' => 'term'], 200, $tag);
        $this->keep();
        self::assertSame(strtotime('2026-12-18T23:00:00Z'), $this->until('ada'), 'To the end of the term.');
        $this->put($list, ['ada']);
        $this->keep();
        self::assertNull($this->until('ada'), 'They belong again.');
        self::assertSame(1, $this->number('SELECT COUNT(*) FROM access_grant WHERE person_id = ?', $this->ids['ada']));
    }

    public function testALaterFirstDayTakesAccessFromManyAndWaitsForAYes(): void
    {
        $names = ['ada', 'bo', 'cem', 'dana', 'learner', 'newcomer'];
        $list = $this->cohort(['people' => array_map(fn(string $name): string => $this->ids[$name], $names)]);
        $this->connect($list);
        self::assertSame($names, $this->learners());
        $link = $this->links()[0];
        $tag = ['If-Match' => '"'.$link['version'].'"'];
        $body = ['from' => '2027-01-11', 'leaves' => 'at-once'];
        $this->call('lead', 'PUT', '/cohort-links/'.$link['id'], $body, 200, $tag);
        $this->keep();
        self::assertSame($names, $this->learners(), 'Nobody goes yet.');
        self::assertSame(6, $this->links()[0]['held']);
        $this->call('lead', 'POST', '/cohort-links/'.$link['id'].'/yes', ['number' => 6]);
        $this->keep();
        self::assertSame([], $this->learners());
        $this->assertInStep();
    }

    public function testTakingBackWhatBroughtManyAsksForTheirNumber(): void
    {
        $names = [];
        for ($n = 0; $n < 12; ++$n) {
            $names[] = $name = 'many'.\chr(97 + $n);
            $this->ids[$name] = $this->person($name, 'learner', 'seniors', 7);
        }
        $this->platform->write();
        $list = $this->cohort(['people' => array_map(fn(string $name): string => $this->ids[$name], $names)]);
        $path = '/cohort-links/'.$this->connect($list)['link'].'/end';
        $this->keep();
        self::assertSame(12, $this->call('lead', 'POST', $path, ['apply' => false])['asks']);
        $this->call('lead', 'POST', $path, ['apply' => true], 422);
        self::assertCount(12, $this->learners());
        $this->call('lead', 'POST', $path, ['number' => 12, 'apply' => true]);
        $this->keep();
        self::assertSame([], $this->learners());
    }

    public function testAConnectionGoesAlongWhereItsSiteIsMerged(): void
    {
        $list = $this->cohort(['people' => [$this->ids['ada']]]);
        $this->connect($list);
        $body = [
            'into' => $this->ids['site'],
            'sites' => [$this->ids['other']],
            'apply' => true,
        ];
        $made = $this->call('lead', 'POST', '/site-merges', $body);
        $this->put($list, ['bo']);
        $this->keep();
        $sections = array_column(
            $this->call('lead', 'GET', '/sites/'.$this->ids['site'].'/sections')['sections'],
            'id',
            'name'
        );
        $choir = array_keys($this->roster('lead', '?section='.$sections['Baroque']));
        self::assertContains('ada', $choir, 'They are carried over.');
        self::assertContains('bo', $choir, 'Whoever comes now comes to the same people.');
        $this->put($list, [], ['ada']);
        $this->keep();
        self::assertNotContains('ada', array_keys($this->roster('lead')));
        $this->assertInStep();
        $this->call('lead', 'POST', '/site-merges/'.$made['changeList'].'/undo', ['apply' => true]);
        $this->keep();
        self::assertSame('other', array_search($this->links()[0]['site']['id'], $this->ids, true));
        $this->assertInStep();
    }

    public function testNoRingClosesWhereSitesAreMerged(): void
    {
        $in = ['kind' => 'in', 'site' => $this->ids['site'], 'section' => null, 'role' => 'learner'];
        $this->connect($this->cohort(['rule' => $in]));
        $body = ['into' => $this->ids['site'], 'sites' => [$this->ids['other']], 'apply' => true];
        $refused = $this->call('lead', 'POST', '/site-merges', $body, 409);
        self::assertStringContainsString('Strings', (string) $refused['detail']);
    }

    public function testWhoIsMergedIsOnTheListsOfBoth(): void
    {
        $list = $this->cohort(['people' => [$this->ids['ada']]]);
        $body = ['stays' => $this->ids['bo'], 'goes' => $this->ids['ada'], 'apply' => true];
        $merged = $this->call('admin', 'POST', '/merges', $body)['changeList'];
        self::assertContains('bo', $this->members($list));
        $this->call('admin', 'POST', "/merges/$merged/undo", ['apply' => true]);
        self::assertSame(['ada'], $this->members($list));
    }

    public function testASectionIntoWhichACohortComesIsNotRetired(): void
    {
        $list = $this->cohort(['people' => [$this->ids['ada']]]);
        $path = '/sites/'.$this->ids['other'].'/sections';
        $put = fn(array $section, int $status = 200): array => $this->call(
            'lead',
            'PUT',
            $path,
            ['sections' => [$section], 'apart' => false, 'several' => false],
            $status,
            ['If-Match' => '"'.$this->call('lead', 'GET', $path)['version'].'"'],
        );
        $section = $put(['name' => 'Morning'])['sections'][0]['id'];
        $this->connect($list, ['section' => $section]);
        $this->put($list, [], ['ada']);
        $this->keep();
        $refused = $put(['id' => $section, 'name' => 'Morning', 'retired' => true], 422);
        self::assertStringContainsString('Strings', (string) json_encode($refused));
    }

    public function testARuleFollowsRostersAndOtherCohorts(): void
    {
        $in = ['kind' => 'in', 'site' => $this->ids['site'], 'section' => null, 'role' => 'learner'];
        $team = $this->cohort(['name' => 'Team', 'people' => [$this->ids['ada']]]);
        $both = $this->cohort(['rule' => ['kind' => 'any', 'parts' => [
            $in,
            ['kind' => 'cohort', 'cohort' => $team['id']],
        ]]]);
        $this->keep();
        self::assertSame(['ada', 'learner'], $this->members($both));
        $this->connect($both);
        $this->change('lead', 'let-in', 'newcomer', 'learner');
        $this->put($team, ['bo'], ['ada']);
        $this->keep();
        self::assertSame(['bo', 'learner', 'newcomer'], $this->learners());
        // A pause leaves somebody where they are; a day on which they end is known.
        $this->change('lead', 'pause', 'newcomer');
        $this->change('lead', 'change-dates', 'learner', more: ['untilDay' => '2026-11-30']);
        $this->keep();
        self::assertSame(['bo', 'learner', 'newcomer'], $this->learners());
        self::assertSame(strtotime('2026-11-30T23:00:00Z'), $this->until('learner'));
    }

    public function testASharedRosterComesAndGoes(): void
    {
        $body = [
            'sites' => [$this->ids['other']],
            'role' => 'learner',
            'shared' => [['site' => $this->ids['site'], 'role' => 'learner']],
            'apply' => true,
        ];
        $pair = $this->call('lead', 'POST', '/cohort-links', $body)['items'][0];
        self::assertSame(['come' => 1], array_filter($pair['counts']));
        self::assertSame(['learner'], $this->learners());
        self::assertSame('shared', $this->links()[0]['kind']);
        $this->change('lead', 'let-in', 'newcomer', 'learner');
        $this->keep();
        self::assertSame(['learner', 'newcomer'], $this->learners());
        self::assertSame([], $this->call('admin', 'GET', '/cohorts')['items'], 'It is nobody’s cohort.');
        $this->call('lead', 'POST', '/cohort-links/'.$pair['link'].'/end', ['apply' => true]);
        self::assertSame([], $this->learners());
    }

    public function testEachGoesWhereThereIsRoom(): void
    {
        $site = $this->ids['other'];
        $morning = $this->platform->section($site, 'Morning', '', 1);
        $evening = $this->platform->section($site, 'Evening', '');
        $this->platform->write();
        $all = ['ada', 'bo', 'cem', 'dana'];
        $list = $this->cohort(['people' => array_map(fn(string $name): string => $this->ids[$name], $all)]);
        $this->connect($list, ['spread' => true]);
        $sections = $this->db()->fetchFirstColumn(
            'SELECT sections FROM enrollment_segment WHERE site_id = UNHEX(?) AND holds_seat = 1 ORDER BY sections',
            [str_replace('-', '', $site)],
        );
        $counts = array_count_values($sections);
        self::assertSame([1, 3], [$counts[$morning] ?? 0, $counts[$evening] ?? 0]);
    }

    public function testTheNightlyLookMendsWhatNobodyNoted(): void
    {
        $this->label('strings', ['ada']);
        $strings = $this->cohort(['rule' => self::labelled('strings')]);
        $this->keep();
        $this->connect($strings);
        self::assertSame('Everything is in step.', trim($this->command('cohorts:compare')[1]));
        // Somebody works on the database by hand.
        $this->db()->executeStatement('DELETE FROM person_label');
        self::assertSame(0, $this->keep());
        self::assertSame('2 mended.', trim($this->command('cohorts:compare')[1]));
        self::assertSame([], $this->learners());
        self::assertSame('Everything is in step.', trim($this->command('cohorts:compare')[1]));
    }

    /** @return list<array<string, mixed>> */
    private function links(): array
    {
        return $this->call('lead', 'GET', '/sites/'.$this->ids['other'].'/cohort-links')['items'];
    }

    /** When somebody's access to the site ends; null for never. */
    private function until(string $person): ?int
    {
        $until = $this->db()->fetchOne(
            "SELECT UNIX_TIMESTAMP(MAX(until_at)) FROM enrollment_segment
             WHERE site_id = UNHEX(?) AND person_id = UNHEX(?) AND state IN ('current', 'paused')",
            [str_replace('-', '', $this->ids['other']), str_replace('-', '', $this->ids[$person])],
        );

        return is_numeric($until) && $until > 0 ? (int) $until : null;
    }

    private function number(string $sql, string $id): int
    {
        return (int) $this->db()->fetchOne(str_replace('?', 'UNHEX(?)', $sql), [str_replace('-', '', $id)]);
    }
}
