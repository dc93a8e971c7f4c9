<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Messages;

use MintDoor\Accounts\ForgottenPassword;
use MintDoor\Accounts\PasswordLinks;
use MintDoor\Shared\Id;
use MintDoor\Tests\App\ApiTestCase;

/**
 * Messages: told with a change, held, withdrawn, delivered, bounced, sent again; templates; links that set a password.
 */
final class MessagesTest extends ApiTestCase
{
    public function testAChangeTellsInTheWordsOfTheNearestTemplateAndIsHeld(): void
    {
        $this->call('admin', 'PUT', '/templates/let-in', [
            'subject' => 'Into {site}',
            'body' => "Dear {name}, you are {role}.\n{link}",
            'division' => 'seniors',
        ]);
        $this->change('lead', 'let-in', 'newcomer', 'learner', more: [], site: 'site');
        self::assertCount(0, $this->messages('lead', '?kind=let-in'));
        $this->tell('lead', 'change-role', 'newcomer', 'day-guest', '');
        $this->call('lead', 'PUT', '/templates/removed', [
            'subject' => 'Out',
            'body' => 'Goodbye {given}',
            'site' => $this->ids['site'],
        ]);
        $this->tell('lead', 'remove', 'newcomer', null, 'See you <b>soon</b>.');
        $this->tell('lead', 'let-in', 'newcomer', 'learner', 'Bring a pencil.');
        [$in, $out, $role] = $this->messages('lead');
        self::assertSame(
            [
                'Into Harmony',
                "Dear Newcomer Newcomersen, you are learner.\n\nBring a pencil.\n\n(link to the site)",
                'held',
            ],
            [$in['subject'], $in['text'], $in['state']],
        );
        self::assertSame("Goodbye Newcomer\n\nSee you <b>soon</b>.", $out['text']);
        self::assertSame(
            ['role-changed', 'newcomer@example.org', 'Lead Leadsen'],
            [$role['kind'], $role['to'], $role['by']],
        );
        self::assertSame([], $this->messages('assistant'));
        self::assertCount(
            3,
            $this->messages('admin', '?person='.$this->ids['newcomer'].'&site='.$this->ids['site'].'&q=newc'),
        );
    }

    public function testUndoingInTimeWithdrawsAndOnceOnlyIsTold(): void
    {
        $line = $this->tell('lead', 'let-in', 'newcomer', 'learner', '');
        $this->call('lead', 'POST', '/sites/'.$this->ids['site'].'/history/'.$line['entry'].'/undo');
        self::assertSame(['withdrawn'], array_column($this->messages('lead'), 'state'));
        $this->deliver();
        self::assertSame([], $this->letters());
    }

    public function testAListSaysWhoIsToldAndWhatWasSentStandsOnItsLines(): void
    {
        $this->db()->executeStatement('UPDATE person SET email = NULL WHERE id = ?', [
            Id::binary($this->ids['junior']),
        ]);
        $lines = array_map(
            fn(string $name): array => [
                'site' => $this->ids['site'],
                'line' => ['person' => $this->ids[$name], 'verb' => 'let-in', 'role' => 'learner'],
            ],
            ['newcomer', 'junior'],
        );
        self::assertSame(
            ['mail', 'no-address'],
            array_column($this->call('admin', 'POST', '/change-reviews', ['lines' => $lines])['lines'], 'told'),
        );
        $changeList = $this->call(
            'admin',
            'POST',
            '/change-lists',
            ['kind' => 'people', 'work' => ['x' => 1]],
            201
        )['id'];
        $this->call('admin', 'POST', "/change-lists/$changeList/apply", ['lines' => $lines, 'tell' => 'Hello.']);
        $this->deliver();
        $page = $this->call('admin', 'GET', '/change-lists/'.$changeList);
        self::assertSame(
            ['Hello.', 'sent', null],
            [$page['tell'], $page['lines'][0]['message']['state'], $page['lines'][1]['message']],
        );
        self::assertCount(1, $this->messages('admin', '?changeList='.$changeList));
    }

