<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Plans;

use MintDoor\Plans\ComputePlan;
use MintDoor\Plans\PlanRunner;
use MintDoor\Plans\WishLetters;

/** Who goes into which section: wished, computed, carried out, and checked by whoever wants to. */
final class PlansTest extends PlanCase
{
    public function testWishesAreSaidByThemselvesAndThePlanHoldsThem(): void
    {
        $set = $this->plan(until: '2026-12-10');
        self::assertSame([3, 3, 0, true], [
            $set['learners'],
            $set['plan']['asked'],
            $set['plan']['answered'],
            $set['plan']['asks'],
        ]);
        $own = $this->call('learner', 'GET', '/me/wishes')['items'];
        self::assertSame(['Morning', 'Noon', 'Evening'], array_column($own[0]['sections'], 'name'));
        $this->wish('learner', ['Evening', 'Morning']);
        $this->wish('newcomer', ['Evening']);
        $this->wish('newcomer', ['Evening', 'Noon']);
        $seen = $this->call('lead', 'GET', $this->path());
        self::assertSame([2, [0, 0, 2]], [$seen['plan']['answered'], array_column($seen['sections'], 'first')]);
        $this->call('lead', 'POST', $this->path('/compute'), null, 409);
        $this->call('lead', 'POST', $this->path('/close'));
        $this->wish('learner', ['Noon'], 409);
        $plan = $this->call('lead', 'POST', $this->path('/compute'));
        self::assertSame('computed', $plan['plan']['state']);
        self::assertSame(
            [[['wish' => 1, 'people' => 1], ['wish' => 2, 'people' => 1]], 1, true],
            [
                $plan['plan']['outcome']['wishes'],
                $plan['plan']['outcome']['because']['wishless'],
                $plan['plan']['outcome']['proven'],
            ],
        );
        self::assertSame([], $this->roster('lead', '?section='.$this->sections['Evening']), 'nothing is done yet');
        self::assertNull($this->call('learner', 'GET', '/me/wishes')['items'][0]['place'], 'nor told');
        $tag = ['If-Match' => '"'.$plan['plan']['version'].'"'];
        $done = $this->call('lead', 'POST', $this->path('/apply'), null, 200, $tag);
        self::assertSame(['applied', 0], [$done['plan']['state'], $done['plan']['outcome']['moves']]);
        self::assertCount(1, $this->roster('lead', '?section='.$this->sections['Evening']));
        $list = $this->call('lead', 'GET', '/change-lists/'.$done['plan']['changeList']);
        self::assertSame(['plan', 3, 3], [$list['kind'], $list['total'], $list['applied']]);
        self::assertContains('Evening', array_column($list['sections'], 'name'), 'Two want it, and one has it.');
        $told = $this->call('learner', 'GET', '/me/wishes')['items'][0];
        self::assertSame($plan['plan']['seed'], $told['place']['seed']);
        foreach ($told['place']['lots'] as $lot) {
            $text = implode("\n", [$told['place']['seed'], $told['place']['person'], $lot['section']]);
            self::assertSame((int) hexdec(substr(hash('sha256', $text), 0, 5)), $lot['lot']);
        }
        // Taken back, it can be carried out again.
        $this->call('lead', 'POST', '/change-lists/'.$list['id'].'/undo', ['apply' => true]);
        self::assertSame([], $this->roster('lead', '?section='.$this->sections['Evening']));
        self::assertNull($this->call('learner', 'GET', '/me/wishes')['items'][0]['place'], 'nor is it said any more');
        $back = $this->call('lead', 'GET', $this->path())['plan'];
        self::assertSame([true, 3], [$back['undone'], $back['outcome']['moves']]);
        $tag = ['If-Match' => '"'.$back['version'].'"'];
        $this->call('lead', 'POST', $this->path('/apply'), null, 200, $tag);
        $this->call('lead', 'POST', $this->path('/apply'), null, 412, $tag);
    }

