<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Roster;

use MintDoor\Core\Roster\DoorKind;
use MintDoor\Core\Time\Window;
use MintDoor\Tests\App\ApiTestCase;

final class RosterTest extends ApiTestCase
{
    public function testLettingInChangingTakingOutAndBringingBack(): void
    {
        self::assertSame('ready', $this->change('lead', 'let-in', 'newcomer', 'learner')['verdict']);
        self::assertSame('learner current', $this->roster()['newcomer']);
        self::assertSame(
            'nothing-to-do',
            $this->change('lead', 'let-in', 'newcomer', 'learner')['verdict'],
            'a repeat is harmless',
        );
        $this->change('lead', 'change-role', 'newcomer', 'day-guest');
        self::assertSame('day-guest current', $this->roster()['newcomer']);
        self::assertSame('work-stays', $this->change('lead', 'remove', 'newcomer')['cautions'][0]['code']);
        self::assertArrayNotHasKey('newcomer', $this->roster());
        self::assertSame('day-guest removed', $this->roster('lead', '?state=removed')['newcomer']);
        $this->change('lead', 'bring-back', 'newcomer');
        self::assertSame('day-guest current', $this->roster()['newcomer']);
    }

    public function testEveryChangeIsUndoneFromItsEntryAndAgainRedone(): void
    {
        $entry = $this->change('lead', 'let-in', 'newcomer', 'learner')['entry'];
        $undo = fn(int $sequence, int $expected = 200): array => $this->call(
            'lead',
            'POST',
            '/sites/'.$this->ids['site'].'/history/'.$sequence.'/undo',
            null,
            $expected,
        );
        $undone = $undo($entry);
        self::assertArrayNotHasKey('newcomer', $this->roster());
        self::assertSame([], $this->roster('lead', '?state=removed'), 'as if it had not been');
        self::assertStringEndsWith('undone-already', $undo($entry, 409)['type']);
        $undo($undone['entry']);
        self::assertSame('learner current', $this->roster()['newcomer']);
        $undo($undone['entry'], 409);
        $log = $this->call('lead', 'GET', '/sites/'.$this->ids['site'].'/history')['items'];
        self::assertSame(['undo', 'undo', 'let-in'], array_column(\array_slice($log, 0, 3), 'code'));
        self::assertSame(
            [null, $log[0]['sequence'], null],
            array_column(\array_slice($log, 0, 3), 'undoneBy'),
            'what was brought again holds again',
        );
        self::assertSame([true, false, true], array_column(\array_slice($log, 0, 3), 'undoable'));
    }

    public function testChangesAreUndoneStepByStep(): void
    {
        $path = '/sites/'.$this->ids['site'].'/history';
        $in = $this->change('lead', 'let-in', 'newcomer', 'learner')['entry'];
        $role = $this->change('lead', 'change-role', 'newcomer', 'day-guest')['entry'];
        $undoable = fn(): array => array_column(
            array_filter(
                $this->call('lead', 'GET', $path)['items'],
                fn(array $entry): bool => $entry['undoable']
                    && $this->ids['newcomer'] === ($entry['person']['id'] ?? null),
            ),
            'sequence',
        );
        self::assertSame([$role], $undoable());
        $this->call('lead', 'POST', $path.'/'.$role.'/undo');
        self::assertContains($in, $undoable());
        $this->call('lead', 'POST', $path.'/'.$in.'/undo');
        self::assertArrayNotHasKey('newcomer', $this->roster());
    }

    public function testWhatChangedSinceIsNotUndone(): void
    {
        $entry = $this->change('lead', 'let-in', 'newcomer', 'learner')['entry'];
        $this->change('lead', 'change-role', 'newcomer', 'day-guest');
        self::assertStringEndsWith(
            'changed-since',
            $this->call('lead', 'POST', '/sites/'.$this->ids['site'].'/history/'.$entry.'/undo', null, 409)[
                'type'
            ],
        );
        self::assertSame('day-guest current', $this->roster()['newcomer']);
    }

