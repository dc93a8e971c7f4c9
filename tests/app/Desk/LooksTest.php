<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Desk;

use MintDoor\Core\Roster\DoorKind;
use MintDoor\Tests\App\ApiTestCase;

/**
 * Looking at people and sites: through the eyes of others, why they can enter or cannot, by label, at what they did.
 */
final class LooksTest extends ApiTestCase
{
    public function testASiteIsLookedAtThroughTheEyesOfARoleAPersonOrASection(): void
    {
        $site = '/sites/'.$this->ids['site'];
        $learner = $this->call('lead', 'GET', $site.'?as=role:learner');
        self::assertSame(
            ['role:learner', 'Learner', 'enter'],
            [$learner['seenAs']['as'], $learner['seenAs']['name'], $learner['seenAs']['reason']['entry']],
        );
        self::assertSame(['enter', 'read-closed', 'do-work', 'see-roster'], $learner['may']);
        $rows = $this->call('lead', 'GET', $site.'/roster?as=role:learner')['items'];
        self::assertSame(
            [null],
            array_values(array_unique(array_column(array_column($rows, 'person'), 'number'))),
            'learners see no numbers',
        );
        $this->call('lead', 'GET', $site.'/history?as=role:learner', null, 403);
        $person = $this->call('lead', 'POST', $site.'/visits?as=person:'.$this->ids['learner']);
        self::assertSame(['learner', ['Lead Leadsen']], [$person['role'], $person['leads']]);
        self::assertNull(
            $this->call('lead', 'GET', $site.'/roster/'.$this->ids['learner'])['lastSeen'],
            'looking is no visit',
        );
        $section = $this->platform->section($this->ids['site'], 'Morning', 'Mondays');
        $this->platform->write();
        self::assertSame(
            'Morning',
            $this->call('lead', 'POST', $site.'/visits?as=section:'.$section)['sections'][0]['name'],
        );
    }

    public function testThroughOtherEyesNothingIsChangedAndNobodyRisesAbove(): void
    {
        $site = '/sites/'.$this->ids['site'];
        $body = ['lines' => [['person' => $this->ids['newcomer'], 'verb' => 'let-in', 'role' => 'learner']]];
        $this->call('lead', 'POST', $site.'/change-lists?as=role:co-tutor', $body, 403);
        $this->call('cotutor', 'GET', $site.'?as=role:lead-tutor', null, 403);
        $this->call('cotutor', 'GET', $site.'?as=person:'.$this->ids['lead'], null, 403);
        $this->call('cotutor', 'GET', $site.'?as=person:'.$this->ids['learner']);
        $this->call('assistant', 'GET', $site.'?as=role:learner', null, 403);
        $this->call('lead', 'GET', $site.'?as=person:'.$this->ids['newcomer'], null, 404);
        $this->call('lead', 'GET', $site.'?as=role:king', null, 404);
        $this->call('lead', 'GET', $site.'?as=somebody', null, 422);
        $this->call('admin', 'GET', $site.'?as=role:lead-tutor');
    }

    public function testWhySaysEverythingThatWouldHaveToChange(): void
    {
        $why = fn(string $as, string $person, int $expected = 200): array => $this->call(
            $as,
            'GET',
            '/sites/'.$this->ids['site'].'/access-check/'.$this->ids[$person],
            null,
            $expected,
        );
        self::assertSame(
            ['never-here', 'let-in', true, 'learner'],
            [
                ($new = $why('lead', 'newcomer'))['reason']['causes'][0]['code'],
                $new['reason']['causes'][0]['change'],
                $new['reason']['causes'][0]['mine'],
                $new['suggested'],
            ],
        );
        $this->change('lead', 'pause', 'learner');
        $this->change('lead', 'block', 'learner');
        self::assertSame(
            ['blocked', 'removed', 'paused'],
            array_column($why('lead', 'learner')['reason']['causes'], 'code'),
        );
        self::assertSame(
            [false, null],
            [($seen = $why('assistant', 'learner'))['reason']['causes'][0]['mine'], $seen['suggested']],
        );
        self::assertSame(
            [['lead-tutor', 'co-tutor'], 'pause'],
            [$seen['reason']['causes'][0]['givers'], $why('lead', 'cotutor')['reason']['causes'][0]['change']],
        );
        $why('lead', 'junior', 404);
        $why('learner', 'learner', 403);
    }