    public function testLettersArriveOnceOthersBounceOrWait(): void
    {
        foreach (
            [
                'newcomer' => 'newcomer@example.org',
                'junior' => 'bounce.j@example.org',
                'colleague' => 'slow.c@example.org',
            ] as $name => $address
        ) {
            $this->db()->executeStatement('UPDATE person SET email = ? WHERE id = ?', [
                $address,
                Id::binary($this->ids[$name]),
            ]);
            $this->tell('admin', 'let-in', $name, 'colleague' === $name ? 'class-assistant' : 'learner', '');
        }
        $this->deliver();
        $this->deliver();
        $states = array_column($this->messages('admin'), null, 'to');
        self::assertSame(
            ['sent', 'bounced', 'delayed'],
            [
                $states['newcomer@example.org']['state'],
                $states['bounce.j@example.org']['state'],
                $states['slow.c@example.org']['state'],
            ],
        );
        self::assertSame(
            ['There is no such mailbox.', 1, null],
            [
                $states['bounce.j@example.org']['reason'],
                $states['bounce.j@example.org']['tries'],
                $states['bounce.j@example.org']['waits'],
            ],
        );
        for ($n = 0; $n < 2; ++$n) {
            $this->db()->executeStatement("UPDATE message SET due_at = UTC_TIMESTAMP(3) WHERE state = 'delayed'");
            $this->deliver();
        }
        self::assertSame(
            ['newcomer@example.org', 'slow.c@example.org'],
            array_column(array_reverse($this->letters()), 'address'),
        );
        self::assertStringContainsString('/sites/'.$this->ids['site'].'/enter', $this->letters()[0]['text']);
        $this->call('lead', 'POST', '/messages/again', ['messages' => [$states['bounce.j@example.org']['id']]]);
        $this->db()->executeStatement('UPDATE person SET email = NULL WHERE id = ?', [
            Id::binary($this->ids['colleague']),
        ]);
        self::assertSame(
            'no-address',
            $this->call('admin', 'POST', '/messages/again', ['messages' => [$states['slow.c@example.org']['id']]])[
                'left'
            ][0]['why'],
        );
        $again = $this->messages('admin')[0];
        self::assertSame(
            ['held', 1],
            [
                $again['state'],
                $this->call('admin', 'POST', '/messages/withdraw', ['messages' => [$again['id']]])['withdrawn'],
            ],
        );
        self::assertSame(
            'on-its-way',
            $this->call('admin', 'POST', '/messages/again', ['messages' => [$this->queued()]])['left'][0]['why'],
        );
    }

    public function testAnAddressThatNoServerCouldTakeKeepsNobodyElseWaiting(): void
    {
        foreach (['newcomer' => 'no address at all', 'junior' => 'junior@example.org'] as $name => $address) {
            $this->db()->executeStatement('UPDATE person SET email = ? WHERE id = ?', [
                $address,
                Id::binary($this->ids[$name]),
            ]);
            $this->tell('admin', 'let-in', $name, 'learner', '');
        }
        $this->deliver();
        self::assertSame(
            ['junior@example.org' => 'sent', 'no address at all' => 'bounced'],
            array_column($this->messages('admin'), 'state', 'to'),
        );
    }