    public function testTheSecondOfTwoWhoEditTheSamePersonIsTold(): void
    {
        $version = $this->call('lead', 'GET', '/sites/'.$this->ids['site'].'/roster/'.$this->ids['learner'])[
            'version'
        ];
        self::assertSame('"'.$version.'"', $this->client->getResponse()->headers->get('ETag'));
        $this->change('cotutor', 'change-role', 'learner', 'day-guest', 409);
        $this->change('lead', 'change-role', 'learner', 'day-guest', more: ['version' => $version]);
        self::assertStringEndsWith(
            'stale',
            $this->change('lead', 'remove', 'learner', expected: 412, more: ['version' => $version])['type'],
        );
    }

    public function testSeatsAndTheLastLead(): void
    {
        $this->ids['second'] = $this->person('second', 'learner', 'seniors', 7);
        $this->ids['third'] = $this->person('third', 'learner', 'seniors', 7);
        $this->platform->write();
        $this->change('lead', 'let-in', 'newcomer', 'learner');
        $this->change('lead', 'let-in', 'second', 'learner');
        $problem = $this->change('lead', 'let-in', 'third', 'learner', 409);
        self::assertSame(
            ['waits-for-seat', 'no-seat'],
            [$problem['line']['verdict'], $problem['line']['reasons'][0]['code']],
        );
        self::assertSame(
            'last-lead',
            $this->change('lead', 'remove', 'lead', expected: 409)['line']['reasons'][0]['code'],
        );
    }

    public function testDaysAreOfTheSitesZoneAndTheLastOneIsIncluded(): void
    {
        $line = $this->change('lead', 'let-in', 'newcomer', 'learner', more: ['untilDay' => '2026-12-18']);
        self::assertSame('2026-12-18T23:00:00Z', $line['after']['until']);
        $line = $this->change('lead', 'let-in', 'colleague', 'class-assistant', more: ['fromDay' => '2026-12-01']);
        self::assertSame(['upcoming', '2026-11-30T23:00:00Z'], [$line['after']['state'], $line['after']['until']]);
        foreach (
            [
                ['fromDay' => '2026-12-10', 'untilDay' => '2026-12-01'],
                ['untilDay' => '2026-11-01'],
                ['untilDay' => 'soon'],
            ] as $days
        ) {
            self::assertSame(
                '/lines/0/untilDay',
                $this->change('lead', 'let-in', 'guardian', 'sit-in-observer', 422, $days)['errors'][0]['pointer'],
            );
        }
    }

    public function testARepeatedRequestIsDoneOnce(): void
    {
        $path = '/sites/'.$this->ids['site'].'/change-lists';
        $body = ['lines' => [['person' => $this->ids['newcomer'], 'verb' => 'let-in', 'role' => 'learner']]];
        $first = $this->call('lead', 'POST', $path, $body, headers: ['Idempotency-Key' => 'the-same-key']);
        $again = $this->call('lead', 'POST', $path, $body, headers: ['Idempotency-Key' => 'the-same-key']);
        self::assertSame($first, $again);
        $body['lines'][0]['person'] = $this->ids['guardian'];
        self::assertStringEndsWith(
            'idempotency-key-reused',
            $this->call('lead', 'POST', $path, $body, 422, ['Idempotency-Key' => 'the-same-key'])['type'],
        );
    }

    public function testSortingPagingAndFilteringWalkTheWholeRosterOnce(): void
    {
        foreach (['name', 'kind', 'level', 'division', 'number', 'role', 'state', 'since', 'seen'] as $sort) {
            foreach (['up', 'down'] as $direction) {
                $seen = [];
                $cursor = '';
                do {
                    $page = $this->call(
                        'lead',
                        'GET',
                        '/sites/'
                            .$this->ids['site']
                            ."/roster?limit=1&sort=$sort&direction=$direction&cursor=$cursor",
                    );
                    array_push($seen, ...array_column(array_column($page['items'], 'person'), 'given'));
                    $cursor = $page['next'];
                } while (null !== $cursor && \count($seen) < 10);
                self::assertEqualsCanonicalizing(
                    ['Assistant', 'Cotutor', 'Lead', 'Learner'],
                    $seen,
                    "$sort $direction",
                );
            }
        }
        self::assertSame(['lead'], array_keys($this->roster('lead', '?q=lea&role=lead-tutor')));
        self::assertSame([], $this->roster('lead', '?q=nobody'));
        $this->call('lead', 'GET', '/sites/'.$this->ids['site'].'/roster?cursor=nonsense', null, 422);
        $this->call('lead', 'GET', '/sites/'.$this->ids['site'].'/roster?sort=shoe', null, 422);
    }

