<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Desk;

use MintDoor\Tests\App\ApiTestCase;

/** One site out of several with a section each, a section that becomes a site, and both taken back. */
final class SiteMergesTest extends ApiTestCase
{
    public function testPeopleDoorsAndDatesGoAlongAndAllOfItComesBack(): void
    {
        $before = [$this->everybody('site'), $this->everybody('other')];
        $key = $this->call('lead', 'POST', $this->path('other').'/doors', ['kind' => 'key', 'name' => 'Late'], 201);
        $looked = $this->merge();
        self::assertSame([true, null, 'Harmony'], [$looked['ready'], $looked['changeList'], $looked['own']]);
        self::assertSame([['Evening choir']], array_column($looked['sites'], 'sections'));
        self::assertSame([['Late']], array_column($looked['sites'], 'doors'));
        self::assertSame([3, 1], [$looked['sites'][0]['people'], $looked['sites'][0]['both']]);
        self::assertSame($before, [$this->everybody('site'), $this->everybody('other')], 'nothing was done yet');

        $made = $this->merge(apply: true);
        $sections = array_column($this->call('lead', 'GET', $this->path('site').'/sections')['sections'], 'id', 'name');
        self::assertSame(['Harmony', 'Evening choir'], array_keys($sections));
        self::assertSame(
            ['colleague' => 'class-assistant current', 'lead' => 'lead-tutor current', 'newcomer' => 'learner paused'],
            $this->everybody('site', '&section='.$sections['Evening choir']),
        );
        $own = $this->everybody('site', '&section='.$sections['Harmony']);
        self::assertSame(['assistant', 'cotutor', 'lead', 'learner'], array_keys($own));
        $this->call('lead', 'GET', $this->path('other'), null, 404);
        $joined = $this->call('guardian', 'POST', '/join/look', ['key' => $key['key']]);
        self::assertSame('Harmony', $joined['site']['title'] ?? null, 'the key leads on');
        [$status, $said] = $this->command('roster:verify');
        self::assertSame(0, $status, $said);

        $undo = '/site-merges/'.$made['changeList'].'/undo';
        self::assertSame(0, $this->call('lead', 'POST', $undo, ['apply' => false])['stay']);
        $back = $this->call('lead', 'POST', $undo, ['apply' => true]);
        self::assertSame(['Evening choir'], array_column($back['sites'], 'title'));
        self::assertSame($before, [$this->everybody('site'), $this->everybody('other')]);
        $doors = $this->call('lead', 'GET', $this->path('other').'/doors')['items'];
        self::assertContains('Late', array_column($doors, 'name'));
        $sections = $this->call('lead', 'GET', $this->path('site').'/sections')['sections'];
        self::assertSame([true, true], array_column($sections, 'retired'));
        $this->call('lead', 'POST', $undo, ['apply' => true], 409);
        [$status, $said] = $this->command('roster:verify');
        self::assertSame(0, $status, $said);
    }

    public function testEverybodyKeepsTheWeekTheyHad(): void
    {
        $this->hours('site', '09:00');
        $this->hours('other', '18:00');
        $week = fn(string $as): array => array_map(
            static fn(array $meeting): string => substr((string) $meeting['occasion']['from'], 11, 5),
            array_merge(...array_column($this->call($as, 'GET', '/me/week?day=2026-12-02')['days'], 'meetings')),
        );
        $all = static fn(): array => array_map($week, ['learner', 'colleague', 'lead']);
        $before = $all();
        self::assertSame([['08:00'], ['17:00'], ['08:00', '17:00']], $before, 'an hour before UTC');
        $made = $this->merge(apply: true);
        self::assertSame($before, $all());
        $sections = array_column($this->call('lead', 'GET', $this->path('site').'/sections')['sections'], 'id', 'name');
        $out = $this->split([$sections['Evening choir']], ['title' => 'Choir', 'code' => 'CHOIR', 'apply' => true]);
        self::assertSame($before, $all());
        $this->call('lead', 'POST', '/site-splits/'.$out['changeList'].'/undo', ['apply' => true]);
        self::assertSame($before, $all());
        $this->call('lead', 'POST', '/site-merges/'.$made['changeList'].'/undo', ['apply' => true]);
        self::assertSame($before, $all());
        self::assertCount(1, $this->call('lead', 'GET', $this->path('site').'/hours')['hours']);
    }

