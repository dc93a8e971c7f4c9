<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Groups;

use MintDoor\Groups\ComputeGroups;
use MintDoor\Groups\GroupRunner;
use MintDoor\Shared\Id;
use MintDoor\Shared\Problem;
use PHPUnit\Framework\Attributes\TestWith;

/** What groups are to be like, groups that are computed, and how groups meet what was wished. */
final class WishesTest extends GroupsCase
{
    public function testGroupsAreComputedAndPutInForceAsOneSitting(): void
    {
        $split = $this->make(['count' => 2]);
        $this->label('violin', ['learner', 'third']);
        $this->wish($split, [
            ['kind' => 'count', 'by' => 'label', 'value' => 'Violin', 'least' => 1, 'most' => 1, 'must' => true],
            ['kind' => 'even', 'by' => 'level'],
            ['kind' => 'apart', 'people' => [$this->ids['learner'], $this->ids['newcomer']], 'must' => true],
        ]);
        $task = $this->computed($split);
        self::assertSame(['computed', 4, 0, null], [
            $task['state'],
            \count($task['places']),
            $task['moved'],
            $task['givenUp'],
        ]);
        $groups = array_column($task['places'], 'group', 'person');
        $same = fn(string $one, string $other): bool => $groups[$this->ids[$one]] === $groups[$this->ids[$other]];
        self::assertSame([false, false, true], [
            $same('learner', 'third'),
            $same('learner', 'newcomer'),
            $same('learner', 'fourth'),
        ]);
        self::assertSame(4, $this->call('lead', 'GET', $this->path($split))['without'], 'nobody is moved yet');
        $moves = array_map(
            static fn(array $place): array => ['person' => $place['person'], 'to' => $place['group']],
            $task['places'],
        );
        $balance = $this->call('lead', 'POST', $this->path($split).'/balance', ['moves' => $moves]);
        self::assertSame([0, 0, 1, true], [
            $balance['broken'],
            $balance['sizes'],
            $balance['met'],
            $balance['isBest'],
        ]);
        self::assertSame([7.5, 7.5], array_map(
            static fn(array $group): float => $group['amounts'][0]['n'],
            $balance['wishes'][1]['groups'],
        ));
        $made = $this->call('lead', 'POST', $this->path($split).'/moves', ['moves' => $moves]);
        self::assertNotNull($made['changeList']);
        self::assertSame(0, $this->call('lead', 'GET', $this->path($split))['without']);
    }

    public function testTheBalanceSaysWhatIsNotSoAndOfWhom(): void
    {
        $round = $this->make(['name' => 'Round 1', 'from' => 'level']);
        $split = $this->make(['from' => 'level']);
        $this->label('cello', ['fourth', 'third']);
        $this->wish($split, [
            ['kind' => 'count', 'by' => 'label', 'value' => 'cello', 'least' => 1, 'most' => 1],
            ['kind' => 'met', 'split' => $round['id'], 'most' => 0],
            ['kind' => 'together', 'people' => [$this->ids['learner'], $this->ids['third']]],
            ['kind' => 'mixed', 'by' => 'level'],
            ['kind' => 'free'],
        ]);
        $balance = $this->call('lead', 'POST', $this->path($split).'/balance', ['moves' => []]);
        self::assertSame([2, 4, 1, 4, 0], array_column($balance['wishes'], 'lacks'));
        self::assertSame([[0, 2], [true, true]], [
            array_map(static fn(array $one): int => $one['amounts'][0]['n'], $balance['wishes'][0]['groups']),
            array_column($balance['wishes'][0]['groups'], 'wrong'),
        ]);
        self::assertSame([2, 2], array_map(\count(...), $balance['wishes'][1]['people']));
        self::assertSame([$this->ids['learner'], $this->ids['third']], $balance['wishes'][2]['people'][0]);
        self::assertSame(['7', '8'], array_column($balance['wishes'][3]['groups'][0]['amounts'], 'of'));
        self::assertLessThan(1, $balance['met']);
        // Two change places, only to see what that is worth.
        $places = array_column($split['places'], 'group', 'person');
        [$one, $other] = [$this->ids['learner'], $this->ids['third']];
        $swap = [
            ['person' => $one, 'from' => $places[$one], 'to' => $places[$other]],
            ['person' => $other, 'from' => $places[$other], 'to' => $places[$one]],
        ];
        $after = $this->call('lead', 'POST', $this->path($split).'/balance', ['moves' => $swap]);
        self::assertSame([0, 0, 1, 0, 0], array_column($after['wishes'], 'lacks'));
        self::assertSame(
            $places,
            array_column($this->call('lead', 'GET', $this->path($split))['places'], 'group', 'person')
        );
    }

