<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Doors;

use MintDoor\Doors\Repository\StarterDoors;
use MintDoor\Doors\Starters;
use MintDoor\Tests\App\ApiTestCase;

final class StartersTest extends ApiTestCase
{
    protected function furnish(): void
    {
        parent::furnish();
        $this->ids['start'] = $this->platform->site(
            'START',
            'Welcome',
            'course',
            $this->ids['seniors'],
            $this->ids['term'],
            null,
            null,
            $this->now() - 1_000_000,
        );
        $this->platform->letIn($this->ids['start'], $this->ids['lead'], 'lead-tutor', $this->now() - 900_000);
    }

    public function testWhoeverBelongsThereComesAndGoesByThemselves(): void
    {
        $would = ['site' => 'START', 'come' => 2, 'go' => 0];
        self::assertSame([$would], $this->starters([self::starter()], apply: false)['starters']);
        $this->starters([self::starter()]);
        self::assertSame(['lead lead-tutor'], $this->here(), 'Settings alone bring nobody.');
        $this->keep();
        self::assertSame(['lead lead-tutor', 'learner learner', 'newcomer learner'], $this->here());
        self::assertSame(0, $this->keep(), 'All who belong there are there.');

        $this->ids['late'] = $this->person('late', 'learner', 'seniors', 5);
        $this->platform->write();
        $this->move('newcomer', 'juniors');
        $this->keep();
        self::assertSame(['late learner', 'lead lead-tutor', 'learner learner'], $this->here());
        $this->move('newcomer', 'seniors');
        $this->keep();
        self::assertContains('newcomer learner', $this->here(), 'Whoever comes back is brought again.');
        $codes = array_column($this->call('lead', 'GET', '/sites/'.$this->ids['start'].'/history')['items'], 'code');
        self::assertSame(['brought', 'brought', 'taken-out'], \array_slice(array_filter(
            $codes,
            static fn(string $code): bool => \in_array($code, ['brought', 'taken-out'], true),
        ), 0, 3));

        $this->starters([['lowest' => 6, 'highest' => 8] + self::starter()]);
        $this->keep();
        self::assertNotContains('late learner', $this->here(), 'Other levels, the same rule.');
        $would = ['site' => 'START', 'come' => 0, 'go' => 2];
        self::assertSame([$would], $this->starters([], apply: false)['starters']);
        $this->starters([]);
        $this->keep();
        self::assertSame(['lead lead-tutor'], $this->here(), 'What is no starter any more takes its people out.');
    }

    public function testWhatStaffSetHolds(): void
    {
        $this->starters([self::starter()]);
        $this->keep();
        $this->line('lead', 'remove', 'learner');
        $this->line('lead', 'change-role', 'newcomer', 'day-guest');
        $this->keep();
        self::assertSame(['lead lead-tutor', 'newcomer day-guest'], $this->here());
        $this->line('lead', 'bring-back', 'learner');
        $this->line('lead', 'block', 'newcomer');
        $this->keep();
        self::assertSame(['lead lead-tutor', 'learner learner'], $this->here());
    }

    public function testWhoeverIsThereAlreadyStaysAsTheyAre(): void
    {
        $this->line('lead', 'let-in', 'newcomer', 'day-guest');
        $this->starters([self::starter()]);
        $this->keep();
        self::assertContains('newcomer day-guest', $this->here());
        // A whole division goes to another: nobody of it belongs there any more but whom staff let in.
        $this->call('admin', 'POST', '/division-moves', ['from' => 'seniors', 'people' => 'evening', 'apply' => true]);
        $this->keep();
        self::assertSame(['lead lead-tutor', 'newcomer day-guest'], $this->here());
    }

