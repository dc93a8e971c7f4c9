<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Changes;

use MintDoor\Changes\ChangeListRunner;
use MintDoor\Shared\Id;
use MintDoor\Tests\App\ApiTestCase;
use PHPUnit\Framework\Attributes\TestWith;

/** Change lists that are kept: worked on, found again, applied by whoever, and taken back. */
final class ChangeListsTest extends ApiTestCase
{
    protected function furnish(): void
    {
        parent::furnish();
        $this->ids['wide'] = $this->platform->site(
            'WIDE',
            'Wide',
            'course',
            $this->ids['seniors'],
            $this->ids['term'],
            null,
            null,
            $this->now() - 1_000,
        );
        $this->platform->letIn($this->ids['wide'], $this->ids['lead'], 'lead-tutor', $this->now() - 1_000);
        for ($n = 0; $n < 8; ++$n) {
            $this->ids["many$n"] = $this->platform->person('learner', $this->ids['seniors'], 'Many'.$n, 'Manysen', 7);
        }
    }

    public function testADraftIsKeptFoundAgainByAnyoneAllowedAndWorkedOnByOneAtATime(): void
    {
        $draft = $this->begin('lead', ['text' => "Ana\nBo"]);
        self::assertSame(
            ['draft', 'Harmony', 'Lead Leadsen'],
            [$draft['state'], $draft['site']['title'], $draft['madeBy']['name']],
        );
        self::assertSame([$draft['id']], $this->listed('cotutor'));
        self::assertSame([], $this->listed('elsewhere'));
        $this->call('elsewhere', 'GET', '/change-lists/'.$draft['id'], null, 404);
        $kept = $this->keep('cotutor', $draft['id'], ['text' => 'Ana'], 1);
        self::assertSame(2, $kept['version']);
        self::assertSame(['text' => 'Ana'], $this->call('lead', 'GET', '/change-lists/'.$draft['id'])['work']);
        $this->keep('lead', $draft['id'], ['text' => 'Bo'], 1, 412);
        self::assertSame('dropped', $this->call('lead', 'PUT', '/change-lists/'.$draft['id'].'/dropped')['state']);
        self::assertSame([[], [$draft['id']]], [$this->listed('lead'), $this->listed('lead', '?state=dropped')]);
        self::assertSame('draft', $this->call('lead', 'DELETE', '/change-lists/'.$draft['id'].'/dropped')['state']);
    }

    public function testAReviewSaysWhatWillBeInEachSite(): void
    {
        $review = $this->call('lead', 'POST', '/change-reviews', [
            'each' => [
                'people' => [$this->ids['newcomer'], $this->ids['many0'], $this->ids['many1'], $this->ids['learner']],
                'sites' => [$this->ids['site'], $this->ids['wide']],
                'verb' => 'let-in',
            ],
        ]);
        self::assertSame(
            ['ready' => 6, 'nothing-to-do' => 1, 'needs-choice' => 0, 'refused' => 0, 'waits-for-seat' => 1],
            $review['verdicts'],
        );
        self::assertSame(
            [[3, 1, 3, 2], [null, 0, 4, 4]],
            array_map(
                static fn(array $site): array => [$site['seats'], $site['held'], $site['after'], $site['joining']],
                $review['sites'],
            ),
        );
        self::assertSame('waits-for-seat', $review['lines'][2]['verdict'], 'seats go in line order');
        self::assertSame([], $this->roster('lead', '?q=newcomer'));
    }

    public function testARoleAboveLearnerThatNobodyAskedForWaitsForAChoice(): void
    {
        $line = fn(array $more): array => $this->call(
            'lead',
            'POST',
            '/change-reviews',
            $this->lines(['colleague' => $more]),
        )['lines'][0];
        self::assertSame(['needs-choice', 'above-learner'], [$line([])['verdict'], $line([])['reasons'][0]['code']]);
        self::assertSame(
            ['ready', 'co-tutor'],
            [$line(['sure' => true])['verdict'], $line(['sure' => true])['after']['role']],
        );
        self::assertSame('ready', $line(['role' => 'co-tutor'])['verdict']);
    }

