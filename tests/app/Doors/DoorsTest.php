<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Doors;

use MintDoor\Core\Doors\Key;
use MintDoor\Core\Doors\KeySlip;
use MintDoor\Core\Roster\DoorKind;
use MintDoor\Doors\Repository\DoorKeys;
use MintDoor\Doors\ScheduledDoorTasks;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Tests\App\ApiTestCase;
use PHPUnit\Framework\Attributes\TestWith;

/**
 * Doors that people come through by themselves: made by sentence, opened by a key, a line before them when the seats
 * are gone. The site has three seats, one is held.
 */
final class DoorsTest extends ApiTestCase
{
    public function testAKeyMadeByUsLetsInAndIsForgivinglyRead(): void
    {
        $door = $this->door(['name' => 'Poster']);
        self::assertMatchesRegularExpression('/^([a-z]+-){2}\d{5}(-[a-z]+){2}$/', $door['key']);
        self::assertSame(
            ['key', 'open', 'Poster', 0],
            [$door['kind'], $door['state'], $door['name'], $door['through']],
        );
        $look = $this->call(null, 'POST', '/join/look', ['key' => strtoupper(str_replace('-', '  ', $door['key']))]);
        self::assertSame(
            ['Harmony', 'Learner', null, null],
            [$look['site']['title'], $look['role']['name'], $look['you'], $look['admission']],
        );
        self::assertSame(
            'in',
            $this->call('newcomer', 'POST', '/join/look', ['key' => $door['key']])['admission']['passage'],
        );
        self::assertSame('in', $this->join('newcomer', $door)['passage']);
        self::assertSame('learner current', $this->roster()['newcomer']);
        self::assertSame('already', $this->join('newcomer', $door)['passage'], 'Once more is as good as once.');
        self::assertSame(
            [1, 1, 1],
            [
                $this->doors()['Poster']['came'],
                $this->doors()['Poster']['through'],
                array_sum($this->doors()['Poster']['chart']['came']),
            ],
        );
        self::assertSame(
            'come-in',
            $this->call('lead', 'GET', '/sites/'.$this->ids['site'].'/history')['items'][0]['code'],
        );
    }

    public function testHowADoorFilledIsToldByDayAndByMinute(): void
    {
        $door = $this->door(['seats' => 2]);
        $days = fn(): array => $this->call('lead', 'GET', '/sites/'.$this->ids['site']."/doors/{$door['id']}/days");
        self::assertSame([[0], 2], [$days()['held'], $days()['seats']]);
        $this->join('newcomer', $door);
        $minutes = $this->call('lead', 'GET', '/sites/'.$this->ids['site'].'/arrivals')['minutes'];
        self::assertSame([60, 1, 1], [\count($minutes), array_sum($minutes), $minutes[59] + $minutes[58]]);
        self::assertSame(1, array_sum($days()['held']));
        // Three days later somebody else comes, and the first goes.
        $this->db()->executeStatement(
            'UPDATE access_grant SET given_at = given_at - INTERVAL 3 DAY, accepted_at = accepted_at - INTERVAL 3 DAY
             WHERE door_id = ?',
            [Id::binary($door['id'])],
        );
        $this->db()->executeStatement(
            'UPDATE enrollment_segment SET from_at = from_at - INTERVAL 3 DAY WHERE person_id = ?',
            [Id::binary($this->ids['newcomer'])],
        );
        self::assertSame([1, 1, 1, 1], $days()['held']);
        $this->change('lead', 'remove', 'newcomer');
        self::assertSame([1, 1, 1, 0], $days()['held']);
        $this->call('lead', 'GET', '/sites/'.$this->ids['draft']."/doors/{$door['id']}/days", null, 404);
    }

    public function testWhoAKeyBroughtMayGoAgainAndWhoElseMayNot(): void
    {
        $door = $this->door();
        $this->join('newcomer', $door);
        self::assertTrue($this->call('newcomer', 'POST', '/sites/'.$this->ids['site'].'/visits')['mayLeave']);
        self::assertFalse($this->call('newcomer', 'POST', '/sites/'.$this->ids['site'].'/leave')['still']);
        self::assertArrayNotHasKey('newcomer', $this->roster());
        $this->call('learner', 'POST', '/sites/'.$this->ids['site'].'/leave', expected: 403);
        self::assertSame('in', $this->join('newcomer', $door)['passage'], 'And may come back.');
    }

