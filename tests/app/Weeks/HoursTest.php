<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Weeks;

use MintDoor\Shared\Id;
use MintDoor\Tests\App\ApiTestCase;
use Sabre\VObject\Component\VCalendar;
use Sabre\VObject\Reader;

/** When sites and sections meet, whose week that is, and who would be in two places at once. */
final class HoursTest extends ApiTestCase
{
    private const WEEKLY = ['time' => '09:30', 'minutes' => 90, 'first' => '2026-11-23', 'days' => [1]];

    private const UNTIL = ['until' => '2026-12-18', 'room' => '12', 'building' => 'Quay House'];

    /** @var array<string, string> ids by name */
    private array $sections = [];

    protected function setUp(): void
    {
        parent::setUp();
        $made = $this->put('sections', ['sections' => [['name' => 'Morning'], ['name' => 'Evening']]]);
        $this->sections = array_column($made['sections'], 'id', 'name');
    }

    public function testHoursAreSaidKeptAndUndone(): void
    {
        $made = $this->hours([
            [...self::WEEKLY, ...self::UNTIL, 'section' => $this->sections['Morning'], 'every' => 2],
            ['time' => '18:00', 'minutes' => 60, 'first' => '2026-12-01', 'name' => 'Concert'],
        ]);
        self::assertSame([[1], []], array_column($made['hours'], 'days'));
        self::assertSame([2, 1], array_column($made['hours'], 'meetings'));
        self::assertSame('2026-12-18', $made['lastDay']);
        self::assertSame('2026-12-07', substr((string) $made['hours'][0]['next'], 0, 10));
        $same = array_values(array_map(self::wanted(...), $made['hours']));
        self::assertNull($this->hours($same)['entry'], 'nothing to do');
        $fewer = $this->hours([$same[0]]);
        self::assertCount(1, $fewer['hours']);
        $this->call('lead', 'POST', $this->path('/history/'.$fewer['entry'].'/undo'));
        $back = $this->call('lead', 'GET', $this->path('/hours'));
        self::assertSame($made['hours'], $back['hours']);
        $this->hours([...$same, [...self::WEEKLY, ...self::UNTIL]]);
        $this->call('lead', 'POST', $this->path('/history/'.$made['entry'].'/undo'), null, 409);
    }

    public function testWhatIsWrongIsSaidAtItsField(): void
    {
        foreach (
            [
                'until' => [...self::WEEKLY],
                'until ' => [...self::WEEKLY, 'until' => '2026-11-01'],
                'section' => [...self::WEEKLY, ...self::UNTIL, 'section' => $this->ids['lead']],
                'rule' => [...self::WEEKLY, 'days' => [], 'rule' => 'FREQ=WEEKLY'],
                'rule ' => [...self::WEEKLY, 'days' => [], 'rule' => 'every now and then'],
                'rule  ' => [...self::WEEKLY, 'days' => [], 'rule' => 'FREQ=DAILY;COUNT=900'],
                'first' => [...self::WEEKLY, ...self::UNTIL, 'first' => '0000-01-01'],
                'changes/0/toDay' => [
                    ...self::WEEKLY,
                    ...self::UNTIL,
                    'changes' => [['day' => '2026-11-30', 'toDay' => '']],
                ],
                'zone' => [...self::WEEKLY, ...self::UNTIL, 'zone' => 'Nowhere/At_All'],
                'time' => [...self::WEEKLY, ...self::UNTIL, 'time' => '25:00'],
                'changes/0/day' => [...self::WEEKLY, ...self::UNTIL, 'changes' => [['day' => '2026-11-24']]],
                'changes/1/day' => [
                    ...self::WEEKLY,
                    ...self::UNTIL,
                    'changes' => [['day' => '2026-11-30'], ['day' => '2026-11-30', 'toDay' => '2026-12-01']],
                ],
            ] as $field => $one
        ) {
            $wrong = $this->hours([$one], expected: 422);
            self::assertSame('/hours/0/'.trim($field), $wrong['errors'][0]['pointer'], $field);
        }
        self::assertSame([], $this->call('lead', 'GET', $this->path('/hours'))['hours']);
    }