    public function testTheRosterIsNarrowedByFurtherWords(): void
    {
        $morning = $this->platform->section($this->ids['site'], 'Morning', '');
        $this->platform->door($this->ids['site'], DoorKind::Key, 'key');
        $this->ids['keyed'] = $this->person('keyed', 'learner', 'juniors', 3);
        $this->platform->letIn(
            $this->ids['site'],
            $this->ids['newcomer'],
            'learner',
            $this->now() - 86_400,
            new Window($this->now() - 86_400, $this->now() + 5 * 86_400),
            section: $morning,
        );
        $this->platform->letIn(
            $this->ids['site'],
            $this->ids['keyed'],
            'learner',
            $this->now() - 3 * 86_400,
            door: DoorKind::Key,
            lastSeen: $this->now() - 2 * 86_400,
        );
        $this->platform->write();
        $shown = fn(string $query, string $as = 'lead'): array => array_keys($this->roster($as, '?'.$query));
        self::assertSame(['newcomer'], $shown('section='.$morning));
        self::assertSame(['keyed'], $shown('door=key'));
        self::assertSame(['keyed'], $shown('level=3'));
        self::assertSame(['keyed'], $shown('division=juniors&sort=level&q=ke'));
        self::assertSame(['newcomer'], $shown('ends=7'));
        self::assertSame([], $shown('ends=4'));
        self::assertEqualsCanonicalizing(['keyed', 'newcomer'], $shown('joined=7'));
        self::assertNotContains('keyed', $shown('seen=never&sort=seen'));
        self::assertContains('keyed', $shown('seen=1'));
        self::assertNotContains('keyed', $shown('seen=7'));
        self::assertContains('lead', $shown('door=key', 'learner'), 'how people came is not for learners');
        self::assertSame(
            1,
            $this->call('lead', 'GET', '/sites/'.$this->ids['site'].'/roster?level=3')['counts']['shown'],
        );
        foreach (['level=high', 'door=window', 'seen=always', 'section=x', 'ends=0'] as $wrong) {
            $this->call('lead', 'GET', '/sites/'.$this->ids['site'].'/roster?'.$wrong, null, 422);
        }
        self::assertSame(
            [['id' => $morning, 'name' => 'Morning', 'retired' => false]],
            $this->call('lead', 'GET', '/sites/'.$this->ids['site'])['sections'],
        );
    }

    public function testTheRosterIsShownAsItStoodAndAsItWillStand(): void
    {
        $this->platform->letIn(
            $this->ids['site'],
            $this->ids['newcomer'],
            'learner',
            $this->now() - 5 * 86_400,
            removedAt: $this->now() - 86_400,
        );
        $this->platform->write();
        $this->change('lead', 'change-dates', 'learner', more: ['untilDay' => '2026-12-01']);
        $of = fn(string $day): array => $this->roster('lead', '?asOf='.$day);
        self::assertArrayNotHasKey('newcomer', $of('2026-11-18'));
        self::assertSame('learner current', $of('2026-11-21')['newcomer']);
        self::assertArrayNotHasKey('newcomer', $of('2026-11-24'));
        self::assertSame([true, false], [isset($of('2026-11-30')['learner']), isset($of('2026-12-02')['learner'])]);
        self::assertSame(
            ['learners' => 2, 'staff' => 3, 'others' => 0, 'unlisted' => 0, 'shown' => 5],
            $this->call('lead', 'GET', '/sites/'.$this->ids['site'].'/roster?asOf=2026-11-21')['counts'],
        );
        $this->call('lead', 'GET', '/sites/'.$this->ids['site'].'/roster?asOf=soon', null, 422);

        $between = fn(string $from, string $until): array => array_map(
            static fn(array $list): array => array_column(array_column($list, 'person'), 'name'),
            $this->call('lead', 'GET', '/sites/'.$this->ids['site']."/roster-changes?from=$from&until=$until"),
        );
        self::assertSame(
            ['came' => ['Newcomersen, Newcomer'], 'went' => [], 'changed' => []],
            $between('2026-11-17', '2026-11-21'),
        );
        self::assertSame(
            ['came' => [], 'went' => ['Learnersen, Learner', 'Newcomersen, Newcomer'], 'changed' => []],
            $between('2026-11-21', '2026-12-05'),
        );
        self::assertSame(
            ['came' => [], 'went' => [], 'changed' => []],
            $between('2026-11-18', '2026-11-24'),
            'who came and went in between is in neither',
        );
        self::assertSame(
            '/until',
            $this->call(
                'lead',
                'GET',
                '/sites/'.$this->ids['site'].'/roster-changes?from=2026-11-21&until=2026-11-17',
                null,
                422,
            )['errors'][0]['pointer'],
        );
    }

