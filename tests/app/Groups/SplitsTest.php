<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Groups;

use PHPUnit\Framework\Attributes\TestWith;

/** Ways of dividing a site's people: made from what there is, arranged by hand, taken back. */
final class SplitsTest extends GroupsCase
{
    public function testSoManyGroupsAreMadeAndNobodyIsInOne(): void
    {
        $made = $this->make(['count' => 2, 'called' => 'Quartet', 'least' => 1, 'most' => 2]);
        self::assertSame(['Quartet 1', 'Quartet 2'], array_column($made['list'], 'name'));
        self::assertSame([2, 4, 4, 1, 2, null], [
            $made['groups'],
            $made['people'],
            $made['without'],
            $made['least'],
            $made['most'],
            $made['changeList'],
        ]);
        self::assertSame(['Group 1'], array_column($this->make(['name' => 'Two', 'count' => 1])['list'], 'name'));
        $all = $this->call('lead', 'GET', $this->path())['items'];
        self::assertSame(['Teams', 'Two'], array_column($all, 'name'));
        self::assertSame([[2, 4, 4], [1, 4, 4]], array_map(
            static fn(array $one): array => [$one['groups'], $one['people'], $one['without']],
            $all,
        ));
    }

    public function testTheRosterSaysGroupsAndIsNarrowedByThem(): void
    {
        $split = $this->make(['from' => 'level']);
        $ids = array_column($split['list'], 'id', 'name');
        $site = '/sites/'.$this->ids['site'];
        $rows = fn(string $group, string $as = 'lead'): array => array_column(
            array_column($this->call($as, 'GET', $site.'/roster?group='.$group)['items'], 'person'),
            'given',
        );
        self::assertSame(['Learner', 'Newcomer'], $rows($ids['Level 7']));
        self::assertSame([], $rows('none-'.$split['id']));
        $third = ['person' => $this->ids['third'], 'from' => $ids['Level 8'], 'to' => null];
        $this->call('lead', 'POST', $this->path($split).'/moves', ['moves' => [$third]]);
        self::assertSame(['Third'], $rows('none-'.$split['id']));
        $groups = fn(string $as): array => array_merge(
            ...array_column($this->call($as, 'GET', $site.'/roster?q=fourth')['items'], 'groups'),
        );
        self::assertSame(['Level 8'], $groups('lead'));
        self::assertSame([], $groups('learner'), 'who arranges no groups is told of none');
        self::assertGreaterThan(2, \count($rows($ids['Level 7'], 'learner')), 'nor finds people by them');
        // Who is in another section is in none of its groups, and not looked for.
        $section = $this->platform->section($this->ids['site'], 'Late', '');
        $this->platform->write();
        $this->change('lead', 'put-in-section', 'fourth', more: ['section' => $section]);
        $late = $this->make(['name' => 'Late ones', 'count' => 1, 'section' => $section]);
        self::assertSame(['Fourth'], $rows('none-'.$late['id']));
        $listed = $this->call('lead', 'GET', $this->path())['items'];
        self::assertSame(['Level 7', 'Level 8'], array_column($listed[0]['names'], 'name'));
        $this->call('lead', 'DELETE', $this->path($split));
        self::assertSame([], $groups('lead'), 'what is put away is not told');
        $this->call('lead', 'GET', $site.'/roster?group=none', null, 422);
    }

    public function testGroupsAreMadeFromWhatPeopleAre(): void
    {
        $levels = $this->make(['from' => 'level']);
        self::assertSame(
            ['Level 7' => ['learner', 'newcomer'], 'Level 8' => ['fourth', 'third']],
            $this->places($levels),
        );
        self::assertNotNull($levels['changeList'], 'who was put there is a change list');
        $copy = $this->make(['name' => 'Copy', 'from' => 'split', 'split' => $levels['id']]);
        self::assertSame($this->places($levels), $this->places($copy));
        $names = $this->make(['name' => 'Names', 'from' => 'split', 'split' => $levels['id'], 'people' => false]);
        self::assertSame([2, 4], [$names['groups'], $names['without']]);
        $this->label('strings', ['learner', 'third']);
        $this->label('winds', ['third', 'fourth']);
        $labels = $this->make(['name' => 'By label', 'from' => 'label', 'labels' => ['winds', 'strings']]);
        self::assertSame(
            ['' => ['newcomer'], 'strings' => ['learner'], 'winds' => ['fourth', 'third']],
            $this->places($labels),
        );
        self::assertSame(['winds', 'strings'], array_column($labels['list'], 'name'), 'in the order asked for');
        // Of people of another division one is told neither label nor detail, here neither.
        $this->db()->executeStatement(
            "UPDATE person SET division_id = (SELECT id FROM division WHERE code = 'evening')
             WHERE given_name = 'Fourth'",
        );
        $again = $this->make(['name' => 'Again', 'from' => 'label', 'labels' => ['winds', 'strings']]);
        self::assertSame(['fourth', 'newcomer'], $this->places($again)['']);
        $division = $this->make(['name' => 'By division', 'from' => 'division']);
        self::assertCount(3, $this->places($division)['Seniors']);
    }