    public function testDaysOffAndSingleDaysAreTakenOutAndTheCalendarSaysTheSame(): void
    {
        $made = $this->hours([[
            ...self::WEEKLY,
            ...self::UNTIL,
            'section' => $this->sections['Morning'],
            'changes' => [
                ['day' => '2026-11-30'],
                ['day' => '2026-12-07', 'toDay' => '2026-12-08', 'time' => '14:00', 'minutes' => 45, 'room' => '3'],
            ],
        ]]);
        self::assertSame(3, $made['hours'][0]['meetings']);
        $week = $this->call('lead', 'GET', $this->path('/week?day=2026-12-09'));
        self::assertSame([0, 1, 0, 0, 0, 0, 0], array_map(count(...), array_column($week['days'], 'meetings')));
        $moved = $week['days'][1]['meetings'][0]['occasion'];
        self::assertSame(['Harmony', 'Morning', '3'], [$moved['site']['name'], $moved['section'], $moved['room']]);
        $this->client->request('GET', '/api/v1'.$this->path('/hours/calendar'));
        $text = (string) $this->client->getResponse()->getContent();
        $read = Reader::read($text);
        \assert($read instanceof VCalendar);
        $problems = array_filter($read->validate(), static fn(array $one): bool => $one['level'] > 1);
        self::assertSame([], $problems);
        $again = $this->call('lead', 'POST', $this->path('/hours/read'), ['text' => $text]);
        self::assertSame([1, 0, 0], [\count($again['hours']), $again['wholeDays'], $again['others']]);
        foreach (['section', 'first', 'time', 'minutes', 'days', 'until', 'room', 'building', 'changes'] as $field) {
            $expected = $made['hours'][0][$field];
            self::assertEquals('changes' === $field ? self::places($expected) : $expected, $again['hours'][0][$field]);
        }
    }

    public function testACalendarOfOthersIsRead(): void
    {
        $text = implode("\r\n", [
            'BEGIN:VCALENDAR',
            'VERSION:2.0',
            'PRODID:-//Quay Hall//Rooms//EN',
            'BEGIN:VEVENT',
            'UID:one',
            'SUMMARY:Harmony, evening class',
            'DTSTART;TZID=America/New_York:20260910T183000',
            'DURATION:PT1H30M',
            'RRULE:FREQ=MONTHLY;BYDAY=2TH;COUNT=4',
            'LOCATION:Room 3, Mill Hall',
            'EXDATE;TZID=America/New_York:20261008T183000',
            'RDATE;TZID=America/New_York:20261201T183000',
            'END:VEVENT',
            'BEGIN:VEVENT',
            'UID:two',
            'SUMMARY:Rehearsal',
            'DTSTART:20260907T120000',
            'DTEND:20260907T130000',
            'RRULE:FREQ=WEEKLY;BYDAY=MO,WE',
            'END:VEVENT',
            'BEGIN:VEVENT',
            'UID:three',
            'DTSTART;VALUE=DATE:20261225',
            'END:VEVENT',
            'BEGIN:VEVENT',
            'UID:four',
            'STATUS:CANCELLED',
            'DTSTART:20260907T120000Z',
            'END:VEVENT',
            'END:VCALENDAR',
        ]);
        $read = $this->call('lead', 'POST', $this->path('/hours/read'), ['text' => $text]);
        self::assertSame([3, 1, 1], [\count($read['hours']), $read['wholeDays'], $read['others']]);
        [$monthly, $extra, $weekly] = $read['hours'];
        self::assertSame($this->sections['Evening'], $monthly['section']);
        self::assertSame('FREQ=MONTHLY;BYDAY=2TH;COUNT=4', $monthly['rule']);
        self::assertSame(['Room 3', 'Mill Hall', 90], [$monthly['room'], $monthly['building'], $monthly['minutes']]);
        self::assertSame(['2026-10-08'], array_column($monthly['changes'], 'day'));
        self::assertSame(['2026-12-01', null], [$extra['first'], $extra['rule']]);
        self::assertSame([[1, 3], '2026-12-18', null], [$weekly['days'], $weekly['until'], $weekly['zone']]);
        $kept = $this->hours($read['hours']);
        // Half past six in New York, in summer and in winter.
        self::assertSame(3, $kept['hours'][0]['meetings']);
        self::assertSame('2026-12-10T23:30:00Z', $kept['hours'][0]['next']);
        foreach (['nothing', "BEGIN:VCARD\r\nEND:VCARD", ''] as $none) {
            $this->call('lead', 'POST', $this->path('/hours/read'), ['text' => $none], 422);
        }
    }

