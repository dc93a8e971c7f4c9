<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Desk;

use MintDoor\Cohorts\CohortTicker;
use MintDoor\Core\Time\Window;
use MintDoor\Core\Weeks\Hours;
use MintDoor\Tests\App\ApiTestCase;

/** The term of a site changes: people, doors, dates, sections and hours; and all of it comes back. */
final class TermChangesTest extends ApiTestCase
{
    protected function furnish(): void
    {
        parent::furnish();
        $this->platform->term('spring', 'Spring', '2027-01-11', '2027-04-23');
        foreach (['ada', 'bo', 'cem', 'dana'] as $name) {
            $this->ids[$name] = $this->person($name, 'learner', 'seniors', 7);
        }
        $ends = new Window($this->now() - 86_400, (int) strtotime('2026-12-18T23:00:00Z'));
        $this->platform->letIn($this->ids['site'], $this->ids['ada'], 'learner', $this->now() - 86_400, $ends);
        $hours = new Hours(
            'h',
            $this->ids['site'],
            null,
            '2026-09-07',
            '17:00',
            60,
            'Europe/Paris',
            'FREQ=WEEKLY;UNTIL=20261218T225959Z',
        );
        $this->platform->hours($hours);
    }

    public function testItIsLookedAtFirstAndChangesNothingThen(): void
    {
        $before = $this->everything();
        $looked = $this->turn();
        self::assertSame($before, $this->everything());
        self::assertNull($looked['changeList']);
        $site = $looked['sites'][0];
        self::assertSame(['Autumn', 'Harmony', null], [$site['before'], $site['title'], $site['made']]);
        $counts = $site['counts'];
        self::assertSame([1, 1, 3], [$counts['leave'], $counts['ends'], $counts['stay']], 'learner; Ada; staff');
        self::assertSame('2027-01-11T16:00:00Z', $site['firstDay']['at'], 'Its first meeting of the new term.');
        self::assertSame(
            3,
            $site['firstDay']['enter'] + array_sum(array_column($site['firstDay']['groups'], 'people'))
        );
    }

    public function testPeopleComeAndGoWithTheTermAndAllOfItComesBack(): void
    {
        $key = $this->call('lead', 'POST', $this->path().'/doors', [
            'kind' => 'key',
            'name' => 'Late',
            'fromDay' => '2026-09-07',
            'untilDay' => '2026-12-18',
        ], 201);
        $cohort = $this->call('admin', 'POST', '/cohorts', [
            'name' => 'Players',
            'division' => 'seniors',
            'people' => [$this->ids['bo'], $this->ids['learner']],
        ]);
        $before = $this->everything();
        $made = $this->turn([
            'cohorts' => [$cohort['id']],
            'people' => [$this->ids['cem']],
            'apply' => true,
        ]);
        $counts = $made['sites'][0]['counts'];
        self::assertSame([0, 1, 2, 1], [$counts['leave'], $counts['ends'], $counts['come'], $counts['here']]);
        $site = $this->call('lead', 'GET', $this->path());
        self::assertSame('spring', $site['term']['code']);
        self::assertSame('upcoming', $this->states()['bo'] ?? null);
        self::assertSame('current', $this->states()['learner'] ?? null, 'Whoever comes stays.');
        $hours = $this->call('lead', 'GET', $this->path().'/hours')['hours'];
        self::assertSame(['2027-01-11', '2027-04-23'], [$hours[0]['first'], $hours[0]['until']]);
        $door = $this->door('Late');
        self::assertSame(
            ['2027-01-11', '2027-04-23'],
            [$door['terms']['fromDay'], $door['terms']['untilDay']]
        );
        self::assertNotSame($key['key'], $door['key']);

        // Taken back by one act, and only as a whole.
        $list = '/change-lists/'.$made['changeList'].'/undo';
        $this->call('lead', 'POST', $list, ['apply' => true], 403);
        $undo = '/term-changes/'.$made['changeList'].'/undo';
        self::assertSame(0, $this->call('lead', 'POST', $undo, ['apply' => false])['stay']);
        self::assertSame('spring', $this->call('lead', 'GET', $this->path())['term']['code'], 'It was only looked at.');
        $this->call('lead', 'POST', $undo, ['apply' => true]);
        self::assertSame($before, $this->everything());
        self::assertSame($key['key'], $this->door('Late')['key'], 'The old key opens it again.');
        $this->call('lead', 'POST', $undo, ['apply' => true], 409);
        [$status, $said] = $this->command('roster:verify');
        self::assertSame(0, $status, $said);
    }