    public function testTheHistoryIsLookedThroughByWhoWhatAndWhen(): void
    {
        $this->change('lead', 'let-in', 'newcomer', 'learner');
        $this->change('cotutor', 'pause', 'newcomer');
        $codes = fn(string $query): array => array_column(
            $this->call('lead', 'GET', '/sites/'.$this->ids['site'].'/history?'.$query)['items'],
            'code',
        );
        self::assertSame(['pause', 'let-in'], $codes('q=newcom'));
        self::assertSame(['pause'], $codes('q=newcomer+cotutor'));
        self::assertSame(['pause'], $codes('code=pause'));
        self::assertSame(['pause', 'let-in'], $codes('from=2026-11-24'));
        self::assertNotContains('pause', $codes('until=2026-11-23'));
        self::assertSame([], $codes('q=%25'));
        $this->call('lead', 'GET', '/sites/'.$this->ids['site'].'/history?code=burn', null, 422);
    }

    public function testTheFirstDayIsChecked(): void
    {
        $this->change('lead', 'let-in', 'newcomer', 'learner', more: ['fromDay' => '2026-12-02']);
        $this->change('lead', 'pause', 'learner', more: ['untilDay' => '2026-12-03']);
        $checkFirstDay = fn(string $query): array => $this->call(
            'lead',
            'GET',
            '/sites/'.$this->ids['site'].'/first-day-check?'.$query,
        );
        $first = $checkFirstDay('day=2026-12-01&time=09:30');
        self::assertSame(['2026-12-01T08:30:00Z', 3], [$first['at'], $first['enter']]);
        $groups = array_column(
            array_map(
                static fn(array $group): array => [
                    $group['reason']['causes'][0]['code'],
                    array_column($group['people'], 'name'),
                ],
                $first['groups'],
            ),
            1,
            0,
        );
        self::assertEqualsCanonicalizing(
            ['upcoming' => ['Newcomersen, Newcomer'], 'paused' => ['Learnersen, Learner']],
            $groups,
        );
        self::assertSame([5, []], [($later = $checkFirstDay('day=2026-12-04'))['enter'], $later['groups']]);
        self::assertSame(
            '/time',
            $this->call(
                'lead',
                'GET',
                '/sites/'.$this->ids['site'].'/first-day-check?day=2026-12-01&time=noon',
                null,
                422,
            )['errors'][0]['pointer'],
        );
        $draft = $this->call(
            'lead',
            'GET',
            '/sites/'.$this->ids['draft'].'/first-day-check?day=2026-12-01'
        )['groups'][0];
        self::assertSame(
            ['draft', 'open-site', true],
            [
                $draft['reason']['causes'][0]['code'],
                $draft['reason']['causes'][0]['change'],
                $draft['reason']['causes'][0]['mine'],
            ],
        );
    }

