<?php

declare(strict_types=1);

namespace MintDoor\Tests\Race;

use MintDoor\Shared\Id;
use MintDoor\Shared\Row;
use Symfony\Component\PasswordHasher\Hasher\SodiumPasswordHasher;

/** Signing in and staying signed in, over real HTTP with real cookies. */
final class SessionsAtWorkTest extends RaceCase
{
    private const PASSWORD = 'three small boats';

    /** @var array<string, string> name => value */
    private array $cookies = [];

    protected function setUp(): void
    {
        parent::setUp();
        $hash = (new SodiumPasswordHasher(3, 8192 * 1024))->hash(self::PASSWORD);
        $this->db->executeStatement('UPDATE account SET password_hash = ?', [$hash]);
    }

    public function testNothingIsStoredForWhoHasNoSession(): void
    {
        $this->serve();
        self::assertSame(401, $this->ask(null, 'GET', '/me')[0]);
        self::assertSame(401, $this->ask(null, 'POST', '/sign-in', ['login' => 'anna', 'password' => 'wrong'])[0]);
        self::assertSame(422, $this->ask(null, 'POST', '/join/look', ['key' => 'nobody has it'])[0]);
        self::assertSame([], $this->cookies, 'no cookie');
        self::assertSame([], $this->sessions());
    }

    public function testASessionEndsInAnyCaseAndSoonerForAdministrators(): void
    {
        $this->serve();
        $anna = $this->signIn('anna');
        $ingrid = $this->signIn('ingrid');
        $hours = array_map(
            static fn(Row $row): int => intdiv($row->instant('ends_at') - $row->instant('made_at'), 3_600),
            $this->sessions(),
        );
        self::assertEqualsCanonicalizing([720, 12], $hours);
        self::assertSame(
            ['127.0.0.1', 'Firefox, Linux'],
            [$this->sessions()[0]->string('address'), $this->sessions()[0]->string('device')],
        );
        $this->db->executeStatement(
            'UPDATE session SET ends_at = UTC_TIMESTAMP() - INTERVAL 1 SECOND WHERE person_id = ?',
            [Id::binary($this->people['anna'])],
        );
        self::assertSame([401, 200], [$this->ask($anna, 'GET', '/me')[0], $this->ask($ingrid, 'GET', '/me')[0]]);
    }

    public function testOnesOwnSessionsAreSeenAndEnded(): void
    {
        $this->serve();
        [$here, $there, $elsewhere] = [$this->signIn('anna'), $this->signIn('anna'), $this->signIn('anna')];
        $stranger = $this->signIn('bert');
        $items = $this->ask($here, 'GET', '/me/sessions')[1]['items'];
        self::assertCount(3, $items);
        self::assertCount(1, array_filter($items, static fn(array $item): bool => $item['current']));
        $other = array_values(
            array_filter(
                $this->ask($there, 'GET', '/me/sessions')[1]['items'],
                static fn(array $item): bool => $item['current'],
            ),
        )[0]['id'];
        self::assertSame(404, $this->ask($stranger, 'DELETE', '/me/sessions/'.$other)[0]);
        self::assertCount(2, $this->ask($here, 'DELETE', '/me/sessions/'.$other)[1]['items']);
        self::assertSame([401, 200], [$this->ask($there, 'GET', '/me')[0], $this->ask($elsewhere, 'GET', '/me')[0]]);
        self::assertCount(1, $this->ask($here, 'DELETE', '/me/sessions')[1]['items']);
        self::assertSame(
            [200, 401, 200],
            array_map(fn(string $cookie): int => $this->ask($cookie, 'GET', '/me')[0], [$here, $elsewhere, $stranger]),
        );
    }