    public function testWhoCannotComeKeepsNobodyElseOutAndIsTriedAgain(): void
    {
        $rules = $this->call('admin', 'GET', '/rules')['rules'];
        foreach ($rules['roles'] as &$role) {
            if ('learner' === $role['code']) {
                $role['learnersOf'] = [7, 7];
            }
        }
        unset($role);
        $this->call('admin', 'PUT', '/rules', ['rules' => $rules, 'apply' => true], headers: ['If-Match' => '"1"']);
        // More who may not hold the role than are looked at once, and before the others.
        for ($n = 0; $n < StarterDoors::AT_ONCE + 20; ++$n) {
            $this->person("low$n", 'learner', 'seniors', 3);
        }
        $this->ids['late'] = $this->person('late', 'learner', 'seniors', 7);
        $this->platform->write();
        $this->starters([self::starter()]);
        self::assertSame(3, $this->keep());
        self::assertContains('late learner', $this->here());
        self::assertSame(0, $this->keep());
        $this->call('admin', 'PUT', '/sites/'.$this->ids['start'], [
            'title' => 'Welcome',
            'code' => 'START',
            'kind' => 'course',
            'division' => 'seniors',
            'term' => 'autumn',
            'seats' => 3,
        ], 200, ['If-Match' => '"1"']);
        $this->ids['more'] = $this->person('more', 'learner', 'seniors', 7);
        $this->platform->write();
        self::assertSame(0, $this->keep(), 'There is no seat.');
        $this->line('lead', 'remove', 'late');
        self::assertSame(0, $this->keep(), 'It is not tried again at once.');
        $this->service(Starters::class)->forget();
        self::assertSame(1, $this->keep());
        self::assertContains('more learner', $this->here());
    }

    public function testItsDoorIsNobodysToChange(): void
    {
        $this->starters([self::starter()]);
        $this->keep();
        $doors = $this->call('lead', 'GET', '/sites/'.$this->ids['start'].'/doors')['items'];
        $door = array_column($doors, null, 'kind')['cohort'];
        self::assertSame('Seniors', $door['name']);
        $this->call('lead', 'PUT', '/sites/'.$this->ids['start'].'/doors/'.$door['id'], ['kind' => 'key'], 404, [
            'If-Match' => '"1"',
        ]);
    }

    public function testASiteKeepsItsStarterUnderAnotherShortCode(): void
    {
        $this->starters([self::starter()]);
        $this->keep();
        $this->db()->executeStatement("UPDATE site SET code = 'BEGIN' WHERE code = 'START'");
        self::assertSame(0, $this->keep());
        self::assertContains('learner learner', $this->here());
        $this->starters([self::starter()]);
        $wrong = $this->starters([['site' => 'NOWHERE'] + self::starter()], 409);
        self::assertSame(['starters/0/site no-such-site'], array_map(
            static fn(array $each): string => $each['where'].' '.$each['code'],
            $wrong['problems'],
        ));
    }

    /** @return array<string, mixed> */
    private static function starter(): array
    {
        return [
            'division' => 'seniors',
            'site' => 'START',
            'role' => 'learner',
            'kinds' => ['learner'],
            'lowest' => null,
            'highest' => null,
        ];
    }

    /**
     * @param list<array<string, mixed>> $starters
     *
     * @return array<string, mixed>
     */
    private function starters(array $starters, int $status = 200, bool $apply = true): array
    {
        $book = $this->call('admin', 'GET', '/settings');

        return $this->call(
            'admin',
            'PUT',
            '/settings',
            ['settings' => [...$book['settings'], 'starters' => $starters], 'apply' => $apply],
            $status,
            ['If-Match' => '"'.$book['version'].'"'],
        );
    }

    private function keep(): int
    {
        $starters = $this->service(Starters::class);
        $starters->wake();

        return $starters->keep();
    }

    private function line(string $who, string $verb, string $person, ?string $role = null): void
    {
        $line = ['person' => $this->ids[$person], 'verb' => $verb, ...null === $role ? [] : ['role' => $role]];
        $this->call($who, 'POST', '/sites/'.$this->ids['start'].'/change-lists', ['lines' => [$line]]);
    }

    private function move(string $person, string $division): void
    {
        $this->db()->executeStatement('UPDATE person SET division_id = ? WHERE id = ?', [
            hex2bin(str_replace('-', '', $this->ids[$division])),
            hex2bin(str_replace('-', '', $this->ids[$person])),
        ]);
    }

    /** @return list<string> who is in the starter site now, with their roles */
    private function here(): array
    {
        return array_map(
            strval(...),
            $this->db()->fetchFirstColumn(
                "SELECT CONCAT(LOWER(p.given_name), ' ', g.roles)
                 FROM enrollment_segment g
                 JOIN person p ON p.id = g.person_id
                 WHERE g.site_id = ? AND g.state = 'current' AND g.from_at <= ? AND g.until_at > ?
                 ORDER BY 1",
                [
                    hex2bin(str_replace('-', '', $this->ids['start'])),
                    gmdate('Y-m-d H:i:s', $this->now()),
                    gmdate('Y-m-d H:i:s', $this->now()),
                ],
            ),
        );
    }
}