    public function testWhoeverStaysGoesOnToTheEndOfTheNewTerm(): void
    {
        $this->turn(['leave' => 'nobody', 'apply' => true]);
        self::assertSame('2027-04-23 22:00:00', $this->until('ada'));
    }

    public function testThoseWhomACohortBringsFollowIt(): void
    {
        $cohort = ['name' => 'Players', 'division' => 'seniors', 'people' => [$this->ids['bo']]];
        $made = $this->call('admin', 'POST', '/cohorts', $cohort);
        $this->call('lead', 'POST', '/cohort-links', [
            'sites' => [$this->ids['site']],
            'role' => 'learner',
            'cohorts' => [$made['id']],
            'apply' => true,
        ]);
        $counts = $this->turn(['leaveOn' => 'now', 'apply' => true])['sites'][0]['counts'];
        self::assertSame([2, 1], [$counts['leave'], $counts['follow']]);
        self::assertSame(['bo'], array_keys(array_filter(
            $this->roster('lead'),
            static fn(string $as): bool => str_starts_with($as, 'learner')
        )));
    }

    public function testWhoBelongedNoMoreInTheOldTermKeepsAccessToItsEndOnly(): void
    {
        $this->db()->executeStatement('UPDATE site SET seats = 9');
        $people = [$this->ids['bo'], $this->ids['cem']];
        $cohort = $this->call('admin', 'POST', '/cohorts', [
            'name' => 'Players',
            'division' => 'seniors',
            'people' => $people,
        ]);
        $this->call('lead', 'POST', '/cohort-links', [
            'sites' => [$this->ids['site']],
            'role' => 'learner',
            'cohorts' => [$cohort['id']],
            'leaves' => 'term',
            'apply' => true,
        ]);
        $this->db()->executeStatement('UPDATE cohort_member SET from_at = from_at - INTERVAL 2 DAY');
        $path = '/cohorts/'.$cohort['id'].'/members';
        $this->call('admin', 'POST', $path, ['remove' => [$this->ids['bo']]]);
        $ticker = $this->service(CohortTicker::class);
        $ticker->keep();
        self::assertSame('2026-12-18 23:00:00', $this->until('bo'));
        $this->db()->executeStatement(
            'UPDATE cohort_member SET until_at = until_at - INTERVAL 1 DAY WHERE until_at < ?',
            [
                '2027-01-01',
            ]
        );
        $list = $this->turn(['leave' => 'nobody', 'apply' => true])['changeList'];
        $ticker->compare();
        self::assertSame('2026-12-18 23:00:00', $this->until('bo'), 'That was their term.');
        $this->call('admin', 'POST', $path, ['remove' => [$this->ids['cem']]]);
        $ticker->keep();
        self::assertSame('2027-04-23 22:00:00', $this->until('cem'));
        $this->call('lead', 'POST', "/term-changes/$list/undo", ['apply' => true]);
        $ticker->compare();
        self::assertSame('2026-12-18 23:00:00', $this->until('bo'));
    }

    public function testANewSiteIsMadeLikeItAndTheOldOneCloses(): void
    {
        $sections = $this->call('lead', 'PUT', $this->path().'/sections', [
            'sections' => [['name' => 'Morning'], ['name' => 'Evening']],
            'apart' => true,
        ], 200, ['If-Match' => '"'.$this->call('lead', 'GET', $this->path())['version'].'"'])['sections'];
        $this->call('lead', 'POST', $this->path().'/doors', [
            'kind' => 'key',
            'name' => 'Late',
            'place' => 'fixed',
            'section' => $sections[1]['id'],
        ], 201);
        $before = $this->everything();
        $more = ['how' => 'new', 'people' => [$this->ids['dana']]];
        foreach (['lead', 'admin'] as $as) {
            $site = $this->turn($more, $as)['sites'][0];
            self::assertSame($before, $this->everything(), 'nothing was done yet');
            self::assertSame(['HARM-SPRING', ['Late'], null], [$site['code'], $site['doors'], $site['made']]);
            $made = $this->turn([...$more, 'apply' => true], $as);
            $new = $made['sites'][0]['made']['id'];
            $there = $this->call('lead', 'GET', "/sites/$new");
            self::assertSame(
                ['spring', '2027-01-10T23:00:00Z', true],
                [$there['term']['code'], $there['opensAt'], $there['apart']]
            );
            $this->ids['new'] = $new;
            self::assertSame(
                ['assistant', 'cotutor', 'dana', 'lead'],
                $this->names('new'),
            );
            self::assertSame(['Morning', 'Evening'], array_column(
                $this->call('lead', 'GET', "/sites/$new/sections")['sections'],
                'name'
            ));
            $door = $this->call('lead', 'GET', "/sites/$new/doors")['items'];
            self::assertContains('Late', array_column($door, 'name'));
            self::assertSame('2026-12-18T23:00:00Z', $this->call('lead', 'GET', $this->path())['closesAt']);
            $this->call($as, 'POST', '/term-changes/'.$made['changeList'].'/undo', ['apply' => true]);
            self::assertSame($before, $this->everything());
            $this->call($as, 'GET', "/sites/$new", null, 404);
        }
    }