    public function testWhatStandsInTheWayIsNamed(): void
    {
        $split = $this->make(['count' => 2]);
        [$one, $other, $third] = [$this->ids['learner'], $this->ids['newcomer'], $this->ids['third']];
        $this->wish($split, [
            ['kind' => 'together', 'people' => [$one, $other], 'must' => true],
            ['kind' => 'together', 'people' => [$other, $third], 'must' => true],
        ]);
        $task = $this->computed($split);
        self::assertCount(2, $task['givenUp']['people'], 'three do not fit into a group of two');
        $this->wish(
            $split,
            [['kind' => 'count', 'by' => 'level', 'value' => '9', 'least' => 1, 'must' => true, 'most' => 2]]
        );
        self::assertSame(['wish' => 0, 'people' => []], $this->computed($split)['givenUp']);
    }

    public function testWhoComesLateIsPlacedAndOthersStay(): void
    {
        $split = $this->make(['from' => 'level', 'most' => 3, 'least' => 2]);
        $level7 = array_column($split['list'], 'id', 'name')['Level 7'];
        $this->ids['fifth'] = $this->person('fifth', 'learner', 'seniors', 9);
        $this->platform->write();
        $this->change('lead', 'let-in', 'fifth', 'learner');
        $apart = ['kind' => 'apart', 'people' => [$this->ids['fifth'], $this->ids['third']], 'must' => true];
        $this->wish($split, [$apart], ['who' => 'few']);
        $task = $this->computed($split);
        self::assertSame([0, $level7], [
            $task['moved'],
            array_column($task['places'], 'group', 'person')[$this->ids['fifth']],
        ]);
        // A group that stays as it is takes nobody.
        $this->wish($split, [$apart], ['who' => 'rest', 'keep' => [$level7]]);
        $groups = array_column($this->computed($split)['places'], 'group', 'person');
        self::assertNotSame($level7, $groups[$this->ids['fifth']]);
        self::assertSame($level7, $groups[$this->ids['learner']]);
    }

    public function testAWorkerIsToldToStopAndOneThatIsLateKeepsNothing(): void
    {
        $split = $this->make(['count' => 2]);
        $this->wish($split, [['kind' => 'even', 'by' => 'level']]);
        $begun = $this->call('lead', 'POST', $this->path($split).'/compute');
        self::assertSame(['computing', 1], [$begun['task']['state'], $begun['task']['version']]);
        $twice = $this->call('lead', 'POST', $this->path($split).'/compute', null, 409);
        self::assertStringContainsString('being computed', $twice['detail']);
        self::assertTrue($this->call('lead', 'POST', $this->path($split).'/compute/stop')['task']['stops']);
        $this->work($split, 7);
        $wishes = fn(): array => $this->call('lead', 'GET', $this->path($split).'/wishes')['task'];
        self::assertSame('computing', $wishes()['state'], 'another time is not this one');
        $this->db()->executeStatement('UPDATE group_task SET beat_at = beat_at - INTERVAL 1 HOUR');
        self::assertSame(1, $this->service(GroupRunner::class)->again());
        $this->work($split, 1);
        self::assertSame('computed', $wishes()['state'], 'the best so far');
    }