    public function testTheNumbersOfADayAreThoseOfTheRosterOfThatDay(): void
    {
        $this->change('lead', 'let-in', 'newcomer', 'learner', more: ['fromDay' => '2026-12-02']);
        $this->change('lead', 'let-in', 'guardian', 'sit-in-observer');
        $this->change('lead', 'pause', 'learner', more: ['untilDay' => '2026-12-03']);
        $this->change('lead', 'remove', 'cotutor');
        $path = '/sites/'.$this->ids['site'];
        $run = $this->call('assistant', 'GET', $path.'/roster-days');
        self::assertTrue(\in_array($run['today'], $run['days'], true));
        $places = [array_search($run['today'], $run['days'], true), 0, array_key_last($run['days'])];
        foreach ([...$places, ...array_keys(array_intersect($run['days'], ['2026-12-02', '2026-12-04']))] as $place) {
            foreach ($run['people'] as $state => $numbers) {
                $query = "?state=$state&asOf=".$run['days'][$place];
                $shown = $this->call('assistant', 'GET', $path.'/roster'.$query)['counts']['shown'];
                self::assertSame($shown, $numbers[$place], $query);
            }
        }
        self::assertSame(1, $run['people']['removed'][$places[0]]);
    }

    public function testUnlistedPeopleAreCountedAndShownOnAsking(): void
    {
        $this->change('lead', 'let-in', 'guardian', 'sit-in-observer');
        $counts = $this->call('lead', 'GET', '/sites/'.$this->ids['site'].'/roster')['counts'];
        self::assertSame(['learners' => 1, 'staff' => 3, 'others' => 0, 'unlisted' => 1, 'shown' => 4], $counts);
        self::assertArrayHasKey('guardian', $this->roster('lead', '?unlisted=1'));
        self::assertArrayNotHasKey('guardian', $this->roster('learner', '?unlisted=1'));
    }

    public function testALearnerSeesNamesButNoNumbersAndFindsByNone(): void
    {
        $row = $this->call('learner', 'GET', '/sites/'.$this->ids['site'].'/roster')['items'][0];
        self::assertSame(
            [null, null, null, null],
            [$row['person']['number'], $row['person']['login'], $row['person']['email'], $row['lastSeen']],
        );
        self::assertSame([], $this->roster('learner', '?q=x77lead'));
    }

    public function testTheCardSaysWhyAndWhatOneMayDo(): void
    {
        $path = '/sites/'.$this->ids['site'].'/roster/'.$this->ids['learner'];
        $card = $this->call('lead', 'GET', $path);
        self::assertSame(
            ['enter', 'let-in', 'Senior rules'],
            [$card['reason']['entry'], $card['reason']['causes'][0]['code'], $card['band']],
        );
        $options = array_column($card['options'], 'code', 'role');
        self::assertSame(
            ['wrong-kind', 'wrong-level', 'fits', 'cautioned'],
            [$options['lead-tutor'], $options['class-assistant'], $options['learner'], $options['day-guest']],
        );
        $assistant = $this->call('assistant', 'GET', $path);
        self::assertSame([[], null], [$assistant['options'], $assistant['remove']]);
        self::assertSame('•••••••NER', $assistant['person']['number']);
        self::assertSame(
            'never-here',
            $this->change('lead', 'bring-back', 'guardian', expected: 409)['line']['reasons'][0]['code'],
        );
    }

    public function testAPauseKeepsThePlaceIsPrivatelyExplainedAndEnds(): void
    {
        $line = $this->change(
            'lead',
            'pause',
            'learner',
            more: ['untilDay' => '2026-12-03', 'note' => 'A broken wrist.'],
        );
        self::assertSame(['paused', '2026-12-03T23:00:00Z'], [$line['after']['state'], $line['after']['until']]);
        self::assertSame(
            [['paused', '2026-12-03T23:00:00Z'], ['current', null]],
            array_map(static fn(array $each): array => [$each['state'], $each['until']], $line['outlook']),
        );
        $path = '/sites/'.$this->ids['site'].'/roster/'.$this->ids['learner'];
        $override = $this->call('cotutor', 'GET', $path)['overrides'][0];
        self::assertSame(
            ['paused', 'Lead Leadsen', 'A broken wrist.'],
            [$override['kind'], $override['by'], $override['note']]
        );
        self::assertNull(
            $this->call('assistant', 'GET', $path)['overrides'][0]['note'],
            'why is for those who let people in',
        );
        $own = $this->call('learner', 'POST', '/sites/'.$this->ids['site'].'/visits');
        self::assertSame(['no', 'paused'], [$own['reason']['entry'], $own['reason']['causes'][0]['code']]);
        self::assertStringNotContainsString('wrist', (string) json_encode($own));
        self::assertStringNotContainsString('wrist', (string) json_encode($this->call('learner', 'GET', $path)));
        self::assertSame(1, $this->call('lead', 'GET', '/sites/'.$this->ids['site'])['learners'], 'the seat stays');
        self::assertSame('current', $this->change('lead', 'resume', 'learner')['after']['state']);
    }