    public function testSlipsAreToldFromTheKeyItselfAndGuessesTellNothing(): void
    {
        $key = (string) $this->door()['key'];
        [$a, $b, $n, $c, $d] = explode('-', $key);
        // Of all slips one that can only be what it is: by chance a wrong number may be right for the words in another
        // order.
        $only = static fn(KeySlip $slip, string ...$typed): string => array_values(
            array_filter($typed, static fn(string $each): bool => $slip === Key::read($each)->slip),
        )[0];
        self::assertSame(
            'one-letter',
            $this->slip(
                $only(
                    KeySlip::OneLetter,
                    ...array_map(
                        static fn(int $at): string => substr_replace($key, 'q', $at, 1),
                        range(0, \strlen($a) - 1),
                    ),
                ),
            ),
        );
        self::assertSame(
            'number',
            $this->slip(
                $only(
                    KeySlip::Number,
                    ...array_map(
                        static fn(int $more): string => "$a-$b-"
                            .\sprintf('%05d', ((int) $n + $more) % 100_000)
                            ."-$c-$d",
                        [100, 200, 300, 400, 500],
                    ),
                ),
            ),
        );
        self::assertNull($this->service(DoorKeys::class)->door(Key::make(static fn(int $below): int => 1)));
        self::assertSame('no-door', $this->slip('no key at all'));
        self::assertSame('no-door', $this->slip('ключ от двери'));
        self::assertSame('too-long', $this->slip(str_repeat('reed-', 2_000)));
        self::assertSame('empty', $this->slip('   '));
        // The slips near it were noted for whoever watches; guesses were counted.
        $seen = $this->call('lead', 'GET', '/sites/'.$this->ids['site'].'/arrivals')['mistyping'];
        self::assertCount(1, $seen);
    }

    public function testGuessingIsThrottledPerAccountAndPerAddressButNobodySuffersForNeighbours(): void
    {
        $key = $this->door()['key'];
        for ($n = 0; $n < 20; ++$n) {
            $this->call('colleague', 'POST', '/join/look', ['key' => 'some guess '.$n], 422);
        }
        $this->call('colleague', 'POST', '/join/look', ['key' => $key], 429);
        $this->db()->executeStatement('UPDATE throttle SET hits = 400');
        $this->call(null, 'POST', '/join/look', ['key' => $key], 429);
        self::assertSame('in', $this->join('newcomer', ['key' => $key])['passage']);
    }

    /** A whole class behind one address, each mistyping once, is never kept waiting. */
    public function testAClassThatMistypesIsNotLockedOut(): void
    {
        $key = (string) $this->door(['seats' => 40])['key'];
        // Some words have this letter there already.
        $other = 'q' === $key[1] ? 'x' : 'q';
        for ($n = 0; $n < 60; ++$n) {
            $this->call(
                null,
                'POST',
                '/join/look',
                ['key' => substr_replace($key, $other, 1, 1), 'visitor' => 'v'.$n],
                422,
            );
        }
        $this->call(null, 'POST', '/join/look', ['key' => $key]);
        self::assertCount(60, $this->call('lead', 'GET', '/sites/'.$this->ids['site'].'/arrivals')['mistyping']);
    }

    /** @param array<string, mixed> $request */
    #[TestWith([['divisions' => ['juniors']], 'wrong-division', 'ask-lead'])]
    #[TestWith([['lowest' => 1, 'highest' => 3], 'wrong-level', 'ask-lead'])]
    #[TestWith([['domains' => ['example.net']], 'wrong-address', 'ask-lead'])]
    #[TestWith([['fromDay' => '2027-01-01'], 'not-yet', 'come-back'])]
    #[TestWith([['role' => 'sit-in-observer'], 'wrong-kind', 'ask-lead'])]
    public function testEachRefusalSaysWhatToDoNext(array $request, string $code, string $next): void
    {
        $refused = $this->join('newcomer', $this->door($request), 409);
        self::assertSame([$code, $next], [$refused['code'], $refused['next']]);
        self::assertGreaterThan(20, \strlen($refused['detail']));
    }

    public function testAShutDoorLetsNobodyNewInAndTakesNothing(): void
    {
        $door = $this->door();
        $this->join('newcomer', $door);
        self::assertSame('shut', $this->call('lead', 'DELETE', $this->path($door, '/open'))['state']);
        self::assertSame('shut', $this->join('junior', $door, 409)['code']);
        self::assertSame('already', $this->join('newcomer', $door)['passage']);
        self::assertSame('open', $this->call('lead', 'PUT', $this->path($door, '/open'))['state']);
        self::assertSame('in', $this->join('junior', $door)['passage']);
    }

    public function testWhoIsKeptOutStaysOutAndIsNeverToldToWait(): void
    {
        $this->change('lead', 'block', 'newcomer');
        self::assertSame('blocked', $this->join('newcomer', $this->door(), 409)['code']);
    }

