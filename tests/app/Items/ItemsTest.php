<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Items;

use MintDoor\Demo\Dice;
use MintDoor\Tests\App\ApiTestCase;

/** Who sees the items of a site: said, counted, looked at through the eyes of others, and what is hardly meant. */
final class ItemsTest extends ApiTestCase
{
    public function testASentenceSaysWhoSeesAnItemAndHowManyThatIs(): void
    {
        [$morning] = $this->sections();
        $this->change('lead', 'put-in-section', 'learner', more: ['section' => $morning]);
        $this->change('lead', 'let-in', 'newcomer', 'learner');
        self::assertSame([5, 5], [$this->items()['people'], $this->item('welcome')['sees']]);
        $sentence = ['kind' => 'sections', 'names' => [$morning]];
        $review = $this->show(['welcome'], $sentence, false);
        self::assertSame(['ready', 5, 3], [
            $review['lines'][0]['verdict'],
            $review['lines'][0]['sees'],
            $review['lines'][0]['will'],
        ]);
        self::assertSame(5, $this->item('welcome')['sees'], 'looking changes nothing');
        $entry = $this->show(['welcome'], $sentence)['entry'];
        self::assertSame(3, $this->item('welcome')['sees'], 'the learner, and who makes items');
        self::assertNull($this->show(['welcome'], $sentence)['entry'], 'nothing to do');
        self::assertContains('welcome', $this->seen('learner'));
        self::assertNotContains('welcome', $this->seen('newcomer'));
        $people = $this->call('lead', 'GET', $this->path('/items/welcome/people'));
        self::assertSame(['Assistantsen, Assistant', 'Newcomersen, Newcomer'], array_column($people['not'], 'name'));
        $this->call('lead', 'POST', $this->path("/history/$entry/undo"));
        self::assertContains('welcome', $this->seen('newcomer'));
    }

    public function testWhatIsShownToAGroupIsSeenByThoseWhoAreInItNow(): void
    {
        $this->change('lead', 'let-in', 'newcomer', 'learner');
        $splits = $this->path('/group-splits');
        $split = $this->call('lead', 'POST', $splits, ['name' => 'Teams', 'from' => 'count', 'count' => 2]);
        [$red, $blue] = array_column($split['list'], 'id');
        self::assertSame(['Group 1', 'Teams', false], \array_slice(array_values($this->items()['groups'][0]), 1));
        $this->show(['welcome'], ['kind' => 'groups', 'names' => [$red]]);
        self::assertNotContains('welcome', $this->seen('learner'));
        $move = fn(?string $from, ?string $to): array => $this->call(
            'lead',
            'POST',
            $splits.'/'.$split['id'].'/moves',
            [
                'moves' => [['person' => $this->ids['learner'], 'from' => $from, 'to' => $to]],
            ]
        );
        $move(null, $red);
        self::assertContains('welcome', $this->seen('learner'));
        self::assertNotContains('welcome', $this->seen('newcomer'));
        self::assertSame(3, $this->item('welcome')['sees'], 'the learner, and who makes items');
        $as = fn(string $group, int $expected = 200): array => array_column(
            $this->call('lead', 'GET', $this->path("/items?as=group:$group"), null, $expected)['items'] ?? [],
            'id',
        );
        self::assertContains('welcome', $as($red));
        self::assertNotContains('welcome', $as($blue));
        self::assertSame([], $as($this->ids['site'], 404));
        $move($red, $blue);
        self::assertNotContains('welcome', $this->seen('learner'));
        $move($blue, $red);
        $this->call('lead', 'DELETE', $splits.'/'.$split['id']);
        self::assertNotContains('welcome', $this->seen('learner'), 'what is put away opens nothing');
        self::assertSame([], $this->items()['groups']);
        $gone = $this->show(['list-1'], ['kind' => 'groups', 'names' => [$blue]], expected: 422);
        self::assertSame('no-such-group', $gone['errors'][0]['code']);
        self::assertSame(422, $this->show(['list-1'], ['kind' => 'groups', 'names' => ['x']], expected: 422)['status']);
    }

    public function testWhatIsHardlyMeantIsFoundAndGoesWhenItIsSaid(): void
    {
        [$morning, $evening] = $this->sections();
        $this->change('lead', 'put-in-section', 'learner', more: ['section' => $morning]);
        $this->change('lead', 'let-in', 'newcomer', 'learner', more: ['section' => $evening]);
        self::assertCount(0, $this->items()['leaks']);
        $this->show(["meeting-1-$evening"], ['kind' => 'sections', 'names' => [$evening]]);
        $leaks = $this->items()['leaks'];
        self::assertSame(['names-hidden', 'list-1', "meeting-1-$evening", 2], [
            $leaks[0]['code'],
            $leaks[0]['item'],
            $leaks[0]['other'],
            $leaks[0]['people'],
        ], 'the assistant makes no items');
        $this->show(['list-1'], ['kind' => 'sections', 'names' => [$evening]]);
        self::assertSame([], $this->items()['leaks']);
    }