    public function testDatesAndRoleByHandAreShownAndLifted(): void
    {
        $this->change('lead', 'change-dates', 'learner', more: ['days' => 10]);
        $this->change('lead', 'change-role', 'learner', 'day-guest');
        $path = '/sites/'.$this->ids['site'].'/roster/'.$this->ids['learner'];
        $card = $this->call('lead', 'GET', $path);
        self::assertSame(['dates', 'role'], array_column($card['overrides'], 'kind'));
        self::assertSame(
            '2026-12-03T23:00:00Z',
            $card['overrides'][0]['dates']['until'],
            'ten days from today, today included',
        );
        self::assertSame($card['nextChange']['at'], $card['overrides'][0]['dates']['until']);
        $this->change('lead', 'clear-dates', 'learner');
        $entry = $this->change('lead', 'clear-role', 'learner')['entry'];
        self::assertSame(
            [[], null, 'learner'],
            [
                ($lifted = $this->call('lead', 'GET', $path))['overrides'],
                $lifted['nextChange'],
                $lifted['standing']['role'],
            ],
        );
        $this->call('lead', 'POST', '/sites/'.$this->ids['site'].'/history/'.$entry.'/undo');
        self::assertSame('day-guest', $this->call('lead', 'GET', $path)['standing']['role']);
        self::assertSame(
            'beyond-term',
            $this->change('lead', 'change-dates', 'learner', more: ['untilDay' => '2027-01-31'])['cautions'][0]['code'],
        );
    }

    public function testWhoIsKeptOutStaysOutUntilItIsLifted(): void
    {
        $line = $this->change('lead', 'block', 'learner', more: ['note' => 'As agreed with the division.']);
        self::assertSame('blocked', $line['after']['state']);
        self::assertSame(
            'blocked',
            $this->change('lead', 'let-in', 'learner', 'learner', 409)['line']['reasons'][0]['code'],
        );
        self::assertSame(
            'not-yours-to-take',
            $this->change('cotutor', 'block', 'lead', expected: 409)['line']['reasons'][0]['code'],
        );
        self::assertSame('removed', $this->change('lead', 'unblock', 'learner')['after']['state']);
        self::assertSame('current', $this->change('lead', 'bring-back', 'learner')['after']['state']);
    }

    public function testAPauseThatMeetsNothingIsRefusedAndALongNoteSaid(): void
    {
        $this->change('lead', 'change-dates', 'learner', more: ['days' => 5]);
        self::assertSame(
            'pause-outside',
            $this->change('lead', 'pause', 'learner', expected: 409, more: ['fromDay' => '2026-12-10'])['line'][
                'reasons'
            ][0]['code'],
        );
        self::assertSame(
            '/lines/0/note',
            $this->change('lead', 'pause', 'learner', expected: 422, more: ['note' => str_repeat('x', 501)])[
                'errors'
            ][0]['pointer'],
        );
        self::assertSame(
            '/lines/0/untilDay',
            $this->change(
                'lead',
                'pause',
                'learner',
                expected: 422,
                more: ['fromDay' => '2026-12-10', 'untilDay' => '2026-12-01'],
            )['errors'][0]['pointer'],
        );
    }