    public function testLabelsArePutOnFoundByAndTakenOffAgain(): void
    {
        $site = '/sites/'.$this->ids['site'];
        $people = [$this->ids['learner'], $this->ids['assistant']];
        $put = fn(array $more = [], int $expected = 200): array => $this->call(
            'lead',
            'POST',
            $site.'/labels',
            ['label' => ' Plays  viola ', 'people' => $people, ...$more],
            $expected,
        );
        self::assertSame(['ready', 'ready'], array_column($put(['apply' => false])['lines'], 'verdict'));
        self::assertSame([], $this->call('lead', 'GET', $site.'/labels')['items']);
        $entry = $put()['lines'][0]['entry'];
        self::assertSame(
            [['name' => 'Plays viola', 'people' => 2]],
            $this->call('lead', 'GET', $site.'/labels?q=VIÓ')['items'],
        );
        $far = $this->platform->site('FAR', 'Far', 'course', $this->ids['evening'], $this->ids['term']);
        $external = $this->platform->person(
            'external',
            $this->ids['evening'],
            'Out',
            'Sider',
            login: 'out',
            passwordHash: null,
        );
        $this->platform->letIn($far, $external, 'lead-tutor');
        $this->platform->write();
        self::assertSame(
            [['name' => 'Plays viola', 'people' => 1]],
            $this->call('elsewhere', 'GET', '/sites/'.$far.'/labels')['items'],
            'of people beyond reach nothing is said: one of the two is of their division',
        );
        self::assertSame(
            ['nothing-to-do', 'nothing-to-do'],
            array_column($put(['label' => 'plays viola'])['lines'], 'verdict'),
            'one name is one label',
        );
        self::assertEqualsCanonicalizing(
            ['learner', 'assistant'],
            array_keys($this->roster('lead', '?label=Plays%20viola')),
        );
        self::assertSame(
            ['Plays viola'],
            $this->call('lead', 'GET', $site.'/roster/'.$this->ids['learner'])['labels'],
        );
        self::assertSame(
            [[]],
            array_values(
                array_unique(
                    array_column($this->call('assistant', 'GET', $site.'/roster')['items'], 'labels'),
                    \SORT_REGULAR,
                ),
            ),
            'those who may not put them do not see them',
        );
        self::assertSame(
            ['Learner'],
            array_column(
                array_column($this->call('lead', 'GET', '/people?label=plays+viola&q=lear')['items'], 'person'),
                'given',
            ),
        );
        $labels = fn(string $who): array => array_column($this->call($who, 'GET', '/people?q=lear')['items'], 'labels');
        self::assertSame(
            [[['Plays viola']], [[]]],
            [$labels('lead'), $labels('assistant')],
            'found by name they say their labels too, to whoever may put them',
        );
        self::assertSame(
            [],
            $this->call('elsewhere', 'GET', '/people?label=plays+viola&q=lear')['items'],
            'beyond reach nobody is found by a label',
        );
        $put(['on' => false, 'people' => [$this->ids['assistant']]]);
        $this->call('lead', 'POST', $site.'/history/'.$entry.'/undo');
        self::assertSame([], $this->call('lead', 'GET', $site.'/labels')['items']);
        self::assertSame(
            ['undo', 'label-off', 'label-on'],
            array_column(\array_slice($this->call('lead', 'GET', $site.'/history')['items'], 0, 3), 'code'),
        );
        $put(['people' => [$this->ids['newcomer']]], 404);
        foreach ([' ', 'a,b', str_repeat('x', 41)] as $bad) {
            $put(['label' => $bad], 422);
        }
    }

