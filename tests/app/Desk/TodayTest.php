<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Desk;

use MintDoor\Core\Roster\DoorKind;
use MintDoor\Core\Time\Window;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Tests\App\ApiTestCase;

/** What waits for somebody, what changes next and what others did: of their sites, and nobody else's. */
final class TodayTest extends ApiTestCase
{
    private const DAY = 86_400;

    public function testWhoAsksToBeLetInWaitsForThoseWhoKeepTheDoors(): void
    {
        $this->call('lead', 'POST', '/sites/'.$this->ids['site'].'/doors', [
            'kind' => 'request',
            'name' => 'Ask us',
            'approval' => true,
            'role' => 'learner',
        ], 201);
        $door = $this->call('newcomer', 'GET', '/open-doors')['items'][0]['door'];
        $this->call('newcomer', 'POST', '/join', ['door' => $door, 'why' => 'I sing.']);
        $request = $this->decisions('lead')['request'];
        self::assertSame([1, false], [$request['count'], $request['more']]);
        $item = $request['items'][0];
        self::assertSame(
            ['Newcomer Newcomersen', 'Harmony', 'Ask us', 'I sing.'],
            [$item['person']['name'], $item['site']['name'], $item['about']['name'], $item['words']],
        );
        self::assertArrayHasKey('request', $this->decisions('admin'));
        foreach (['learner', 'newcomer', 'assistant', 'colleague', 'elsewhere'] as $other) {
            self::assertArrayNotHasKey('request', $this->decisions($other), $other);
        }
        $this->call('lead', 'POST', '/sites/'.$this->ids['site'].'/waiting', [
            'waiters' => [(int) $item['id']],
            'answer' => 'yes',
        ]);
        self::assertArrayNotHasKey('request', $this->decisions('lead'));
    }

    public function testASiteThatWillHaveNoLeadIsSaidWithTheOneWhoseTimeEnds(): void
    {
        self::assertArrayNotHasKey('no-lead', $this->decisions('admin'));
        $site = $this->platform->site(
            'SOLO',
            'Solo',
            'course',
            $this->ids['seniors'],
            $this->ids['term'],
            null,
            null,
            1
        );
        $until = $this->now() + 3 * self::DAY;
        $this->platform->letIn(
            $site,
            $this->ids['colleague'],
            'lead-tutor',
            $this->now() - self::DAY,
            new Window($this->now() - self::DAY, $until),
        );
        $this->platform->write();
        $found = $this->decisions('admin')['no-lead']['items'];
        self::assertSame(
            [['Solo', 'Colleague Colleaguesen', Instant::toJson($until)]],
            array_map(
                static fn(array $each): array => [$each['site']['name'], $each['person']['name'], $each['at']],
                $found,
            ),
        );
        self::assertArrayHasKey('no-lead', $this->decisions('colleague'));
        self::assertArrayNotHasKey('no-lead', $this->decisions('lead'));
        // Somebody takes over in time.
        $this->platform->letIn(
            $site,
            $this->ids['cotutor'],
            'lead-tutor',
            $this->now() - self::DAY,
            new Window($this->now() + 2 * self::DAY),
        );
        $this->platform->write();
        self::assertArrayNotHasKey('no-lead', $this->decisions('admin'));
    }

    public function testWhatBouncedAndWhatWasBegunWaits(): void
    {
        $this->db()->executeStatement(
            "UPDATE person SET email = 'bounce.n@example.org' WHERE id = ?",
            [Id::binary($this->ids['newcomer'])],
        );
        $this->call('lead', 'POST', '/sites/'.$this->ids['site'].'/change-lists', [
            'lines' => [['person' => $this->ids['newcomer'], 'verb' => 'let-in', 'role' => 'learner']],
            'tell' => '',
        ]);
        $this->deliver();
        $this->call('lead', 'POST', '/change-lists', [
            'kind' => 'pasted',
            'site' => $this->ids['site'],
            'work' => ['text' => 'Bea'],
        ], 201);
        $decisions = $this->decisions('lead');
        self::assertSame('Newcomer Newcomersen', $decisions['bounced']['items'][0]['person']['name']);
        self::assertSame('pasted', $decisions['draft']['items'][0]['words']);
        self::assertSame(['bounced'], array_keys($this->decisions('admin')));
        self::assertSame([], $this->decisions('assistant'));
    }

    public function testWhatChangesByItselfIsSaidByWhen(): void
    {
        $now = Instant::toSql($this->now() + 2 * self::DAY);
        $this->platform->door($this->ids['site'], DoorKind::Key, 'Poster');
        $this->platform->write();
        $this->db()->executeStatement('UPDATE door SET until_at = ? WHERE name = ?', [$now, 'Poster']);
        $this->db()->executeStatement(
            'UPDATE site SET closes_at = ? WHERE id = ?',
            [Instant::toSql($this->now() + self::DAY), Id::binary($this->ids['site'])],
        );
        $coming = fn(string $who): array => array_map(
            static fn(array $each): array => [$each['kind'], $each['site']['name'] ?? '', $each['name']],
            array_filter(
                $this->call($who, 'GET', '/today')['coming'],
                static fn(array $each): bool => null !== $each['site'],
            ),
        );
        self::assertSame([['site-closes', 'Harmony', ''], ['door-shuts', 'Harmony', 'Poster']], $coming('lead'));
        self::assertSame([], $coming('learner'));
        self::assertSame([], $coming('elsewhere'));
    }