    public function testSomebodyTwiceWithTwoRolesIsAskedAboutAndOneRepeatIsHarmless(): void
    {
        $line = fn(string $role): array => [
            'site' => $this->ids['wide'],
            'line' => ['person' => $this->ids['colleague'], 'verb' => 'let-in', 'role' => $role],
        ];
        $codes = fn(array $lines): array => array_map(
            static fn(array $line): array => [$line['verdict'], $line['reasons'][0]['code'] ?? null],
            $this->call('lead', 'POST', '/change-reviews', ['lines' => $lines])['lines'],
        );
        self::assertSame(
            [['needs-choice', 'twice-on-list'], ['needs-choice', 'twice-on-list']],
            $codes([$line('co-tutor'), $line('class-assistant')]),
        );
        self::assertSame(
            [['ready', null], ['nothing-to-do', 'repeat']],
            $codes([$line('co-tutor'), $line('co-tutor')]),
        );
    }

    public function testApplyingSetsAsideWhatCannotBeAndUndoTakesTheRestBack(): void
    {
        $draft = $this->begin('lead');
        $applied = $this->call(
            'lead',
            'POST',
            '/change-lists/'.$draft['id'].'/apply',
            $this->lines(['newcomer' => [], 'learner' => [], 'guardian' => ['role' => 'learner']]),
        );
        self::assertSame(
            ['applied', 3, 3, 1],
            [$applied['state'], $applied['total'], $applied['done'], $applied['applied']],
        );
        self::assertSame(['ready', 'nothing-to-do', 'refused'], array_column($applied['lines'], 'verdict'));
        self::assertSame('wrong-kind', $applied['lines'][2]['reasons'][0]['code']);
        self::assertSame(['newcomer' => 'learner current'], $this->roster('lead', '?q=newcomer'));
        $this->call('lead', 'POST', '/change-lists/'.$draft['id'].'/apply', $this->lines(['many0' => []]), 412);
        self::assertSame(
            ['ready' => 1, 'nothing-to-do' => 0, 'needs-choice' => 0, 'refused' => 0, 'waits-for-seat' => 0],
            $this->call('cotutor', 'POST', '/change-lists/'.$draft['id'].'/undo', ['apply' => false])['verdicts'],
        );
        $undo = $this->call('cotutor', 'POST', '/change-lists/'.$draft['id'].'/undo', ['apply' => true]);
        self::assertSame(
            ['undo', 'applied', 1, 1, $draft['id']],
            [$undo['kind'], $undo['state'], $undo['total'], $undo['applied'], $undo['undoes']],
        );
        self::assertSame([], $this->roster('lead', '?q=newcomer'));
        self::assertSame($undo['id'], $this->call('lead', 'GET', '/change-lists/'.$draft['id'])['undoneBy']);
    }

    public function testWhatUndoCouldNotTakeBackIsSaidLineByLine(): void
    {
        $draft = $this->begin('lead');
        $this->call(
            'lead',
            'POST',
            '/change-lists/'.$draft['id'].'/apply',
            $this->lines(['newcomer' => [], 'many0' => []]),
        );
        $this->change('lead', 'pause', 'many0');
        $undo = $this->call('lead', 'POST', '/change-lists/'.$draft['id'].'/undo', ['apply' => true]);
        self::assertSame(
            [['refused', 'changed-since'], ['ready', null]],
            array_map(
                static fn(array $line): array => [$line['verdict'], $line['reasons'][0]['code'] ?? null],
                array_map(
                    static fn(array $line): array => 'ready' === $line['verdict']
                        ? ['verdict' => 'ready', 'reasons' => []]
                        : $line,
                    $undo['lines'],
                ),
            ),
        );
        self::assertSame(1, $undo['applied']);
    }

    #[TestWith(['site'])]
    #[TestWith(['person'])]
    public function testWhatChangedSinceTheReviewIsSetAside(string $what): void
    {
        $draft = $this->begin('lead');
        $looked = $this->call('lead', 'POST', '/change-reviews', $this->lines(['newcomer' => [], 'many0' => []]))[
            'lines'
        ];
        'site' === $what
            ? $this->call('lead', 'PUT', '/sites/'.$this->ids['site'].'/life', ['state' => 'closed'], 200, [
                'If-Match' => '"1"',
            ])
            : $this->change('lead', 'let-in', 'newcomer', 'learner');
        $lines = $this->lines(
            array_combine(
                ['newcomer', 'many0'],
                array_map(
                    static fn(array $line): array => [
                        'version' => $line['version'],
                        'siteVersion' => $line['siteVersion'],
                    ],
                    $looked,
                ),
            ),
        );
        $applied = $this->call('lead', 'POST', '/change-lists/'.$draft['id'].'/apply', $lines);
        self::assertSame('site' === $what ? 0 : 1, $applied['applied']);
        self::assertSame(
            ['refused', 'changed-since'],
            [$applied['lines'][0]['verdict'], $applied['lines'][0]['reasons'][0]['code']],
        );
    }

