<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Accounts;

use MintDoor\Shared\Id;
use MintDoor\Tests\App\ApiTestCase;

final class AccountsTest extends ApiTestCase
{
    public function testAPersonsPageSaysWhoTheyAreTheirAccountAndTheirSitesAsFarAsOneRunsThem(): void
    {
        $page = $this->call('lead', 'GET', '/people/'.$this->ids['learner']);
        self::assertSame(
            ['learner', true, null],
            [$page['account']['login'], $page['account']['open'], $page['refusal']],
        );
        self::assertSame(
            ['Draft', 'Harmony'],
            array_map(static fn(array $each): string => $each['site']['title'], $page['sites']),
        );
        self::assertSame(
            ['no', 'enter'],
            array_map(static fn(array $each): string => $each['reason']['entry'], $page['sites']),
        );
        $assistant = $this->call('assistant', 'GET', '/people/'.$this->ids['colleague']);
        self::assertSame(
            ['not-a-learner', [], 0],
            [$assistant['refusal'], $assistant['sites'], $assistant['elsewhere']],
        );
        $this->call('assistant', 'GET', '/people/'.$this->ids['junior'], null, 404);
        $this->call('learner', 'GET', '/people/'.$this->ids['newcomer'], null, 403);
    }

    public function testACardSignsInOnceAndThenWantsAPasswordOfTheirOwn(): void
    {
        $card = $this->cards('lead', ['learner'], true)[0];
        self::assertSame(['learner', null], [$card['login'], $card['refused']]);
        self::assertSame(401, $this->signIn('learner', self::PASSWORD));
        self::assertSame(200, $this->signIn('learner', $card['password']));
        $this->call('learner', 'GET', '/platform', null, 403);
        self::assertTrue($this->call('learner', 'GET', '/me')['mustChange']);
        self::assertSame(
            'wrong',
            $this->call(
                'learner',
                'PUT',
                '/me/password',
                ['present' => 'nonsense', 'password' => 'one of my own'],
                422,
            )['errors'][0]['code'],
        );
        self::assertSame(
            'same',
            $this->call(
                'learner',
                'PUT',
                '/me/password',
                ['present' => $card['password'], 'password' => $card['password']],
                422,
            )['errors'][0]['code'],
        );
        self::assertFalse(
            $this->call('learner', 'PUT', '/me/password', [
                'present' => $card['password'],
                'password' => 'one of my own',
            ])['mustChange'],
        );
        // The session goes on, although its password is another now.
        $this->client->request('GET', '/api/v1/platform', [], [], ['HTTP_X_MINT_DOOR' => '1']);
        self::assertSame(200, $this->client->getResponse()->getStatusCode());
        self::assertSame(200, $this->signIn('learner', 'one of my own'));
    }

    public function testPasswordsOfCardsAreKeptNowhere(): void
    {
        $password = $this->call(
            'lead',
            'POST',
            '/sign-in-cards',
            ['people' => [$this->ids['learner']]],
            headers: ['Idempotency-Key' => 'cards-of-today'],
        )['cards'][0]['password'];
        foreach (
            ['idempotency' => 'answer', 'history_entry' => 'data', 'account' => 'password_hash'] as $table => $column
        ) {
            self::assertSame(
                0,
                (int) $this->db()->fetchOne("SELECT COUNT(*) FROM $table WHERE $column LIKE ?", [
                    '%'.$password.'%',
                ]),
                $table,
            );
        }
        self::assertSame(
            1,
            (int) $this->db()->fetchOne(
                "SELECT COUNT(*) FROM history_entry WHERE code = 'password-reset' AND person_id = ?",
                [Id::binary($this->ids['learner'])],
            ),
        );
    }

    public function testNobodyAboveOrOutsideOnesReachGetsACard(): void
    {
        $cards = $this->cards('lead', ['learner', 'cotutor', 'junior', 'admin', 'lead']);
        self::assertSame(
            [false, true, true, true, true],
            array_map(static fn(array $card): bool => null !== $card['refused'], $cards),
        );
        self::assertSame([null, ''], [$cards[1]['password'], $cards[2]['person']['name']]);
        self::assertSame(401, $this->signIn('cotutor', (string) $cards[1]['password']));
        self::assertNull($this->cards('admin', ['cotutor'])[0]['refused']);
    }