    public function testWhatOthersDidIsToldUntilOneHasSeenIt(): void
    {
        $changed = fn(string $who): array => $this->call($who, 'GET', '/today')['changed'];
        $before = $changed('cotutor');
        $this->call('lead', 'POST', '/sites/'.$this->ids['site'].'/change-lists', [
            'lines' => [['person' => $this->ids['newcomer'], 'verb' => 'let-in', 'role' => 'learner']],
        ]);
        $after = $changed('cotutor');
        self::assertNotSame($before, $after);
        self::assertSame(
            ['Harmony', ['code' => 'let-in', 'count' => 1], ['Lead Leadsen']],
            [$after[0]['site']['name'], $after[0]['codes'][0], $after[0]['by']],
        );
        self::assertSame([], $changed('lead'), 'What one did oneself is no news.');
        self::assertSame([], $changed('learner'));
        $seen = $this->call('cotutor', 'PUT', '/today/seen');
        self::assertSame([[], true], [$seen['changed'], null !== $seen['seenAt']]);
        self::assertSame([], $changed('cotutor'));
        self::assertNotSame([], $changed('admin'));
    }

    public function testAdministratorsHaveWhatTheyAdministerInNumbers(): void
    {
        $platform = $this->call('admin', 'GET', '/today')['platform'];
        self::assertSame(
            [['division' => 'Seniors', 'draft' => 1, 'open' => 1, 'closed' => 0]],
            array_values(
                array_filter($platform['sites'], static fn(array $row): bool => 'Seniors' === $row['division'])
            ),
        );
        self::assertIsBool($platform['health']['well']);
        $elsewhere = $this->call('elsewhere', 'GET', '/today')['platform'];
        self::assertSame([[], null], [$elsewhere['sites'], $elsewhere['health']]);
        self::assertNull($this->call('lead', 'GET', '/today')['platform']);
    }

    public function testNoAdministratorsNumbersAreAnothersWhateverADivisionIsCalled(): void
    {
        $this->platform->administrator($this->ids['colleague'], $this->platform->division('all', 'All of it'));
        $this->platform->write();
        self::assertNotSame([], $this->call('admin', 'GET', '/today')['platform']['sites']);
        self::assertSame([], $this->call('colleague', 'GET', '/today')['platform']['sites']);
    }

    public function testARoleThatTakesAPermissionFromSomeTakesItInEveryListOfTheirs(): void
    {
        $this->call('cotutor', 'POST', '/change-lists', [
            'kind' => 'pasted',
            'site' => $this->ids['site'],
            'work' => ['text' => 'Bea'],
        ], 201);
        $this->call('lead', 'POST', '/sites/'.$this->ids['site'].'/change-lists', [
            'lines' => [['person' => $this->ids['newcomer'], 'verb' => 'let-in', 'role' => 'learner']],
            'tell' => '',
        ]);
        $person = '/people/'.$this->ids['newcomer'].'/history';
        $lists = ['/sites?scope=run', '/messages', '/first-day-check?day=2026-10-01&time=09:00', $person];
        $seen = fn(): array => array_map(fn(string $list): int => \count($this->listed('cotutor', $list)), $lists);
        self::assertNotContains(0, $seen());
        self::assertSame(['draft'], array_keys($this->decisions('cotutor')));

        $rules = $this->call('admin', 'GET', '/rules')['rules'];
        $place = array_search('co-tutor', array_column($rules['roles'], 'code'), true);
        $rules['roles'][$place]['bands'][] = [
            'name' => 'Only looking',
            'divisions' => ['faculty'],
            'levels' => null,
            'permissions' => ['enter', 'see-roster'],
        ];
        $this->call('admin', 'PUT', '/rules', ['rules' => $rules, 'apply' => true], 200, ['If-Match' => '"1"']);
        self::assertSame([0, 0, 0, 0], $seen());
        self::assertSame([], $this->decisions('cotutor'));
        self::assertSame([], $this->call('cotutor', 'GET', '/today')['changed']);
    }

    /** @return array<array-key, mixed> */
    private function listed(string $who, string $list): array
    {
        $answer = $this->call($who, 'GET', $list);

        return $answer['items'] ?? $answer['sites'];
    }

    /** @return array<string, array<string, mixed>> by kind */
    private function decisions(string $who): array
    {
        return array_column($this->call($who, 'GET', '/today')['decisions'], null, 'kind');
    }
}