    public function testWhoeverIsTwoThingsIsAskedAbout(): void
    {
        $this->change('admin', 'let-in', 'learner', 'day-guest', site: 'other');
        $looked = $this->merge('admin');
        self::assertSame([['learner', 'day-guest']], array_column($looked['choices'], 'roles'));
        self::assertFalse($looked['ready']);
        $this->merge('admin', apply: true, expected: 409);
        $roles = [$this->ids['learner'] => 'day-guest'];
        $made = $this->merge('admin', ['roles' => $roles], apply: true);
        self::assertSame('day-guest current', $this->everybody('site', as: 'admin')['learner']);
        $undo = '/site-merges/'.$made['changeList'].'/undo';
        $this->call('admin', 'POST', $undo, ['apply' => true]);
        self::assertSame('learner current', $this->everybody('site', as: 'admin')['learner']);
        self::assertSame('day-guest current', $this->everybody('other', as: 'admin')['learner']);
    }

    public function testWhoeverWasChangedSinceStaysAndTheOthersGoBack(): void
    {
        $made = $this->merge(apply: true);
        $this->change('lead', 'resume', 'newcomer');
        $undo = '/site-merges/'.$made['changeList'].'/undo';
        $looked = $this->call('lead', 'POST', $undo, ['apply' => false]);
        self::assertSame([1, ['Newcomer Newcomersen']], [$looked['stay'], array_column($looked['left'], 'name')]);
        $this->call('lead', 'POST', $undo, ['apply' => true]);
        self::assertSame('learner current', $this->everybody('site')['newcomer']);
        self::assertArrayNotHasKey('newcomer', $this->everybody('other'));
        self::assertArrayHasKey('colleague', $this->everybody('other'));
        $sections = $this->call('lead', 'GET', $this->path('site').'/sections')['sections'];
        self::assertSame(
            ['Evening choir' => false, 'Harmony' => true],
            array_column($sections, 'retired', 'name'),
            'a section with somebody in it stays',
        );
    }

    public function testOneLineOfItIsNotUndoneByItself(): void
    {
        $this->merge(apply: true);
        $entries = $this->call('lead', 'GET', $this->path('site').'/history?code=carry-in')['items'];
        self::assertNotSame([], $entries);
        self::assertSame([false], array_values(array_unique(array_column($entries, 'undoable'))));
        $this->call('lead', 'POST', $this->path('site').'/history/'.$entries[0]['sequence'].'/undo', null, 403);
        $list = $this->call('lead', 'GET', '/change-lists')['items'][0];
        self::assertSame('site-merge', $list['kind']);
        $this->call('lead', 'POST', '/change-lists/'.$list['id'].'/undo', ['apply' => true], 403);
    }

    public function testWhatCannotBeMergedIsSaidAtItsSite(): void
    {
        $wrong = $this->merge(more: ['sites' => [$this->ids['draft']]], expected: 422);
        self::assertSame('/sites/0', $wrong['errors'][0]['pointer']);
        $wrong = $this->merge(more: ['sites' => [$this->ids['site']]], expected: 422);
        self::assertSame('/sites/0', substr($wrong['errors'][0]['pointer'], 0, 8));
        $door = ['kind' => 'key', 'name' => 'Either', 'place' => 'emptiest'];
        $this->sections('other', 'Early', 'Later');
        $this->call('lead', 'POST', $this->path('other').'/doors', $door, 201);
        $wrong = $this->merge(expected: 422);
        self::assertStringContainsString('Either', $wrong['errors'][0]['detail']);
    }

    public function testOnlyWhoeverRunsAllOfThemMergesThem(): void
    {
        $this->merge('cotutor', expected: 403);
        $this->change('admin', 'let-in', 'cotutor', 'co-tutor', site: 'other');
        $this->merge('cotutor', expected: 403);
        $this->merge('colleague', expected: 404);
        $this->merge('elsewhere', expected: 404);
        $made = $this->merge('admin', apply: true);
        $undo = '/site-merges/'.$made['changeList'].'/undo';
        foreach (['lead' => 403, 'cotutor' => 404, 'learner' => 404, 'elsewhere' => 404] as $name => $status) {
            $this->call($name, 'POST', $undo, ['apply' => true], $status);
        }
    }