    public function testWaysInNameTheirDoor(): void
    {
        $this->platform->door($this->ids['site'], DoorKind::Cohort, 'Level 7 strings');
        $this->platform->letIn(
            $this->ids['site'],
            $this->ids['newcomer'],
            'learner',
            $this->now() - 10,
            new Window($this->now() - 10, $this->now() + 864_000),
            DoorKind::Cohort,
        );
        $this->platform->write();
        $card = $this->call('lead', 'GET', '/sites/'.$this->ids['site'].'/roster/'.$this->ids['newcomer']);
        self::assertSame(['kind' => 'cohort', 'name' => 'Level 7 strings'], $card['grants'][0]['door']);
        self::assertSame('Level 7 strings', $card['reason']['causes'][0]['values']['door']);
        self::assertSame(['work-stays', 'comes-back-through'], array_column($card['remove']['cautions'], 'code'));
    }

    public function testTheNumberOfStatementsDoesNotGrowWithThePeople(): void
    {
        $count = function (string $path): int {
            $before = $this->statements();
            $this->call('lead', 'GET', $path);

            return $this->statements() - $before;
        };
        $paths = [
            '/sites/'.$this->ids['site'].'/first-day-check?day=2026-12-01',
            '/sites/'.$this->ids['site'].'/roster?limit=500',
            '/sites/'.$this->ids['site'].'/intake?q=co',
            '/sites?scope=run&limit=200',
            '/sites?scope=in',
            '/sites/'.$this->ids['site'].'/history',
            '/sites/'.$this->ids['site'].'/roster?limit=500&asOf=2026-11-20',
            '/sites/'.$this->ids['site'].'/progress?items=1',
            '/people?q=co',
            '/people/'.$this->ids['learner'].'/history',
            '/first-day-check?day=2026-12-01',
            '/sites/'.$this->ids['site'].'/labels',
        ];
        // Full pages from the start: where the next one begins is a question that a short page does not ask.
        $this->sixtyMore('a');
        $few = array_map($count, $paths);
        $this->sixtyMore('b');
        self::assertSame($few, array_map($count, $paths));
    }

    private function sixtyMore(string $mark): void
    {
        for ($n = 0; $n < 60; ++$n) {
            $this->platform->letIn(
                $this->ids['site'],
                $this->person("co$mark$n", 'staff', 'faculty', family: 'Somebody'),
                'co-tutor',
            );
            $this->platform->letIn(
                $this->platform->site("S-$mark$n", "Site $mark$n", 'course', $this->ids['seniors'], $this->ids['term']),
                $this->ids['lead'],
                'lead-tutor',
            );
        }
        $this->platform->write();
    }

    private function statements(): int
    {
        $row = $this->db()->fetchNumeric("SHOW SESSION STATUS LIKE 'Questions'");

        return (int) ($row[1] ?? 0);
    }

    public function testCountsOfADayAreThoseOfItsRoster(): void
    {
        foreach (range(1, 14) as $n) {
            $id = $this->person('many'.$n, 'learner', 'seniors', 7);
            $from = $this->now() + ($n - 8) * 86_400;
            $this->platform->letIn(
                $this->ids['draft'],
                $id,
                ['learner', 'day-guest', 'sit-in-observer'][$n % 3],
                min($from, $this->now()),
                new Window($from, $from + $n * 86_400),
                removedAt: 0 === $n % 4 ? $this->now() - 86_400 : null,
                paused: 0 === $n % 5 ? [$from + 3_600, $from + 90_000] : null,
            );
        }
        $this->platform->write();
        foreach (range(-12, 25, 3) as $days) {
            $day = gmdate('Y-m-d', $this->now() + $days * 86_400);
            $page = $this->call('lead', 'GET', '/sites/'.$this->ids['draft'].'/roster?unlisted=1&asOf='.$day);
            $counts = $page['counts'];
            self::assertSame(
                \count($page['items']),
                $counts['learners'] + $counts['staff'] + $counts['others'] + $counts['unlisted'],
                $day,
            );
            self::assertCount(
                $counts['unlisted'],
                array_filter($page['items'], static fn(array $item): bool => !$item['listed']),
                $day,
            );
            self::assertCount(
                $counts['learners'],
                array_filter($page['items'], static fn(array $item): bool => 'learner' === $item['standing']['role']),
                $day,
            );
        }
    }
}
