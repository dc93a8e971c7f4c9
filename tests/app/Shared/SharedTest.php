<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Shared;

use Doctrine\DBAL\Exception\UniqueConstraintViolationException;
use MintDoor\Shared\BodyGuard;
use MintDoor\Shared\CallerProvider;
use MintDoor\Shared\Instant;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\SessionStore;
use MintDoor\Shared\Speech;
use MintDoor\Tests\App\ApiTestCase;
use PHPUnit\Framework\Attributes\TestWith;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpKernel\Event\RequestEvent;
use Symfony\Component\HttpKernel\HttpKernelInterface;
use Symfony\Component\Security\Core\Authentication\Token\Storage\TokenStorageInterface;
use Symfony\Component\Security\Http\Authenticator\Token\PostAuthenticationToken;

final class SharedTest extends ApiTestCase
{
    #[TestWith(['lead'])]
    #[TestWith([' LEAD '])]
    #[TestWith(['lead@example.org'])]
    public function testSignsInByLoginOrAddress(string $login): void
    {
        self::assertSame(
            'Lead Leadsen',
            $this->call(null, 'POST', '/sign-in', ['login' => $login, 'password' => self::PASSWORD])['name'],
        );
        $this->client->request('GET', '/api/v1/me');
        self::assertSame(200, $this->client->getResponse()->getStatusCode());
    }

    public function testOnesLanguageAndTimeZoneAreKeptAndGoWithWhoSignsIn(): void
    {
        $own = static fn(array $me): array => [$me['language'], $me['timeZone']];
        self::assertSame([null, null], $own($this->call('lead', 'GET', '/me')));
        $wanted = ['language' => 'en-US', 'timeZone' => 'America/New_York'];
        self::assertSame(array_values($wanted), $own($this->call('lead', 'PUT', '/me/settings', $wanted)));
        self::assertSame(array_values($wanted), $own($this->call('lead', 'GET', '/me')));
        self::assertSame([null, null], $own($this->call('cotutor', 'GET', '/me')));
        foreach (['language' => 'tlh', 'timeZone' => 'Mars/Olympus'] as $field => $nonsense) {
            $answer = $this->call('lead', 'PUT', '/me/settings', [...$wanted, $field => $nonsense], 422);
            self::assertSame("/$field", $answer['errors'][0]['pointer']);
        }
        $none = ['language' => null, 'timeZone' => null];
        self::assertSame([null, null], $own($this->call('lead', 'PUT', '/me/settings', $none)));
    }

    public function testOneAddressIsOnePersons(): void
    {
        $this->expectException(UniqueConstraintViolationException::class);
        $this->db()->executeStatement(
            "UPDATE person SET email = 'family@example.org' WHERE given_name IN ('Learner', 'Junior')",
        );
    }

    public function testAClosedAccountSignsNobodyInAndEndsSessions(): void
    {
        $this->call(null, 'POST', '/sign-in', ['login' => 'learner', 'password' => self::PASSWORD]);
        $this->db()->executeStatement("UPDATE account SET closed_from = ? WHERE login = 'learner'", [
            Instant::toSql($this->now()),
        ]);
        $this->client->request('GET', '/api/v1/me');
        self::assertSame(401, $this->client->getResponse()->getStatusCode());
        $this->call(null, 'POST', '/sign-in', ['login' => 'learner', 'password' => self::PASSWORD], 401);
    }

    public function testANewPasswordEndsOtherSessions(): void
    {
        $this->call(null, 'POST', '/sign-in', ['login' => 'learner', 'password' => self::PASSWORD]);
        $this->db()->executeStatement("UPDATE account SET password_hash = '\$other' WHERE login = 'learner'");
        $this->client->request('GET', '/api/v1/me');
        self::assertSame(401, $this->client->getResponse()->getStatusCode());
    }

    public function testTooManyTriesAreStoppedForThatAccountOnly(): void
    {
        for ($n = 0; $n < 10; ++$n) {
            $this->call(null, 'POST', '/sign-in', ['login' => 'learner', 'password' => 'wrong'], 401);
        }
        $this->call(null, 'POST', '/sign-in', ['login' => 'learner', 'password' => self::PASSWORD], 429);
        self::assertGreaterThan(0, (int) $this->client->getResponse()->headers->get('Retry-After'));
        $this->call(null, 'POST', '/sign-in', ['login' => 'lead', 'password' => self::PASSWORD]);
    }

    #[TestWith([['HTTP_X_MINT_DOOR' => null], 403])]
    #[TestWith([['HTTP_SEC_FETCH_SITE' => 'cross-site'], 403])]
    #[TestWith([['HTTP_ORIGIN' => 'https://elsewhere.example'], 403])]
    #[TestWith([['CONTENT_TYPE' => 'text/plain'], 415])]
    #[TestWith([[], 401])]
    public function testForeignPagesChangeNothing(array $server, int $status): void
    {
        $this->client->request(
            'POST',
            '/api/v1/sign-in',
            [],
            [],
            array_filter(
                [...['HTTP_X_MINT_DOOR' => '1', 'CONTENT_TYPE' => 'application/json'], ...$server],
                static fn($value): bool => null !== $value,
            ),
            '{"login":"x","password":"y"}',
        );
        self::assertSame($status, $this->client->getResponse()->getStatusCode());
    }

