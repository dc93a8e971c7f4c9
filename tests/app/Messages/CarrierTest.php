<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Messages;

use MintDoor\Platform\Repository\MailSecrets;
use MintDoor\Tests\App\ApiTestCase;

/** Who carries messages: set, tried, and by whose letterhead they go. */
final class CarrierTest extends ApiTestCase
{
    public function testAServerIsTriedBeforeItIsChosen(): void
    {
        $server = new MailServer();
        try {
            $mail = $this->mail($server->port);
            $taken = $this->try($mail, 'me@example.org');
            $refused = $this->try($mail, 'me@example.net');
        } finally {
            $said = $server->end();
        }
        self::assertSame(['sent' => true, 'reply' => '', 'inside' => false], $taken);
        self::assertSame([false, '550 5.1.1 Nobody of that name here'], [$refused['sent'], $refused['reply']]);
        self::assertStringContainsString('RCPT TO:<me@example.org>', $said);
        self::assertStringContainsString('From: Mint Door <door@elm.example>', $said);
        self::assertCount(2, array_keys($this->codes(), 'mail-tried', true));
    }

    public function testWhatIsNoMailServerIsNotShown(): void
    {
        $server = new MailServer('-ERR secret of another server');
        try {
            $answer = $this->try($this->mail($server->port), 'me@example.org');
        } finally {
            $server->end();
        }
        self::assertSame(['sent' => false, 'reply' => '', 'inside' => false], $answer);
        // Nobody listens there any more.
        self::assertFalse($this->try($this->mail($server->port), 'me@example.org')['sent']);
    }

    public function testThePasswordGoesToTheServerItWasKeptForAndNowhereElse(): void
    {
        $server = new MailServer();
        $other = new MailServer();
        try {
            $mail = [...$this->mail($server->port), 'user' => 'elm'];
            $this->settle(['mail' => $mail]);
            $kept = $this->call('admin', 'PUT', '/settings/mail-password', ['password' => 'a secret of ours']);
            $this->try($mail, 'me@example.org');
            $this->try([...$mail, 'port' => $other->port], 'me@example.org');
        } finally {
            $said = $server->end();
            $elsewhere = $other->end();
        }
        $sent = base64_encode("elm\0elm\0a secret of ours");
        self::assertTrue($kept['kept']);
        self::assertStringContainsString($sent, $said);
        self::assertStringNotContainsString($sent, $elsewhere);
        $book = $this->call('admin', 'GET', '/settings');
        self::assertTrue($book['mailPassword']);
        self::assertStringNotContainsString('a secret of ours', json_encode($book, \JSON_THROW_ON_ERROR));
        $stored = $this->db()->fetchOne('SELECT sealed FROM mail_secret');
        self::assertStringNotContainsString('secret of ours', (string) base64_decode((string) $stored, true));
        self::assertSame('a secret of ours', $this->service(MailSecrets::class)->password());
        self::assertContains('mail-password-kept', $this->codes());
        self::assertFalse($this->call('admin', 'PUT', '/settings/mail-password', ['password' => ''])['kept']);
    }

    public function testMessagesGoByTheServerThatIsChosen(): void
    {
        $server = new MailServer();
        try {
            $this->settle(['mail' => $this->mail($server->port), 'letterheads' => [
                $this->letterhead(null, ['replyTo' => 'office@elm.example', 'footer' => 'Elm Park, 1 Elm Road']),
                $this->letterhead('seniors', ['sender' => 'The Seniors']),
            ]]);
            self::assertFalse($this->call('admin', 'GET', '/me')['seesMailboxes']);
            $this->call('admin', 'GET', '/simulated-inbox', null, 404);
            $this->tell();
            $this->deliver();
        } finally {
            $said = $server->end();
        }
        self::assertStringContainsString('From: The Seniors <door@elm.example>', $said);
        self::assertStringContainsString('Reply-To: office@elm.example', $said);
        self::assertStringContainsString('Elm Park, 1 Elm Road', $said);
    }

    public function testMessagesWaitForTheEndOfTheQuietHours(): void
    {
        $zone = new \DateTimeZone('UTC');
        $at = static fn(int $instant): string => (new \DateTimeImmutable('@'.$instant))->setTimezone($zone)->format(
            'H:i'
        );
        $this->settle([
            'divisions' => array_map(
                static fn(array $division): array => [...$division, 'timeZone' => 'UTC'],
                $this->call('admin', 'GET', '/settings')['settings']['divisions'],
            ),
            'letterheads' => [$this->letterhead(null, [
                'quietFrom' => $at($this->now() - 3_600),
                'quietUntil' => $at($this->now() + 3_600),
            ])],
        ]);
        $this->tell();
        $this->deliver();
        $message = $this->db()->fetchAssociative(
            "SELECT state, TIMESTAMPDIFF(MINUTE, UTC_TIMESTAMP(), due_at) AS waits FROM message WHERE kind = 'let-in'",
        );
        self::assertIsArray($message);
        self::assertSame('held', $message['state']);
        self::assertGreaterThan(55, $message['waits']);
        self::assertLessThanOrEqual(60, $message['waits']);
    }

    public function testWhatCannotBeIsSaidAtItsPlace(): void
    {
        $wrong = [
            '/mail/security' => ['host' => 'mail.elm.example'],
            '/mail/host' => ['host' => 'a b'],
            '/mail/port' => ['port' => 70_000],
            '/mail/from' => ['from' => "x@y\r\nRCPT TO:<z@example.org>"],
        ];
        foreach ($wrong as $pointer => $other) {
            $mail = [...$this->mail(25), ...$other];
            $problem = $this->call(
                'admin',
                'POST',
                '/settings/mail-test',
                ['mail' => $mail, 'to' => 'me@example.org'],
                422,
            );
            self::assertSame($pointer, $problem['errors'][0]['pointer']);
        }
    }

    public function testNobodySendsTestsWithoutEnd(): void
    {
        $mail = $this->call('admin', 'GET', '/settings')['settings']['mail'];
        $body = ['mail' => $mail, 'to' => 'me@example.org'];
        for ($n = 0; $n < 20; ++$n) {
            $this->call('admin', 'POST', '/settings/mail-test', $body);
        }
        $this->call('admin', 'POST', '/settings/mail-test', $body, 429);
    }

    /** @return list<string> */
    private function codes(): array
    {
        return array_column($this->call('admin', 'GET', '/platform/history')['items'], 'code');
    }

    /**
     * @param array<string, mixed> $mail
     *
     * @return array<array-key, mixed>
     */
    private function try(array $mail, string $to): array
    {
        return $this->call('admin', 'POST', '/settings/mail-test', ['mail' => $mail, 'to' => $to]);
    }

    /** @return array<string, mixed> */
    private function mail(int $port): array
    {
        return [
            'carrier' => 'server',
            'host' => '127.0.0.1',
            'port' => $port,
            'security' => 'none',
            'user' => '',
            'from' => 'door@elm.example',
        ];
    }

    /**
     * @param array<string, string> $other
     *
     * @return array<string, ?string>
     */
    private function letterhead(?string $division, array $other): array
    {
        $empty = ['sender' => '', 'replyTo' => '', 'footer' => '', 'quietFrom' => '', 'quietUntil' => ''];

        return ['division' => $division, ...$empty, ...$other];
    }

    private function tell(): void
    {
        $this->call('lead', 'POST', '/sites/'.$this->ids['site'].'/change-lists', [
            'lines' => [['person' => $this->ids['newcomer'], 'verb' => 'let-in', 'role' => 'learner']],
            'tell' => 'Welcome.',
        ]);
    }
}