    public function testWhoseRightsOrPasswordChangeGoesOnUnderAnotherId(): void
    {
        $this->serve();
        $anna = $this->signIn('anna');
        $ingrid = $this->signIn('ingrid');
        $request = ['platform' => true, 'divisions' => []];
        self::assertSame(200, $this->ask($ingrid, 'PUT', '/administrators/'.$this->people['anna'], $request)[0]);
        self::assertSame(200, $this->ask($anna, 'GET', '/me')[0]);
        $anew = $this->cookies['mint_door'];
        self::assertNotSame($anna, $anew);
        self::assertSame([401, 200], [$this->ask($anna, 'GET', '/me')[0], $this->ask($anew, 'GET', '/me')[0]]);
        $other = $this->signIn('anna');
        $change = ['present' => self::PASSWORD, 'password' => 'four large boats'];
        self::assertSame(200, $this->ask($anew, 'PUT', '/me/password', $change)[0]);
        $last = $this->cookies['mint_door'];
        self::assertSame(
            [401, 401, 200],
            array_map(fn(string $cookie): int => $this->ask($cookie, 'GET', '/me')[0], [$anew, $other, $last]),
        );
    }

    public function testUnderHttpsTheCookieIsBoundToThisHost(): void
    {
        $this->serve(['SYMFONY_TRUSTED_PROXIES' => '127.0.0.1']);
        $this->signIn('anna');
        self::assertSame(['mint_door'], array_keys($this->cookies));
        $this->cookies = [];
        $said = $this->ask(
            null,
            'POST',
            '/sign-in',
            ['login' => 'anna', 'password' => self::PASSWORD],
            ['X-Forwarded-Proto: https'],
        )[2];
        self::assertSame(['__Host-mint_door'], array_keys($this->cookies));
        $cookie = strtolower(implode("\n", preg_grep('/^set-cookie/i', $said) ?: []));
        foreach (['secure', 'httponly', 'path=/', 'samesite=lax'] as $part) {
            self::assertStringContainsString($part, $cookie);
        }
        self::assertStringNotContainsString('domain=', $cookie);
    }

    /** @return string the value of the cookie */
    private function signIn(string $login): string
    {
        [$status, $answer] = $this->ask(null, 'POST', '/sign-in', ['login' => $login, 'password' => self::PASSWORD]);
        self::assertSame(200, $status, json_encode($answer, \JSON_THROW_ON_ERROR));

        return $this->cookies['mint_door'];
    }

    /**
     * @param ?string                   $cookie  value of the session's
     * @param array<string, mixed>|null $body
     * @param list<string>              $headers
     *
     * @return array{int, array<array-key, mixed>, list<string>} status, body, headers
     */
    private function ask(?string $cookie, string $method, string $path, ?array $body = null, array $headers = []): array
    {
        $headers = [
            ...$headers,
            'X-Mint-Door: 1',
            'Content-Type: application/json',
            'User-Agent: Mozilla/5.0 (X11; Linux x86_64; rv:140.0) Gecko/20100101 Firefox/140.0',
            ...null === $cookie ? [] : ['Cookie: mint_door='.$cookie],
        ];
        $context = stream_context_create([
            'http' => [
                'method' => $method,
                'header' => $headers,
                'ignore_errors' => true,
                // The first request makes what all others use; a busy machine takes long for it.
                'timeout' => 60,
                'content' => null === $body ? '' : json_encode($body, \JSON_THROW_ON_ERROR),
            ],
        ]);
        $answer = file_get_contents('http://127.0.0.1:'.self::PORT.'/api/v1'.$path, false, $context);
        $said = $http_response_header;
        foreach ($said as $header) {
            if (1 === preg_match('/^set-cookie: ([^=]+)=([^;]+)/i', $header, $found)) {
                $this->cookies[$found[1]] = $found[2];
            }
        }
        $decoded = json_decode((string) $answer, true);

        return [(int) explode(' ', $said[0])[1], \is_array($decoded) ? $decoded : [], array_values($said)];
    }

    /** @return list<Row> */
    private function sessions(): array
    {
        return Row::all($this->db->fetchAllAssociative('SELECT * FROM session'));
    }
}