    /** What took a merge back is no change list that brings it again without its doors. */
    public function testWhatTookItBackIsNotUndone(): void
    {
        $made = $this->merge(apply: true);
        $back = $this->call('lead', 'POST', '/site-merges/'.$made['changeList'].'/undo', ['apply' => true]);
        $this->call('lead', 'POST', '/change-lists/'.$back['changeList'].'/undo', ['apply' => true], 403);
        $entry = $this->call('lead', 'GET', $this->path('site').'/history?code=carry-back')['items'][0];
        self::assertFalse($entry['undoable']);
        $this->call('lead', 'POST', $this->path('site').'/history/'.$entry['sequence'].'/undo', null, 403);
        $again = $this->merge(apply: true);
        self::assertNotNull($again['changeList'], 'it is merged anew');
    }

    public function testASectionBecomesASiteAndComesBack(): void
    {
        [$early, $late] = $this->sections('site', 'Early', 'Late');
        foreach (['learner' => $late, 'assistant' => $late] as $name => $section) {
            $this->change('lead', 'put-in-section', $name, more: ['section' => $section]);
        }
        $door = ['kind' => 'key', 'name' => 'Late ones', 'place' => 'fixed', 'section' => $late];
        $this->call('lead', 'POST', $this->path('site').'/doors', $door, 201);
        $before = $this->everybody('site');
        $looked = $this->split([$late]);
        self::assertSame([2, 0, ['Late ones'], true], [
            $looked['people'],
            $looked['both'],
            $looked['doors'],
            $looked['ready'],
        ]);
        $this->split([$late], ['apply' => true], 422);
        $made = $this->split([$late], ['title' => 'Harmony, late', 'code' => 'HARM-L', 'apply' => true]);
        $this->ids['made'] = $made['made']['id'];
        self::assertSame(
            ['assistant' => 'class-assistant current', 'lead' => 'lead-tutor current', 'learner' => 'learner current'],
            $this->everybody('made'),
        );
        self::assertSame(['cotutor', 'lead'], array_keys($this->everybody('site')));
        self::assertSame([], $this->call('lead', 'GET', $this->path('made'))['sections']);
        self::assertSame('open', $this->call('lead', 'GET', $this->path('made'))['state']);
        $sections = $this->call('lead', 'GET', $this->path('site').'/sections')['sections'];
        self::assertSame(['Early' => false, 'Late' => true], array_column($sections, 'retired', 'name'));
        $undo = '/site-splits/'.$made['changeList'].'/undo';
        self::assertSame(2, $this->call('lead', 'POST', $undo, ['apply' => false])['people']);
        $this->call('lead', 'POST', $undo, ['apply' => true]);
        self::assertSame($before, $this->everybody('site'));
        $this->call('lead', 'GET', $this->path('made'), null, 404);
        $doors = $this->call('lead', 'GET', $this->path('site').'/doors')['items'];
        self::assertContains('Late ones', array_column($doors, 'name'));
        [$status, $said] = $this->command('roster:verify');
        self::assertSame(0, $status, $said);
        self::assertNotSame($early, $late);
    }

    public function testSeveralSectionsTogetherStaySections(): void
    {
        [, $noon, $late] = $this->sections('site', 'Early', 'Noon', 'Late');
        $this->change('lead', 'put-in-section', 'learner', more: ['section' => $noon]);
        $this->change('lead', 'put-in-section', 'assistant', more: ['section' => $late]);
        $before = $this->everybody('site', "&section=$noon");
        $out = $this->split([$noon, $late], ['title' => 'Later', 'code' => 'LATER', 'apply' => true]);
        $this->ids['made'] = $out['made']['id'];
        $made = $this->call('lead', 'GET', $this->path('made').'/sections')['sections'];
        self::assertSame([['Noon', 1], ['Late', 1]], array_map(
            static fn(array $section): array => [$section['name'], $section['people']],
            $made,
        ));
        self::assertSame($before, $this->everybody('made', '&section='.$made[0]['id']));
        $this->call('lead', 'POST', '/site-splits/'.$out['changeList'].'/undo', ['apply' => true]);
        self::assertSame($before, $this->everybody('site', "&section=$noon"));
    }

