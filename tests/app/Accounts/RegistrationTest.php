<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Accounts;

use Doctrine\ORM\EntityManagerInterface;
use MintDoor\Accounts\Registered;
use MintDoor\Accounts\Registering;
use MintDoor\Shared\Id;
use MintDoor\Tests\App\ApiTestCase;

/** People register themselves: for whom it is open, what is shown of whom, and what a yes does. */
final class RegistrationTest extends ApiTestCase
{
    private const PASSWORD_OF_OWN = 'three small boats';

    public function testNobodyRegistersWhereNobodyOpenedIt(): void
    {
        self::assertSame([], $this->call(null, 'GET', '/register')['items']);
        self::assertFalse($this->call(null, 'GET', '/look')['register']);
        $this->call(null, 'POST', '/register', $this->newcomer(), 422);
    }

    public function testAnAddressIsShownToBeOnesOwnBeforeThereIsAnAccount(): void
    {
        $this->open(['for' => 'domains', 'domains' => ['elm.example'], 'approved' => false]);
        self::assertSame('domains', $this->call(null, 'GET', '/register')['items'][0]['for']);
        self::assertTrue($this->call(null, 'GET', '/look')['register']);
        $problem = $this->call(null, 'POST', '/register', $this->newcomer(email: 'noor@oak.example'), 422);
        self::assertSame('/email', $problem['errors'][0]['pointer']);
        $this->call(null, 'POST', '/register', [...$this->newcomer(), 'number' => '33-00.012'], 202);
        self::assertSame(0, $this->people('noor@elm.example'));
        $token = $this->token('noor@elm.example');
        self::assertSame(
            ['given' => 'Noor', 'division' => 'Seniors', 'waits' => false],
            $this->call(null, 'POST', '/register/look', ['token' => $token]),
        );
        $weak = $this->call(null, 'POST', '/register/confirm', ['token' => $token, 'password' => 'noor'], 422);
        self::assertSame('/password', $weak['errors'][0]['pointer']);
        $body = ['token' => $token, 'password' => self::PASSWORD_OF_OWN];
        $login = $this->call(null, 'POST', '/register/confirm', $body)['login'];
        self::assertSame('noor.haddad', $login);
        $this->call(null, 'POST', '/register/confirm', $body, 410);
        $me = $this->call(null, 'POST', '/sign-in', ['login' => $login, 'password' => self::PASSWORD_OF_OWN]);
        self::assertSame(['learner', false], [$me['kind'], $me['mayMakeSites']]);
        $number = $this->db()->fetchOne('SELECT number FROM person WHERE email = ?', ['noor@elm.example']);
        self::assertNull($number, 'Nobody gives themselves a number.');
    }

    public function testTheyAreWrittenToInTheLanguageThatIsSet(): void
    {
        $this->open(['for' => 'anybody', 'approved' => false, 'language' => 'en-NZ']);
        $this->call(null, 'POST', '/register', $this->newcomer(), 202);
        $token = $this->token('noor@elm.example');
        self::assertSame('en-NZ', $this->db()->fetchOne("SELECT language FROM message WHERE kind = 'registration'"));
        $body = ['token' => $token, 'password' => self::PASSWORD_OF_OWN];
        $login = $this->call(null, 'POST', '/register/confirm', $body)['login'];
        self::assertSame('en-NZ', $this->db()->fetchOne('SELECT language FROM account WHERE login = ?', [$login]));
        $settings = $this->call('admin', 'GET', '/settings')['settings'];
        $settings['registrations'][0]['language'] = 'tlh';
        $problems = $this->call('admin', 'PUT', '/settings', ['settings' => $settings])['problems'];
        self::assertSame(
            ['registrations/0/language' => 'no-such-language'],
            array_column($problems, 'code', 'where'),
        );
    }