    public function testSeatsTakenSinceTheReviewAreWaitedFor(): void
    {
        $draft = $this->begin('lead');
        $this->change('lead', 'let-in', 'many0', 'learner');
        $this->change('lead', 'let-in', 'many1', 'learner');
        $applied = $this->call(
            'lead',
            'POST',
            '/change-lists/'.$draft['id'].'/apply',
            $this->lines(['newcomer' => []])
        );
        self::assertSame(['waits-for-seat', 0], [$applied['lines'][0]['verdict'], $applied['applied']]);
    }

    public function testALongListIsAppliedByAWorkerAThousandLinesAtATimeAndEachOnce(): void
    {
        $people = [];
        for ($n = 0; $n < 1_100; ++$n) {
            $people[] = $this->platform->person('learner', $this->ids['seniors'], 'Crowd'.$n, 'Crowdsen', 7);
        }
        $this->platform->write();
        $draft = $this->begin('lead', [], null, 'people');
        $each = [
            'each' => ['people' => $people, 'sites' => [$this->ids['wide']], 'verb' => 'let-in', 'role' => 'learner'],
        ];
        $begun = $this->call(
            'lead',
            'POST',
            '/change-lists/'.$draft['id'].'/apply',
            $each,
            headers: ['Idempotency-Key' => 'apply-it-once'],
        );
        self::assertSame(['applying', 0, 1_100], [$begun['state'], $begun['done'], $begun['total']]);
        self::assertSame(1, (int) $this->db()->fetchOne('SELECT COUNT(*) FROM messenger_messages'));
        $runner = $this->service(ChangeListRunner::class);
        self::assertTrue($runner->step($draft['id'], static fn() => null));
        self::assertSame(
            ['applying', 1_000],
            [
                $this->call('lead', 'GET', '/change-lists/'.$draft['id'])['state'],
                $this->call('lead', 'GET', '/change-lists/'.$draft['id'])['done'],
            ],
        );
        self::assertFalse($runner->step($draft['id'], static fn() => null));
        self::assertFalse($runner->step($draft['id'], static fn() => null));
        $done = $this->call('lead', 'GET', '/change-lists/'.$draft['id'].'?after=1000');
        self::assertSame(
            ['applied', 1_100, 1_100, 100],
            [$done['state'], $done['done'], $done['applied'], \count($done['lines'])],
        );
        self::assertSame(
            1_100,
            (int) $this->db()->fetchOne('SELECT COUNT(*) FROM access_grant WHERE site_id = ? AND role = \'learner\'', [
                Id::binary($this->ids['wide']),
            ]),
        );
        $this->call('lead', 'POST', '/change-lists/'.$draft['id'].'/continue', null, 412);
    }

    public function testAHalfAppliedListIsTakenBackAndTheRestIsNotAppliedAnyMore(): void
    {
        $people = array_map(
            fn(int $n): string => $this->platform->person('learner', $this->ids['seniors'], 'Half'.$n, 'Halfsen', 7),
            range(1, 1_001),
        );
        $this->platform->write();
        $draft = $this->begin('lead', [], null, 'people');
        $this->call('lead', 'POST', '/change-lists/'.$draft['id'].'/apply', [
            'each' => ['people' => $people, 'sites' => [$this->ids['wide']], 'verb' => 'let-in', 'role' => 'learner'],
        ]);
        $runner = $this->service(ChangeListRunner::class);
        $runner->step($draft['id'], static fn() => null);
        $problem = $this->call('lead', 'POST', '/change-lists/'.$draft['id'].'/undo', ['apply' => true], 409);
        self::assertSame(1_000, $problem['removal']['people'], 'taking many out wants the number');
        $undo = $this->call('lead', 'POST', '/change-lists/'.$draft['id'].'/undo', [
            'apply' => true,
            'removing' => 1_000,
        ]);
        self::assertFalse($runner->step($draft['id'], static fn() => null));
        self::assertFalse($runner->step($undo['id'], static fn() => null));
        self::assertSame(
            0,
            (int) $this->db()->fetchOne(
                <<<'SQL'
                    SELECT COUNT(*)
                    FROM enrollment_segment
                    WHERE site_id = ? AND role = 'learner' AND state = 'current' AND until_at > '2999-01-01'
                    SQL,
                [Id::binary($this->ids['wide'])],
            ),
        );
        self::assertSame(
            'stopped',
            $this->call('lead', 'GET', '/change-lists/'.$draft['id'].'?after=1000')['lines'][0]['reasons'][0]['code'],
        );
    }