    public function testNobodySeesWhatOthersWish(): void
    {
        $this->plan(until: '2026-12-10');
        $id = $this->planId();
        $this->wish('learner', ['Evening']);
        $this->wish('newcomer', ['Noon']);
        self::assertSame(
            [$this->sections['Evening']],
            $this->call('learner', 'GET', '/me/wishes')['items'][0]['wishes']
        );
        $said = json_encode($this->call('lead', 'GET', $this->path()), \JSON_THROW_ON_ERROR);
        self::assertStringNotContainsString($this->ids['learner'], $said);
        self::assertSame([], $this->call('lead', 'GET', $this->path('/people'))['items']);
        $this->call('lead', 'GET', $this->path('/record'), null, 404);
        // Nor is anybody asked who is no learner of it, or is no more.
        $body = ['sections' => [$this->sections['Noon']]];
        $this->call('lead', 'PUT', '/me/wishes/'.$id, $body, 404);
        $this->call('junior', 'PUT', '/me/wishes/'.$id, $body, 404);
        $this->change('lead', 'remove', 'newcomer');
        $this->call('newcomer', 'PUT', '/me/wishes/'.$id, $body, 404);
        self::assertSame([], $this->call('newcomer', 'GET', '/me/wishes')['items']);
        self::assertSame(1, $this->call('lead', 'GET', $this->path())['plan']['answered']);
        $this->call('learner', 'PUT', '/me/wishes/'.$id, ['sections' => [$this->ids['lead']]], 422);
        $this->call(
            'learner',
            'PUT',
            '/me/wishes/'.$id,
            ['sections' => [...$body['sections'], ...$body['sections']]],
            422
        );
        self::assertSame([], $this->call('learner', 'PUT', '/me/wishes/'.$id, ['sections' => []])['wishes']);
    }

    public function testTheSameSeedGivesTheSameAndNobodyIsAskedAgainOnceTheLotIsDrawn(): void
    {
        $this->plan();
        $first = $this->call('lead', 'POST', $this->path('/compute'))['plan']['seed'];
        $placed = $this->call('lead', 'GET', $this->path('/people'));
        self::assertSame($first, $this->call('lead', 'POST', $this->path('/compute'))['plan']['seed']);
        self::assertSame($placed, $this->call('lead', 'GET', $this->path('/people')));
        $record = $this->call('lead', 'GET', $this->path('/record'));
        $file = (string) tempnam(sys_get_temp_dir(), 'plan');
        file_put_contents($file, json_encode($record, \JSON_THROW_ON_ERROR));
        self::assertSame(0, $this->command('plans:check', ['record' => $file])[0]);
        $record['places'][0]['section'] = null;
        file_put_contents($file, json_encode($record, \JSON_THROW_ON_ERROR));
        self::assertSame(1, $this->command('plans:check', ['record' => $file])[0]);
        file_put_contents($file, 'nothing');
        self::assertSame(2, $this->command('plans:check', ['record' => $file])[0]);
        unlink($file);
        self::assertSame($first, $this->plan()['plan']['seed'], 'the lot stays when other things change');
        $again = $this->plan(until: '2026-12-10', expected: 422);
        self::assertSame(['/wishesUntil', 'drawn'], [$again['errors'][0]['pointer'], $again['errors'][0]['code']]);
        self::assertSame($first, $this->call('lead', 'GET', $this->path())['plan']['seed']);
        $codes = array_column($this->call('lead', 'GET', '/sites/'.$this->ids['site'].'/history')['items'], 'code');
        self::assertSame(['plan-set', 'plan-drawn'], array_values(array_unique(\array_slice($codes, 0, 3))));
    }