    public function testWhoIsWantedElsewhereIsAskedAboutAndFoundAgain(): void
    {
        $this->hours([[...self::WEEKLY, ...self::UNTIL, 'section' => $this->sections['Morning']]]);
        $this->hours([[...self::WEEKLY, ...self::UNTIL, 'time' => '10:30']], 'draft');
        $into = ['section' => $this->sections['Morning']];
        $asked = $this->change('lead', 'put-in-section', 'learner', expected: 409, more: $into);
        self::assertSame('needs-choice', $asked['line']['verdict']);
        $note = $asked['line']['reasons'][0];
        self::assertSame(['clash', 'Draft', 'Morning'], [
            $note['code'],
            $note['values']['otherSite'],
            $note['values']['section'],
        ]);
        self::assertSame([3, 0], [$note['values']['times'], $note['values']['more']]);
        $this->change('lead', 'put-in-section', 'learner', expected: 422, more: [...$into, 'clash' => true]);
        $meant = [...$into, 'clash' => true, 'note' => 'Leaves early on Mondays.'];
        $line = $this->change('lead', 'put-in-section', 'learner', more: $meant);
        self::assertSame(['clash'], array_column($line['cautions'], 'code'));
        $people = $this->call('lead', 'GET', $this->path('/clashes'))['people'];
        self::assertSame([$this->ids['learner']], array_column(array_column($people, 'person'), 'id'));
        self::assertSame('Leaves early on Mondays.', $people[0]['meant']['why']);
        self::assertSame($this->ids['lead'], $people[0]['meant']['by']['id']);
        self::assertSame(3, $people[0]['clashes'][0]['times']);
        $this->change('lead', 'put-in-section', 'learner', more: ['section' => $this->sections['Evening']]);
        self::assertSame([], $this->call('lead', 'GET', $this->path('/clashes'))['people']);
        // Of somebody from elsewhere it is not told which site that is: letting them in opens nothing.
        $this->db()->executeStatement('UPDATE person SET division_id = ? WHERE id = ?', [
            Id::binary($this->ids['evening']),
            Id::binary($this->ids['learner']),
        ]);
        $asked = $this->change('lead', 'put-in-section', 'learner', expected: 409, more: $into);
        self::assertSame('', $asked['line']['reasons'][0]['values']['otherSite']);
        $this->change('lead', 'put-in-section', 'learner', more: $meant);
        $people = $this->call('lead', 'GET', $this->path('/clashes'))['people'];
        self::assertNull($people[0]['clashes'][0]['other']['site']);
        // The lead teaches both.
        $this->change('admin', 'put-in-section', 'lead', expected: 409, more: $into);
    }

    public function testManyIntoOneSectionAreCountedAndPutThereAtOnce(): void
    {
        $this->hours([[...self::WEEKLY, ...self::UNTIL, 'section' => $this->sections['Morning']]]);
        $this->hours([[...self::WEEKLY, ...self::UNTIL, 'time' => '10:30']], 'draft');
        $people = array_map(fn(string $name): string => $this->ids[$name], ['learner', 'newcomer', 'colleague']);
        $fits = $this->call('lead', 'POST', $this->path('/section-fits'), ['people' => $people, 'role' => 'learner']);
        self::assertSame(['Morning', 'Evening'], array_column($fits['sections'], 'name'));
        self::assertSame([1, 2], array_column($fits['sections'], 'fit'));
        self::assertSame([1, 0], array_column($fits['sections'], 'clash'));
        self::assertSame([1, 1], array_column($fits['sections'], 'other'));
        $each = [
            'people' => $people,
            'sites' => [$this->ids['site']],
            'verb' => 'let-in',
            'role' => 'learner',
            'section' => $this->sections['Morning'],
        ];
        $review = $this->call('lead', 'POST', '/change-reviews', ['each' => $each]);
        self::assertSame([1, 1], [$review['verdicts']['ready'], $review['verdicts']['needs-choice']]);
        $meant = ['clashing' => [$this->ids['learner']], 'note' => 'For a week.'];
        $review = $this->call('lead', 'POST', '/change-reviews', ['each' => [...$each, ...$meant]]);
        self::assertSame(2, $review['verdicts']['ready']);
        $list = $this->call('lead', 'POST', '/change-lists', [
            'kind' => 'people',
            'title' => 'Into the morning',
            'work' => ['people' => $people],
        ], 201)['id'];
        $body = ['each' => [...$each, ...$meant]];
        $this->call('lead', 'POST', "/change-lists/$list/apply", $body);
        $there = $this->roster('lead', '?section='.$this->sections['Morning']);
        self::assertEqualsCanonicalizing(['learner', 'newcomer'], array_keys($there));
        $codes = array_column($this->call('lead', 'GET', $this->path('/history'))['items'], 'code');
        self::assertContains('put-in-section', $codes);
        $people = $this->call('lead', 'GET', $this->path('/clashes'))['people'];
        self::assertSame('For a week.', $people[0]['meant']['why']);
        $this->call('lead', 'POST', "/change-lists/$list/undo", ['apply' => true]);
        self::assertSame([], $this->roster('lead', '?section='.$this->sections['Morning']));
    }

