<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Groups;

use MintDoor\Groups\ComputeGroups;
use MintDoor\Groups\GroupLetters;
use MintDoor\Groups\GroupRunner;
use MintDoor\Shared\Id;
use PHPUnit\Framework\Attributes\TestWith;
use Symfony\Component\Messenger\Envelope;
use Symfony\Component\Messenger\Event\WorkerMessageFailedEvent;

/** Learners choose their groups by themselves, in a window. */
final class ChoosingTest extends GroupsCase
{
    public function testALearnerChoosesChangesAndLeavesWhileThereIsRoom(): void
    {
        $split = $this->open(['most' => 1]);
        [$one, $two] = array_column($split['list'], 'id');
        $own = $this->own('learner')[0];
        self::assertSame(['Teams', 'Harmony', true, null], [
            $own['name'],
            $own['site']['name'],
            $own['chooses'],
            $own['group'],
        ]);
        self::assertSame($one, $this->choose('learner', $split, $one)['group']);
        self::assertStringContainsString('just become full', $this->choose('third', $split, $one, 409)['detail']);
        self::assertSame($two, $this->choose('third', $split, $two)['group']);
        self::assertSame($two, $this->choose('third', $split, $two)['group'], 'once more is as good as once');
        self::assertNull($this->choose('learner', $split, null)['group']);
        self::assertSame($one, $this->choose('third', $split, $one)['group']);
        $entries = $this->call('lead', 'GET', '/sites/'.$this->ids['site'].'/history')['items'];
        self::assertSame(['group-moved', 'Third Thirdsen'], [$entries[0]['code'], $entries[0]['actor']['name']]);
        self::assertSame(3, $this->call('lead', 'GET', $this->path($split))['without']);
    }

    public function testOneFoundsAGroupAndAsksOthersIntoIt(): void
    {
        $split = $this->open(['most' => 2, 'count' => 1]);
        $asks = '/me/groups/'.$split['id'].'/invitations';
        $third = ['people' => [$this->ids['third']]];
        $this->call('learner', 'POST', $asks, $third, 409);
        $taken = $this->found('learner', $split, ' group 1', 422);
        self::assertSame('/name', $taken['errors'][0]['pointer']);
        $mine = $this->found('learner', $split, 'Red');
        $red = $mine['group'];
        self::assertSame(['Learner Learnersen'], array_column($this->group($mine, $red)['members'], 'name'));
        self::assertSame(['Third Thirdsen'], array_column(
            $this->group($this->call('learner', 'POST', $asks, $third), $red)['asked'],
            'name',
        ));
        $seen = $this->group($this->own('third')[0], $red);
        self::assertSame(['Learner Learnersen', []], [$seen['asks'], $seen['asked']]);
        self::assertNull($this->group($this->own('fourth')[0], $red)['asks']);
        self::assertSame($red, $this->choose('third', $split, $red)['group']);
        self::assertNull($this->group($this->own('third')[0], $red)['asks'], 'who came is asked no more');
        foreach ([$this->ids['third'] => 'in-one', $this->ids['junior'] => 'unknown'] as $who => $code) {
            $wrong = $this->call('learner', 'POST', $asks, ['people' => [$who]], 422);
            self::assertSame($code, $wrong['errors'][0]['code']);
        }
        // A group that was founded is gone with the last of its people; one of the lead's is not.
        $this->choose('third', $split, $split['list'][0]['id']);
        $left = $this->choose('learner', $split, null);
        self::assertSame(['Group 1'], array_column($left['groups'], 'name'));
        $left = $this->choose('third', $split, null);
        self::assertSame(['Group 1'], array_column($left['groups'], 'name'));
    }