    public function testARenewedKeyStopsTheOneBefore(): void
    {
        $door = $this->door();
        $renewed = $this->call('lead', 'POST', $this->path($door, '/key'));
        self::assertNotSame($door['key'], $renewed['key']);
        self::assertSame('no-door', $this->slip((string) $door['key']));
        self::assertSame('in', $this->join('newcomer', $renewed)['passage']);
        $many = $this->call('lead', 'POST', '/key-renewals', [
            'doors' => [$door['id']],
            'fromDay' => '2027-01-11',
            'untilDay' => '2027-03-26',
        ])['items'][0];
        self::assertSame(['not-yet', '2027-03-26T23:00:00Z'], [$many['state'], $many['untilAt']]);
        $this->call('colleague', 'POST', '/key-renewals', ['doors' => [$door['id']]], 404);
    }

    /** @param array<string, mixed> $request */
    #[TestWith(['cotutor', ['role' => 'lead-tutor'], '/role', 'not-yours-to-give'])]
    #[TestWith(['lead', ['role' => 'nothing'], '/role', 'no-such-role'])]
    #[TestWith(['lead', ['untilDay' => '2020-01-01'], '/untilDay', 'over'])]
    #[TestWith(['lead', ['fromDay' => '2027-02-01', 'untilDay' => '2027-01-01'], '/untilDay', 'before-start'])]
    #[TestWith(['lead', ['key' => 'Harmony2026'], '/key', 'of-the-site'])]
    #[TestWith(['lead', ['key' => 'kurz'], '/key', 'too-short'])]
    #[TestWith(['lead', ['divisions' => ['nowhere']], '/divisions', 'unknown'])]
    #[TestWith(['lead', ['place' => 'emptiest'], '/place', 'no-sections'])]
    #[TestWith(['lead', ['quietMeetings' => 3], '/meets', 'no-meetings'])]
    #[TestWith(['lead', ['stay' => 'day', 'stayDay' => '2020-01-01'], '/stayDay', 'over'])]
    #[TestWith(['lead', ['accounts' => true, 'divisions' => ['faculty']], '/accounts', 'not-yours'])]
    public function testADoorThatCannotBeSaysWhyAtItsField(
        string $as,
        array $request,
        string $pointer,
        string $code,
    ): void {
        $problem = $this->call($as, 'POST', '/sites/'.$this->ids['site'].'/doors', $request, 422);
        self::assertSame([$pointer, $code], [$problem['errors'][0]['pointer'], $problem['errors'][0]['code']]);
        self::assertSame([], array_filter($this->doors(), static fn(array $door): bool => $door['set']));
    }

    public function testAChosenKeyOpensHoweverItIsWritten(): void
    {
        $this->door(['key' => 'Oboes at Dawn']);
        self::assertSame('in', $this->join('newcomer', ['key' => 'OBOES-at-dawn'])['passage']);
        self::assertStringNotContainsString(
            'boes',
            (string) json_encode(
                array_map(
                    static fn(array $row): string => bin2hex(implode('', array_map(strval(...), $row)))
                        .implode('', array_map(strval(...), $row)),
                    $this->db()->fetchAllNumeric('SELECT hash, sealed FROM door_key'),
                ),
                \JSON_INVALID_UTF8_SUBSTITUTE,
            ),
            'Nothing of a key stands in the database.',
        );
    }

    public function testReachIsWhatWouldHappen(): void
    {
        $reach = fn(array $request): array => $this->call(
            'lead',
            'POST',
            '/sites/'.$this->ids['site'].'/door-reach',
            $request,
        );
        $this->change('lead', 'block', 'newcomer');
        self::assertSame(['could' => 1, 'here' => 4, 'blocked' => 1, 'not' => 4, 'seats' => 3], $reach([]));
        self::assertSame(0, $reach(['divisions' => ['seniors']])['could']);
        self::assertSame(1, $reach(['domains' => ['example.org']])['could']);
    }

    public function testWhenSeatsAreGoneALineFormsAndAFreeSeatIsOfferedToTheFirst(): void
    {
        $door = $this->door(['offerHours' => 2]);
        $this->fill();
        $first = $this->join('newcomer', $door);
        self::assertSame(['line', 1], [$first['passage'], $first['place']]);
        self::assertSame(2, $this->join('junior', $door)['place']);
        self::assertSame(1, $this->join('newcomer', $door)['place'], 'Asking again changes nothing.');
        self::assertSame('waiting', explode(' ', $this->roster()['newcomer'])[1]);
        $check = '/sites/'.$this->ids['site'].'/access-check/'.$this->ids['newcomer'];
        self::assertSame('waits-for-seat', $this->call('lead', 'GET', $check)['reason']['causes'][0]['code']);
        self::assertSame(0, $this->tasks()['offered']);
        $this->change('lead', 'remove', 'learner');
        self::assertSame(1, $this->tasks()['offered']);
        self::assertSame(0, $this->tasks()['offered'], 'Twice does nothing twice.');
        $waits = $this->call('newcomer', 'GET', '/me/waits')['items'];
        self::assertSame(['seat', 1, 2], [$waits[0]['what'], $waits[0]['place'], $waits[0]['of']]);
        self::assertNotNull($waits[0]['offeredUntil']);
        self::assertSame(
            'waits-for-seat',
            $this->call(
                'lead',
                'POST',
                '/sites/'.$this->ids['site'].'/change-lists',
                ['lines' => [['person' => $this->ids['learner'], 'verb' => 'bring-back']]],
                409,
            )['line']['verdict'],
            'The seat that is kept is nobody else\'s.',
        );
        $this->call('junior', 'POST', '/me/waits/'.$waits[0]['id'], expected: 404);
        self::assertSame('in', $this->call('newcomer', 'POST', '/me/waits/'.$waits[0]['id'])['passage']);
        self::assertSame('learner current', $this->roster()['newcomer']);
        self::assertSame(1, (int) $this->db()->fetchOne("SELECT COUNT(*) FROM message WHERE kind = 'seat-offered'"));
    }

