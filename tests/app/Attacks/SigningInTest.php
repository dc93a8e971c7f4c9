<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Attacks;

use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\SignInGuard;
use PHPUnit\Framework\Attributes\TestWith;

/** Guessing passwords, locking others out, and passwords that are easily guessed. */
final class SigningInTest extends AttackCase
{
    public function testOthersElsewhereLockNobodyOut(): void
    {
        for ($n = 0; $n < 10; ++$n) {
            self::assertSame(401, $this->signIn('lead', 'guess '.$n, '192.0.2.1'));
        }
        self::assertSame(429, $this->signIn('lead', self::PASSWORD, '192.0.2.1'));
        self::assertGreaterThan(0, (int) $this->client->getResponse()->headers->get('Retry-After'));
        self::assertSame(200, $this->signIn('lead', self::PASSWORD, '192.0.2.2'));
        self::assertSame(200, $this->signIn('cotutor', self::PASSWORD, '192.0.2.1'), 'a neighbour comes in');
    }

    public function testLoginAndAddressOfOneAccountAreCountedAsOne(): void
    {
        for ($n = 0; $n < 10; ++$n) {
            self::assertSame(401, $this->signIn(['lead', 'LEAD@example.org', ' Lead '][$n % 3], 'guess'));
        }
        self::assertSame(
            [429, 429],
            [$this->signIn('lead', self::PASSWORD), $this->signIn('lead@example.org', self::PASSWORD)],
        );
    }

    public function testAnIpv6HostDoesNotEscapeByItsOtherAddresses(): void
    {
        for ($n = 0; $n < 10; ++$n) {
            $this->signIn('lead', 'guess', '2001:db8:1:2::'.$n);
        }
        self::assertSame(429, $this->signIn('lead', self::PASSWORD, '2001:db8:1:2:ffff::1'));
        self::assertSame(200, $this->signIn('lead', self::PASSWORD, '2001:db8:1:3::1'));
    }

    public function testASchoolBehindOneAddressComesInInTheMorning(): void
    {
        for ($n = 0; $n < 120; ++$n) {
            self::assertSame(
                200,
                $this->signIn(['lead', 'cotutor', 'learner', 'junior'][$n % 4], self::PASSWORD, '192.0.2.7'),
            );
        }
    }

    public function testTheAnswerTakesLongerBeforeItIsNo(): void
    {
        $pauses = array_map(static fn(int $failures): int => SignInGuard::pause($failures, false, 200), range(1, 10));
        self::assertSame([0, 0, 0, 200, 400, 600, 800, 1_000, 1_200, 1_400], $pauses);
        self::assertSame([1_400, 0], [SignInGuard::pause(1, true, 200), SignInGuard::pause(10, true, 0)]);
    }

    /** Whether there is an account, it is closed or has no password: the same words. */
    public function testWhoThereIsDoesNotShow(): void
    {
        $this->call('admin', 'PUT', '/people/'.$this->ids['newcomer'].'/account', [
            'open' => false,
            'apply' => true,
        ]);
        $this->db()->executeStatement('UPDATE account SET password_hash = NULL WHERE login = ?', ['guardian']);
        $said = [];
        foreach (['nobody', 'learner', 'newcomer', 'guardian'] as $login) {
            $said[$login] = $this->call(null, 'POST', '/sign-in', ['login' => $login, 'password' => 'guess'], 401);
        }
        self::assertCount(1, array_unique(array_map(json_encode(...), $said)));
        self::assertSame(401, $this->signIn('newcomer', self::PASSWORD));
        // What a hash is verified for, and what not, is measured by bin/bench.
    }

    public function testOnesOwnPasswordIsNotGuessedInAnOpenSession(): void
    {
        $request = ['present' => 'guess', 'password' => 'three small boats'];
        for ($n = 0; $n < 10; ++$n) {
            $this->call('learner', 'PUT', '/me/password', $request, 422);
        }
        $this->call('learner', 'PUT', '/me/password', ['present' => self::PASSWORD] + $request, 429);
        $this->call('lead', 'PUT', '/me/password', ['present' => self::PASSWORD] + $request);
    }

    #[TestWith(['eleven char', 'short'])]
    #[TestWith(['password1234', 'common'])]
    #[TestWith(['learnersen11', 'own'])]
    #[TestWith(['Learner@Example.org', 'own'])]
    #[TestWith(['aaaaaaaaaaaaaaaa', 'common'])]
    public function testAPasswordThatIsEasilyGuessedIsNotTaken(string $password, string $code): void
    {
        $hash = hash('sha256', 'the-token', true);
        $this->db()->insert('first_password', [
            'token_hash' => $hash,
            'person_id' => Id::binary($this->ids['learner']),
            'expires_at' => Instant::toSql($this->now() + 60),
        ]);
        $said = [
            $this->call('learner', 'PUT', '/me/password', ['present' => self::PASSWORD, 'password' => $password], 422),
            $this->call(null, 'POST', '/first-password', ['token' => 'the-token', 'password' => $password], 422),
        ];
        if ('own' !== $code) {
            $key = $this->call('lead', 'POST', '/sites/'.$this->ids['site'].'/doors', ['accounts' => true], 201)[
                'key'
            ];
            $request = ['key' => $key, 'given' => 'Mia', 'family' => 'Berg', 'level' => 7, 'password' => $password];
            $said[] = $this->call(null, 'POST', '/join/account', $request, 422);
        }
        foreach ($said as $problem) {
            self::assertSame('/password', $problem['errors'][0]['pointer']);
            self::assertSame($said[0]['errors'][0]['code'], $problem['errors'][0]['code']);
        }
        self::assertSame(401, $this->signIn('learner', $password));
    }

    public function testACardHoldsForAWhileOnly(): void
    {
        $card = $this->call('lead', 'POST', '/sign-in-cards', ['people' => [$this->ids['learner']], 'days' => 3])[
            'cards'
        ][0];
        self::assertSame(Instant::toJson($this->now() + 3 * 86_400), $card['until']);
        self::assertSame(200, $this->signIn('learner', $card['password']));
        $this->db()->executeStatement('UPDATE account SET card_until = card_until - INTERVAL 3 DAY WHERE login = ?', [
            'learner',
        ]);
        $problem = $this->call(null, 'POST', '/sign-in', ['login' => 'learner', 'password' => $card['password']], 401);
        self::assertStringContainsString('card is over', $problem['detail']);
        self::assertStringNotContainsString(
            'card',
            $this->call(null, 'POST', '/sign-in', ['login' => 'learner', 'password' => 'guess'], 401)['detail'],
        );
        $usual = $this->call('lead', 'POST', '/sign-in-cards', ['people' => [$this->ids['learner']]])['cards'][0];
        self::assertSame(Instant::toJson($this->now() + 14 * 86_400), $usual['until']);
        $own = ['present' => $usual['password'], 'password' => 'three small boats'];
        $this->call('learner', 'PUT', '/me/password', $own);
        self::assertNull(
            $this->db()->fetchOne('SELECT card_until FROM account WHERE login = ?', ['learner']),
            'one of their own holds',
        );
    }
}