    public function testOnlyThoseItIsAboutAndOnlyWhileItIsOpen(): void
    {
        $split = $this->open();
        $group = $split['list'][0]['id'];
        self::assertSame([], $this->own('cotutor'));
        foreach (['cotutor', 'junior', 'admin'] as $who) {
            $this->choose($who, $split, $group, 404);
        }
        $other = $this->make(['name' => 'Others', 'count' => 1]);
        $this->choose('learner', $other, $other['list'][0]['id'], 404);
        $this->choose('learner', $split, $other['list'][0]['id'], 409);
        $this->choose('learner', $split, $group);
        $this->db()->executeStatement("UPDATE group_split SET closes_at = '2026-11-24 08:00:00'");
        $after = $this->own('learner')[0];
        self::assertSame([false, $group], [$after['chooses'], $after['group']], 'what was chosen is still told');
        self::assertStringContainsString('no longer', $this->choose('learner', $split, null, 409)['detail']);
        $this->found('learner', $split, 'Late', 409);
        $this->db()->executeStatement("UPDATE group_split SET opens_at = '2026-12-01', closes_at = '2026-12-02'");
        self::assertSame([], $this->own('learner'), 'not before it opens');
        $this->choose('learner', $split, null, 404);
    }

    public function testNamesAreThoseOfTheRosterOneSees(): void
    {
        $split = $this->open();
        $group = $split['list'][0]['id'];
        $this->choose('third', $split, $group);
        $seen = fn(): array => $this->group($this->own('learner')[0], $group);
        self::assertSame(['Third Thirdsen'], array_column($seen()['members'], 'name'));
        $this->db()->executeStatement('UPDATE enrollment_segment SET listed = 0 WHERE person_id = ?', [
            Id::binary($this->ids['third']),
        ]);
        self::assertSame([1, []], [$seen()['people'], $seen()['members']]);
        // Nor is anybody asked whom one does not see there: their name would be told.
        $this->choose('third', $split, null);
        $this->choose('learner', $split, $group);
        $ask = ['people' => [$this->ids['third']]];
        $wrong = $this->call('learner', 'POST', '/me/groups/'.$split['id'].'/invitations', $ask, 422);
        self::assertSame('unknown', $wrong['errors'][0]['code']);
    }

    public function testNobodyGoesToAndFroWithoutEnd(): void
    {
        $split = $this->open();
        $groups = array_column($split['list'], 'id');
        for ($n = 0; $n < 20; ++$n) {
            $this->choose('learner', $split, $groups[$n % 2]);
        }
        self::assertStringContainsString('many times', $this->choose('learner', $split, $groups[0], 409)['detail']);
        $this->choose('third', $split, $groups[0]);
        $this->db()->executeStatement('UPDATE group_place SET from_at = from_at - INTERVAL 2 HOUR');
        $this->choose('learner', $split, $groups[0]);
    }

    public function testGroupsAreFoundedWhereThatIsSaidOnly(): void
    {
        $split = $this->open([], ['founds' => false]);
        self::assertFalse($this->own('learner')[0]['founds']);
        $this->found('learner', $split, 'Red', 403);
    }

    public function testThoseWithoutAGroupAreAskedOnceAndRemindedADayBeforeItEnds(): void
    {
        $split = $this->open();
        $this->choose('learner', $split, $split['list'][0]['id']);
        $letters = $this->service(GroupLetters::class);
        $sent = fn(string $kind = 'choosing'): int => (int) $this->db()->fetchOne(
            'SELECT COUNT(*) FROM message WHERE kind = ?',
            [$kind],
        );
        self::assertSame([1, 0, 3], [$letters->due(), $letters->due(), $sent()]);
        $text = $this->call('admin', 'GET', '/messages?kind=choosing')['items'][0]['text'];
        self::assertStringContainsString('Harmony', $text);
        self::assertStringContainsString('Teams', $text);
        $remind = $this->path($split).'/reminders';
        self::assertStringContainsString(
            'within the last hour',
            $this->call('lead', 'POST', $remind, null, 409)['detail']
        );
        $this->db()->executeStatement("UPDATE group_split SET asked_at = '2026-11-20 08:00:00'");
        self::assertSame(0, $letters->due(), 'not before the last day');
        $this->db()->executeStatement("UPDATE group_split SET closes_at = '2026-11-25 08:00:00'");
        self::assertSame([1, 0, 6], [$letters->due(), $letters->due(), $sent()]);
        $this->db()->executeStatement(
            "UPDATE group_split SET asked_at = '2026-11-19 08:00:00', reminded_at = '2026-11-20 08:00:00'"
        );
        $this->call('lead', 'POST', $remind);
        self::assertSame(9, $sent());
        $this->db()->executeStatement("UPDATE group_split SET closes_at = '2026-11-24 08:00:00'");
        $this->call('lead', 'POST', $remind, null, 409);
    }