    public function testWhoIsKeptToASectionCountsNobodyOfAnother(): void
    {
        [$morning, $evening] = $this->sections(true);
        $this->change('lead', 'put-in-section', 'assistant', more: ['section' => $morning]);
        $this->change('lead', 'put-in-section', 'learner', more: ['section' => $morning]);
        $this->change('lead', 'let-in', 'newcomer', 'learner', more: ['section' => $evening]);
        $seen = $this->call('assistant', 'GET', $this->path('/items'));
        $people = $this->call('assistant', 'GET', $this->path('/items/welcome/people'));
        self::assertNotContains('Newcomersen, Newcomer', array_column($people['sees'], 'name'));
        self::assertSame(\count($people['sees']), array_column($seen['items'], 'sees', 'id')['welcome']);
        self::assertSame($this->items()['people'] - 1, $seen['people']);
    }

    public function testASentenceUnderANameIsSaidOnceAndUsedByMany(): void
    {
        [$morning] = $this->sections();
        $named = $this->named([['name' => 'Mornings', 'visibility' => ['kind' => 'sections', 'names' => [$morning]]]]);
        $id = $named['named'][0]['id'];
        $this->show(['welcome', 'questions'], null, named: $id);
        self::assertSame(2, $this->items()['named'][0]['items']);
        self::assertSame(2, $this->item('questions')['sees']);
        $this->named([['id' => $id, 'name' => 'All', 'visibility' => ['kind' => 'everybody']]]);
        self::assertSame(4, $this->item('questions')['sees']);
        $wrong = $this->named([], 422);
        self::assertStringContainsString('2 items', $wrong['errors'][0]['detail']);
        $twice = ['name' => 'Twice', 'visibility' => ['kind' => 'everybody']];
        self::assertSame('/named/1/name', $this->named([$twice, $twice], 422)['errors'][0]['pointer']);
    }

    public function testWhatIsWrongWithASentenceIsSaid(): void
    {
        $wrong = [
            'nobody-named' => ['kind' => 'sections', 'names' => []],
            'no-such-section' => ['kind' => 'sections', 'names' => [$this->ids['lead']]],
            'no-such-role' => ['kind' => 'roles', 'names' => ['conductor']],
            'no-parts' => ['kind' => 'any', 'parts' => []],
            'no-day' => ['kind' => 'dates', 'from' => null, 'until' => null],
            'before-start' => ['kind' => 'dates', 'from' => '2026-12-02', 'until' => '2026-12-01'],
            'too-deep' => ['kind' => 'all', 'parts' => array_fill(0, 40, ['kind' => 'everybody'])],
        ];
        foreach ($wrong as $code => $sentence) {
            $answer = $this->show(['welcome'], $sentence, expected: 422);
            self::assertSame(['/visibility', $code], [$answer['errors'][0]['pointer'], $answer['errors'][0]['code']]);
        }
        $this->show(['nothing'], ['kind' => 'everybody'], expected: 422);
    }

    public function testWhoSaysWhoSeesItems(): void
    {
        $everybody = ['kind' => 'everybody'];
        $this->show(['welcome'], $everybody, as: 'cotutor');
        $this->show(['welcome'], $everybody, as: 'assistant', expected: 403);
        $this->show(['welcome'], $everybody, as: 'learner', expected: 403);
        [$morning] = $this->sections(true);
        $this->change('lead', 'put-in-section', 'cotutor', more: ['section' => $morning]);
        $this->show(['welcome'], $everybody, as: 'cotutor', expected: 403);
        $items = $this->call('learner', 'GET', $this->path('/items'));
        self::assertSame([[], [], null], [$items['leaks'], $items['named'], $items['items'][0]['visibility']]);
    }

    public function testADraftShowsLearnersNothing(): void
    {
        self::assertSame([], $this->call('learner', 'GET', '/sites/'.$this->ids['draft'].'/items')['items']);
    }

