<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Desk;

use MintDoor\Platform\PlatformSettings;
use MintDoor\Tests\App\ApiTestCase;
use PHPUnit\Framework\Attributes\DataProvider;

final class SitesTest extends ApiTestCase
{
    private const REQUEST = [
        'title' => 'Brass',
        'code' => 'brass-1',
        'kind' => 'workshop',
        'division' => 'seniors',
        'term' => 'autumn',
        'lowest' => 6,
        'highest' => 8,
        'seats' => 12,
    ];

    public function testSitesClosedForSoManyTermsLeaveTheListsAndAreFoundWhenAskedFor(): void
    {
        foreach (['2025-01-06 2025-04-04', '2025-09-01 2025-12-19', '2026-01-05 2026-04-03'] as $n => $days) {
            $this->platform->term("past-$n", "Past $n", ...explode(' ', $days));
        }
        $open = (int) strtotime('2024-09-01T00:00:00Z');
        foreach (['OLD' => '2024-12-20', 'LESS' => '2025-01-10'] as $code => $closed) {
            $at = (int) strtotime($closed.'T00:00:00Z');
            $site = $this->platform->site(
                $code,
                "$code rhythm",
                'course',
                $this->ids['seniors'],
                null,
                null,
                null,
                $open,
                $at
            );
            $this->platform->letIn($site, $this->ids['lead'], 'lead-tutor', $open);
        }
        $this->platform->write();
        $this->service(PlatformSettings::class)->reset();
        foreach (['lead' => 'run', 'admin' => 'all'] as $as => $scope) {
            $listed = $this->call($as, 'GET', "/sites?scope=$scope");
            self::assertNotContains('OLD', array_column($listed['items'], 'code'));
            self::assertContains('LESS', array_column($listed['items'], 'code'), 'Two whole terms.');
            self::assertSame([1, \count($listed['items'])], [$listed['archived'], $listed['total']]);
            $archived = $this->call($as, 'GET', "/sites?scope=$scope&archived=1");
            self::assertSame([['OLD'], 1, 0], [
                array_column($archived['items'], 'code'),
                $archived['total'],
                $archived['archived'],
            ]);
            $found = $this->call($as, 'GET', "/sites?scope=$scope&q=rhythm");
            self::assertSame([['LESS'], 1], [array_column($found['items'], 'code'), $found['archived']]);
        }
        $this->call('lead', 'GET', '/sites?archived=perhaps', null, 422);
    }

    public function testWhoBeginsLaterHoldsNoSeatYet(): void
    {
        $held = fn(): int => $this->call('lead', 'GET', '/sites/'.$this->ids['site'])['learners'];
        self::assertSame(1, $held());
        $later = gmdate('Y-m-d', $this->now() + 5 * 86_400);
        $line = $this->change('lead', 'let-in', 'newcomer', 'learner', more: ['fromDay' => $later]);
        self::assertSame('upcoming', $line['after']['state']);
        self::assertSame(1, $held(), 'carried on');
        $this->db()->executeStatement('DELETE FROM site_count');
        self::assertSame(1, $held(), 'counted anew');
    }

    public function testANewSiteIsADraftWithItsMakerAsLead(): void
    {
        $site = $this->call('lead', 'POST', '/sites', self::REQUEST, 201);
        self::assertSame(
            ['BRASS-1', 'draft', 'lead-tutor', ['lowest' => 6, 'highest' => 8]],
            [$site['code'], $site['state'], $site['standing']['role'], $site['levels']],
        );
        $log = $this->call('lead', 'GET', '/sites/'.$site['id'].'/history')['items'];
        self::assertSame(['let-in', 'site-made'], array_column($log, 'code'));
    }

    public function testSomebodyMakesSitesOnlyWhereTheyHaveSomethingToDo(): void
    {
        self::assertSame(
            '/division',
            $this->call(
                'lead',
                'POST',
                '/sites',
                ['division' => 'juniors'] + self::REQUEST,
                422
            )['errors'][0]['pointer'],
        );
        self::assertSame(['seniors', 'faculty'], $this->call('lead', 'GET', '/platform')['mayMakeIn']);
        self::assertSame([], $this->call('learner', 'GET', '/platform')['mayMakeIn']);
    }