    public function testThoseWhoChoseNoneArePutIntoGroupsWhenItIsOver(): void
    {
        $split = $this->open(['most' => 2], ['settles' => true]);
        [$one, $two] = array_column($split['list'], 'id');
        $this->choose('learner', $split, $one);
        $this->choose('third', $split, $two);
        $runner = $this->service(GroupRunner::class);
        self::assertSame(0, $runner->settle(), 'not while it is open');
        $this->db()->executeStatement("UPDATE group_split SET closes_at = '2026-11-24 08:00:00'");
        self::assertSame([1, 0], [$runner->settle(), $runner->settle()]);
        $runner(new ComputeGroups($split['id'], 1));
        $now = $this->call('lead', 'GET', $this->path($split));
        self::assertSame([0, [2, 2]], [$now['without'], array_column($now['list'], 'people')]);
        $groups = array_column($now['places'], 'group', 'person');
        self::assertSame(
            [$one, $two],
            [$groups[$this->ids['learner']], $groups[$this->ids['third']]],
            'who chose stays'
        );
        self::assertSame(2, (int) $this->db()->fetchOne("SELECT COUNT(*) FROM message WHERE kind = 'grouped'"));
        self::assertSame(0, $runner->settle(), 'once');
        // It is a change list of whoever said so, and can be taken back.
        $lists = $this->call('lead', 'GET', '/change-lists')['items'];
        self::assertSame(['groups', 2], [$lists[0]['kind'], $lists[0]['done']]);
        $this->call('lead', 'POST', '/group-lists/'.$lists[0]['id'].'/undo');
        self::assertSame(2, $this->call('lead', 'GET', $this->path($split))['without']);
    }

    public function testWhoComesLaterIsPutIntoAGroupByItself(): void
    {
        $split = $this->make(['from' => 'level', 'least' => 1, 'most' => 3]);
        [$seven, $eight] = array_column($split['list'], 'id');
        $groups = array_map(
            static fn(array $group): array => ['id' => $group['id'], 'name' => $group['name']],
            $split['list'],
        );
        $body = ['name' => 'Teams', 'groups' => $groups, 'least' => 1, 'most' => 3, 'arrives' => 'wishes'];
        self::assertSame('wishes', $this->put($split, $body)['arrives']);
        $this->call('lead', 'POST', $this->path($split).'/moves', ['moves' => [
            ['person' => $this->ids['third'], 'from' => $eight, 'to' => null],
        ]]);
        $runner = $this->service(GroupRunner::class);
        self::assertSame(0, $runner->settle(), 'nobody came, and who was put into none stays there');
        foreach (['fifth', 'sixth', 'seventh'] as $name) {
            $this->ids[$name] = $this->person($name, 'learner', 'seniors', 7);
        }
        $this->platform->write();
        $this->change('lead', 'let-in', 'fifth', 'learner');
        self::assertSame([1, 0], [$runner->settle(), $runner->settle()]);
        $runner(new ComputeGroups($split['id'], 1));
        $places = fn(): array => array_column(
            $this->call('lead', 'GET', $this->path($split))['places'],
            'group',
            'person'
        );
        self::assertNotNull($places()[$this->ids['fifth']]);
        self::assertSame([null, $seven], [$places()[$this->ids['third']], $places()[$this->ids['learner']]]);
        self::assertSame(0, $runner->settle(), 'once');
    }