    public function testADoorSaysWhatOneHasThenAndAsksWhetherItIsMeant(): void
    {
        $this->hours([
            [...self::WEEKLY, ...self::UNTIL, 'section' => $this->sections['Morning']],
            [...self::WEEKLY, ...self::UNTIL, 'section' => $this->sections['Evening'], 'time' => '18:00'],
        ]);
        $this->hours([[...self::WEEKLY, ...self::UNTIL, 'time' => '10:30']], 'draft');
        $this->change('lead', 'let-in', 'newcomer', 'learner', site: 'draft');
        $key = $this->call('lead', 'POST', $this->path('/doors'), ['kind' => 'key', 'place' => 'choice'], 201)['key'];
        $look = $this->call('newcomer', 'POST', '/join/look', ['key' => $key]);
        self::assertSame(['Draft', null], array_map(
            static fn(array $section): ?string => $section['clash']['site'] ?? null,
            $look['sections'],
        ));
        self::assertNull($this->call('learner', 'POST', '/join/look', ['key' => $key])['clash']);
        $join = ['key' => $key, 'section' => $this->sections['Morning']];
        $asked = $this->call('newcomer', 'POST', '/join', $join, 422);
        self::assertSame('/clash', $asked['errors'][0]['pointer']);
        self::assertStringContainsString('Draft', $asked['errors'][0]['detail']);
        $asked = $this->call('newcomer', 'POST', '/join', [...$join, 'clash' => true], 422);
        self::assertSame('/why', $asked['errors'][0]['pointer']);
        $this->call('newcomer', 'POST', '/join', [...$join, 'clash' => true, 'why' => 'Both, in turn.']);
        $people = $this->call('lead', 'GET', $this->path('/clashes'))['people'];
        self::assertSame([['Both, in turn.', $this->ids['newcomer']]], array_map(
            static fn(array $one): array => [$one['meant']['why'], $one['meant']['by']['id']],
            $people,
        ));
        // Whoever asks for a place says so beforehand, and it is kept with the yes.
        $this->change('lead', 'remove', 'newcomer');
        $door = ['kind' => 'key', 'place' => 'choice', 'approval' => true];
        $key = $this->call('lead', 'POST', $this->path('/doors'), $door, 201)['key'];
        $join = ['key' => $key, 'section' => $this->sections['Morning'], 'why' => 'To sing.'];
        $this->call('newcomer', 'POST', '/join', $join, 422);
        $this->call('newcomer', 'POST', '/join', [...$join, 'clash' => true]);
        $waiting = $this->call('lead', 'GET', $this->path('/waiting'))['items'];
        $answer = ['waiters' => array_column($waiting, 'id'), 'answer' => 'yes'];
        $this->call('lead', 'POST', $this->path('/waiting'), $answer);
        $people = $this->call('lead', 'GET', $this->path('/clashes'))['people'];
        self::assertSame(['To sing.'], array_column(array_column($people, 'meant'), 'why'));
        // Where the door chooses, it chooses what fits.
        $this->change('lead', 'remove', 'newcomer');
        $this->change('lead', 'put-in-section', 'learner', more: ['section' => $this->sections['Evening']]);
        $door = ['kind' => 'key', 'place' => 'emptiest'];
        $key = $this->call('lead', 'POST', $this->path('/doors'), $door, 201)['key'];
        $this->call('newcomer', 'POST', '/join', ['key' => $key]);
        self::assertSame([], $this->call('lead', 'GET', $this->path('/clashes'))['people']);
    }

