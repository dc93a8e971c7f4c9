<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Doors;

use MintDoor\Doors\ScheduledDoorTasks;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Sealer;
use MintDoor\Tests\App\ApiTestCase;

/** Invitations: to people and to addresses, answered once, reminded, sent again, taken back. */
final class InvitationsTest extends ApiTestCase
{
    protected function furnish(): void
    {
        parent::furnish();
        for ($n = 0; $n < 30; ++$n) {
            $this->ids["many$n"] = $this->platform->person(
                'learner',
                $this->ids['seniors'],
                'Many'.$n,
                'Manysen',
                7,
                email: "many$n@example.org",
                login: "many$n",
            );
        }
    }

    public function testManyAreInvitedAtOnceTakenBackAndInvitedAgainAndAreNoListOfAnybody(): void
    {
        $door = $this->door();
        $many = implode("\n", array_map(static fn(int $n): string => "many$n@example.org", range(0, 29)));
        $waiting = fn(): int => \count(array_keys($this->roster(query: '?limit=200'), 'learner waiting', true));
        self::assertSame(30, $this->invite($door, $many));
        self::assertSame(30, $waiting());
        self::assertSame(30, (int) $this->db()->fetchOne("SELECT COUNT(*) FROM change_line WHERE verb = 'invite'"));
        self::assertSame([], $this->call('lead', 'GET', '/change-lists')['items']);
        self::assertSame(30, $this->call('lead', 'POST', $this->path($door, '/withdraw'), ['all' => true])['done']);
        self::assertSame(0, $waiting());
        self::assertSame(30, $this->invite($door, $many));
        $this->deliver();
        $this->db()->executeStatement('UPDATE invitation SET lapses_at = ? WHERE unanswered = 1', [
            Instant::toSql($this->now() - 1),
        ]);
        self::assertSame(30, $this->service(ScheduledDoorTasks::class)->all()['invitations']);
        self::assertSame(0, $waiting());
        $this->change('lead', 'let-in', 'many0', 'learner');
        self::assertSame(30, $this->call('lead', 'POST', $this->path($door, '/again'), ['all' => true])['done']);
        self::assertSame(29, $waiting(), 'Who is in by now waits for nothing.');
    }

    public function testWhomLinesMeanAndWhatStandsInTheWay(): void
    {
        $door = $this->door();
        $this->change('admin', 'block', 'junior');
        $plan = $this->plan(
            $door,
            "newcomer@example.org\nsomebody.new@example.net\nsomebody.new@example.net\nlearner@example.org\n"
                ."junior@example.org\nNewcomer Newcomersen\nguardian@example.org\nbroken@@example\nNobody Knowsthem\n",
        );
        self::assertSame(
            ['ready', 'ready', 'repeat', 'here', 'blocked', 'repeat', 'role', 'malformed', 'unknown'],
            array_column($plan['items'], 'verdict'),
        );
        self::assertSame(
            ['Newcomer Newcomersen', null],
            [$plan['items'][0]['person']['name'], $plan['items'][1]['person']],
            'A known address is that person.',
        );
        self::assertSame(0, $plan['invited']);
    }

    public function testAnInvitedPersonWaitsUntilTheyAnswerAndALinkAnswersOnce(): void
    {
        $door = $this->door();
        self::assertSame(1, $this->invite($door, 'newcomer@example.org', 'Bring a pencil.'));
        self::assertSame('learner waiting', $this->roster()['newcomer']);
        self::assertSame('invited', $this->plan($door, 'newcomer@example.org')['items'][0]['verdict']);
        $token = $this->token('newcomer@example.org');
        self::assertSame('sent', $this->invitations($door)[0]['state']);
        $look = $this->call(null, 'POST', '/join/look', ['invitation' => $token]);
        self::assertSame(
            [null, 'Newcomer Newcomersen', 'sign-in', 'Bring a pencil.'],
            [
                $look['invitation']['over'],
                $look['invitation']['name'],
                $look['invitation']['account'],
                $look['invitation']['words'],
            ],
        );
        self::assertSame('opened', $this->invitations($door)[0]['state']);
        self::assertSame('for-another', $this->call('junior', 'POST', '/join', ['invitation' => $token], 409)['code']);
        self::assertSame(
            'for-another',
            $this->call('junior', 'POST', '/join', ['invitation' => $token, 'asMe' => true], 409)['code'],
            'What is meant for a person is for nobody else.',
        );
        self::assertSame('in', $this->call('newcomer', 'POST', '/join', ['invitation' => $token])['passage']);
        self::assertSame('learner current', $this->roster()['newcomer']);
        self::assertSame('answered', $this->invitations($door)[0]['state']);
        self::assertSame('already', $this->call('newcomer', 'POST', '/join', ['invitation' => $token])['passage']);
        $this->change('lead', 'remove', 'newcomer');
        self::assertSame(
            'answered',
            $this->call('newcomer', 'POST', '/join', ['invitation' => $token], 409)['code'],
            'Once.',
        );
    }