    public function testWhatWasSettledByHandIsRememberedHereRankedFirstAndCanBeForgotten(): void
    {
        self::assertSame('unknown', $this->read('Manno Manysen')['outcome']);
        $draft = $this->begin('lead');
        $this->call('lead', 'POST', '/change-lists/'.$draft['id'].'/apply', [
            ...$this->lines(['many3' => []]),
            'settled' => [
                [
                    'gist' => $this->read('Manno Manysen')['gist'],
                    'text' => 'Manno Manysen',
                    'person' => $this->ids['many3'],
                ],
            ],
        ]);
        self::assertSame(
            ['choose', $this->ids['many3'], true],
            [
                $this->read('Manno Manysen')['outcome'],
                $this->read('Manno Manysen')['candidates'][0]['person']['id'],
                $this->read('Manno Manysen')['candidates'][0]['remembered'],
            ],
        );
        $path = '/sites/'.$this->ids['site'].'/settled-lines';
        self::assertSame('Manno Manysen', $this->call('cotutor', 'GET', $path)['items'][0]['text']);
        self::assertSame(
            [],
            $this->call('cotutor', 'DELETE', $path.'?gist='.rawurlencode($this->read('Manno Manysen')['gist']))[
                'items'
            ],
        );
        self::assertSame('unknown', $this->read('Manno Manysen')['outcome']);
    }

    /**
     * @return array<string, mixed>
     *
     * @phpstan-impure
     */
    private function read(string $text): array
    {
        return $this->call('lead', 'POST', '/sites/'.$this->ids['site'].'/intake', ['text' => $text])['items'][0];
    }

    public function testAListWithoutLinesOrWithTooManySaysSo(): void
    {
        $draft = $this->begin('lead');
        self::assertSame(
            'nothing',
            $this->call('lead', 'POST', '/change-lists/'.$draft['id'].'/apply', ['lines' => []], 422)['errors'][0][
                'code'
            ],
        );
        $this->call('learner', 'POST', '/change-lists', ['kind' => 'people', 'work' => (object) []], 403);
        $this->call(
            'lead',
            'POST',
            '/change-reviews',
            ['each' => ['people' => [], 'sites' => [$this->ids['site']], 'verb' => 'let-in']],
            422,
        );
        $this->call(
            'lead',
            'POST',
            '/change-reviews',
            ['each' => ['people' => [$this->ids['learner']], 'sites' => [$this->ids['site']], 'verb' => 'explode']],
            422,
        );
        $this->call(
            'lead',
            'POST',
            '/sites/'.$this->ids['site'].'/intake',
            ['text' => str_repeat("\x00\x01\x02PK", 300)],
            422,
        );
        $this->call(
            'lead',
            'POST',
            '/sites/'.$this->ids['site'].'/intake',
            ['text' => str_repeat('x', 400_001)],
            422,
        );
    }

    /**
     * @param array<string, mixed> $work
     *
     * @return array<string, mixed>
     */
    private function begin(string $as, array $work = [], ?string $site = 'site', string $kind = 'pasted'): array
    {
        return $this->call(
            $as,
            'POST',
            '/change-lists',
            [
                'kind' => $kind,
                'title' => 'A list',
                'site' => null === $site ? null : $this->ids[$site],
                'work' => (object) $work,
            ],
            201,
        );
    }

    /**
     * @param array<string, mixed> $work
     *
     * @return array<string, mixed>
     */
    private function keep(string $as, string $changeList, array $work, int $version, int $expected = 200): array
    {
        return $this->call(
            $as,
            'PUT',
            '/change-lists/'.$changeList,
            ['kind' => 'pasted', 'title' => 'A list', 'work' => $work],
            $expected,
            ['If-Match' => '"'.$version.'"'],
        );
    }

    /**
     * @param array<string, array<string, mixed>> $people name => more of the line
     *
     * @return array<string, mixed>
     */
    private function lines(array $people): array
    {
        return [
            'lines' => array_map(
                fn(string $name): array => [
                    'site' => $this->ids['site'],
                    'text' => $name,
                    'line' => ['person' => $this->ids[$name], 'verb' => 'let-in', ...$people[$name]],
                ],
                array_keys($people),
            ),
        ];
    }

    /** @return list<string> ids */
    private function listed(string $as, string $query = '?state=draft'): array
    {
        return array_column($this->call($as, 'GET', '/change-lists'.$query)['items'], 'id');
    }
}