    public function testALineFormsBeforeASectionThatIsFullAndNobodyElseWaits(): void
    {
        foreach (['Morning', 'Evening'] as $name) {
            $this->ids[$name] = $this->platform->section($this->ids['site'], $name, 'Mondays');
        }
        $this->platform->write();
        $this->db()->executeStatement('UPDATE site SET seats = NULL');
        $this->db()->executeStatement("UPDATE section SET seats = 1 WHERE name = 'Morning'");
        $into = fn(string $section): array => ['place' => 'fixed', 'section' => $this->ids[$section]];
        $morning = $this->door([...$into('Morning'), 'offerHours' => 2]);
        $this->change('lead', 'put-in-section', 'learner', more: ['section' => $this->ids['Morning']]);
        self::assertSame('line', $this->join('newcomer', $morning)['passage']);
        self::assertSame('in', $this->join('junior', $this->door($into('Evening')))['passage']);
        self::assertSame(0, $this->tasks()['offered'], 'Other seats of the site are none of Morning.');
        $this->change('lead', 'put-in-section', 'learner', more: ['section' => $this->ids['Evening']]);
        self::assertSame(1, $this->tasks()['offered']);
        self::assertSame(0, $this->tasks()['offered'], 'It is kept for one.');
        $this->ids['late'] = $this->person('late', 'learner', 'seniors', 7);
        $this->platform->write();
        self::assertSame('line', $this->join('late', $morning)['passage']);
        $back = ['lines' => [[
            'person' => $this->ids['learner'],
            'verb' => 'put-in-section',
            'section' => $this->ids['Morning'],
        ]]];
        $line = $this->call('lead', 'POST', '/sites/'.$this->ids['site'].'/change-lists', $back, 409)['line'];
        self::assertSame('section-full', $line['reasons'][0]['code'], 'The seat that is kept is nobody else\'s.');
        $wait = $this->call('newcomer', 'GET', '/me/waits')['items'][0]['id'];
        self::assertSame('in', $this->call('newcomer', 'POST', '/me/waits/'.$wait)['passage']);
        self::assertSame(0, $this->tasks()['offered']);
        $this->ids['last'] = $this->person('last', 'learner', 'seniors', 7);
        $this->platform->write();
        $choice = $this->door(['place' => 'choice']);
        $this->db()->executeStatement("UPDATE section SET seats = 2 WHERE name = 'Morning'");
        self::assertSame(1, $this->tasks()['offered']);
        $chosen = ['key' => $choice['key'], 'section' => $this->ids['Morning']];
        self::assertSame('line', $this->call('last', 'POST', '/join', $chosen)['passage'], 'Kept for who waits.');
        $shut = $this->door([...$into('Morning'), 'waiting' => false]);
        self::assertSame('no-seat', $this->call('last', 'POST', '/join', ['key' => $shut['key']], 409)['code']);
    }

    public function testAnOfferThatIsOverGoesToTheNext(): void
    {
        $door = $this->door();
        $this->fill();
        $this->join('newcomer', $door);
        $this->join('junior', $door);
        $this->change('lead', 'remove', 'learner');
        $this->tasks();
        $this->db()->executeStatement('UPDATE waiter SET offered_until = ? WHERE offered_until IS NOT NULL', [
            Instant::toSql($this->now() - 1),
        ]);
        $wait = $this->call('newcomer', 'GET', '/me/waits')['items'][0];
        self::assertSame(
            'offer-over',
            $this->call('newcomer', 'POST', '/me/waits/'.$wait['id'], expected: 409)['code'],
        );
        self::assertSame(1, $this->tasks()['offered']);
        self::assertSame([], $this->call('newcomer', 'GET', '/me/waits')['items']);
        self::assertNotNull($this->call('junior', 'GET', '/me/waits')['items'][0]['offeredUntil']);
        self::assertSame('line', $this->join('newcomer', $door)['passage'], 'And may wait again, behind.');
    }