    public function testAForgottenPasswordIsSetByALinkThatIsKeptNowhereElse(): void
    {
        $this->call(null, 'POST', '/forgotten-password', ['login' => 'Learner@example.org'], 202);
        $jobs = array_map(
            static fn(mixed $body): string => \is_string($body) ? $body : '',
            $this->db()->fetchFirstColumn("SELECT body FROM messenger_messages WHERE body LIKE '%Forgotten%'"),
        );
        self::assertCount(1, $jobs);
        foreach (['nobody', 'learner', 'learner'] as $n => $login) {
            $this->service(PasswordLinks::class)->forgotten(new ForgottenPassword($login, 'asked-'.min(1, $n)));
        }
        $this->deliver();
        self::assertCount(1, $this->letters());
        $token = explode('#', $this->letters()[0]['text'], 2)[1];
        $token = trim(explode("\n", $token)[0]);
        self::assertSame(
            0,
            (int) $this->db()->fetchOne('SELECT COUNT(*) FROM message WHERE body LIKE ?', ['%'.$token.'%']),
        );
        self::assertStringNotContainsString($token, json_encode($this->messages('admin'), \JSON_THROW_ON_ERROR));
        self::assertSame(
            'learner',
            $this->call(null, 'POST', '/first-password', ['token' => $token, 'password' => 'one of my own'])['login'],
        );
        $this->call(null, 'POST', '/first-password', ['token' => $token, 'password' => 'one of my own'], 410);
        $this->call(null, 'POST', '/sign-in', ['login' => 'learner', 'password' => 'one of my own']);
        self::assertNotNull($this->call('lead', 'GET', '/people/'.$this->ids['learner'])['account']['usedAt']);
    }

    public function testAskingOverAndOverFillsNobodysMailboxAndTellsNothing(): void
    {
        for ($n = 0; $n < 6; ++$n) {
            $this->call(null, 'POST', '/forgotten-password', ['login' => 'learner'], 202);
        }
        self::assertSame(
            3,
            (int) $this->db()->fetchOne("SELECT COUNT(*) FROM messenger_messages WHERE body LIKE '%Forgotten%'"),
        );
        for ($n = 0; $n < 24; ++$n) {
            $this->call(null, 'POST', '/forgotten-password', ['login' => 'other'.$n], 202);
        }
        $this->call(null, 'POST', '/forgotten-password', ['login' => 'more'], 429);
    }

    public function testALinkIsSentWithinReachOnlyAndIsOverWithTheAccount(): void
    {
        $this->call('lead', 'POST', '/people/'.$this->ids['cotutor'].'/password-link', null, 403);
        for ($n = 0; $n < 5; ++$n) {
            $this->call('lead', 'POST', '/people/'.$this->ids['learner'].'/password-link');
        }
        $this->call('lead', 'POST', '/people/'.$this->ids['learner'].'/password-link', null, 429);
        $this->deliver();
        $links = array_values(
            array_filter($this->letters(), static fn(array $letter): bool => str_contains($letter['text'], '#')),
        );
        $token = trim(explode("\n", explode('#', $links[0]['text'], 2)[1])[0]);
        $this->call('admin', 'PUT', '/people/'.$this->ids['learner'].'/account', ['open' => false]);
        $this->call(null, 'POST', '/first-password', ['token' => $token, 'password' => 'one of my own'], 410);
    }

    public function testWhoCannotBeSentALinkIsToldSoAndNothingIsSent(): void
    {
        $this->db()->executeStatement('UPDATE person SET email = NULL WHERE id = ?', [
            Id::binary($this->ids['learner']),
        ]);
        $this->call('lead', 'POST', '/people/'.$this->ids['learner'].'/password-link', null, 403);
        $this->call('admin', 'PUT', '/people/'.$this->ids['cotutor'].'/account', ['open' => false]);
        foreach (['learner', 'cotutor', 'nobody at all'] as $login) {
            $this->service(PasswordLinks::class)->forgotten(new ForgottenPassword($login, $login));
        }
        self::assertSame([], $this->messages('admin', '?kind=password'));
    }

    public function testMessagesAreSeenByThoseOfTheirSiteAndDivisionOnly(): void
    {
        $this->platform->administrator($this->ids['colleague'], $this->ids['seniors']);
        $this->platform->write();
        $this->tell('admin', 'let-in', 'newcomer', 'learner', '');
        $this->call('admin', 'POST', '/people/'.$this->ids['newcomer'].'/password-link');
        self::assertSame(
            [3, 3, 1, 0, 0],
            array_map(fn(string $who): int => \count($this->messages($who)), [
                'admin',
                'colleague',
                'lead',
                'assistant',
                'elsewhere',
            ]),
        );
        $password = array_column($this->messages('admin', '?kind=password'), 'id')[0];
        $this->call('lead', 'POST', '/messages/again', ['messages' => [$password]], 404);
        $this->call('lead', 'GET', '/messages?state=lost', null, 422);
    }