    public function testAnUnknownAddressMakesTheAccountOnTheWay(): void
    {
        $door = $this->door();
        $this->invite($door, 'mia.berg@example.net');
        $token = $this->token('mia.berg@example.net');
        self::assertSame(
            'none',
            $this->call(null, 'POST', '/join/look', ['invitation' => $token])['invitation']['account'],
        );
        self::assertSame(
            'another-address',
            $this->call('newcomer', 'POST', '/join', ['invitation' => $token], 409)['code'],
        );
        $made = $this->call(
            null,
            'POST',
            '/join/account',
            ['invitation' => $token, 'given' => 'Mia', 'family' => 'Berg', 'password' => 'three small boats'],
            201,
        );
        self::assertSame(['in', 'mia.berg'], [$made['passage'], $made['login']]);
        self::assertSame(
            'mia.berg@example.net',
            $this->db()->fetchOne("SELECT email FROM person WHERE family_name = 'Berg'"),
        );
        self::assertSame('learner current', $this->roster()['mia']);
        $this->call(
            null,
            'POST',
            '/join/account',
            ['invitation' => $token, 'given' => 'Mia', 'family' => 'Berg', 'password' => 'three small boats'],
            403,
        );
    }

    public function testAnAddressInvitationIsAnsweredFromAnotherAccountOnlyOnPurpose(): void
    {
        $door = $this->door();
        $this->invite($door, 'my.other@example.net');
        $token = $this->token('my.other@example.net');
        self::assertSame(
            'in',
            $this->call('newcomer', 'POST', '/join', ['invitation' => $token, 'asMe' => true])['passage'],
        );
        self::assertSame('Newcomer Newcomersen', $this->invitations($door)[0]['answeredBy']['name']);
        self::assertSame(
            'answered',
            $this->call('junior', 'POST', '/join', ['invitation' => $token, 'asMe' => true], 409)['code'],
        );
    }

    public function testAnAccountWithoutAPasswordGetsItsFirstOneAndNeverAnother(): void
    {
        $this->db()->executeStatement('UPDATE account SET password_hash = NULL WHERE person_id = ?', [
            Id::binary($this->ids['newcomer']),
        ]);
        $this->invite($this->door(), 'newcomer@example.org');
        $token = $this->token('newcomer@example.org');
        self::assertSame(
            'password',
            $this->call(null, 'POST', '/join/look', ['invitation' => $token])['invitation']['account'],
        );
        self::assertSame(
            'newcomer',
            $this->call(
                null,
                'POST',
                '/join/account',
                ['invitation' => $token, 'password' => 'three small boats'],
                201,
            )['login'],
        );
        $this->call(null, 'POST', '/sign-in', ['login' => 'newcomer', 'password' => 'three small boats']);
        $this->call(null, 'POST', '/join/account', ['invitation' => $token, 'password' => 'another small boat'], 403);
    }

    public function testRemindedOnceThenLapsedAndSentAgain(): void
    {
        $door = $this->door(['answerDays' => 7, 'remindDays' => 2]);
        $this->invite($door, "newcomer@example.org\nsomebody.new@example.net");
        $this->token('newcomer@example.org');
        $this->db()->executeStatement('UPDATE invitation SET remind_at = ?', [Instant::toSql($this->now() - 1)]);
        self::assertSame(2, $this->service(ScheduledDoorTasks::class)->all()['invitations']);
        self::assertSame(0, $this->service(ScheduledDoorTasks::class)->all()['invitations']);
        self::assertSame(2, (int) $this->db()->fetchOne("SELECT COUNT(*) FROM message WHERE kind = 'reminder'"));
        $this->deliver();
        $this->db()->executeStatement('UPDATE invitation SET lapses_at = ?', [Instant::toSql($this->now() - 1)]);
        $this->service(ScheduledDoorTasks::class)->all();
        self::assertSame(['lapsed', 'lapsed'], array_column($this->invitations($door), 'state'));
        self::assertArrayNotHasKey('newcomer', $this->roster());
        self::assertSame(
            'lapsed',
            $this->call('newcomer', 'POST', '/join', ['invitation' => $this->lastToken('newcomer@example.org')], 409)[
                'code'
            ],
        );
        self::assertSame(2, $this->call('lead', 'POST', $this->path($door, '/again'), ['all' => true])['done']);
        self::assertSame('learner waiting', $this->roster()['newcomer']);
        $this->deliver();
        self::assertSame(
            'in',
            $this->call('newcomer', 'POST', '/join', ['invitation' => $this->lastToken('newcomer@example.org')])[
                'passage'
            ],
        );
    }