    /** What somebody sees, what see-as shows of them, and what the rule computes for all people are one. */
    public function testWhatSeeAsShowsIsWhatTheRuleComputes(): void
    {
        [$morning, $evening] = $this->sections();
        $this->change('lead', 'put-in-section', 'learner', more: ['section' => $morning]);
        $this->change('lead', 'let-in', 'newcomer', 'learner', more: ['section' => $evening]);
        $this->change('lead', 'let-in', 'guardian', 'sit-in-observer');
        $labelled = ['people' => [$this->ids['newcomer']], 'label' => 'strings', 'on' => true];
        $this->call('lead', 'POST', $this->path('/labels'), $labelled);
        $dice = new Dice(7);
        $atoms = [
            ['kind' => 'everybody'],
            ['kind' => 'sections', 'names' => [$morning]],
            ['kind' => 'sections', 'names' => [$evening]],
            ['kind' => 'roles', 'names' => ['learner']],
            ['kind' => 'labels', 'names' => ['strings']],
            ['kind' => 'dates', 'from' => '2020-01-01', 'until' => null],
            ['kind' => 'dates', 'from' => null, 'until' => '2020-01-01'],
        ];
        $items = array_column($this->items()['items'], 'id');
        foreach ($items as $item) {
            $parts = [$dice->one($atoms), $dice->one($atoms)];
            $this->show([$item], $dice->one([$parts[0], ['kind' => 'any', 'parts' => $parts], [
                'kind' => 'all',
                'parts' => $parts,
            ]]));
        }
        $by = [];
        foreach ($items as $item) {
            foreach ($this->call('lead', 'GET', $this->path("/items/$item/people"))['sees'] as $person) {
                $by[$person['id']][] = $item;
            }
        }
        foreach (['lead', 'cotutor', 'assistant', 'learner', 'newcomer', 'guardian'] as $who) {
            $computed = $by[$this->ids[$who]] ?? [];
            $as = $this->call('lead', 'GET', $this->path('/items?as=person:'.$this->ids[$who]))['items'];
            self::assertSame($computed, array_column($as, 'id'), "$who, as the lead sees them");
            if (\in_array($who, ['learner', 'newcomer', 'guardian'], true)) {
                self::assertSame($computed, $this->seen($who), "$who, as they see it");
            }
        }
        $as = $this->call('lead', 'GET', $this->path("/items?as=section:$evening"))['items'];
        self::assertSame(
            array_values(array_diff($by[$this->ids['newcomer']], array_column($as, 'id'))),
            array_values(array_diff($this->onlyByLabel($items, $by[$this->ids['newcomer']]), array_column($as, 'id'))),
        );
    }

    /**
     * @param list<string> $items
     * @param list<string> $seen
     *
     * @return list<string> of those seen, the ones that a label opens
     */
    private function onlyByLabel(array $items, array $seen): array
    {
        $withLabel = array_filter(
            $this->items()['items'],
            static fn(array $item): bool => str_contains((string) json_encode($item['visibility']), 'strings'),
        );

        return array_values(array_intersect($items, $seen, array_column($withLabel, 'id')));
    }

    /** @return list<string> ids of two, Morning and Evening */
    private function sections(bool $apart = false): array
    {
        $this->db()->executeStatement('UPDATE site SET seats = NULL');
        $made = $this->call(
            'lead',
            'PUT',
            $this->path('/sections'),
            ['sections' => [['name' => 'Morning'], ['name' => 'Evening']], 'apart' => $apart],
            200,
            $this->version(),
        );

        return array_values(array_column($made['sections'], 'id'));
    }

    /** @return array<string, mixed> */
    private function items(): array
    {
        return $this->call('lead', 'GET', $this->path('/items'));
    }

    /** @return array<string, mixed> */
    private function item(string $id): array
    {
        return array_column($this->items()['items'], null, 'id')[$id];
    }

    /** @return list<string> ids of what somebody sees */
    private function seen(string $as): array
    {
        return array_values(array_column($this->call($as, 'GET', $this->path('/items'))['items'], 'id'));
    }

    /**
     * @param list<string>              $items
     * @param ?array<string, mixed> $sentence
     *
     * @return array<string, mixed>
     */
    private function show(
        array $items,
        ?array $sentence,
        bool $apply = true,
        ?string $named = null,
        string $as = 'lead',
        int $expected = 200,
    ): array {
        $body = ['items' => $items, 'visibility' => $sentence, 'named' => $named, 'apply' => $apply];

        return $this->call($as, 'PUT', $this->path('/items'), $body, $expected, $this->version());
    }

    /**
     * @param list<array<string, mixed>> $named
     *
     * @return array<string, mixed>
     */
    private function named(array $named, int $expected = 200): array
    {
        $body = ['named' => $named];

        return $this->call('lead', 'PUT', $this->path('/visibilities'), $body, $expected, $this->version());
    }

    /** @return array<string, string> */
    private function version(): array
    {
        return ['If-Match' => '"'.$this->call('lead', 'GET', $this->path())['version'].'"'];
    }

    private function path(string $more = ''): string
    {
        return '/sites/'.$this->ids['site'].$more;
    }
}