    public function testASectionsPeopleAreDividedByThemselves(): void
    {
        $site = '/sites/'.$this->ids['site'];
        $sections = $this->call('lead', 'PUT', $site.'/sections', [
            'sections' => [['name' => 'Morning'], ['name' => 'Evening']],
            'apart' => true,
            'several' => false,
        ], 200, ['If-Match' => '"'.$this->call('lead', 'GET', $site.'/sections')['version'].'"'])['sections'];
        foreach (['learner' => 0, 'third' => 1, 'fourth' => 1] as $person => $n) {
            $this->change('lead', 'change-sections', $person, more: ['sections' => [$sections[$n]['id']]]);
        }
        $by = $this->make(['from' => 'section']);
        $third = $this->ids['third'];
        $groups = array_map(
            static fn(array $group): array => ['id' => $group['id'], 'name' => $group['name'], 'leader' => $third],
            $by['list'],
        );
        $by = $this->put($by, ['name' => 'Teams', 'groups' => $groups]);
        self::assertSame(
            ['' => ['newcomer'], 'Evening' => ['fourth', 'third'], 'Morning' => ['learner']],
            $this->places($by),
        );
        self::assertSame(['Morning', 'Evening'], array_column($by['list'], 'name'), 'in their order');
        $own = $this->make(['name' => 'Own', 'section' => $sections[1]['id'], 'count' => 1]);
        self::assertSame(['' => ['fourth', 'third']], $this->places($own));
        $this->move($own, ['learner' => [null, 'Group 1']], ['not-here']);
        // An assistant who sees the people of a section moves those, and changes no groups.
        $this->change('lead', 'change-sections', 'assistant', more: ['sections' => [$sections[0]['id']]]);
        self::assertSame(
            ['Morning' => ['learner']],
            $this->places($this->call('assistant', 'GET', $this->path($by))),
        );
        $told = $this->call('assistant', 'GET', $this->path($by))['list'];
        self::assertSame([null, null], array_column($told, 'leader'), 'who is in another section');
        $facts = $this->call('assistant', 'GET', $this->path())['items'];
        self::assertSame([1, 0], array_column($facts, 'people'), 'those they see');
        self::assertSame([0, 0], array_column($facts, 'without'));
        $this->move($by, ['third' => ['Evening', 'Morning']], ['not-here'], 'assistant');
        $this->move($by, ['learner' => ['Morning', 'Evening']], ['ready'], 'assistant');
        $this->call('assistant', 'DELETE', $this->path($by), null, 403);
        self::assertSame(3, $this->call('assistant', 'GET', $this->path($by))['list'][1]['people'], 'others too');
    }

    public function testASittingIsOneChangeListThatIsTakenBackForWhomNobodyMovedSince(): void
    {
        $split = $this->make(['count' => 2, 'most' => 1]);
        $moves = ['learner' => [null, 'Group 1'], 'third' => [null, 'Group 1'], 'fourth' => [null, 'Group 2']];
        $made = $this->move($split, $moves, ['ready', 'ready', 'ready']);
        self::assertSame([true, true, false], array_column($made['moves'], 'over'), 'more than fit, on purpose');
        $this->move($split, ['learner' => [null, 'Group 2']], ['changed-since']);
        $this->move($split, ['third' => ['Group 1', 'Group 1']], ['there']);
        $this->move($split, ['third' => ['Group 1', 'Group 2']], ['ready'], 'cotutor');
        $lines = $this->call('lead', 'GET', '/group-lists/'.$made['changeList']);
        self::assertSame('Teams', $lines['name']);
        self::assertSame([null, 'Group 1'], [$lines['lines'][0]['from'], $lines['lines'][0]['to']]);
        $list = $this->call('lead', 'GET', '/change-lists/'.$made['changeList']);
        self::assertSame(['groups', 3, 3], [$list['kind'], $list['total'], $list['applied']]);
        $this->call('lead', 'POST', '/change-lists/'.$made['changeList'].'/undo', ['apply' => true], 403);
        $undone = $this->call('lead', 'POST', '/group-lists/'.$made['changeList'].'/undo');
        self::assertSame(['ready', 'changed-since', 'ready'], array_column($undone['moves'], 'verdict'));
        self::assertSame(
            ['' => ['fourth', 'learner', 'newcomer'], 'Group 2' => ['third']],
            $this->places($this->call('lead', 'GET', $this->path($split))),
        );
        $this->call('lead', 'POST', '/group-lists/'.$made['changeList'].'/undo', null, 409);
        // What was taken back can be done again.
        $this->call('lead', 'POST', '/group-lists/'.$undone['changeList'].'/undo');
        self::assertSame(
            ['' => ['newcomer'], 'Group 1' => ['learner'], 'Group 2' => ['fourth', 'third']],
            $this->places($this->call('lead', 'GET', $this->path($split))),
        );
        $history = $this->call('lead', 'GET', '/sites/'.$this->ids['site'].'/history?code=group-moved')['items'];
        self::assertSame(['split' => 'Teams', 'from' => '', 'to' => 'Group 2', 'undone' => true], $history[0]['data']);
    }

