<?php

declare(strict_types=1);

namespace MintDoor\Tests\App;

use Doctrine\DBAL\Connection;
use MintDoor\Demo\PlatformBuilder;
use MintDoor\Messages\SendDue;
use MintDoor\Messages\Sender;
use MintDoor\Platform\PlatformSettings;
use MintDoor\Shared\CallerProvider;
use MintDoor\Shared\PlatformClock;
use Symfony\Bundle\FrameworkBundle\Console\Application;
use Symfony\Bundle\FrameworkBundle\KernelBrowser;
use Symfony\Bundle\FrameworkBundle\Test\WebTestCase;
use Symfony\Component\Console\Tester\CommandTester;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpFoundation\StreamedResponse;
use Symfony\Component\PasswordHasher\Hasher\SodiumPasswordHasher;

/**
 * Talks to the whole application through HTTP, on a small furnished platform that is gone after the test. Every
 * response is held against the contract.
 */
abstract class ApiTestCase extends WebTestCase
{
    protected const PASSWORD = 'a good password';

    private static ?string $hash = null;

    protected KernelBrowser $client;

    protected PlatformBuilder $platform;

    /** @var array<string, string> name => id of a person, division, term or site */
    protected array $ids = [];

    protected function setUp(): void
    {
        $this->client = static::createClient();
        $this->client->disableReboot();
        $this->platform = new PlatformBuilder($this->db(), $this->now());
        $this->furnish();
        $this->platform->write();
    }

    protected function furnish(): void
    {
        self::$hash ??= (new SodiumPasswordHasher(3, 8192 * 1024))->hash(self::PASSWORD);
        $this->platform->roles(['juniors'], ['seniors']);
        foreach (['juniors' => true, 'seniors' => false, 'evening' => false, 'faculty' => false] as $code => $minors) {
            $this->ids[$code] = $this->platform->division($code, ucfirst($code), $minors);
        }
        $this->ids['term'] = $this->platform->term('autumn', 'Autumn', '2026-09-07', '2026-12-18');
        foreach (
            [
                'admin' => ['staff', 'faculty', null],
                'elsewhere' => ['staff', 'faculty', null],
                'lead' => ['staff', 'faculty', null],
                'cotutor' => ['staff', 'faculty', null],
                'assistant' => ['staff', 'faculty', null],
                'colleague' => ['staff', 'faculty', null],
                'learner' => ['learner', 'seniors', 7],
                'newcomer' => ['learner', 'seniors', 7],
                'junior' => ['learner', 'juniors', 3],
                'guardian' => ['guardian', 'seniors', null],
            ] as $name => [$kind, $division, $level]
        ) {
            $this->ids[$name] = $this->person($name, $kind, $division, $level);
        }
        $this->platform->administrator($this->ids['elsewhere'], $this->ids['evening']);
        $open = $this->now() - 1_000_000;
        $this->ids['site'] = $this->platform->site(
            'HARM',
            'Harmony',
            'course',
            $this->ids['seniors'],
            $this->ids['term'],
            [6, 8],
            3,
            $open,
        );
        $this->ids['draft'] = $this->platform->site(
            'DRAFT',
            'Draft',
            'course',
            $this->ids['seniors'],
            $this->ids['term'],
            null,
            null,
        );
        $staff = ['lead' => 'lead-tutor', 'cotutor' => 'co-tutor', 'assistant' => 'class-assistant'];
        foreach ([...$staff, 'learner' => 'learner'] as $name => $role) {
            $this->platform->letIn($this->ids['site'], $this->ids[$name], $role, $open, by: $this->ids['lead']);
        }
        $this->platform->letIn($this->ids['draft'], $this->ids['lead'], 'lead-tutor', $open, by: $this->ids['lead']);
        $this->platform->letIn($this->ids['draft'], $this->ids['learner'], 'learner', $open);
    }

    protected function person(
        string $name,
        string $kind,
        string $division,
        ?int $level = null,
        ?string $family = null,
    ): string {
        return $this->platform->person(
            $kind,
            $this->ids[$division],
            ucfirst($name),
            $family ?? ucfirst($name).'sen',
            $level,
            'X77'.strtoupper($name),
            $name.'@example.org',
            $name,
            passwordHash: self::$hash,
            platformAdministrator: 'admin' === $name,
        );
    }