    public function testWorkIsThereAlsoForThoseWhoWereTakenOut(): void
    {
        $visited = $this->person('visited', 'learner', 'seniors', 7);
        $this->ids['visited'] = $visited;
        $this->platform->letIn(
            $this->ids['site'],
            $visited,
            'learner',
            $this->now() - 60 * 86_400,
            lastSeen: $this->now() - 86_400,
        );
        $this->platform->write();
        $path = '/sites/'.$this->ids['site'].'/progress';
        $of = static fn(array $progress): array => array_values(
            array_filter(
                $progress['people'],
                static fn(array $each): bool => str_contains($each['person']['name'], 'Visited'),
            ),
        )[0];
        $before = $of($this->call('lead', 'GET', $path.'?items=1'));
        self::assertGreaterThan(2, $before['done']);
        self::assertCount(
            $before['done'],
            array_filter($before['items'], static fn(array $item): bool => $item['done']),
        );
        $line = $this->call('lead', 'POST', '/sites/'.$this->ids['site'].'/change-lists', [
            'apply' => false,
            'lines' => [['person' => $visited, 'verb' => 'remove']],
        ])['lines'][0];
        self::assertSame(
            ['work-stays', $before['done']],
            [$line['cautions'][0]['code'], $line['cautions'][0]['values']['pieces']],
        );
        $this->change('lead', 'remove', 'visited');
        self::assertSame(
            ['Learnersen, Learner'],
            array_column(array_column($this->call('lead', 'GET', $path)['people'], 'person'), 'name'),
        );
        $after = $of($this->call('lead', 'GET', $path.'?gone=1&items=1'));
        self::assertSame(
            [$before['done'], $before['mean'], 'removed'],
            [$after['done'], $after['mean'], $after['state']],
        );
        $this->call('assistant', 'GET', $path, null, 403);
    }

    public function testViewsAreKeptByWhoeverMadeThem(): void
    {
        $path = '/sites/'.$this->ids['site'].'/views';
        $this->call('lead', 'PUT', $path, ['name' => 'Never came', 'view' => 'seen=never']);
        $kept = $this->call('lead', 'PUT', $path, ['name' => 'never came', 'view' => 'seen=never&role=learner'])[
            'items'
        ];
        self::assertSame(
            [['never came', 'seen=never&role=learner']],
            array_map(static fn(array $view): array => [$view['name'], $view['view']], $kept),
        );
        self::assertSame([], $this->call('cotutor', 'GET', $path)['items']);
        self::assertCount(1, [...$this->call('cotutor', 'DELETE', $path.'/'.$kept[0]['id'])['items'], 1]);
        self::assertSame([], $this->call('lead', 'DELETE', $path.'/'.$kept[0]['id'])['items']);
        $this->call('lead', 'PUT', $path, ['name' => 'x', 'view' => '<script>'], 422);
    }

    public function testTheHistoryOfAPersonSpansTheSitesOneReads(): void
    {
        $this->change('lead', 'pause', 'learner');
        $path = '/people/'.$this->ids['learner'].'/history';
        $mine = $this->call('lead', 'GET', $path)['items'];
        self::assertSame(['pause', 'let-in'], array_column($mine, 'code'));
        self::assertSame([true, 'Harmony'], [$mine[0]['undoable'], $mine[0]['site']['name']]);
        self::assertSame([], $this->call('learner', 'GET', $path)['items']);
        self::assertSame([], $this->call('elsewhere', 'GET', $path)['items']);
        self::assertSame(
            ['pause'],
            array_column(
                $this->call(
                    'lead',
                    'GET',
                    '/sites/'.$this->ids['site'].'/history?code=pause&person='.$this->ids['learner'],
                )['items'],
                'code',
            ),
        );
    }

    public function testAllSitesOneRunsAreCheckedForTheFirstDayAtOnce(): void
    {
        $all = $this->call('lead', 'GET', '/first-day-check?day=2026-12-01')['sites'];
        self::assertSame(
            ['Draft', 'Harmony'],
            array_column(array_column($all, 'site'), 'name'),
            'the one with trouble first',
        );
        self::assertSame(
            ['draft', 1, true],
            [
                $all[0]['groups'][0]['reason']['causes'][0]['code'],
                $all[0]['groups'][0]['people'],
                $all[0]['groups'][0]['reason']['causes'][0]['mine'],
            ],
        );
        self::assertSame([], $this->call('assistant', 'GET', '/first-day-check?day=2026-12-01')['sites']);
        $this->call('lead', 'GET', '/first-day-check?day=2026-13-01', null, 422);
    }