    public function testWhoIsInAGroupThatGoesIsInNoneAndAllOfItIsTakenBack(): void
    {
        $split = $this->make(['from' => 'level', 'name' => 'Levels']);
        [$seven, $eight] = $split['list'];
        $lead = $this->ids['lead'];
        $changed = $this->put($split, [
            'name' => 'By level',
            'groups' => [['id' => $eight['id'], 'name' => 'Eight', 'most' => 3, 'leader' => $lead, 'notes' => 'Loud.']],
            'least' => 2,
            'most' => 4,
        ]);
        self::assertSame(['' => ['learner', 'newcomer'], 'Eight' => ['fourth', 'third']], $this->places($changed));
        self::assertSame([3, 'Loud.', $lead], [
            $changed['list'][0]['most'],
            $changed['list'][0]['notes'],
            $changed['list'][0]['leader']['id'],
        ]);
        $this->call('lead', 'POST', '/group-lists/'.$changed['changeList'].'/undo');
        $back = $this->call('lead', 'GET', $this->path($split));
        self::assertSame(['Eight' => ['fourth', 'third'], 'Level 7' => ['learner', 'newcomer']], $this->places($back));
        self::assertSame($seven['id'], array_column($back['list'], 'id', 'name')['Level 7']);
        $this->put($split, ['name' => 'By level', 'groups' => []], 412, '"1"');
    }

    #[TestWith(['name', ['name' => ' ']])]
    #[TestWith(['groups/1/name', ['groups' => [['name' => 'One'], ['name' => 'ONE ']]]])]
    #[TestWith(['groups/0/most', ['groups' => [['name' => 'One', 'most' => 0]]]])]
    #[TestWith(['most', ['least' => 4, 'most' => 3]])]
    public function testWhatIsWrongIsSaidAtItsField(string $field, array $body): void
    {
        $split = $this->make();
        $problem = $this->put($split, ['name' => 'Teams', 'groups' => [], ...$body], 422);
        self::assertSame(["/$field"], array_column($problem['errors'], 'pointer'));
    }

    public function testNamesAreTheirsAndLeadersAreHere(): void
    {
        $split = $this->make();
        self::assertSame('/name', $this->make([], 422)['errors'][0]['pointer']);
        $leader = ['groups' => [['name' => 'One', 'leader' => $this->ids['colleague']]]];
        $problem = $this->put($split, ['name' => 'Teams', ...$leader], 422);
        self::assertSame('/groups/0/leader', $problem['errors'][0]['pointer']);
        $other = $this->make(['name' => 'Other', 'count' => 1]);
        $stolen = ['groups' => [['name' => 'One', 'id' => $other['list'][0]['id']]]];
        $this->put($split, ['name' => 'Teams', ...$stolen], 422);
        $moved = ['moves' => [['person' => $this->ids['learner'], 'to' => $other['list'][0]['id'], 'from' => null]]];
        $answer = $this->call('lead', 'POST', $this->path($split).'/moves', $moved);
        self::assertSame('no-group', $answer['moves'][0]['verdict'], 'of another split');
        self::assertSame('/from', $this->make(['name' => 'New', 'from' => 'section'], 422)['errors'][0]['pointer']);
        self::assertSame('/labels', $this->make(['name' => 'New', 'from' => 'label'], 422)['errors'][0]['pointer']);
        self::assertSame('/detail', $this->make(['name' => 'New', 'from' => 'detail'], 422)['errors'][0]['pointer']);
    }

    public function testWhatIsPutAwayIsThereAgain(): void
    {
        $split = $this->make(['from' => 'level']);
        $away = $this->call('lead', 'DELETE', $this->path($split));
        self::assertNotNull($away['awayAt']);
        self::assertNotNull($this->call('lead', 'GET', $this->path($split))['awayAt'], 'is still read');
        $this->call('lead', 'DELETE', $this->path($split), null, 404);
        $moves = ['moves' => [['person' => $this->ids['learner'], 'to' => null, 'from' => null]]];
        $this->call('lead', 'POST', $this->path($split).'/moves', $moves, 404);
        self::assertNotNull($this->call('lead', 'GET', $this->path())['items'][0]['awayAt']);
        $this->make();
        $this->call('lead', 'POST', $this->path($split).'/back', null, 409);
        $this->db()->executeStatement("UPDATE group_split SET name = 'Others' WHERE put_away_at IS NULL");
        $back = $this->call('lead', 'POST', $this->path($split).'/back');
        self::assertSame([null, $this->places($split)], [$back['awayAt'], $this->places($back)]);
    }