    public function testTheSightOfWhoeverAsksIsTheirs(): void
    {
        $split = $this->make(['count' => 2]);
        $this->label('violin', ['learner', 'third']);
        $count = ['kind' => 'count', 'by' => 'label', 'value' => 'violin', 'least' => 1, 'most' => 1];
        $this->wish($split, [$count]);
        $seen = fn(): int => $this->call(
            'lead',
            'POST',
            $this->path($split).'/balance',
            ['moves' => []]
        )['wishes'][0]['whole'];
        $all = $seen();
        // Of people of another division one is told neither label nor detail, here neither.
        $this->db()->executeStatement("UPDATE person SET division_id = ? WHERE given_name IN ('Learner', 'Third')", [
            Id::binary($this->ids['evening']),
        ]);
        self::assertLessThan($all, $seen());
        // Whoever may no longer arrange groups has none computed for them.
        $this->call('lead', 'POST', $this->path($split).'/compute');
        $this->db()->executeStatement("UPDATE enrollment_segment SET state = 'removed' WHERE person_id = ?", [
            Id::binary($this->ids['lead']),
        ]);
        $this->expectException(Problem::class);
        $this->work($split, 1);
    }

    /** @param array<string, mixed> $wish */
    #[TestWith([['kind' => 'count', 'value' => '7', 'most' => 1], 'by'])]
    #[TestWith([['kind' => 'count', 'by' => 'label', 'most' => 1], 'value'])]
    #[TestWith([['kind' => 'count', 'by' => 'level', 'value' => '7', 'least' => 2, 'most' => 1], 'most'])]
    #[TestWith([['kind' => 'even', 'by' => 'division'], 'by'])]
    #[TestWith([['kind' => 'even', 'by' => 'level', 'must' => true], 'must'])]
    #[TestWith([['kind' => 'mixed', 'by' => 'detail', 'detail' => 'nothing'], 'detail'])]
    #[TestWith([['kind' => 'apart', 'people' => []], 'people'])]
    #[TestWith([['kind' => 'met'], 'split'])]
    #[TestWith([['kind' => 'else'], 'kind'])]
    public function testWhatCannotBeWishedIsSaidAtItsField(array $wish, string $field): void
    {
        $wrong = $this->wish($this->make(['count' => 2]), [$wish], [], 422);
        self::assertSame("/wishes/0/$field", $wrong['errors'][0]['pointer']);
    }

    public function testNobodyFromElsewhereIsNamedAndPlacesAreEnough(): void
    {
        $split = $this->make(['count' => 2, 'most' => 1]);
        $wrong = ['kind' => 'apart', 'people' => [$this->ids['junior'], $this->ids['learner']]];
        self::assertSame('unknown', $this->wish($split, [$wrong], [], 422)['errors'][0]['code']);
        $few = $this->call('lead', 'POST', $this->path($split).'/compute', null, 409);
        self::assertStringContainsString('4 people, and places for 2', $few['detail']);
        $none = $this->call('lead', 'POST', $this->path($this->make(['name' => 'Empty'])).'/compute', null, 409);
        self::assertStringContainsString('no groups', $none['detail']);
    }

    /**
     * @param array<string, mixed>       $split
     * @param list<array<string, mixed>> $wishes
     * @param array<string, mixed>       $more
     *
     * @return array<string, mixed>
     */
    private function wish(array $split, array $wishes, array $more = [], int $expected = 200): array
    {
        $tag = '"'.$this->call('lead', 'GET', $this->path($split))['version'].'"';
        $body = ['wishes' => $wishes, ...$more];

        return $this->call('lead', 'PUT', $this->path($split).'/wishes', $body, $expected, ['If-Match' => $tag]);
    }

    /**
     * @param array<string, mixed> $split
     *
     * @return array<string, mixed> what came of it
     */
    private function computed(array $split): array
    {
        $task = $this->call('lead', 'POST', $this->path($split).'/compute')['task'];
        $this->work($split, $task['version']);

        return $this->call('lead', 'GET', $this->path($split).'/wishes')['task'];
    }

    /** @param array<string, mixed> $split */
    private function work(array $split, int $version): void
    {
        $this->service(GroupRunner::class)(new ComputeGroups($split['id'], $version));
    }
}