    public function testStaffMoveSomebodyUpWithAReason(): void
    {
        $door = $this->door();
        $this->fill();
        $this->join('newcomer', $door);
        $this->join('junior', $door);
        $site = '/sites/'.$this->ids['site'];
        $line = $this->call('lead', 'GET', $site.'/waiting')['items'];
        self::assertSame(
            'why',
            $this->call('lead', 'POST', $site.'/waiting', ['waiters' => [$line[1]['id']], 'answer' => 'up'], 422)[
                'errors'
            ][0]['code'],
        );
        self::assertSame(
            'moved',
            $this->call('lead', 'POST', $site.'/waiting', [
                'waiters' => [$line[1]['id']],
                'answer' => 'up',
                'why' => 'Sister is in it.',
            ])['items'][0]['code'],
        );
        $line = $this->call('lead', 'GET', $site.'/waiting')['items'];
        self::assertSame(['Junior Juniorsen', 'Sister is in it.'], [$line[0]['person']['name'], $line[0]['moved']]);
        self::assertSame('left', $this->call('junior', 'DELETE', '/me/waits/'.$line[0]['id'])['passage']);
        self::assertCount(1, $this->call('lead', 'GET', $site.'/waiting')['items']);
    }

    public function testWhoeverAsksAnswersTheQuestionsOfTheKindOfSite(): void
    {
        $rules = $this->call('admin', 'GET', '/rules')['rules'];
        $kind = (string) $this->db()->fetchOne('SELECT kind FROM site WHERE title = ?', ['Harmony']);
        foreach ($rules['siteKinds'] as &$each) {
            if ($each['code'] === $kind) {
                $each['questions'] = [
                    ['text' => 'What do you play?', 'choices' => ['Viola', 'Oboe']],
                    ['text' => 'Since when?', 'choices' => []],
                ];
            }
        }
        unset($each);
        $this->call('admin', 'PUT', '/rules', ['rules' => $rules, 'apply' => true], headers: ['If-Match' => '"1"']);
        $this->door(['kind' => 'request', 'approval' => true]);
        $open = $this->call('newcomer', 'GET', '/open-doors')['items'][0];
        self::assertSame(['What do you play?', 'Since when?'], array_column($open['questions'], 'text'));
        $ask = fn(array $answers, int $status): array => $this->call('newcomer', 'POST', '/join', [
            'door' => $open['door'],
            'answers' => $answers,
        ], $status);
        self::assertSame(
            ['/answers/0', '/answers/1'],
            array_column($ask(['Drums'], 422)['errors'], 'pointer'),
            'Nobody waits with half an answer.',
        );
        self::assertSame('approval', $ask(['Oboe', 'Last year.'], 200)['passage']);
        $asking = $this->call('lead', 'GET', '/sites/'.$this->ids['site'].'/waiting')['items'];
        self::assertSame("What do you play? Oboe\nSince when? Last year.", $asking[0]['why']);
    }

    public function testARequestIsAnsweredAndTold(): void
    {
        $this->door(['kind' => 'request', 'approval' => true, 'about' => 'Come and sing.']);
        $open = $this->call('newcomer', 'GET', '/open-doors')['items'];
        self::assertSame(
            ['Harmony', true, 'Come and sing.'],
            [$open[0]['site']['title'], $open[0]['asks'], $open[0]['about']],
        );
        self::assertSame(
            [],
            $this->call('guardian', 'GET', '/open-doors')['items'],
            'Who could not come through does not see it.',
        );
        self::assertSame(
            'approval',
            $this->call('newcomer', 'POST', '/join', ['door' => $open[0]['door'], 'why' => 'I sing.'])['passage'],
        );
        $this->call('junior', 'POST', '/join', ['door' => $open[0]['door']]);
        $site = '/sites/'.$this->ids['site'];
        $asking = $this->call('lead', 'GET', $site.'/waiting')['items'];
        self::assertSame(['approval', 'I sing.'], [$asking[0]['what'], $asking[0]['why']]);
        $answers = $this->call('lead', 'POST', $site.'/waiting', [
            'waiters' => [$asking[0]['id']],
            'answer' => 'yes',
        ])['items'];
        self::assertSame([true, 'in'], [$answers[0]['done'], $answers[0]['code']]);
        $this->call('lead', 'POST', $site.'/waiting', [
            'waiters' => [$asking[1]['id']],
            'answer' => 'no',
            'why' => 'Next term.',
        ]);
        self::assertSame('learner current', $this->roster()['newcomer']);
        self::assertArrayNotHasKey('junior', $this->roster());
        self::assertSame(
            2,
            (int) $this->db()->fetchOne("SELECT COUNT(*) FROM message WHERE kind = 'request-answered'"),
        );
        $entry = $this->call('lead', 'GET', $site.'/history')['items'][1];
        self::assertSame(
            ['come-in', 'Lead Leadsen', 'Newcomer Newcomersen'],
            [$entry['code'], $entry['actor']['name'], $entry['person']['name']],
        );
    }