    public function testOpeningWantsALeadAndClosingKeepsTheSiteReadable(): void
    {
        $site = $this->call('lead', 'POST', '/sites', self::REQUEST, 201);
        $this->ids['new'] = $site['id'];
        $this->change('admin', 'remove', 'lead', site: 'new');
        self::assertStringEndsWith('site-needs-lead', $this->live('admin', 'open', 1, 409)['type']);
        $this->change('admin', 'bring-back', 'lead', site: 'new');
        $opened = $this->live('admin', 'open', 1);
        self::assertSame(['open', 2], [$opened['state'], $opened['version']]);
        $closed = $this->live('lead', 'closed', 2);
        self::assertSame('closed', $closed['state']);
        self::assertSame(
            'look-only',
            $this->call('lead', 'POST', '/sites/'.$site['id'].'/visits')['reason']['entry'],
        );
        $this->call('lead', 'POST', '/sites/'.$site['id'].'/history/'.$closed['entry'].'/undo');
        self::assertSame('open', $this->call('lead', 'GET', '/sites/'.$site['id'])['state']);
    }

    public function testASiteOpensAndClosesByItselfOnADayOfItsZone(): void
    {
        $site = $this->call('lead', 'POST', '/sites', self::REQUEST, 201);
        $this->ids['new'] = $site['id'];
        $planned = $this->live('lead', 'open', 1, on: '2027-01-11');
        self::assertSame(['draft', '2027-01-10T23:00:00Z'], [$planned['state'], $planned['opensAt']]);
        $this->change('admin', 'let-in', 'learner', 'learner', site: 'new');
        $own = $this->call('learner', 'POST', '/sites/'.$site['id'].'/visits');
        self::assertSame(
            ['no', 'draft', '2027-01-10T23:00:00Z'],
            [
                $own['reason']['entry'],
                $own['reason']['causes'][0]['code'],
                $own['reason']['causes'][0]['values']['opens'],
            ],
        );
        self::assertNull($this->live('lead', 'draft', 2)['opensAt'], 'it stays a draft after all');
        $this->live('lead', 'open', 3);
        $closing = $this->live('lead', 'closed', 4, on: '2026-12-18');
        self::assertSame(['open', '2026-12-18T23:00:00Z'], [$closing['state'], $closing['closesAt']]);
        foreach ([['open', '2026-11-01'], ['closed', '2026-11-23'], ['open', 'soon']] as [$state, $on]) {
            self::assertSame('/on', $this->live('lead', $state, 5, 422, $on)['errors'][0]['pointer']);
        }
    }

    public function testAnOpeningIsPlannedOnlyForADayOnWhichSomebodyLeads(): void
    {
        $site = $this->call('lead', 'POST', '/sites', self::REQUEST, 201);
        $this->ids['new'] = $site['id'];
        $this->change('admin', 'change-dates', 'lead', more: ['untilDay' => '2026-12-31'], site: 'new');
        self::assertStringEndsWith('site-needs-lead', $this->live('lead', 'open', 1, 409, '2027-01-11')['type']);
        $this->live('lead', 'open', 1, on: '2026-12-07');
    }

    public function testAStalePageIsToldAndAMissingVersionAskedFor(): void
    {
        $path = '/sites/'.$this->ids['site'];
        $this->call('lead', 'PUT', $path, self::REQUEST, headers: ['If-Match' => '"1"']);
        self::assertStringEndsWith(
            'stale',
            $this->call('lead', 'PUT', $path, self::REQUEST, 412, ['If-Match' => '"1"'])['type'],
        );
        self::assertStringEndsWith('needs-version', $this->call('lead', 'PUT', $path, self::REQUEST, 428)['type']);
    }