    public function testThoseWhoWaitedComeAndSectionsAreEmptied(): void
    {
        $this->call('lead', 'POST', $this->path().'/doors', ['kind' => 'request', 'waiting' => true], 201);
        $door = $this->call('bo', 'GET', '/open-doors')['items'][0]['door'];
        $this->call('lead', 'PUT', $this->path(), [...$this->facts(), 'seats' => 2], 200, [
            'If-Match' => '"'.$this->call('lead', 'GET', $this->path())['version'].'"',
        ]);
        $this->call('bo', 'POST', '/join', ['door' => $door]);
        self::assertSame('waiting', $this->states()['bo'] ?? null);
        $counts = $this->turn(['waiting' => true, 'leaveOn' => 'now', 'apply' => true])['sites'][0]['counts'];
        self::assertSame(1, $counts['come']);
        self::assertSame('upcoming', $this->states()['bo'] ?? null);
    }

    public function testWhatIsWrongIsSaidWhereItIs(): void
    {
        $pointers = fn(array $more, int $status = 422): array => array_column(
            $this->turn($more, 'lead', $status)['errors'] ?? [],
            'pointer',
        );
        self::assertSame(['/sites/0/id'], $pointers(['term' => 'autumn']));
        self::assertSame(['/term'], $pointers(['term' => 'never']));
        self::assertSame(['/cohort'], $pointers(['leave' => 'cohort']));
        self::assertSame(['/cohorts/0'], $pointers(['cohorts' => [$this->ids['ada']]]));
        self::assertSame(['/role'], $pointers(['role' => 'none']));
        self::assertSame(
            ['/sites/0/code'],
            $pointers(['how' => 'new', 'sites' => [['id' => $this->ids['site'], 'code' => 'DRAFT']]])
        );
        $twice = [['id' => $this->ids['site']], ['id' => $this->ids['site']]];
        self::assertSame(['/sites/1/id'], $pointers(['sites' => $twice]));
        $this->turn([], 'assistant', 403);
        $this->turn([], 'elsewhere', 404);
        $this->turn([], 'learner', 403);
    }

    public function testOnlyWhoeverChangedItOrAnAdministratorTakesItBack(): void
    {
        $undo = '/term-changes/'.$this->turn(['apply' => true], 'admin')['changeList'].'/undo';
        $this->call('lead', 'POST', $undo, ['apply' => true], 403);
        self::assertSame('spring', $this->call('lead', 'GET', $this->path())['term']['code']);
        $this->call('admin', 'POST', $undo, ['apply' => true]);
        self::assertSame('autumn', $this->call('lead', 'GET', $this->path())['term']['code']);
    }

    public function testWhoeverBeganADraftThatAnotherCarriedOutDoesNotTakeItBackWithTheirRights(): void
    {
        $draft = $this->call(
            'lead',
            'POST',
            '/change-lists',
            ['kind' => 'term-change', 'work' => ['term' => 'spring']], 201);
        $made = $this->turn(['apply' => true, 'changeList' => $draft['id']], 'admin');
        self::assertSame($draft['id'], $made['changeList']);
        $undo = '/term-changes/'.$draft['id'].'/undo';
        $this->call('lead', 'POST', $undo, ['apply' => true], 403);
        $this->call('admin', 'POST', $undo, ['apply' => true]);
    }