    public function testAnAccountIsMadeOnTheWayAndOnlyOnce(): void
    {
        $door = $this->door(['accounts' => true, 'lowest' => 6, 'highest' => 8]);
        $request = [
            'key' => $door['key'],
            'given' => 'Mia',
            'family' => 'Berg',
            'level' => 7,
            'password' => 'three small boats',
        ];
        self::assertSame(
            ['lowest' => 6, 'highest' => 8, 'names' => []],
            $this->call(null, 'POST', '/join/look', ['key' => $door['key']])['levels'],
        );
        $made = $this->call(null, 'POST', '/join/account', $request, 201, ['Idempotency-Key' => 'a-double-click']);
        self::assertSame(['in', 'mia.berg'], [$made['passage'], $made['login']]);
        self::assertSame(
            'mia.berg',
            $this->call(null, 'POST', '/join/account', $request, 201, ['Idempotency-Key' => 'a-double-click'])['login'],
        );
        self::assertSame('learner current', $this->roster()['mia']);
        self::assertSame(
            'Mia Berg',
            $this->call(null, 'POST', '/sign-in', ['login' => 'mia.berg', 'password' => 'three small boats'])['name'],
        );
        self::assertSame(
            '/level',
            $this->call(null, 'POST', '/join/account', [...$request, 'level' => 9], 422)['errors'][0]['pointer'],
        );
        self::assertSame(
            '/given',
            $this->call(null, 'POST', '/join/account', [...$request, 'given' => ' '], 422)['errors'][0]['pointer'],
        );
        self::assertSame(
            '/family',
            $this->call(null, 'POST', '/join/account', [...$request, 'family' => 'see https://x.example'], 422)[
                'errors'
            ][0]['pointer'],
        );
        $this->call(null, 'POST', '/join/account', [...$request, 'password' => 'short'], 422);
        $this->call(null, 'POST', '/join/account', [...$request, 'key' => $this->door()['key']], 403);
        // When the door refuses, no account is left behind.
        $this->call('lead', 'DELETE', $this->path($door, '/open'));
        $this->call(null, 'POST', '/join/account', [...$request, 'given' => 'Nina'], 409);
        self::assertFalse($this->db()->fetchOne("SELECT 1 FROM account WHERE login = 'nina.berg'"));
    }

    public function testASectionIsGivenOutAsTheDoorSays(): void
    {
        foreach (['Morning', 'Evening'] as $name) {
            $this->ids[$name] = $this->platform->section($this->ids['site'], $name, 'Mondays');
        }
        $this->platform->write();
        $this->db()->executeStatement('UPDATE site SET seats = NULL');
        $section = fn(string $of): mixed => $this->db()->fetchOne(
            <<<'SQL'
                SELECT s.name
                FROM access_grant w
                JOIN section s ON s.id = w.section_id
                WHERE w.person_id = ? AND w.live = 1
                SQL,
            [Id::binary($this->ids[$of])],
        );
        $this->join('newcomer', $this->door(['place' => 'fixed', 'section' => $this->ids['Evening']]));
        self::assertSame('Evening', $section('newcomer'));
        $this->join('junior', $this->door(['place' => 'emptiest']));
        self::assertSame('Morning', $section('junior'));
        $choice = $this->door(['place' => 'choice', 'role' => 'day-guest']);
        self::assertCount(2, $this->call('guardian', 'POST', '/join/look', ['key' => $choice['key']])['sections']);
        self::assertSame(
            '/section',
            $this->call('guardian', 'POST', '/join', ['key' => $choice['key']], 422)['errors'][0]['pointer'],
        );
        $this->call('guardian', 'POST', '/join', ['key' => $choice['key'], 'section' => $this->ids['Morning']]);
        self::assertSame('Morning', $section('guardian'));
        // One that is full is not offered, and not where the fewest are.
        $this->db()->executeStatement("UPDATE section SET seats = 1 WHERE name = 'Morning'");
        $look = $this->call('guardian', 'POST', '/join/look', ['key' => $choice['key']]);
        self::assertSame(['Evening'], array_column($look['sections'], 'name'));
        $this->ids['late'] = $this->person('late', 'learner', 'seniors', 7);
        $this->platform->write();
        $this->join('late', $this->door(['place' => 'emptiest']));
        self::assertSame('Evening', $section('late'));
    }