    public function testAWeekIsForThemselvesAndForWhoMaySeeIt(): void
    {
        $this->hours([[...self::WEEKLY, ...self::UNTIL, 'section' => $this->sections['Morning']]]);
        $this->hours([[...self::WEEKLY, ...self::UNTIL, 'time' => '11:05', 'building' => 'Mill Hall']], 'draft');
        $this->change('lead', 'put-in-section', 'learner', more: ['section' => $this->sections['Morning']]);
        $own = $this->call('learner', 'GET', '/me/week?day=2026-12-03');
        self::assertSame(['Harmony', 'Draft'], self::names($own));
        self::assertSame([5], array_column($own['days'][0]['walks'], 'minutes'));
        self::assertSame('2026-12-07', $own['next']);
        self::assertCount(2, $own['days'][0]['free']);
        self::assertSame([], self::names($this->call('newcomer', 'GET', '/me/week?day=2026-12-03')));
        $of = '/people/'.$this->ids['learner'].'/week?day=2026-12-03';
        self::assertSame(['Harmony', 'Draft'], self::names($this->call('lead', 'GET', $of)));
        // Who does not look after somebody does not learn which sites theirs are.
        $this->change('lead', 'let-in', 'cotutor', 'co-tutor', site: 'draft');
        $other = '/people/'.$this->ids['cotutor'].'/week?day=2026-12-03';
        self::assertSame(['Draft'], self::names($this->call('lead', 'GET', $other)));
        self::assertSame([null], self::names($this->call('assistant', 'GET', $other)));
        $this->call('assistant', 'GET', $of, null, 404);
        $this->call('newcomer', 'GET', $of, null, 403);
        $rooms = $this->call('assistant', 'GET', '/rooms')['rooms'];
        self::assertEqualsCanonicalizing(['Quay House', 'Mill Hall'], array_column($rooms, 'building'));
        $room = '/rooms/week?day=2026-12-03&room=12&building=mill%20hall';
        self::assertSame(['Draft'], self::names($this->call('lead', 'GET', $room)));
        self::assertSame([null], self::names($this->call('colleague', 'GET', $room)));
    }

    public function testTheFirstDayOfASectionIsItsOwnMeeting(): void
    {
        $check = $this->path('/first-day-check');
        $this->call('lead', 'GET', $check, null, 422);
        $this->hours([
            [...self::WEEKLY, ...self::UNTIL, 'section' => $this->sections['Morning']],
            [...self::WEEKLY, ...self::UNTIL, 'section' => $this->sections['Evening'], 'days' => [4]],
        ]);
        $this->change('lead', 'let-in', 'newcomer', 'learner', more: [
            'section' => $this->sections['Morning'],
            'fromDay' => '2026-11-30',
        ]);
        $this->change('lead', 'put-in-section', 'learner', more: ['section' => $this->sections['Evening']]);
        $this->change('lead', 'pause', 'learner', more: ['untilDay' => '2026-11-27']);
        // On Thursday the one is paused, on Monday the other is there.
        $asked = $this->call('lead', 'GET', $check);
        self::assertSame(['2026-11-26', 4], [substr((string) $asked['at'], 0, 10), $asked['enter']]);
        self::assertSame(['paused'], array_map(
            static fn(array $group): string => $group['reason']['causes'][0]['code'],
            $asked['groups'],
        ));
        self::assertSame(3, $this->call('lead', 'GET', $check.'?day=2026-11-26')['enter']);
    }

    public function testARuleForThoseWhoNeverComeNeedsNoWeekdaysWhereTheSiteSaysWhenItMeets(): void
    {
        $door = ['kind' => 'key', 'quietMeetings' => 3];
        $this->call('lead', 'POST', $this->path('/doors'), $door, 422);
        $this->hours([[...self::WEEKLY, ...self::UNTIL]]);
        $this->call('lead', 'POST', $this->path('/doors'), $door, 201);
    }