    public function testWhoHasSomethingElseThenIsNotPutThereAndWhoFindsNoPlaceIsToldWhatWould(): void
    {
        $hours = ['first' => '2026-11-23', 'time' => '09:30', 'minutes' => 90, 'days' => [1], 'until' => '2026-12-18'];
        $this->put('hours', ['hours' => [[...$hours, 'section' => $this->sections['Morning']]]]);
        $this->put('hours', ['hours' => [[...$hours, 'time' => '10:00']]], 'draft');
        $this->plan(['Morning' => 2, 'Evening' => 0], '2026-12-10');
        $own = array_column($this->call('learner', 'GET', '/me/wishes')['items'][0]['sections'], 'clash', 'name');
        self::assertSame(['Draft', null], [$own['Morning']['site']['name'], $own['Evening']]);
        $this->wish('learner', ['Morning', 'Evening']);
        $this->call('lead', 'POST', $this->path('/close'));
        $this->call('lead', 'POST', $this->path('/compute'));
        $people = $this->call('lead', 'GET', $this->path('/people'))['items'];
        self::assertSame(
            [null, 'nowhere', [$this->sections['Evening']], [$this->sections['Morning']]],
            [$people[0]['section'], $people[0]['because'], $people[0]['onePlace'], $people[0]['anHour']],
        );
        self::assertSame(
            [$this->sections['Morning'], $this->sections['Morning']],
            array_column(\array_slice($people, 1), 'section'),
        );
        $nowhere = function (int $day, string $time): int {
            $moved = ['section' => $this->sections['Morning'], 'days' => [$day], 'time' => $time, 'minutes' => 60];
            $places = [['id' => $this->sections['Morning'], 'places' => 3]];
            $what = ['moved' => [$moved], 'sections' => $places];

            return $this->call('lead', 'POST', $this->path('/what-if'), $what)['outcome']['because']['nowhere'];
        };
        self::assertSame(
            [1, 0, 0],
            [$nowhere(1, '11:00'), $nowhere(1, '11:30'), $nowhere(2, '10:00')],
            'the other is on Mondays from 10:00 to 11:30',
        );
    }

    public function testWhatSomethingElseWouldGainIsSeenBeforeItIsDone(): void
    {
        $this->plan(['Morning' => 0, 'Evening' => 1], '2026-12-10');
        $this->wish('learner', ['Evening']);
        $this->wish('newcomer', ['Evening']);
        $this->call('lead', 'POST', $this->path('/close'));
        $try = fn(array $what, int $expected = 200): array => $this->call(
            'lead',
            'POST',
            $this->path('/what-if'),
            $what,
            $expected,
        );
        $try(['more' => 1], 409);
        $plan = $this->call('lead', 'POST', $this->path('/compute'))['plan'];
        self::assertSame(2, $plan['outcome']['because']['nowhere']);
        $nowhere = static fn(array $what): int => $try($what)['outcome']['because']['nowhere'];
        self::assertSame(2, $nowhere([]));
        self::assertSame(1, $nowhere(['sections' => [['id' => $this->sections['Evening'], 'places' => 2]]]));
        self::assertSame(0, $nowhere(['sections' => [['id' => $this->sections['Evening'], 'places' => null]]]));
        $more = $try(['more' => 3]);
        self::assertSame([0, 1], [$more['outcome']['because']['nowhere'], $more['outcome']['because']['unnamed']]);
        self::assertSame([['section' => null, 'people' => 2]], \array_slice($more['sections'], -1));
        self::assertSame($plan, $this->call('lead', 'GET', $this->path())['plan'], 'nothing of it is kept');
    }

    public function testWhoIsInASectionStaysOrMovesAsThePlanSays(): void
    {
        $this->change('lead', 'put-in-section', 'learner', more: ['section' => $this->sections['Evening']]);
        $this->plan(['Morning' => 2, 'Evening' => 1], '2026-12-10');
        $this->wish('learner', ['Morning']);
        $this->call('lead', 'POST', $this->path('/close'));
        $because = function (): array {
            $this->call('lead', 'POST', $this->path('/compute'));
            $items = $this->call('lead', 'GET', $this->path('/people'))['items'];

            return array_combine(
                array_map(static fn(array $one): string => $one['person']['id'], $items),
                array_column($items, 'because'),
            );
        };
        self::assertSame('stays', $because()[$this->ids['learner']]);
        $this->plan(['Morning' => 2, 'Evening' => 1], null, ['moves' => 'all', ...$this->days()]);
        self::assertSame('wish', $because()[$this->ids['learner']]);
        $this->plan(['Morning' => 2, 'Evening' => 1], null, [
            'moves' => 'all',
            'stays' => [$this->ids['learner']],
            ...$this->days(),
        ]);
        self::assertSame('stays', $because()[$this->ids['learner']]);
    }