    public function testTakenBackInTimeNothingIsSent(): void
    {
        $door = $this->door();
        $this->invite($door, 'newcomer@example.org');
        self::assertSame(1, $this->call('lead', 'POST', $this->path($door, '/withdraw'), ['all' => true])['done']);
        self::assertSame('withdrawn', $this->invitations($door)[0]['state']);
        self::assertSame('withdrawn', $this->db()->fetchOne('SELECT state FROM message'));
        self::assertArrayNotHasKey('newcomer', $this->roster());
        self::assertSame(1, $this->invite($door, 'newcomer@example.org'), 'And may be invited anew.');
    }

    public function testAnInvitationHoldsASeatOnlyWhereItsDoorSaysSo(): void
    {
        $this->invite($this->door(['holds' => true]), "a@example.net\nb@example.net");
        self::assertSame(
            'waits-for-seat',
            $this->change('lead', 'let-in', 'newcomer', 'learner', 409)['line']['verdict'],
        );
        self::assertSame(
            'in',
            $this->call('newcomer', 'POST', '/join', ['invitation' => $this->token('a@example.net'), 'asMe' => true])[
                'passage'
            ],
            'Whoever answers takes the one that is kept.',
        );
    }

    public function testWhatCannotBe(): void
    {
        $door = $this->door();
        $this->call('lead', 'POST', $this->path($door), ['choices' => ['1' => 'nobody']], 422);
        $problem = $this->call(
            'lead',
            'POST',
            $this->path($door),
            ['text' => implode("\n", array_map(static fn(int $n): string => "person$n@example.net", range(1, 5_000)))],
            422,
        );
        self::assertStringContainsString('2,000 lines at most', $problem['detail']);
        $key = $this->call('lead', 'POST', '/sites/'.$this->ids['site'].'/doors', [], 201);
        $this->call('lead', 'GET', $this->path($key), expected: 403);
        $this->call(null, 'POST', '/join/look', ['invitation' => 'not a token'], 410);
        $this->call(
            'cotutor',
            'POST',
            '/sites/'.$this->ids['site'].'/doors',
            ['kind' => 'invitation', 'role' => 'lead-tutor'],
            422,
        );
        // What a lead set up for a role of theirs, a co-tutor neither opens nor uses.
        $leads = $this->door(['role' => 'lead-tutor']);
        $this->call('cotutor', 'POST', $this->path($leads), ['text' => 'new.lead@example.net', 'apply' => true], 403);
        $this->call('cotutor', 'POST', $this->path($leads, '/again'), ['all' => true], 403);
        $this->call(
            'cotutor',
            'PUT',
            '/sites/'.$this->ids['site'].'/doors/'.$leads['id'].'/open',
            expected: 403,
        );
        $this->call('lead', 'DELETE', '/sites/'.$this->ids['site'].'/doors/'.$door['id'].'/open');
        $this->call('lead', 'POST', $this->path($door), ['text' => 'newcomer@example.org', 'apply' => true], 403);
    }

    /**
     * @param array<string, mixed> $request
     *
     * @return array<string, mixed>
     */
    private function door(array $request = []): array
    {
        return $this->call(
            'lead',
            'POST',
            '/sites/'.$this->ids['site'].'/doors',
            ['kind' => 'invitation', ...$request],
            201,
        );
    }

    /** @param array<string, mixed> $door */
    private function path(array $door, string $more = ''): string
    {
        return '/sites/'.$this->ids['site'].'/doors/'.$door['id'].'/invitations'.$more;
    }

    /**
     * @param array<string, mixed> $door
     *
     * @return array<string, mixed>
     */
    private function plan(array $door, string $text): array
    {
        return $this->call('lead', 'POST', $this->path($door), ['text' => $text]);
    }

    /** @param array<string, mixed> $door */
    private function invite(array $door, string $text, string $words = ''): int
    {
        return $this->call('lead', 'POST', $this->path($door), [
            'text' => $text,
            'words' => $words,
            'apply' => true,
        ])['invited'];
    }

    /**
     * @param array<string, mixed> $door
     *
     * @return list<array<string, mixed>>
     */
    private function invitations(array $door): array
    {
        return $this->call('lead', 'GET', $this->path($door))['items'];
    }

    /** Delivers what is due, and reads the link in the letter to an address. */
    private function token(string $address): string
    {
        $this->deliver();

        return $this->lastToken($address);
    }

    private function lastToken(string $address): string
    {
        $text = $this->db()->fetchOne(
            'SELECT text FROM letter WHERE address = ? ORDER BY arrived_at DESC, id DESC LIMIT 1',
            [$address],
        );
        $text = (string) $this->service(Sealer::class)->openText(\is_string($text) ? $text : '', 'letter');
        self::assertSame(1, preg_match('~/invitation#(\S+)~', $text, $found), $text);

        return $found[1];
    }
}