    public function testALookInShowsWhatWasSaidAndNothingElse(): void
    {
        $closed = $this->door(['kind' => 'preview', 'divisions' => ['juniors']]);
        $this->call(null, 'GET', '/previews/'.$closed['id'], expected: 401);
        $this->call('newcomer', 'GET', '/previews/'.$closed['id'], expected: 404);
        self::assertSame(
            [null, null, null],
            array_values(
                array_intersect_key($this->call('junior', 'GET', '/previews/'.$closed['id']), [
                    'leads' => 1,
                    'sections' => 1,
                    'learners' => 1,
                ]),
            ),
        );
        $open = $this->door([
            'kind' => 'preview',
            'anyone' => true,
            'shows' => ['leads', 'numbers'],
            'about' => 'Every Monday.',
        ]);
        $seen = $this->call(null, 'GET', '/previews/'.$open['id']);
        self::assertSame(
            [['Lead Leadsen'], 1, 3, 'Every Monday.'],
            [$seen['leads'], $seen['learners'], $seen['seats'], $seen['about']],
        );
        $this->call('lead', 'DELETE', $this->path($open, '/open'));
        $this->call(null, 'GET', '/previews/'.$open['id'], expected: 401);
    }

    public function testADoorIsChangedByWhoSawItLast(): void
    {
        $door = $this->door();
        $changed = $this->call(
            'lead',
            'PUT',
            $this->path($door),
            ['name' => 'Spring', 'seats' => 12],
            headers: ['If-Match' => '"1"'],
        );
        self::assertSame(
            ['Spring', 12, 12, 2, $door['key']],
            [$changed['name'], $changed['terms']['seats'], $changed['left'], $changed['version'], $changed['key']],
        );
        $this->call('cotutor', 'PUT', $this->path($door), ['name' => 'Mine'], 412, ['If-Match' => '"1"']);
        self::assertSame(
            '/kind',
            $this->call('lead', 'PUT', $this->path($door), ['kind' => 'preview'], 422, ['If-Match' => '"2"'])[
                'errors'
            ][0]['pointer'],
        );
    }

    /** Somebody who never came: warned by day, released three waking days later, and brought back by an undo. */
    public function testQuietPeopleAreWarnedAndThenReleased(): void
    {
        $door = $this->door(['quietDays' => 5]);
        $this->join('newcomer', $door);
        $this->cameLongAgo('newcomer');
        self::assertSame(1, $this->tasks()['warned']);
        self::assertSame(
            ['warned' => 0, 'released' => 0],
            array_intersect_key($this->tasks(), ['warned' => 1, 'released' => 1]),
        );
        self::assertSame(1, (int) $this->db()->fetchOne("SELECT COUNT(*) FROM message WHERE kind = 'quiet-warning'"));
        $this->graceIsOver();
        self::assertSame(1, $this->tasks()['released']);
        self::assertArrayNotHasKey('newcomer', $this->roster());
        $entry = $this->call('lead', 'GET', '/sites/'.$this->ids['site'].'/history')['items'][0];
        self::assertSame(['release', 'Lead Leadsen'], [$entry['code'], $entry['actor']['name']]);
        $this->call('lead', 'POST', '/sites/'.$this->ids['site'].'/history/'.$entry['sequence'].'/undo');
        self::assertSame('learner current', $this->roster()['newcomer']);
    }

    /** Three meetings missed are three of one's own: a day that was taken out is nobody's absence. */
    public function testMeetingsMissedAreThoseOfTheirOwnSection(): void
    {
        foreach (['Morning', 'Evening'] as $name) {
            $this->ids[$name] = $this->platform->section($this->ids['site'], $name, 'Mondays');
        }
        $this->ids['other'] = $this->person('other', 'learner', 'seniors', 7);
        $this->platform->write();
        $weekly = ['minutes' => 90, 'first' => '2026-11-02', 'days' => [1], 'until' => '2026-12-14'];
        $version = $this->call('lead', 'GET', '/sites/'.$this->ids['site'])['version'];
        $hours = ['hours' => [
            [...$weekly, 'time' => '09:30', 'section' => $this->ids['Morning']],
            [
                ...$weekly,
                'time' => '18:00',
                'section' => $this->ids['Evening'],
                'changes' => [['day' => '2026-11-09'], ['day' => '2026-11-16', 'toDay' => '2026-11-25']],
            ],
        ]];
        $ifMatch = ['If-Match' => "\"$version\""];
        $this->call('lead', 'PUT', '/sites/'.$this->ids['site'].'/hours', $hours, 200, $ifMatch);
        $this->db()->executeStatement('UPDATE site SET seats = NULL');
        foreach (['newcomer' => 'Morning', 'other' => 'Evening', 'junior' => 'Morning'] as $who => $section) {
            $into = ['place' => 'fixed', 'section' => $this->ids[$section], 'quietMeetings' => 3, 'name' => $who];
            self::assertSame('in', $this->join($who, $this->door($into))['passage']);
            $this->cameLongAgo($who);
        }
        $this->db()->executeStatement(
            'UPDATE enrollment SET last_seen_at = ? WHERE person_id = ?',
            [Instant::toSql($this->now() - 14 * 86_400), Id::binary($this->ids['junior'])],
        );
        self::assertSame(1, $this->tasks()['warned'], 'Morning met four times, Evening twice, and one was here.');
        $waits = fn(string $who): int => \count($this->call($who, 'GET', '/me/waits')['quiet']);
        self::assertSame([1, 0, 0], array_map($waits, ['newcomer', 'other', 'junior']));
        self::assertSame(0, $this->tasks()['released'], 'They have time to come.');
        $this->graceIsOver();
        self::assertSame(1, $this->tasks()['released']);
        self::assertArrayNotHasKey('newcomer', $this->roster());
        self::assertSame(['learner current', 'learner current'], [
            $this->roster()['other'],
            $this->roster()['junior'],
        ]);
    }