    public function testConditionsAreKeptAndSaidWhereTheyKeepSomebodyAway(): void
    {
        $people = array_map(fn(string $name): string => $this->ids[$name], ['learner', 'newcomer', 'third']);
        $asked = [
            'together' => [[$people[0], $people[1]]],
            'apart' => [[$people[0], $people[2]]],
            'balances' => [['by' => 'level', 'label' => '', 'tolerance' => 1]],
        ];
        $set = $this->plan(['Morning' => 2, 'Noon' => null], '2026-12-10', $asked)['plan'];
        self::assertSame([$people[0], $people[1]], array_column($set['together'][0], 'id'));
        self::assertSame($asked['balances'], $set['balances']);
        $this->wish('learner', ['Morning']);
        $this->wish('newcomer', ['Noon']);
        $this->wish('third', ['Morning', 'Noon']);
        $this->call('lead', 'POST', $this->path('/close'));
        $outcome = $this->call('lead', 'POST', $this->path('/compute'))['plan']['outcome'];
        self::assertNotNull($outcome['better']);
        $items = $this->call('lead', 'GET', $this->path('/people'))['items'];
        $at = array_column(
            array_map(static fn(array $one): array => [$one['person']['id'], $one['section']], $items),
            1,
            0,
        );
        self::assertSame($at[$people[0]], $at[$people[1]]);
        self::assertNotSame($at[$people[0]], $at[$people[2]]);
        self::assertSame(0, $outcome['because']['nowhere']);
        $record = $this->call('lead', 'GET', $this->path('/record'));
        $file = (string) tempnam(sys_get_temp_dir(), 'plan');
        file_put_contents($file, json_encode($record, \JSON_THROW_ON_ERROR));
        self::assertSame(0, $this->command('plans:check', ['record' => $file])[0]);
        unlink($file);
        // A section that would be too small takes nobody.
        $sections = [
            ['id' => $this->sections['Morning'], 'places' => 2, 'least' => 2],
            ['id' => $this->sections['Noon'], 'places' => 9, 'least' => 3],
        ];
        $this->plan(null, null, ['sections' => $sections, ...$this->days()]);
        $this->call('lead', 'POST', $this->path('/compute'));
        $after = array_column($this->call('lead', 'GET', $this->path())['sections'], 'after', 'name');
        self::assertSame([0, 3], [$after['Morning'], $after['Noon']]);
    }

    public function testWhatIsWrongIsSaidAtItsField(): void
    {
        foreach (
            [
                'sections' => ['sections' => []],
                'sections/0/id' => ['sections' => [['id' => $this->ids['lead']]]],
                'sections/0/places' => ['sections' => [['id' => $this->sections['Evening'], 'places' => 2]]],
                'sections/0/least' => [
                    'sections' => [['id' => $this->sections['Evening'], 'places' => 1, 'least' => 2]],
                ],
                'together/0' => ['together' => [[$this->ids['learner']]]],
                'balances/0/label' => ['balances' => [['by' => 'label', 'tolerance' => 1]]],
                'wishesUntil' => ['wishesFrom' => '2026-12-01'],
                'wishesUntil ' => ['wishesUntil' => '2026-11-01'],
                'wishesUntil  ' => ['wishesFrom' => '2026-12-09', 'wishesUntil' => '2026-12-08'],
            ] as $field => $wrong
        ) {
            $answer = $this->plan(more: $wrong, expected: 422);
            self::assertSame('/'.trim($field), $answer['errors'][0]['pointer'], $field);
        }
        self::assertNull($this->call('lead', 'GET', $this->path())['plan']);
    }

