<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Changes;

use MintDoor\Tests\App\ApiTestCase;

/** Change change lists of several lines. */
final class ChangesTest extends ApiTestCase
{
    protected function furnish(): void
    {
        parent::furnish();
        $this->ids['big'] = $this->platform->site(
            'BIG',
            'Big',
            'course',
            $this->ids['seniors'],
            $this->ids['term'],
            null,
            null,
            $this->now() - 1_000_000,
        );
        $this->platform->letIn($this->ids['big'], $this->ids['lead'], 'lead-tutor', $this->now() - 1_000_000);
        $this->platform->letIn($this->ids['big'], $this->ids['cotutor'], 'co-tutor', $this->now() - 1_000_000);
        for ($n = 0; $n < 20; ++$n) {
            $this->ids["p$n"] = $this->person("p$n", 'learner', 'seniors', 7);
            $this->platform->letIn($this->ids['big'], $this->ids["p$n"], 'learner', $this->now() - 900_000);
        }
    }

    public function testManyAreChangedAtOnceAndThoseWhoCannotAreLeftOutWithTheirReasons(): void
    {
        $people = ['p0', 'p1', 'p2', 'newcomer', 'lead'];
        $preview = $this->changeList('cotutor', 'pause', $people, ['untilDay' => '2026-12-01'], apply: false);
        self::assertSame(['ready', 'ready', 'ready', 'refused', 'refused'], array_column($preview['lines'], 'verdict'));
        self::assertSame(
            ['not-here', 'not-yours-to-take'],
            [$preview['lines'][3]['reasons'][0]['code'], $preview['lines'][4]['reasons'][0]['code']],
        );
        self::assertSame('P0 P0sen', $preview['lines'][0]['person']['name']);
        self::assertSame('learner current', $this->roster(site: 'big')['p0'], 'computing changes nothing');

        $applied = $this->changeList('cotutor', 'pause', $people, ['untilDay' => '2026-12-01']);
        self::assertSame(array_column($preview['lines'], 'verdict'), array_column($applied['lines'], 'verdict'));
        self::assertSame(
            ['learner paused', 'learner paused', 'learner current'],
            [$this->roster(site: 'big')['p0'], $this->roster(site: 'big')['p2'], $this->roster(site: 'big')['p3']],
        );
        self::assertSame(
            ['nothing-to-do', 'nothing-to-do', 'nothing-to-do'],
            array_column(
                \array_slice(
                    $this->changeList('cotutor', 'pause', $people, ['untilDay' => '2026-12-01'])['lines'],
                    0,
                    3
                ),
                'verdict',
            )
            ?: [],
        );
    }

    public function testAListIsUndoneAsAnotherAndWhatWasChangedSinceIsLeftAlone(): void
    {
        $changeList = $this->changeList('lead', 'pause', ['p0', 'p1', 'p2'])['changeList'];
        $this->change('lead', 'resume', 'p1', site: 'big');
        $path = '/sites/'.$this->ids['big'].'/change-lists/'.$changeList.'/undo';
        $preview = $this->call('lead', 'POST', $path, ['apply' => false]);
        self::assertSame(
            ['P2 P2sen' => 'ready', 'P1 P1sen' => 'refused', 'P0 P0sen' => 'ready'],
            array_combine(
                array_map(static fn(array $line): string => $line['person']['name'], $preview['lines']),
                array_column($preview['lines'], 'verdict'),
            ),
        );
        self::assertSame('changed-since', $preview['lines'][1]['reasons'][0]['code']);
        $undone = $this->call('lead', 'POST', $path, ['apply' => true]);
        self::assertSame(
            ['learner current', 'learner current', 'learner current'],
            array_values(array_intersect_key($this->roster(site: 'big'), ['p0' => 1, 'p1' => 1, 'p2' => 1])),
        );
        $this->call('lead', 'POST', '/sites/'.$this->ids['big'].'/change-lists/'.$undone['changeList'].'/undo', [
            'apply' => true,
        ]);
        self::assertSame('learner paused', $this->roster(site: 'big')['p0'], 'an undoing is undone like anything else');
        $this->call(
            'lead',
            'POST',
            '/sites/'.$this->ids['site'].'/change-lists/'.$changeList.'/undo',
            ['apply' => true],
            404,
        );
    }