    public function testWhoeverIsRemovedHasTheirPlaceAgainWhenTheyComeBack(): void
    {
        $split = $this->make(['from' => 'level']);
        $this->change('lead', 'remove', 'third');
        $without = $this->call('lead', 'GET', $this->path($split));
        self::assertSame([3, 1], [$without['people'], $without['list'][1]['people']]);
        $this->change('lead', 'bring-back', 'third');
        self::assertSame($this->places($split), $this->places($this->call('lead', 'GET', $this->path($split))));
    }

    public function testWhoeverIsRemovedHasNoPlaceAnyMoreInAGroupThatIsFullSince(): void
    {
        $split = $this->make(['from' => 'level', 'most' => 2]);
        [$seven, $eight] = array_column($split['list'], 'name');
        $this->change('lead', 'remove', 'third');
        $card = fn(): array => $this->call('lead', 'GET', '/sites/'.$this->ids['site'].'/roster/'.$this->ids['third']);
        self::assertSame([$eight], $card()['groups'], 'theirs again when they come back');
        $this->move($split, ['newcomer' => [$seven, $eight]], ['ready']);
        self::assertSame([], $card()['groups']);
        $this->change('lead', 'bring-back', 'third');
        $places = $this->places($this->call('lead', 'GET', $this->path($split)));
        self::assertSame(['fourth', 'newcomer'], $places[$eight]);
        self::assertContains('third', $places['']);
    }

    public function testTwoWhoAreTheSamePersonAreInTheGroupOfOne(): void
    {
        $split = $this->make(['count' => 2]);
        $this->move($split, ['third' => [null, 'Group 1']], ['ready']);
        $body = ['stays' => $this->ids['fourth'], 'goes' => $this->ids['third'], 'apply' => true];
        $merged = $this->call('admin', 'POST', '/merges', $body)['changeList'];
        self::assertSame(
            ['' => ['learner', 'newcomer'], 'Group 1' => ['fourth']],
            $this->places($this->call('lead', 'GET', $this->path($split))),
        );
        $this->call('admin', 'POST', "/merges/$merged/undo", ['apply' => true]);
        self::assertSame(
            ['' => ['fourth', 'learner', 'newcomer'], 'Group 1' => ['third']],
            $this->places($this->call('lead', 'GET', $this->path($split))),
        );
    }

    public function testPastedLinesAreReadForTheGroupsTheyName(): void
    {
        $split = $this->make(['count' => 2]);
        $text = "Group 2:\nLearner Learnersen\nthird@example.org\n\n"
            ."Group 1\nFourthsen, Fourth\nNobody Knowsthem\nLead Leadsen\n"
            .'Newcomer Newcomersen; Group 2';
        $read = $this->call('lead', 'POST', $this->path($split).'/lines', ['text' => $text])['items'];
        $names = array_flip($this->ids);
        $groups = array_column($split['list'], 'name', 'id');
        $said = [];
        foreach ($read as $line) {
            $said[] = [
                array_map(static fn(string $id): string => (string) $names[$id], $line['people']),
                array_map(static fn(string $id): string => $groups[$id], $line['groups']),
            ];
        }
        self::assertSame(
            [
                [['learner'], ['Group 2']],
                [['third'], ['Group 2']],
                [['fourth'], ['Group 1']],
                [[], ['Group 1']],
                [[], ['Group 1']],
                [['newcomer'], ['Group 2']],
            ],
            $said,
        );
    }

    public function testErasingSomebodyLeavesNoTraceInGroups(): void
    {
        $split = $this->make(['from' => 'level']);
        $groups = [];
        foreach ($split['list'] as $group) {
            $groups[] = ['id' => $group['id'], 'name' => $group['name'], 'leader' => $this->ids['third']];
        }
        $this->put($split, ['name' => 'Teams', 'groups' => $groups]);
        $this->change('lead', 'remove', 'third');
        $this->call('admin', 'POST', '/people/'.$this->ids['third'].'/erasure', ['apply' => true]);
        $left = static fn(string $sql): string => "SELECT COUNT(*) FROM $sql";
        $third = hex2bin(str_replace('-', '', $this->ids['third']));
        self::assertEquals(0, $this->db()->fetchOne($left('group_place WHERE person_id = ?'), [$third]));
        self::assertEquals(0, $this->db()->fetchOne($left('site_group WHERE leader_id = ?'), [$third]));
    }
}