    public function testTheyAreAskedOnceAndRemindedOfWhatTheyDidNotSay(): void
    {
        $letters = $this->service(WishLetters::class);
        $sent = fn(): int => (int) $this->db()->executeQuery("SELECT COUNT(*) FROM message WHERE kind = 'wishes'")
            ->fetchOne();
        $this->plan(until: '2026-12-10');
        self::assertSame([1, 0], [$letters->due(), $letters->due()]);
        self::assertSame(3, $sent());
        $this->wish('learner', ['Noon']);
        $this->call('lead', 'POST', $this->path('/reminders'), null, 409);
        $long = '2026-11-20 08:00:00';
        $this->db()->executeStatement('UPDATE site_plan SET asked_at = ?', [$long]);
        $this->call('lead', 'POST', $this->path('/reminders'));
        self::assertSame(5, $sent(), 'those who said nothing');
        self::assertSame(0, $letters->due(), 'and not again by itself');
        $this->call('lead', 'POST', $this->path('/close'));
        $this->call('lead', 'POST', $this->path('/reminders'), null, 409);
    }

    public function testTheyAreToldTheirPlaceOnceItIsSettled(): void
    {
        $this->plan(until: '2026-12-10');
        $this->wish('learner', ['Noon']);
        $this->call('lead', 'POST', $this->path('/close'));
        $plan = $this->call('lead', 'POST', $this->path('/compute'))['plan'];
        $tag = ['If-Match' => '"'.$plan['version'].'"'];
        $list = $this->call('lead', 'POST', $this->path('/apply'), null, 200, $tag)['plan']['changeList'];
        $later = fn(): mixed => $this->db()->executeStatement(
            'UPDATE change_list
             SET made_at = made_at - INTERVAL 20 MINUTE, changed_at = changed_at - INTERVAL 20 MINUTE',
        );
        self::assertCount(0, $this->told(), 'it may still be undone');
        $later();
        $this->call('lead', 'POST', '/change-lists/'.$list.'/undo', ['apply' => true]);
        self::assertCount(0, $this->told(), 'it was');
        $version = $this->call('lead', 'GET', $this->path())['plan']['version'];
        $this->call('lead', 'POST', $this->path('/apply'), null, 200, ['If-Match' => "\"$version\""]);
        $later();
        $rows = $this->told();
        self::assertCount(3, $rows);
        self::assertStringContainsString('\n\nNoon\n\n', (string) json_encode($rows['learner@example.org']));
        self::assertSame($rows, $this->told(), 'once');
    }

    public function testAWorkerComputesWhatIsLargeAndAnotherGoesOnWhereItIsLost(): void
    {
        // Not where they are put to begin with, so that there is something to stop.
        $this->plan(until: '2026-12-10');
        foreach (['learner', 'newcomer', 'third'] as $who) {
            $this->wish($who, ['Noon']);
        }
        $this->call('lead', 'POST', $this->path('/close'));
        $this->db()->executeStatement(
            "UPDATE site_plan SET state = 'computing', version = 7, seed = 'seed', beat_at = '2026-11-20 08:00:00'",
        );
        $this->call('lead', 'POST', $this->path('/compute'), null, 409);
        $runner = $this->service(PlanRunner::class);
        self::assertSame(1, $runner->again());
        $runner(new ComputePlan($this->planId(), 6));
        self::assertSame('computing', $this->call('lead', 'GET', $this->path())['plan']['state'], 'of another version');
        $this->call('lead', 'POST', $this->path('/stop'));
        $runner(new ComputePlan($this->planId(), 7));
        $plan = $this->call('lead', 'GET', $this->path())['plan'];
        self::assertSame(['computed', false], [$plan['state'], $plan['outcome']['proven']]);
        self::assertSame(0, $plan['outcome']['because']['nowhere']);
        $this->call('lead', 'DELETE', $this->path());
        self::assertNull($this->call('lead', 'GET', $this->path())['plan']);
    }