    public function testTheHourlyTidyingWakesAWorkerWhereOneIsDue(): void
    {
        $this->tell('admin', 'let-in', 'newcomer', 'learner', '');
        $this->db()->executeStatement('DELETE FROM messenger_messages');
        $this->command('platform:tidy');
        self::assertSame(0, (int) $this->db()->fetchOne('SELECT COUNT(*) FROM messenger_messages'));
        $this->db()->executeStatement('UPDATE message SET due_at = UTC_TIMESTAMP(3) - INTERVAL 2 MINUTE');
        $this->command('platform:tidy');
        self::assertSame(
            1,
            (int) $this->db()->fetchOne("SELECT COUNT(*) FROM messenger_messages WHERE body LIKE '%SendDue%'"),
        );
    }

    public function testAWelcomeIsPreviewedForSomebodyWhoIsNotThereYet(): void
    {
        $preview = $this->call('admin', 'POST', '/message-previews', [
            'kind' => 'welcome',
            'division' => 'seniors',
            'sample' => [
                'given' => 'Noor',
                'family' => 'Haddad',
                'login' => 'noor.haddad',
                'email' => 'noor@example.org',
                'division' => 'Seniors',
            ],
        ]);
        self::assertSame('noor@example.org', $preview['to']);
        self::assertStringContainsString('Hello Noor,', $preview['text']);
        self::assertStringContainsString('noor.haddad', $preview['text']);
    }

    public function testTemplatesAreCheckedAndTheNearestOneIsUsed(): void
    {
        $bad = $this->call(
            'admin',
            'PUT',
            '/templates/welcome',
            ['subject' => "Hi {nam}\nBcc: x@example.org", 'body' => 'No way in'],
            422,
        );
        self::assertSame(
            ['/subject unknown', '/subject line-break', '/body no-link'],
            array_map(static fn(array $error): string => $error['pointer'].' '.$error['code'], $bad['errors']),
        );
        $path = '?site='.$this->ids['site'];
        self::assertSame('first', $this->template($this->call('lead', 'GET', '/templates'.$path), 'let-in')['whose']);
        $this->call('admin', 'PUT', '/templates/let-in', ['subject' => 'Platform', 'body' => '{link}']);
        $this->call('admin', 'PUT', '/templates/let-in', [
            'subject' => 'Division',
            'body' => '{link}',
            'division' => 'seniors',
        ]);
        $this->call(
            'cotutor',
            'PUT',
            '/templates/let-in',
            ['subject' => 'Site', 'body' => '{link}', 'site' => $this->ids['site']],
            403,
        );
        self::assertSame(
            'Division',
            $this->template($this->call('lead', 'GET', '/templates'.$path), 'let-in')['subject'],
        );
        $own = $this->template(
            $this->call('lead', 'PUT', '/templates/let-in', [
                'subject' => 'Site',
                'body' => '{link}',
                'site' => $this->ids['site'],
            ]),
            'let-in',
        );
        self::assertSame(['Site', 'site', 1], [$own['subject'], $own['whose'], $own['version']]);
        $this->call(
            'lead',
            'PUT',
            '/templates/let-in',
            ['subject' => 'Other', 'body' => '{link}', 'site' => $this->ids['site'], 'version' => 0],
            412,
        );
        self::assertSame(
            'Division',
            $this->template($this->call('lead', 'DELETE', '/templates/let-in'.$path), 'let-in')['subject'],
        );
        $this->call(
            'elsewhere',
            'PUT',
            '/templates/welcome',
            ['subject' => 'x', 'body' => '{link}', 'division' => 'seniors'],
            403,
        );
        $this->call('elsewhere', 'PUT', '/templates/welcome', [
            'subject' => 'x',
            'body' => '{link}',
            'division' => 'evening',
        ]);
    }