    public function testAKeyIsShownOnlyToThoseWhoCouldGiveWhatItGives(): void
    {
        $door = $this->door(['role' => 'day-guest', 'name' => 'Guests']);
        self::assertNotNull($door['key']);
        self::assertNull(
            array_column(
                $this->call('cotutor', 'GET', '/sites/'.$this->ids['site'].'/doors')['items'],
                null,
                'name',
            )['Guests']['key'],
        );
        $this->call('cotutor', 'POST', $this->path($door, '/key'), expected: 403);
        $this->call('cotutor', 'POST', '/key-renewals', ['doors' => [$door['id']]], 403);
        self::assertSame(
            [],
            array_filter(
                $this->call('cotutor', 'GET', '/key-doors')['items'],
                static fn(array $each): bool => null !== $each['key'],
            ),
        );
    }

    public function testWhatOthersBroughtIsAmongTheDoors(): void
    {
        $this->platform->door($this->ids['site'], DoorKind::Feed, 'registrar\'s list', true);
        $this->platform->write();
        self::assertSame(
            [false, true, 'feed'],
            [
                $this->doors()['registrar\'s list']['set'],
                $this->doors()['registrar\'s list']['reserved'],
                $this->doors()['registrar\'s list']['kind'],
            ],
        );
    }

    /**
     * @param array<string, mixed> $request
     *
     * @return array<string, mixed>
     */
    private function door(array $request = []): array
    {
        return $this->call('lead', 'POST', '/sites/'.$this->ids['site'].'/doors', $request, 201);
    }

    /** @return array<string, array<string, mixed>> by name */
    private function doors(): array
    {
        return array_column(
            $this->call('lead', 'GET', '/sites/'.$this->ids['site'].'/doors')['items'],
            null,
            'name',
        );
    }

    /** @param array<string, mixed> $door */
    private function path(array $door, string $more = ''): string
    {
        return '/sites/'.$this->ids['site'].'/doors/'.$door['id'].$more;
    }

    /**
     * @param array<string, mixed> $door
     *
     * @return array<string, mixed>
     */
    private function join(string $as, array $door, int $expected = 200): array
    {
        return $this->call($as, 'POST', '/join', ['key' => $door['key']], $expected);
    }

    private function slip(string $typed): string
    {
        return $this->call('newcomer', 'POST', '/join/look', ['key' => $typed], 422)['errors'][0]['code'];
    }

    /** Forty days ago, to a site that was open then. */
    private function cameLongAgo(string $who): void
    {
        $long = Instant::toSql($this->now() - 40 * 86_400);
        $this->db()->executeStatement(
            'UPDATE access_grant SET given_at = ?, from_at = ?, accepted_at = ? WHERE person_id = ?',
            [$long, $long, $long, Id::binary($this->ids[$who])],
        );
        $this->db()->executeStatement(
            'UPDATE enrollment_segment SET from_at = ? WHERE person_id = ?',
            [$long, Id::binary($this->ids[$who])],
        );
        $this->db()->executeStatement('UPDATE site SET opens_at = ?', [$long]);
    }

    private function graceIsOver(): void
    {
        $this->db()->executeStatement('UPDATE quiet SET goes_at = ?, warned_at = ?', [
            Instant::toSql($this->now() - 1),
            Instant::toSql($this->now() - 86_400),
        ]);
    }

    /** Takes the two seats that are free. */
    private function fill(): void
    {
        foreach (['Ada', 'Bo'] as $name) {
            $this->ids[$name] = $this->person($name, 'learner', 'seniors', 7);
        }
        $this->platform->write();
        foreach (['Ada', 'Bo'] as $name) {
            $this->change('lead', 'let-in', $name, 'learner');
        }
    }

    /** @return array<string, int> */
    private function tasks(): array
    {
        return $this->service(ScheduledDoorTasks::class)->all();
    }
}