    public function testClosingAnAccountEndsItsSessionsSaysWhichSitesHaveNoLeadAndIsTakenBack(): void
    {
        $path = '/people/'.$this->ids['lead'].'/account';
        self::assertSame(
            ['open' => true, 'changes' => true, 'leaderless' => [['id' => $this->ids['site'], 'title' => 'Harmony']]],
            $this->call('admin', 'PUT', $path, ['open' => false, 'apply' => false]),
        );
        $this->call('cotutor', 'PUT', $path, ['open' => false], 403);
        $this->call('lead', 'PUT', '/people/'.$this->ids['learner'].'/account', ['open' => false], 403);
        self::assertSame(
            [false, true],
            [
                $this->call('lead', 'GET', '/people/'.$this->ids['learner'])['mayClose'],
                $this->call('admin', 'GET', '/people/'.$this->ids['learner'])['mayClose'],
            ],
        );
        self::assertFalse($this->call('admin', 'PUT', $path, ['open' => false])['open']);
        self::assertSame(401, $this->signIn('lead', self::PASSWORD));
        self::assertFalse($this->call('admin', 'GET', '/people/'.$this->ids['lead'])['account']['open']);
        self::assertTrue($this->call('admin', 'PUT', $path, ['open' => true])['open']);
        self::assertSame(200, $this->signIn('lead', self::PASSWORD));
        self::assertFalse($this->call('admin', 'PUT', $path, ['open' => true])['changes']);
    }

    public function testAPasswordHashedAsBeforeIsHashedAnewWhenItIsUsed(): void
    {
        $hash = fn(): string => (string) $this->db()->fetchOne(
            'SELECT password_hash FROM account WHERE person_id = ?',
            [Id::binary($this->ids['learner'])],
        );
        $this->db()->executeStatement('UPDATE account SET password_hash = ? WHERE person_id = ?', [
            password_hash('of long ago', \PASSWORD_BCRYPT, ['cost' => 4]),
            Id::binary($this->ids['learner']),
        ]);
        self::assertSame([401, '$2y$'], [$this->signIn('learner', 'of long since'), substr($hash(), 0, 4)]);
        self::assertSame([200, '$argon2id$'], [$this->signIn('learner', 'of long ago'), substr($hash(), 0, 10)]);
        // The session that began with it goes on.
        $this->client->request('GET', '/api/v1/platform', [], [], ['HTTP_X_MINT_DOOR' => '1']);
        self::assertSame(
            [200, 200],
            [$this->client->getResponse()->getStatusCode(), $this->signIn('learner', 'of long ago')],
        );
    }

    public function testSomebodyIsAskedForAnotherPasswordWithoutOneBeingHandedOut(): void
    {
        $path = '/people/'.$this->ids['learner'].'/password-wanted';
        $this->call('lead', 'PUT', $path);
        self::assertSame(200, $this->signIn('learner', self::PASSWORD));
        $this->call('learner', 'GET', '/platform', null, 403);
        $this->call('lead', 'DELETE', $path);
        $this->call('learner', 'GET', '/platform');
        $this->call('lead', 'PUT', '/people/'.$this->ids['cotutor'].'/password-wanted', null, 403);
    }

    public function testAJuniorsCardIsForTheirLeads(): void
    {
        // Their division said yes some days ago.
        $this->platform->letIn($this->ids['site'], $this->ids['junior'], 'day-guest', $this->now() - 700_000);
        $this->platform->write();
        self::assertSame(
            ['Accounts of learners of this age are for those who lead a site of theirs, and for administrators.', null],
            [$this->cards('cotutor', ['junior'])[0]['refused'], $this->cards('lead', ['junior'])[0]['refused']],
        );
        // Who does not look after them, and has nothing to do with their division, has no page of theirs.
        $this->call('cotutor', 'GET', '/people/'.$this->ids['junior'], null, 404);
        self::assertTrue($this->call('lead', 'GET', '/people/'.$this->ids['junior'])['looksAfter']);
    }

    public function testSessionsOfAPersonCanBeEnded(): void
    {
        $this->db()->executeStatement(
            'INSERT INTO session (id, person_id, data, touched_at, made_at, ends_at)
                VALUES (?, ?, ?, UTC_TIMESTAMP(), UTC_TIMESTAMP(), UTC_TIMESTAMP() + INTERVAL 1 DAY)',
            [random_bytes(32), Id::binary($this->ids['learner']), ''],
        );
        self::assertSame(1, $this->call('lead', 'GET', '/people/'.$this->ids['learner'])['account']['sessions']);
        self::assertSame(
            ['ended' => 1],
            $this->call('lead', 'DELETE', '/people/'.$this->ids['learner'].'/sessions'),
        );
        // For an assistant, who lets nobody in, learners of another division are not there.
        $this->call('assistant', 'DELETE', '/people/'.$this->ids['learner'].'/sessions', null, 404);
    }

    /**
     * @param list<string> $people names
     *
     * @return list<array<string, mixed>>
     */
    private function cards(string $as, array $people, bool $once = false): array
    {
        return $this->call($as, 'POST', '/sign-in-cards', [
            'people' => array_map(fn(string $name): string => $this->ids[$name], $people),
            'once' => $once,
        ])['cards'];
    }

    /** @return int the status */
    private function signIn(string $login, string $password): int
    {
        $this->client->getCookieJar()->clear();
        $this->client->request(
            'POST',
            '/api/v1/sign-in',
            [],
            [],
            ['HTTP_X_MINT_DOOR' => '1', 'CONTENT_TYPE' => 'application/json'],
            json_encode(['login' => $login, 'password' => $password], \JSON_THROW_ON_ERROR),
        );

        return $this->client->getResponse()->getStatusCode();
    }
}