    public function testSeatsGoWithTheirSectionAndComeBackFirst(): void
    {
        $version = $this->call('lead', 'GET', $this->path('site'))['version'];
        $sections = [['name' => 'Early', 'seats' => 1], ['name' => 'Late', 'seats' => 2]];
        $body = ['sections' => $sections, 'apart' => true, 'several' => false];
        $tag = ['If-Match' => "\"$version\""];
        $made = $this->call('lead', 'PUT', $this->path('site').'/sections', $body, 200, $tag)['sections'];
        $this->change('lead', 'let-in', 'newcomer', 'learner', more: ['section' => $made[1]['id']]);
        $this->change('lead', 'put-in-section', 'learner', more: ['section' => $made[1]['id']]);
        $out = $this->split([$made[1]['id']], ['title' => 'Late', 'code' => 'LATE', 'apply' => true]);
        $this->ids['made'] = $out['made']['id'];
        $seats = fn(string $site): ?int => $this->call('lead', 'GET', $this->path($site))['seats'];
        self::assertSame([1, 2], [$seats('site'), $seats('made')]);
        $back = $this->call('lead', 'POST', '/site-splits/'.$out['changeList'].'/undo', ['apply' => true]);
        self::assertSame([2, 0], [$back['people'], $back['stay']]);
        self::assertSame(3, $seats('site'));
    }

    /** What was merged is taken out again, and both have the people they had. */
    public function testMergingAndTakingOutGivesTheRostersAsBefore(): void
    {
        $before = [$this->everybody('site'), $this->everybody('other')];
        $this->merge(apply: true);
        $sections = array_column($this->call('lead', 'GET', $this->path('site').'/sections')['sections'], 'id', 'name');
        $made = $this->split(
            [$sections['Evening choir']],
            ['title' => 'Evening choir', 'code' => 'EVE-2', 'apply' => true],
        );
        $this->ids['made'] = $made['made']['id'];
        self::assertSame($before, [$this->everybody('site'), $this->everybody('made')]);
    }

    protected function furnish(): void
    {
        parent::furnish();
        $open = $this->now() - 900_000;
        $this->ids['other'] = $this->platform->site(
            'EVE',
            'Evening choir',
            'course',
            $this->ids['seniors'],
            $this->ids['term'],
            [6, 8],
            5,
            $open,
        );
        $let = ['lead' => 'lead-tutor', 'newcomer' => 'learner', 'colleague' => 'class-assistant'];
        foreach ($let as $name => $role) {
            $this->platform->letIn($this->ids['other'], $this->ids[$name], $role, $open, by: $this->ids['lead']);
        }
        $this->platform->write();
        $this->change('lead', 'pause', 'newcomer', site: 'other');
    }

    /**
     * @param array<string, mixed> $more
     *
     * @return array<array-key, mixed>
     */
    private function merge(
        string $as = 'lead',
        array $more = [],
        bool $apply = false,
        int $expected = 200,
    ): array {
        $body = ['into' => $this->ids['site'], 'sites' => [$this->ids['other']], 'apply' => $apply, ...$more];

        return $this->call($as, 'POST', '/site-merges', $body, $expected);
    }

    /**
     * @param list<string>         $sections
     * @param array<string, mixed> $more
     *
     * @return array<array-key, mixed>
     */
    private function split(array $sections, array $more = [], int $expected = 200): array
    {
        return $this->call(
            'lead',
            'POST',
            $this->path('site').'/splits',
            ['sections' => $sections, ...$more],
            $expected
        );
    }

    private function hours(string $site, string $time): void
    {
        $version = $this->call('lead', 'GET', $this->path($site))['version'];
        $one = ['first' => '2026-11-30', 'time' => $time, 'minutes' => 60, 'days' => [3], 'until' => '2026-12-18'];
        $if = ['If-Match' => "\"$version\""];
        $this->call('lead', 'PUT', $this->path($site).'/hours', ['hours' => [$one]], 200, $if);
    }

    /** @return list<string> ids */
    private function sections(string $site, string ...$names): array
    {
        $version = $this->call('lead', 'GET', $this->path($site))['version'];
        $made = $this->call(
            'lead',
            'PUT',
            $this->path($site).'/sections',
            [
                'sections' => array_map(static fn(string $name): array => ['name' => $name], $names),
                'apart' => false,
                'several' => false,
            ],
            200,
            ['If-Match' => "\"$version\""],
        );

        return array_column($made['sections'], 'id');
    }

    /** @return array<string, string> name => role and state, the unlisted too, by name */
    private function everybody(string $site, string $query = '', string $as = 'lead'): array
    {
        $everybody = $this->roster($as, '?unlisted=1'.$query, $site);
        ksort($everybody);

        return $everybody;
    }

    private function path(string $site): string
    {
        return '/sites/'.$this->ids[$site];
    }
}