    public function testASectionThatIsRetiredMeetsNoMore(): void
    {
        $one = [...self::WEEKLY, ...self::UNTIL, 'section' => $this->sections['Morning']];
        $this->hours([$one]);
        $week = fn(): int => \count(
            $this->call('lead', 'GET', $this->path('/week?day=2026-12-03'))['days'][0]['meetings'],
        );
        self::assertSame(1, $week());
        $retired = ['id' => $this->sections['Morning'], 'name' => 'Morning', 'retired' => true];
        $this->put('sections', ['sections' => [$retired]]);
        self::assertSame(0, $week());
        self::assertCount(1, $this->call('lead', 'GET', $this->path('/hours'))['hours']);
        $this->put('sections', ['sections' => [['retired' => false] + $retired]]);
        self::assertSame(1, $week());
    }

    public function testTwoInOneRoomAreSaid(): void
    {
        $this->hours([[...self::WEEKLY, ...self::UNTIL]], 'draft');
        $made = $this->hours([[...self::WEEKLY, ...self::UNTIL, 'room' => ' 12', 'time' => '10:00']]);
        self::assertSame(['Draft', 3], [$made['clashes'][0]['with']['site']['name'], $made['clashes'][0]['times']]);
    }

    public function testTheCalendarIsThereForWhoeverHasItsAddressAndNobodyElse(): void
    {
        $this->hours([[...self::WEEKLY, ...self::UNTIL]]);
        self::assertNull($this->call('learner', 'GET', '/me/calendar-address')['madeAt']);
        $made = $this->call('learner', 'POST', '/me/calendar-address', null, 201);
        self::assertNull($this->call('learner', 'GET', '/me/calendar-address')['path'], 'told once');
        $this->client->getCookieJar()->clear();
        self::assertSame([200, 4], $this->fetched($made['path']));
        self::assertStringNotContainsString(
            substr((string) $made['path'], -20, 16),
            json_encode($this->db()->fetchAllAssociative('SELECT HEX(token_hash) FROM calendar_address')) ?: '',
        );
        $again = $this->call('learner', 'POST', '/me/calendar-address', null, 201);
        self::assertSame([404, 0], $this->fetched($made['path']));
        $this->db()->executeStatement('UPDATE account SET closed_from = ? WHERE person_id = ?', [
            '2026-01-01 00:00:00',
            Id::binary($this->ids['learner']),
        ]);
        self::assertSame([404, 0], $this->fetched($again['path']));
    }

    /** @return array{int, int} status of what is at an address, and how many events it has */
    private function fetched(string $path): array
    {
        $this->client->request('GET', $path);
        $answer = $this->client->getResponse();

        return [$answer->getStatusCode(), substr_count((string) $answer->getContent(), 'BEGIN:VEVENT')];
    }

    /**
     * @param array<string, mixed> $week
     *
     * @return list<?string> names of sites of its first day
     */
    private static function names(array $week): array
    {
        $sites = array_column(array_column($week['days'][0]['meetings'], 'occasion'), 'site');

        return array_values(array_map(static fn(?array $site): ?string => $site['name'] ?? null, $sites));
    }

    /**
     * @param list<array<string, mixed>> $changes
     *
     * @return list<array<string, mixed>> as a calendar gives them back
     */
    private static function places(array $changes): array
    {
        return array_map(
            static fn(array $change): array => null === $change['toDay']
                ? ['time' => '', 'minutes' => 0, 'room' => '', 'building' => ''] + $change
                : $change,
            $changes,
        );
    }

    /**
     * @param array<string, mixed> $hours
     *
     * @return array<string, mixed>
     */
    private static function wanted(array $hours): array
    {
        return array_diff_key($hours, array_flip(['meetings', 'off', 'next', 'last']));
    }

    /**
     * @param list<array<string, mixed>> $hours
     *
     * @return array<string, mixed>
     */
    private function hours(array $hours, string $site = 'site', int $expected = 200): array
    {
        return $this->put('hours', ['hours' => $hours], $site, $expected);
    }

    /**
     * @param array<string, mixed> $body
     *
     * @return array<string, mixed>
     */
    private function put(string $what, array $body, string $site = 'site', int $expected = 200): array
    {
        $path = '/sites/'.$this->ids[$site];
        $version = $this->call('lead', 'GET', $path)['version'];

        return $this->call('lead', 'PUT', "$path/$what", $body, $expected, ['If-Match' => "\"$version\""]);
    }

    private function path(string $more = ''): string
    {
        return '/sites/'.$this->ids['site'].$more;
    }
}