    public function testAPlanWhoseWishesAreClosedWaitsForWhoMayPlan(): void
    {
        $waits = function (string $who): array {
            $decisions = array_column($this->call($who, 'GET', '/today')['decisions'], 'items', 'kind');

            return array_map(
                static fn(array $one): array => [$one['site']['name'], $one['words']],
                $decisions['plan'] ?? [],
            );
        };
        $this->plan(until: '2026-12-10');
        self::assertSame([], $waits('lead'), 'wishes are still said');
        $this->call('lead', 'POST', $this->path('/close'));
        self::assertSame([['Harmony', 'set']], $waits('lead'));
        self::assertSame([], $waits('learner'));
        self::assertSame([], $waits('assistant'));
        $plan = $this->call('lead', 'POST', $this->path('/compute'))['plan'];
        self::assertSame([['Harmony', 'computed']], $waits('lead'));
        $this->call('lead', 'DELETE', $this->path());
        self::assertSame([], $waits('lead'));
        $this->call('lead', 'POST', $this->path('/back'));
        $tag = ['If-Match' => '"'.($plan['version'] + 2).'"'];
        $this->call('lead', 'POST', $this->path('/apply'), null, 200, $tag);
        self::assertSame([], $waits('lead'));
    }

    public function testWhatIsPutAwayCanBeBroughtBackUntilThereIsAnother(): void
    {
        $this->call('lead', 'POST', $this->path('/back'), null, 409);
        $this->plan(until: '2026-12-10');
        $this->wish('learner', ['Noon']);
        $away = $this->call('lead', 'DELETE', $this->path());
        self::assertSame([null, true, 1], [$away['plan'], null !== $away['awayAt'], $away['awayAnswered']]);
        self::assertSame([], $this->call('learner', 'GET', '/me/wishes')['items']);
        $this->wish('learner', ['Evening'], 409);
        $this->call('lead', 'POST', $this->path('/compute'), null, 404);
        $back = $this->call('lead', 'POST', $this->path('/back'));
        self::assertSame([1, true, null], [$back['plan']['answered'], $back['plan']['asks'], $back['awayAt']]);
        self::assertSame(
            [$this->sections['Noon']],
            $this->call('learner', 'GET', '/me/wishes')['items'][0]['wishes'],
        );
        $this->call('lead', 'POST', $this->path('/back'), null, 409);
        $this->call('lead', 'DELETE', $this->path());
        $other = $this->plan(until: '2026-12-10');
        self::assertSame([0, null], [$other['plan']['answered'], $other['awayAt']]);
        self::assertSame([], $this->call('learner', 'GET', '/me/wishes')['items'][0]['wishes']);
        $this->call('lead', 'POST', $this->path('/back'), null, 409);
    }

    public function testWhoIsErasedOrMergedLeavesNoWishOfTheirOwn(): void
    {
        $this->plan(until: '2026-12-10');
        $this->wish('newcomer', ['Noon']);
        $body = ['stays' => $this->ids['learner'], 'goes' => $this->ids['newcomer'], 'apply' => true];
        $merged = $this->call('admin', 'POST', '/merges', $body)['changeList'];
        self::assertSame([$this->sections['Noon']], $this->call('learner', 'GET', '/me/wishes')['items'][0]['wishes']);
        $this->call('admin', 'POST', '/merges/'.$merged.'/undo', ['apply' => true]);
        self::assertSame([], $this->call('learner', 'GET', '/me/wishes')['items'][0]['wishes']);
        self::assertSame(
            [$this->sections['Noon']],
            $this->call('newcomer', 'GET', '/me/wishes')['items'][0]['wishes'],
        );
    }

    /**
     * @return array<array-key, mixed> what they were written about their place by now, by address
     *
     * @phpstan-impure
     */
    private function told(): array
    {
        $this->service(WishLetters::class)->due();

        return $this->db()->fetchAllKeyValue("SELECT address, body FROM message WHERE kind = 'placed'");
    }
}