    /**
     * @param array<array-key, mixed>|null $body
     * @param ?int                         $expected status; null where the caller looks at it
     * @param array<string, string>        $headers
     *
     * @return array<array-key, mixed> the decoded body
     */
    protected function call(
        ?string $as,
        string $method,
        string $path,
        ?array $body = null,
        ?int $expected = 200,
        array $headers = [],
    ): array {
        $this->client->getCookieJar()->clear();
        if (null !== $as) {
            $this->client->loginUser($this->service(CallerProvider::class)->loadUserByIdentifier($as), 'api');
        }
        $server = ['HTTP_X_MINT_DOOR' => '1', 'CONTENT_TYPE' => 'application/json'];
        foreach ($headers as $name => $value) {
            $server['HTTP_'.strtoupper(str_replace('-', '_', $name))] = $value;
        }
        $sent = null === $body ? null : json_encode([] === $body ? new \stdClass() : $body, \JSON_THROW_ON_ERROR);
        $this->client->request($method, '/api/v1'.$path, [], [], $server, $sent);
        $response = $this->client->getResponse();
        if ($response instanceof StreamedResponse) {
            $response = new Response(
                $this->client->getInternalResponse()->getContent(),
                $response->getStatusCode(),
                $response->headers->all(),
            );
        }
        Contract::get()->assertHolds($method, explode('?', $path)[0], $response, $sent);
        if (!($this->client->getResponse() instanceof StreamedResponse) && !$response->isEmpty()) {
            $length = $response->headers->get('Content-Length');
            self::assertSame((string) \strlen((string) $response->getContent()), $length, 'It says how long it is.');
        }
        null === $expected || self::assertSame($expected, $response->getStatusCode(), (string) $response->getContent());
        self::assertDoesNotMatchRegularExpression(
            '/"(?:detail|title|sentence|refused|refusal)":"[a-z]+\.[a-z.-]+"/',
            (string) $response->getContent(),
            'What people read is said, no key of it.',
        );
        $decoded = json_decode((string) $response->getContent(), true);

        return \is_array($decoded) ? $decoded : [];
    }

    /**
     * Puts settings in force that are as they were but for some parts.
     *
     * @param array<string, mixed> $parts
     */
    protected function settle(array $parts): void
    {
        $book = $this->call('admin', 'GET', '/settings');
        $body = ['settings' => [...$book['settings'], ...$parts], 'apply' => true];
        $this->call('admin', 'PUT', '/settings', $body, 200, ['If-Match' => '"'.$book['version'].'"']);
        $this->service(PlatformSettings::class)->reset();
    }

    /**
     * One line of a change, applied.
     *
     * @param array<string, mixed> $more
     *
     * @return array<string, mixed>
     */
    protected function change(
        string $as,
        string $verb,
        string $person,
        ?string $role = null,
        int $expected = 200,
        array $more = [],
        string $site = 'site',
    ): array {
        $answer = $this->call(
            $as,
            'POST',
            '/sites/'.$this->ids[$site].'/change-lists',
            ['lines' => [['person' => $this->ids[$person], 'verb' => $verb, 'role' => $role, ...$more]]],
            $expected,
        );

        return 200 === $expected ? $answer['lines'][0] : $answer;
    }

    /** @return array<string, string> name => role and state, of everybody here */
    protected function roster(string $as = 'lead', string $query = '', string $site = 'site'): array
    {
        $found = [];
        foreach ($this->call($as, 'GET', '/sites/'.$this->ids[$site].'/roster'.$query)['items'] as $row) {
            $found[strtolower($row['person']['given'])] = $row['standing']['role'].' '.$row['standing']['state'];
        }

        return $found;
    }

    /**
     * @param array<string, string|bool> $arguments
     *
     * @return array{int, string} what it returned and said
     */
    protected function command(string $command, array $arguments = []): array
    {
        $application = new Application(self::$kernel ?? throw new \LogicException());
        $tester = new CommandTester($application->find($command));

        return [$tester->execute($arguments), $tester->getDisplay()];
    }

    /** Sends what is due. */
    protected function deliver(): void
    {
        $this->db()->executeStatement(
            "UPDATE message SET due_at = UTC_TIMESTAMP(3) - INTERVAL 1 SECOND WHERE state = 'held'",
        );
        $this->service(Sender::class)(new SendDue());
    }

    /**
     * @template T of object
     *
     * @param class-string<T> $class
     *
     * @return T
     */
    protected function service(string $class): object
    {
        $service = static::getContainer()->get($class);
        self::assertInstanceOf($class, $service);

        return $service;
    }

    protected function db(): Connection
    {
        return $this->service(Connection::class);
    }

    protected function now(): int
    {
        return $this->service(PlatformClock::class)->instant();
    }
}