    public function testWhoIsKnownIsToldNothingElseAndGetsALink(): void
    {
        $this->open(['for' => 'anybody', 'approved' => false]);
        $known = $this->call(null, 'POST', '/register', $this->newcomer(email: 'Learner@example.org'), 202);
        $new = $this->call(null, 'POST', '/register', $this->newcomer(), 202);
        self::assertSame($known, $new);
        $this->work();
        $kinds = $this->db()->fetchAllKeyValue('SELECT address, kind FROM message');
        self::assertSame('password', $kinds['learner@example.org'] ?? null);
        self::assertSame('registration', $kinds['noor@elm.example'] ?? null);
        self::assertSame(1, $this->people('learner@example.org'));
    }

    public function testWhoIsInTheDirectoryWithoutAnAccountGetsOneOfTheirOwn(): void
    {
        $this->open(['for' => 'anybody', 'approved' => false]);
        $this->withoutAccount('newcomer');
        $this->call(null, 'POST', '/register', $this->newcomer(email: 'newcomer@example.org'), 202);
        $body = ['token' => $this->token('newcomer@example.org'), 'password' => self::PASSWORD_OF_OWN];
        self::assertFalse($this->call(null, 'POST', '/register/look', ['token' => $body['token']])['waits']);
        $login = $this->call(null, 'POST', '/register/confirm', $body)['login'];
        $me = $this->call(null, 'POST', '/sign-in', ['login' => $login, 'password' => self::PASSWORD_OF_OWN]);
        self::assertSame([$this->ids['newcomer'], 'Newcomer Newcomersen'], [$me['id'], $me['name']]);
        self::assertSame(1, $this->people('newcomer@example.org'), 'Nobody is there twice.');
        $this->call(null, 'POST', '/register/confirm', $body, 410);
    }

    public function testOfStaffAnAdministratorOfTheirOwnDivisionIsAsked(): void
    {
        $this->open(['for' => 'anybody', 'approved' => false]);
        $this->withoutAccount('colleague');
        $this->call(null, 'POST', '/register', $this->newcomer(email: 'colleague@example.org'), 202);
        $confirmed = $this->call(null, 'POST', '/register/confirm', ['token' => $this->token('colleague@example.org')]);
        self::assertNull($confirmed['login'], 'An address alone makes nobody staff.');
        $this->call('admin', 'PUT', '/administrators/'.$this->ids['elsewhere'], [
            'platform' => false,
            'divisions' => ['seniors'],
        ]);
        self::assertSame([], $this->call('elsewhere', 'GET', '/registrations')['items']);
        [$one] = $this->call('admin', 'GET', '/registrations')['items'];
        self::assertSame(
            ['faculty', $this->ids['colleague'], 'staff'],
            [$one['division'], $one['known']['id'], $one['known']['kind']],
        );
        $this->call('admin', 'PUT', '/registrations/'.$one['id'], ['yes' => true]);
        self::assertSame(1, (int) $this->db()->fetchOne('SELECT COUNT(*) FROM account WHERE person_id = ?', [
            hex2bin(str_replace('-', '', $this->ids['colleague'])),
        ]));
    }