    public function testWhomOneCannotLookUpDoesNotComeAndKeepsNobodyElse(): void
    {
        $people = ['people' => [$this->ids['junior'], $this->ids['cem']], 'apply' => true];
        foreach (['on', 'new'] as $how) {
            $counts = $this->turn(['how' => $how, 'apply' => false] + $people)['sites'][0]['counts'];
            self::assertSame([2, 1], [$counts['come'], $counts['notYet']]);
        }
        $this->turn($people);
        self::assertArrayHasKey('cem', $this->states());
        self::assertArrayNotHasKey('junior', $this->states());
    }

    public function testManyWhoLoseAccessAtOnceAreCounted(): void
    {
        for ($n = 0; $n < 12; ++$n) {
            $person = $this->person('many'.\chr(97 + $n), 'learner', 'seniors', 7);
            $this->platform->letIn($this->ids['site'], $person, 'learner', $this->now() - 86_400);
        }
        $this->platform->write();
        self::assertNull($this->turn()['asks'], 'With the old term nobody loses access now.');
        self::assertSame(14, $this->turn(['leaveOn' => 'now'])['asks']);
        $this->turn(['leaveOn' => 'now', 'apply' => true], 'lead', 409);
        $this->turn(['leaveOn' => 'now', 'apply' => true, 'removing' => 14]);
    }

    /**
     * @param array<string, mixed> $more
     *
     * @return array<string, mixed>
     */
    private function turn(array $more = [], string $as = 'lead', int $expected = 200): array
    {
        $body = ['sites' => [['id' => $this->ids['site']]], 'term' => 'spring', ...$more];

        return $this->call($as, 'POST', '/term-changes', $body, $expected);
    }

    private function path(): string
    {
        return '/sites/'.$this->ids['site'];
    }

    /** @return array<string, mixed> */
    private function facts(): array
    {
        $site = $this->call('lead', 'GET', $this->path());

        return [
            'title' => $site['title'],
            'code' => $site['code'],
            'kind' => $site['kind'],
            'division' => $site['division']['code'],
            'term' => 'autumn',
            'lowest' => 6,
            'highest' => 8,
        ];
    }

    /** @return array<string, mixed> */
    private function door(string $name): array
    {
        $doors = $this->call('lead', 'GET', $this->path().'/doors')['items'];

        return array_column($doors, null, 'name')[$name] ?? [];
    }

    /** @return array<string, string> states of learners, by name */
    private function states(): array
    {
        $found = [];
        foreach ($this->call('lead', 'GET', $this->path().'/roster')['items'] as $row) {
            $found[strtolower($row['person']['given'])] = $row['standing']['state'];
        }

        return $found;
    }

    /** @return list<string> */
    private function names(string $site): array
    {
        $names = array_keys($this->roster('lead', '', $site));
        sort($names);

        return $names;
    }

    /** @return array<string, mixed> what a change of term must leave as it was where it is taken back */
    private function everything(): array
    {
        $site = $this->call('lead', 'GET', $this->path());
        $doors = $this->call('lead', 'GET', $this->path().'/doors')['items'];

        return [
            'site' => [$site['term']['code'], $site['opensAt'], $site['closesAt']],
            'roster' => $this->call('lead', 'GET', $this->path().'/roster')['total'] ?? null,
            'people' => $this->roster('lead'),
            'segments' => $this->db()->fetchAllAssociative(
                'SELECT HEX(person_id) AS person, state, roles, sections, from_at, until_at
                 FROM enrollment_segment
                 WHERE site_id = ? AND until_at > ?
                 ORDER BY person, from_at',
                [hex2bin(str_replace('-', '', $this->ids['site'])), '2026-12-01'],
            ),
            'doors' => array_map(
                static fn(array $door): array => array_intersect_key(
                    $door,
                    array_flip(['name', 'state', 'key', 'terms'])
                ),
                $doors,
            ),
            'hours' => $this->call('lead', 'GET', $this->path().'/hours')['hours'],
        ];
    }

    private function until(string $name): string
    {
        return (string) $this->db()->fetchOne(
            "SELECT MAX(until_at) FROM enrollment_segment WHERE person_id = ? AND state = 'current'",
            [$this->binary($name)],
        );
    }

    private function binary(string $name): string
    {
        return (string) hex2bin(str_replace('-', '', $this->ids[$name]));
    }
}