    public function testWhoComesLaterIsPutIntoTheGroupOfTheirLevelOrIntoTheEmptiest(): void
    {
        $like = $this->make(['name' => 'Levels', 'from' => 'level']);
        $even = $this->make(['name' => 'Pairs', 'count' => 2]);
        $body = static fn(array $split, string $arrives): array => [
            'name' => $split['name'],
            'groups' => array_map(
                static fn(array $group): array => ['id' => $group['id'], 'name' => 'Of '.$group['name']],
                $split['list'],
            ),
            'arrives' => $arrives,
        ];
        self::assertSame(['alike', 'level'], [
            $this->put($like, $body($like, 'alike'))['arrives'],
            $like['madeFrom'],
        ]);
        self::assertSame('/arrives', $this->put($even, $body($even, 'alike'), 422)['errors'][0]['pointer']);
        $this->put($even, $body($even, 'emptiest'));
        foreach (['fifth' => 7, 'sixth' => 8, 'seventh' => 3] as $name => $level) {
            $this->ids[$name] = $this->person($name, 'learner', 'seniors', $level);
        }
        $this->platform->write();
        foreach (['fifth', 'sixth', 'seventh'] as $name) {
            $this->change('lead', 'let-in', $name, 'learner');
        }
        $runner = $this->service(GroupRunner::class);
        self::assertSame(2, $runner->settle());
        $places = fn(array $split): array => array_column(
            $this->call('lead', 'GET', $this->path($split))['places'],
            'group',
            'person'
        );
        [$seven, $eight] = array_column($like['list'], 'id');
        $of = array_map(fn(string $who): ?string => $places($like)[$this->ids[$who]], ['fifth', 'sixth', 'seventh']);
        self::assertSame([$seven, $eight, null], $of, 'nobody else is of the level of the last');
        $counts = array_count_values(array_filter($places($even)));
        sort($counts);
        self::assertSame([3, 3], $counts, 'all of them came in this second');
    }

    public function testWhoComesIntoASectionLaterIsPutIntoItsGroup(): void
    {
        $days = [
            'access_grant' => ['given_at', 'from_at', 'since_at'],
            'enrollment_segment' => ['from_at', 'since_at'],
        ];
        foreach ($days as $table => $columns) {
            foreach ($columns as $column) {
                $this->db()->executeStatement("UPDATE $table SET $column = $column - INTERVAL 1 DAY");
            }
        }
        $sections = array_map(
            fn(string $name): string => $this->platform->section($this->ids['site'], $name, ''),
            ['Morning', 'Evening'],
        );
        $this->platform->write();
        $put = fn(string $who, int $n) => $this->change(
            'lead',
            'put-in-section',
            $who,
            more: ['section' => $sections[$n]]
        );
        $put('learner', 0);
        $put('third', 1);
        $split = $this->make(['from' => 'section']);
        $groups = array_map(
            static fn(array $group): array => ['id' => $group['id'], 'name' => $group['name']],
            $split['list'],
        );
        $this->put($split, ['name' => 'Teams', 'groups' => $groups, 'arrives' => 'alike']);
        $runner = $this->service(GroupRunner::class);
        self::assertSame(0, $runner->settle(), 'nobody came since');
        $put('newcomer', 1);
        self::assertSame([1, 0], [$runner->settle(), $runner->settle()]);
        self::assertSame(
            ['' => ['fourth'], 'Evening' => ['newcomer', 'third'], 'Morning' => ['learner']],
            $this->places($this->call('lead', 'GET', $this->path($split))),
        );
    }

    public function testWhatCannotBeComputedIsNotTriedForEver(): void
    {
        $split = $this->open([], ['settles' => true]);
        $this->db()->executeStatement("UPDATE group_split SET closes_at = '2026-11-24 08:00:00'");
        $runner = $this->service(GroupRunner::class);
        self::assertSame(1, $runner->settle());
        $failed = new Envelope(new ComputeGroups($split['id'], 1));
        $runner->failed(new WorkerMessageFailedEvent($failed, 'jobs', new \RuntimeException('x')));
        $task = $this->call('lead', 'GET', $this->path($split).'/wishes')['task'];
        self::assertSame(['failed', 0], [$task['state'], $runner->settle()]);
    }