    public function testWhoCameIntoAnotherDivisionMeanwhileIsNotOnesOwnToAnswer(): void
    {
        $this->open(['for' => 'anybody', 'approved' => true]);
        $this->call('admin', 'PUT', '/administrators/'.$this->ids['elsewhere'], [
            'platform' => false,
            'divisions' => ['seniors'],
        ]);
        $this->call(null, 'POST', '/register', $this->newcomer(), 202);
        $this->call(null, 'POST', '/register/confirm', ['token' => $this->token('noor@elm.example')]);
        [$one] = $this->call('elsewhere', 'GET', '/registrations')['items'];
        $this->db()->executeStatement("UPDATE person SET email = 'noor@elm.example' WHERE given_name = 'Colleague'");
        self::assertNull($this->call('elsewhere', 'GET', '/registrations')['items'][0]['known']);
        $this->call('elsewhere', 'PUT', '/registrations/'.$one['id'], ['yes' => true], 403);
        self::assertSame(
            'Colleague Colleaguesen',
            $this->call('admin', 'GET', '/registrations')['items'][0]['known']['name']
        );
        // Whoever administers the division they are of by now finds them, and says yes.
        $this->withoutAccount('colleague');
        $lead = '/administrators/'.$this->ids['lead'];
        $this->call('admin', 'PUT', $lead, ['platform' => false, 'divisions' => ['evening']]);
        self::assertSame([], $this->call('lead', 'GET', '/registrations')['items']);
        $this->call('lead', 'PUT', '/registrations/'.$one['id'], ['yes' => true], 404);
        $this->call('admin', 'PUT', $lead, ['platform' => false, 'divisions' => ['faculty']]);
        self::assertCount(1, $this->call('lead', 'GET', '/registrations')['items']);
        self::assertSame([], $this->call('lead', 'PUT', '/registrations/'.$one['id'], ['yes' => true])['items']);
    }

    public function testWhoCameIntoADivisionWhereNobodyRegistersWaitsForItsYes(): void
    {
        $this->open(['for' => 'anybody', 'approved' => false]);
        $this->call(null, 'POST', '/register', $this->newcomer(), 202);
        $token = $this->token('noor@elm.example');
        self::assertFalse($this->call(null, 'POST', '/register/look', ['token' => $token])['waits']);
        $this->withoutAccount('junior');
        $this->db()->executeStatement("UPDATE person SET email = 'noor@elm.example' WHERE given_name = 'Junior'");
        $body = ['token' => $token, 'password' => self::PASSWORD_OF_OWN];
        self::assertNull($this->call(null, 'POST', '/register/confirm', $body)['login']);
    }

    public function testACodeIsAsked(): void
    {
        $this->open(['for' => 'code', 'approved' => false]);
        $this->call('admin', 'PUT', '/registration-codes/seniors', ['code' => 'short'], 422);
        $kept = $this->call('admin', 'PUT', '/registration-codes/seniors', ['code' => 'Autumn Quay'])['codes'];
        self::assertSame(['seniors' => 'Autumn Quay'], $kept);
        $stored = (string) $this->db()->fetchOne('SELECT sealed FROM registration_code');
        self::assertStringNotContainsString('Autumn', (string) base64_decode($stored, true));
        foreach (['', 'autumn', 'Autumn Quay2'] as $wrong) {
            $problem = $this->call(null, 'POST', '/register', [...$this->newcomer(), 'code' => $wrong], 422);
            self::assertSame('/code', $problem['errors'][0]['pointer']);
        }
        $this->call(null, 'POST', '/register', [...$this->newcomer(), 'code' => ' autumn quay '], 202);
        // Without a code nobody comes in.
        $this->call('admin', 'PUT', '/registration-codes/seniors', ['code' => '']);
        $this->call(null, 'POST', '/register', [...$this->newcomer(), 'code' => ''], 422);
    }