    #[TestWith(['{', 400])]
    #[TestWith(['[]', 400])]
    #[TestWith(['"x"', 400])]
    #[TestWith(['false', 400])]
    #[TestWith(['{}', 422])]
    #[TestWith(['{"lines":[],"more":1}', 422])]
    #[TestWith(['{"lines":"x"}', 422])]
    #[TestWith(['{"lines":[]}', 422])]
    #[TestWith(['{"lines":[{"person":"x","verb":"let-in"}]}', 422])]
    #[TestWith(['{"lines":[{"person":"00000000-0000-7000-8000-000000000000","verb":"eat"}]}', 422])]
    #[TestWith(['{"lines":[{"person":"00000000-0000-7000-8000-000000000000","verb":"remove"}]}', 404])]
    public function testHostileBodiesGetAProblem(string $body, int $status): void
    {
        $this->call('lead', 'GET', '/me');
        $this->client->request(
            'POST',
            '/api/v1/sites/'.$this->ids['site'].'/change-lists',
            [],
            [],
            ['HTTP_X_MINT_DOOR' => '1', 'CONTENT_TYPE' => 'application/json'],
            $body,
        );
        self::assertSame(
            $status,
            $this->client->getResponse()->getStatusCode(),
            (string) $this->client->getResponse()->getContent(),
        );
        self::assertSame('application/problem+json', $this->client->getResponse()->headers->get('Content-Type'));
    }

    #[TestWith(['/api/v1/nothing'])]
    #[TestWith(['/api/v1/sites/not-an-id'])]
    public function testUnknownAddressesAnswerInJson(string $path): void
    {
        $this->call('lead', 'GET', '/me');
        $this->client->request('GET', $path);
        self::assertSame(
            [404, 'application/problem+json'],
            [$this->client->getResponse()->getStatusCode(), $this->client->getResponse()->headers->get('Content-Type')],
        );
        self::assertSame('nosniff', $this->client->getResponse()->headers->get('X-Content-Type-Options'));
    }

    public function testABodyThatIsTooLargeIsRefused(): void
    {
        $event = new RequestEvent(
            self::$kernel ?? throw new \LogicException(),
            Request::create(
                '/api/v1/sites',
                'POST',
                server: ['HTTP_X_MINT_DOOR' => '1', 'CONTENT_TYPE' => 'application/json'],
                content: str_repeat('x', 1_048_577),
            ),
            HttpKernelInterface::MAIN_REQUEST,
        );
        $this->service(BodyGuard::class)->size($event);
        self::assertSame(413, $event->getResponse()?->getStatusCode());
    }

    public function testAFirstPasswordIsSetOnce(): void
    {
        $this->db()->insert('first_password', [
            'token_hash' => hash('sha256', 'the-token', true),
            'person_id' => \MintDoor\Shared\Id::binary($this->ids['colleague']),
            'expires_at' => Instant::toSql($this->now() + 60),
        ]);
        $this->call(null, 'POST', '/first-password', ['token' => 'the-token', 'password' => 'short'], 422);
        self::assertSame(
            ['login' => 'colleague'],
            $this->call(null, 'POST', '/first-password', ['token' => 'the-token', 'password' => 'a new long one']),
        );
        $this->call(null, 'POST', '/sign-in', ['login' => 'colleague', 'password' => 'a new long one']);
        $this->call(null, 'POST', '/first-password', ['token' => 'the-token', 'password' => 'another long one'], 410);
    }

    public function testSessionsAreKeptHashedAndEnd(): void
    {
        $store = $this->service(SessionStore::class);
        $store->open('', 'mint_door');
        self::assertSame('', $store->read('an-id'));
        $store->write('an-id', 'some data');
        self::assertSame('', $store->read('an-id'), 'nothing is kept of who is not signed in');
        $caller = $this->service(CallerProvider::class)->loadUserByIdentifier('lead');
        $this->service(TokenStorageInterface::class)->setToken(new PostAuthenticationToken($caller, 'api', []));
        $store->write('an-id', 'some data');
        self::assertSame('some data', $store->read('an-id'));
        self::assertFalse($this->db()->fetchOne("SELECT 1 FROM session WHERE id = 'an-id'"));
        $store->destroy('an-id');
        self::assertSame('', $store->read('an-id'));
    }

    public function testEveryProblemTypeHasAStatusAndATitle(): void
    {
        foreach (ProblemType::cases() as $type) {
            self::assertGreaterThanOrEqual(400, $type->status());
            self::assertStringNotContainsString(
                'problem.',
                $this->service(Speech::class)->say('problem.'.$type->value)
            );
        }
    }
}