    public function testManySitesAreChangedAsOneListAndTakenBackAsOne(): void
    {
        $sites = [$this->ids['site'], $this->ids['draft']];
        $changeList = fn(array $more, int $expected = 200): array => $this->call(
            'lead',
            'POST',
            '/site-changes',
            ['sites' => $sites, ...$more],
            $expected,
        );
        self::assertEqualsCanonicalizing(
            ['nothing-to-do', 'ready'],
            array_column($changeList(['verb' => 'open'])['lines'], 'verdict'),
        );
        self::assertSame(
            'draft',
            $this->call('lead', 'GET', '/sites/'.$this->ids['draft'])['state'],
            'looking changes nothing',
        );
        $done = $changeList(['verb' => 'seats', 'seats' => 2, 'apply' => true])['lines'];
        self::assertSame(['ready', 'ready'], array_column($done, 'verdict'));
        self::assertSame(
            [2, 2],
            [
                $this->call('lead', 'GET', '/sites/'.$sites[0])['seats'],
                $this->call('lead', 'GET', '/sites/'.$sites[1])['seats'],
            ],
        );
        $entries = array_map(
            static fn(array $line): array => ['site' => $line['site']['id'], 'entry' => $line['entry']],
            $done,
        );
        self::assertSame(
            ['ready', 'ready'],
            array_column(
                $this->call('lead', 'POST', '/site-changes/undo', ['entries' => $entries])['lines'],
                'verdict'
            ),
        );
        self::assertSame(
            [3, null],
            [
                $this->call('lead', 'GET', '/sites/'.$sites[0])['seats'],
                $this->call('lead', 'GET', '/sites/'.$sites[1])['seats'],
            ],
        );
        $led = $changeList(['verb' => 'lead', 'person' => $this->ids['cotutor'], 'apply' => true])['lines'];
        self::assertSame(['ready', 'ready'], array_column($led, 'verdict'));
        self::assertSame('lead-tutor current', $this->roster()['cotutor']);
        $refused = $changeList(['verb' => 'lead', 'person' => $this->ids['learner'], 'apply' => true])['lines'];
        self::assertSame(
            ['refused', 'wrong-kind'],
            [$refused[0]['verdict'], $refused[0]['reason']['line']['reasons'][0]['code']],
        );
        self::assertSame(
            ['refused', 'refused'],
            array_column(
                $this->call('cotutor', 'POST', '/site-changes', [
                    'sites' => $sites,
                    'verb' => 'close',
                    'on' => '2020-01-01',
                ])['lines'],
                'verdict',
            ),
        );
        self::assertSame('/person', $changeList(['verb' => 'lead'], 422)['errors'][0]['pointer']);
        $this->call('learner', 'POST', '/site-changes', [
            'sites' => [$this->ids['site']],
            'verb' => 'close',
            'apply' => true,
        ]);
        self::assertSame('open', $this->call('lead', 'GET', '/sites/'.$this->ids['site'])['state']);
    }

    public function testWhatARegistrarBroughtIsTheRegistrars(): void
    {
        $this->platform->door($this->ids['site'], DoorKind::Feed, 'registrar', true);
        $this->platform->letIn(
            $this->ids['site'],
            $this->ids['newcomer'],
            'learner',
            $this->now() - 1_000,
            door: DoorKind::Feed,
        );
        $this->platform->write();
        self::assertSame(
            ['reserved', 'registrar'],
            [
                ($reason = $this->change('lead', 'remove', 'newcomer', expected: 409)['line']['reasons'][0])['code'],
                $reason['values']['door'],
            ],
        );
        self::assertTrue(
            $this->call('lead', 'GET', '/sites/'.$this->ids['site'].'/roster/'.$this->ids['newcomer'])[
                'grants'
            ][0]['reserved'],
        );
        self::assertSame('ready', $this->change('admin', 'remove', 'newcomer')['verdict']);
    }

    public function testTheSecondOfTwoIsToldWhatTheOtherDid(): void
    {
        $version = $this->call('lead', 'GET', '/sites/'.$this->ids['site'].'/roster/'.$this->ids['learner'])[
            'version'
        ];
        $this->change('cotutor', 'pause', 'learner');
        $since = $this->change('lead', 'remove', 'learner', expected: 412, more: ['version' => $version])['since'];
        self::assertSame(
            [['Cotutor Cotutorsen', 'pause']],
            array_map(static fn(array $each): array => [$each['actor'], $each['verb']], $since),
        );
    }
}