    public function testChangedSettingsAreUndoneUnlessChangedSince(): void
    {
        $path = '/sites/'.$this->ids['site'];
        $first = $this->call('lead', 'PUT', $path, self::REQUEST, headers: ['If-Match' => '"1"']);
        $this->call('lead', 'PUT', $path, ['seats' => 14] + self::REQUEST, headers: ['If-Match' => '"2"']);
        self::assertStringEndsWith(
            'changed-since',
            $this->call('lead', 'POST', $path.'/history/'.$first['entry'].'/undo', null, 409)['type'],
        );
        $this->call('lead', 'POST', $path.'/history/'.($first['entry'] + 1).'/undo');
        $this->call('lead', 'POST', $path.'/history/'.$first['entry'].'/undo');
        $site = $this->call('lead', 'GET', $path);
        self::assertSame(['Harmony', 'HARM', 3], [$site['title'], $site['code'], $site['seats']]);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function badRequests(): iterable
    {
        yield 'no title' => [['title' => '   '], '/title'];
        yield 'a title nobody can see' => [['title' => "\u{200B}\u{200B}"], '/title'];
        yield 'a very long title' => [['title' => str_repeat('à', 161)], '/title'];
        yield 'control characters' => [['title' => "Br\u{0007}ass"], '/title'];
        yield 'turned around' => [['title' => "Br\u{202E}ass"], '/title'];
        yield 'a code taken' => [['code' => 'harm'], '/code'];
        yield 'a code with a blank' => [['code' => 'A B'], '/code'];
        yield 'a code of emoji' => [['code' => '🎻🎻'], '/code'];
        yield 'no kind' => [['kind' => 'shoe'], '/kind'];
        yield 'no division' => [['division' => 'nowhere'], '/division'];
        yield 'no such term' => [['term' => 'nowhere'], '/term'];
        yield 'levels the wrong way round' => [['lowest' => 8, 'highest' => 6], '/highest'];
        yield 'half a band' => [['highest' => null], '/highest'];
        yield 'no seats at all' => [['seats' => 0], '/seats'];
        yield 'seats in words' => [['seats' => 'many'], '/seats'];
    }

    /** @param array<string, mixed> $wrong */
    #[DataProvider('badRequests')]
    public function testBadInputIsSaidAtItsField(array $wrong, string $pointer): void
    {
        $problem = $this->call('lead', 'POST', '/sites', $wrong + self::REQUEST, 422);
        self::assertSame($pointer, $problem['errors'][0]['pointer']);
        self::assertNotSame('', $problem['errors'][0]['detail']);
    }

    public function testTitlesInAnyScriptAreKeptAsTyped(): void
    {
        foreach (['مقدمة في الموسيقى', '音楽 🎻', 'Čest & <b>sláva</b>'] as $n => $title) {
            self::assertSame(
                $title,
                $this->call(
                    'lead',
                    'POST',
                    '/sites',
                    ['title' => $title, 'code' => "T-$n"] + self::REQUEST,
                    201
                )['title'],
            );
        }
    }

    public function testSeatsBelowThePeopleAlreadyIn(): void
    {
        $this->change('lead', 'let-in', 'newcomer', 'learner');
        self::assertSame(
            '/seats',
            $this->call('lead', 'PUT', '/sites/'.$this->ids['site'], ['seats' => 1] + self::REQUEST, 422, [
                'If-Match' => '"1"',
            ])['errors'][0]['pointer'],
        );
    }

    public function testListsOfSitesAndTheirFilters(): void
    {
        $titles = fn(string $as, string $query): array => array_column(
            $this->call($as, 'GET', '/sites?'.$query)['items'],
            'title',
        );
        self::assertSame(['Draft', 'Harmony'], $titles('lead', 'scope=run'));
        self::assertSame([], $titles('lead', 'scope=in'));
        self::assertSame(['Draft', 'Harmony'], $titles('learner', 'scope=in'));
        self::assertSame(['Harmony'], $titles('admin', 'scope=all&state=open'));
        self::assertSame(['Draft'], $titles('admin', 'scope=all&state=draft&division=seniors&term=autumn&kind=course'));
        self::assertSame([], $titles('elsewhere', 'scope=all'));
        self::assertSame(['Harmony'], $titles('lead', 'scope=run&q='.rawurlencode('härm')));
        self::assertSame([], $titles('lead', 'scope=run&q=%25'));
        $first = $this->call('admin', 'GET', '/sites?scope=all&limit=1');
        self::assertSame([2, 'Draft'], [$first['total'], $first['items'][0]['title']]);
        self::assertSame(['Harmony'], $titles('admin', 'scope=all&limit=1&cursor='.$first['next']));
        $first = $this->call('lead', 'GET', '/sites?scope=run&limit=1');
        $last = $this->call('lead', 'GET', '/sites?scope=run&limit=1&cursor='.$first['next']);
        self::assertSame([2, 2], [$first['total'], $last['total']], 'Of one\'s own, too, all pages say how many.');
    }

    public function testAnyPartOfAWordFindsASiteThoseThatBeginWithItFirst(): void
    {
        $sites = ['B1' => 'Street Music', 'A1' => 'Orchestra', 'C1' => 'Strings II', 'D1' => 'Bach, ö & Ø'];
        foreach ($sites as $code => $title) {
            $this->call('admin', 'POST', '/sites', ['title' => $title, 'code' => $code] + self::REQUEST, 201);
        }
        $titles = fn(string $typed): array => array_column(
            $this->call('admin', 'GET', '/sites?scope=all&q='.rawurlencode($typed))['items'],
            'title',
        );
        self::assertSame(['Street Music', 'Strings II', 'Orchestra'], $titles('str'));
        self::assertSame(['Strings II'], $titles('ii str'));
        self::assertSame(['Orchestra'], $titles('a1'));
        self::assertSame(['Strings II', 'Harmony'], [...$titles('gs'), ...$titles('ärm')]);
        self::assertSame(['Bach, ö & Ø'], $titles('& o'));
        self::assertSame(['Bach, ö & Ø'], $titles('&'));
        self::assertSame([], $titles('strasse'));
        self::assertSame([], $titles('%'));
        $first = $this->call('admin', 'GET', '/sites?scope=all&limit=2&q=str');
        $last = $this->call('admin', 'GET', '/sites?scope=all&limit=2&q=str&cursor='.$first['next']);
        self::assertSame(
            [3, false, 'Orchestra', null],
            [$first['total'], $first['moreThanThat'], $last['items'][0]['title'], $last['next']],
        );
        $this->call('admin', 'GET', '/sites?scope=all&q=harm&cursor='.$first['next'], null, 422);
    }

    public function testASiteIsFoundByWhatItIsCalledNow(): void
    {
        $path = '/sites/'.$this->ids['site'];
        $found = fn(string $typed): int => $this->call('admin', 'GET', '/sites?scope=all&q='.$typed)['total'];
        $this->call(
            'lead',
            'PUT',
            $path,
            ['title' => 'Counterpoint', 'code' => 'CP'] + self::REQUEST,
            headers: [
                'If-Match' => '"1"',
            ],
        );
        self::assertSame([1, 1, 0], [$found('counter'), $found('cp'), $found('harm')]);
    }

    public function testALearnerIsToldWhetherTheyCanEnterAndFindsTheLandingPage(): void
    {
        $mine = array_column($this->call('learner', 'GET', '/sites?scope=in')['items'], 'mine', 'title');
        self::assertSame(
            ['no', 'draft'],
            [$mine['Draft']['reason']['entry'], $mine['Draft']['reason']['causes'][0]['code']],
        );
        self::assertSame('enter', $mine['Harmony']['reason']['entry']);
        $draft = $this->call('learner', 'POST', '/sites/'.$this->ids['draft'].'/visits');
        self::assertSame([[], []], [$draft['leads'], $draft['sections']], 'of a draft its title only');
        self::assertSame(
            ['Lead Leadsen'],
            $this->call('learner', 'POST', '/sites/'.$this->ids['site'].'/visits')['leads'],
        );
        $seen = array_column(
            $this->call('lead', 'GET', '/sites/'.$this->ids['site'].'/roster')['items'],
            'lastSeen',
        );
        self::assertContains('2026-11-24T09:00:00Z', $seen);
    }

    public function testThePersonIsNotToldWhatIsTheStaffs(): void
    {
        $this->platform->letIn(
            $this->ids['site'],
            $this->ids['newcomer'],
            'learner',
            blocked: [$this->now() - 5, $this->now() + 500],
        );
        $this->platform->write();
        $cause = $this->call('newcomer', 'POST', '/sites/'.$this->ids['site'].'/visits')['reason']['causes'];
        self::assertSame(
            [['blocked', []]],
            array_map(static fn(array $each): array => [$each['code'], $each['values']], $cause),
        );
    }

    /** @return array<array-key, mixed> */
    private function live(string $as, string $state, int $version, int $expected = 200, ?string $on = null): array
    {
        return $this->call(
            $as,
            'PUT',
            '/sites/'.$this->ids['new'].'/life',
            ['state' => $state, 'on' => $on],
            $expected,
            ['If-Match' => '"'.$version.'"'],
        );
    }

    public function testLearnersOfADraftSeeItsTitleAndOpeningDayOnly(): void
    {
        self::assertSame([], $this->call('learner', 'GET', '/sites/'.$this->ids['draft'])['may']);
        $this->call('learner', 'GET', '/sites/'.$this->ids['draft'].'/roster', null, 403);
        $landing = $this->call('learner', 'POST', '/sites/'.$this->ids['draft'].'/visits');
        self::assertSame(
            ['draft', [], []],
            [$landing['reason']['causes'][0]['code'], $landing['leads'], $landing['sections']],
        );
        $this->call('lead', 'GET', '/sites/'.$this->ids['draft'].'/roster');
    }
}