    public function testWhoeverTakesManyOutSaysHowMany(): void
    {
        $people = ['p0', 'p1', 'p2', 'p3', 'p4', 'p5', 'p6'];
        self::assertSame(
            ['people' => 7, 'here' => 22],
            $this->changeList('lead', 'remove', $people, apply: false)['removal'],
        );
        $problem = $this->changeList('lead', 'remove', $people, expected: 409);
        self::assertSame([true, 7], [str_ends_with($problem['type'], 'many-removed'), $problem['removal']['people']]);
        $this->changeList('lead', 'remove', $people, expected: 409, removing: 6);
        self::assertArrayHasKey('p0', $this->roster(site: 'big'), 'nothing was done');
        $this->changeList('lead', 'remove', $people, removing: 7);
        self::assertSame(
            13,
            $this->call('lead', 'GET', '/sites/'.$this->ids['big'])['learners'],
            'and the count follows',
        );
        self::assertArrayNotHasKey('p0', $this->roster(site: 'big'));
        self::assertNull($this->changeList('lead', 'remove', ['p7', 'p8'], apply: false)['removal']);
    }

    public function testTheRosterAndItsCountsFollow(): void
    {
        $this->changeList('lead', 'change-role', ['p0', 'p1'], ['role' => 'day-guest']);
        $page = $this->call('lead', 'GET', '/sites/'.$this->ids['big'].'/roster');
        self::assertSame(
            ['learners' => 18, 'staff' => 2, 'others' => 2, 'unlisted' => 0, 'shown' => 22],
            $page['counts'],
        );
    }

    public function testWhoWasChangedSinceTheReviewIsSetAside(): void
    {
        $version = $this->call('lead', 'GET', '/sites/'.$this->ids['big'].'/roster/'.$this->ids['p0'])['version'];
        $this->change('cotutor', 'pause', 'p0', site: 'big');
        $lines = $this->call('lead', 'POST', '/sites/'.$this->ids['big'].'/change-lists', [
            'lines' => [
                ['person' => $this->ids['p0'], 'verb' => 'remove', 'version' => $version],
                ['person' => $this->ids['p1'], 'verb' => 'remove'],
            ],
        ])['lines'];
        self::assertSame(
            ['refused', 'changed-since', 'ready'],
            [$lines[0]['verdict'], $lines[0]['reasons'][0]['code'], $lines[1]['verdict']],
        );
        self::assertSame('learner paused', $this->roster(site: 'big')['p0']);
    }

    public function testOneLineAPersonAndNotTooMany(): void
    {
        self::assertSame(
            '/lines/1/person',
            $this->changeList('lead', 'pause', ['p0', 'p0'], expected: 422)['errors'][0]['pointer'],
        );
        $this->changeList('lead', 'pause', [], expected: 422);
        $this->changeList('assistant', 'pause', ['p0', 'p1'], expected: 404);
    }

    public function testTheNumberOfStatementsDoesNotGrowWithTheLines(): void
    {
        $statements = fn(): int => (int) ($this->db()->fetchNumeric("SHOW SESSION STATUS LIKE 'Questions'")[1] ?? 0);
        $count = function (string ...$people) use ($statements): int {
            $before = $statements();
            $this->changeList('lead', 'pause', array_values($people));
            $this->changeList('lead', 'resume', array_values($people));

            return $statements() - $before;
        };
        $all = array_map(static fn(int $n): string => 'p'.$n, range(0, 19));
        self::assertSame($count(...\array_slice($all, 0, 6)), $count(...\array_slice($all, 6)));
    }

    /**
     * @param list<string>         $people
     * @param array<string, mixed> $more
     *
     * @return array<array-key, mixed>
     */
    private function changeList(
        string $as,
        string $verb,
        array $people,
        array $more = [],
        bool $apply = true,
        int $expected = 200,
        ?int $removing = null,
    ): array {
        return $this->call(
            $as,
            'POST',
            '/sites/'.$this->ids['big'].'/change-lists',
            [
                'apply' => $apply,
                'removing' => $removing,
                'lines' => array_map(
                    fn(string $person): array => ['person' => $this->ids[$person], 'verb' => $verb, ...$more],
                    $people,
                ),
            ],
            $expected,
        );
    }
}