    public function testWhoSaidLastHowItIsToBeAnswersForIt(): void
    {
        $split = $this->open([], ['settles' => true]);
        $by = fn(): string => bin2hex((string) $this->db()->fetchOne('SELECT opened_by FROM group_split'));
        self::assertSame(str_replace('-', '', $this->ids['lead']), $by());
        $wish = ['wishes' => [['kind' => 'count', 'by' => 'label', 'value' => 'x', 'most' => 1]]];
        $tag = ['If-Match' => '"'.$this->call('lead', 'GET', $this->path($split))['version'].'"'];
        $this->call('admin', 'PUT', $this->path($split).'/wishes', $wish, 200, $tag);
        self::assertSame(str_replace('-', '', $this->ids['admin']), $by(), 'nobody borrows the sight of another');
    }

    public function testWhereTheyDoNotFitNobodyIsPutAnywhere(): void
    {
        $this->open(['most' => 1], ['settles' => true]);
        $this->db()->executeStatement("UPDATE group_split SET closes_at = '2026-11-24 08:00:00'");
        $runner = $this->service(GroupRunner::class);
        self::assertSame([0, 0], [$runner->settle(), $runner->settle()]);
        self::assertNotNull($this->db()->fetchOne('SELECT settled_at FROM group_split'));
    }

    /** @param array<string, string> $days */
    #[TestWith([['choosesFrom' => '2026-12-01'], 'no-end', 'choosesUntil'])]
    #[TestWith([['choosesFrom' => '2026-12-02', 'choosesUntil' => '2026-12-01'], 'before-start', 'choosesUntil'])]
    #[TestWith([['choosesFrom' => '2026-11-01', 'choosesUntil' => '2026-11-02'], 'past', 'choosesUntil'])]
    #[TestWith([['choosesUntil' => 'soon'], '', 'choosesUntil'])]
    public function testAWindowThatCannotBeIsSaidAtItsField(array $days, string $code, string $field): void
    {
        $wrong = $this->put($this->make(['count' => 1]), ['name' => 'Teams', 'groups' => [], ...$days], 422);
        self::assertSame("/$field", $wrong['errors'][0]['pointer']);
        '' === $code || self::assertSame($code, $wrong['errors'][0]['code']);
    }

    public function testTheWindowStaysAsItIsWhereItsDaysDo(): void
    {
        $split = $this->open();
        $opened = $this->db()->fetchOne('SELECT opens_at FROM group_split');
        $body = ['name' => 'Other', 'groups' => [], 'choosesFrom' => $split['choosesFrom']];
        $this->put($split, [...$body, 'choosesUntil' => $split['choosesUntil']]);
        self::assertSame($opened, $this->db()->fetchOne('SELECT opens_at FROM group_split'));
        self::assertFalse($this->put($split, ['name' => 'Other', 'groups' => []])['chooses']);
    }

    /**
     * @param array<string, mixed> $make
     * @param array<string, mixed> $more
     *
     * @return array<string, mixed> a split whose groups people choose by themselves
     */
    private function open(array $make = [], array $more = []): array
    {
        $split = $this->make(['count' => 2, ...$make]);
        $groups = array_map(
            static fn(array $group): array => ['id' => $group['id'], 'name' => $group['name']],
            $split['list'],
        );
        $opened = $this->put($split, [
            'name' => 'Teams',
            'groups' => $groups,
            'most' => $split['most'],
            'choosesUntil' => '2026-12-04',
            'founds' => true,
            ...$more,
        ]);
        self::assertTrue($opened['chooses']);

        return $opened;
    }

    /** @return list<array<string, mixed>> */
    private function own(string $as): array
    {
        return $this->call($as, 'GET', '/me/groups')['items'];
    }

    /**
     * @param array<string, mixed> $split
     *
     * @return array<string, mixed>
     */
    private function choose(string $as, array $split, ?string $group, int $expected = 200): array
    {
        return $this->call($as, 'PUT', '/me/groups/'.$split['id'], ['group' => $group], $expected);
    }

    /**
     * @param array<string, mixed> $split
     *
     * @return array<string, mixed>
     */
    private function found(string $as, array $split, string $name, int $expected = 200): array
    {
        return $this->call($as, 'POST', '/me/groups/'.$split['id'].'/found', ['name' => $name], $expected);
    }

    /**
     * @param array<string, mixed> $own
     *
     * @return array<string, mixed>
     */
    private function group(array $own, string $id): array
    {
        return array_column($own['groups'], null, 'id')[$id];
    }
}