    public function testAnAdministratorOfTheDivisionSaysYesOrNo(): void
    {
        $this->open(['for' => 'anybody', 'approved' => true, 'asks' => ['number']]);
        foreach (['noor@elm.example', 'cem@elm.example'] as $email) {
            $newcomer = [...$this->newcomer(email: $email), 'number' => '33-00.012'];
            $this->call(null, 'POST', '/register', $newcomer, 202);
            $confirmed = $this->call(null, 'POST', '/register/confirm', ['token' => $this->token($email)]);
            self::assertNull($confirmed['login']);
        }
        self::assertSame(0, $this->people('noor@elm.example'));
        self::assertSame([], $this->call('elsewhere', 'GET', '/registrations')['items']);
        $this->call('lead', 'GET', '/registrations', null, 403);
        [$first, $second] = $this->call('admin', 'GET', '/registrations')['items'];
        $this->call('elsewhere', 'PUT', '/registrations/'.$first['id'], ['yes' => true], 404);
        $this->call('admin', 'PUT', '/registrations/'.$first['id'], ['yes' => true]);
        $left = $this->call('admin', 'PUT', '/registrations/'.$second['id'], ['yes' => false])['items'];
        self::assertSame([], $left);
        self::assertSame([1, 0], [$this->people($first['email']), $this->people($second['email'])]);
        $number = $this->db()->fetchOne('SELECT number FROM person WHERE email = ?', [$first['email']]);
        self::assertSame('3300012', $number);
        self::assertSame(
            'welcome',
            $this->db()->fetchOne("SELECT kind FROM message WHERE address = ? AND kind = 'welcome'", [$first['email']]),
        );
        $this->call('admin', 'PUT', '/registrations/'.$first['id'], ['yes' => true], 404);
    }

    public function testNobodyFillsAMailboxOrTriesCodesWithoutEnd(): void
    {
        $this->open(['for' => 'anybody', 'approved' => false]);
        for ($n = 0; $n < 5; ++$n) {
            $this->call(null, 'POST', '/register', $this->newcomer(), 202);
        }
        self::assertSame(3, (int) $this->db()->fetchOne('SELECT COUNT(*) FROM registration'));
        for ($n = 5; $n < 30; ++$n) {
            $this->call(null, 'POST', '/register', $this->newcomer(email: "x$n@elm.example"), 202);
        }
        $this->call(null, 'POST', '/register', $this->newcomer(email: 'y@elm.example'), 429);
    }

    public function testALinkIsGoodForTwoDaysAndForgottenAfterwards(): void
    {
        $this->open(['for' => 'anybody', 'approved' => false]);
        $this->call(null, 'POST', '/register', $this->newcomer(), 202);
        $token = $this->token('noor@elm.example');
        $this->db()->executeStatement('UPDATE registration SET asked_at = asked_at - INTERVAL 3 DAY');
        $this->service(EntityManagerInterface::class)->clear();
        $this->call(null, 'POST', '/register/look', ['token' => $token], 410);
        $this->command('platform:tidy');
        self::assertSame(0, (int) $this->db()->fetchOne('SELECT COUNT(*) FROM registration'));
    }

    /** @return array<string, string> */
    private function newcomer(string $email = 'noor@elm.example'): array
    {
        return ['division' => 'seniors', 'given' => 'Noor', 'family' => 'Haddad', 'email' => $email];
    }

    /** @param array<string, mixed> $how */
    private function open(array $how): void
    {
        $this->settle(['registrations' => [[
            'division' => 'seniors',
            'domains' => [],
            'asks' => [],
            'language' => '',
            ...$how,
        ]]]);
    }

    private function withoutAccount(string $person): void
    {
        $id = hex2bin(str_replace('-', '', $this->ids[$person]));
        foreach (['session', 'account'] as $table) {
            $this->db()->executeStatement("DELETE FROM $table WHERE person_id = ?", [$id]);
        }
    }

    /** What workers do of those who registered. */
    private function work(): void
    {
        foreach ($this->db()->fetchFirstColumn('SELECT id FROM registration WHERE token_hash IS NULL') as $id) {
            $this->service(Registering::class)->registered(new Registered(Id::text((string) $id)));
        }
    }

    /** Of the letter that came to an address. */
    private function token(string $address): string
    {
        $this->work();
        $this->deliver();
        $letters = $this->call('admin', 'GET', '/simulated-inbox?address='.$address)['items'];
        self::assertSame(1, preg_match('~/register/confirm#([\w-]+)~', $letters[0]['text'], $found));

        return $found[1];
    }

    private function people(string $email): int
    {
        return (int) $this->db()->fetchOne('SELECT COUNT(*) FROM person WHERE email = ?', [$email]);
    }
}