    public function testAPreviewIsThatPersonsCopyAndHarmless(): void
    {
        $preview = $this->call('lead', 'POST', '/message-previews', [
            'kind' => 'let-in',
            'site' => $this->ids['site'],
            'person' => $this->ids['learner'],
            'role' => 'learner',
            'words' => '<script>alert(1)</script>',
        ]);
        self::assertSame(
            ['learner@example.org', 'first', []],
            [$preview['to'], $preview['whose'], $preview['problems']],
        );
        self::assertStringContainsString('Hello Learner,', $preview['text']);
        self::assertStringNotContainsString('<script', $preview['html']);
        self::assertSame(
            'unknown',
            $this->call('lead', 'POST', '/message-previews', [
                'kind' => 'let-in',
                'site' => $this->ids['site'],
                'subject' => '{x}',
                'body' => '{link}',
            ])['problems'][0]['code'],
        );
        $this->call(
            'lead',
            'POST',
            '/message-previews',
            ['kind' => 'let-in', 'site' => $this->ids['site'], 'person' => $this->ids['junior']],
            404,
        );
    }

    public function testSomebodyWritesToPeopleOfTheirSiteAndToNoOthers(): void
    {
        $this->db()->executeStatement(
            'UPDATE person SET email = NULL WHERE id = ?',
            [Id::binary($this->ids['newcomer'])],
        );
        $this->change('lead', 'let-in', 'newcomer', 'learner', more: [], site: 'site');
        $people = array_map(fn(string $who): string => $this->ids[$who], ['learner', 'junior', 'newcomer']);
        $before = \count($this->messages('lead'));
        $answer = $this->call('lead', 'POST', '/sites/'.$this->ids['site'].'/letters', [
            'people' => $people,
            'words' => '  Bring <b>a pencil</b>. ',
        ]);
        self::assertSame([1, 1], [$answer['queued'], $answer['gone']]);
        self::assertCount(1, $answer['without']);
        $messages = $this->messages('lead');
        self::assertCount($before + 1, $messages);
        self::assertSame(
            ['written', 'Lead Leadsen writes to you about Harmony', 'held'],
            [$messages[0]['kind'], $messages[0]['subject'], $messages[0]['state']],
        );
        self::assertStringContainsString("Bring <b>a pencil</b>.\n\nLead Leadsen", $messages[0]['text']);
        $write = '/sites/'.$this->ids['site'].'/letters';
        $this->call('lead', 'POST', $write, ['people' => $people, 'words' => ' '], 422);
        $this->call('assistant', 'POST', $write, ['people' => $people, 'words' => 'x'], 403);
    }

    /** @return array<string, mixed> the line */
    private function tell(string $as, string $verb, string $person, ?string $role, string $words): array
    {
        return $this->call($as, 'POST', '/sites/'.$this->ids['site'].'/change-lists', [
            'lines' => [['person' => $this->ids[$person], 'verb' => $verb, 'role' => $role]],
            'tell' => $words,
        ])['lines'][0];
    }

    /** A message that is on its way. */
    private function queued(): string
    {
        $this->tell('admin', 'change-role', 'newcomer', 'day-guest', '');

        return $this->messages('admin')[0]['id'];
    }

    /** @return list<array<string, mixed>> */
    private function messages(string $as, string $query = ''): array
    {
        return $this->call($as, 'GET', '/messages'.$query)['items'];
    }

    /** @return list<array<string, mixed>> */
    private function letters(): array
    {
        return $this->call('admin', 'GET', '/simulated-inbox')['items'];
    }

    /**
     * @param array<string, mixed> $templates
     *
     * @return array<string, mixed>
     */
    private function template(array $templates, string $kind): array
    {
        return array_column($templates['items'], null, 'kind')[$kind];
    }

    /** As if the time to undo were over. */
}
