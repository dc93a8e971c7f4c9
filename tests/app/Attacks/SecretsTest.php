<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Attacks;

use Doctrine\Persistence\ManagerRegistry;
use MintDoor\Core\Doors\Key;
use MintDoor\Desk\ResealCommand;
use MintDoor\Doors\Repository\DoorKeys;
use MintDoor\Messages\Repository\Letters;
use MintDoor\Shared\Id;
use MintDoor\Shared\Repository\KeptAnswers;
use MintDoor\Shared\Sealer;
use MintDoor\Shared\SecurityLog;
use PHPUnit\Framework\Attributes\TestWith;
use Symfony\Component\Console\Tester\CommandTester;

/** What a thief of the database reads, and what is left of somebody who is gone. */
final class SecretsTest extends AttackCase
{
    public function testKeysCardsAndLinksStandNowhereInClear(): void
    {
        $once = ['Idempotency-Key' => 'a-double-click'];
        $doors = '/sites/'.$this->ids['site'].'/doors';
        $door = $this->call('lead', 'POST', $doors, [], 201, $once);
        $renewed = $this->call('lead', 'POST', $doors.'/'.$door['id'].'/key', null, 200, [
            'Idempotency-Key' => 'another-click',
        ])['key'];
        self::assertSame(
            $door['key'],
            $this->call('lead', 'POST', $doors, [], 201, $once)['key'],
            'the answer is kept',
        );
        $card = $this->call('lead', 'POST', '/sign-in-cards', ['people' => [$this->ids['learner']]], 200, [
            'Idempotency-Key' => 'the-cards',
        ])['cards'][0]['password'];
        $this->call('lead', 'POST', '/people/'.$this->ids['learner'].'/password-link');
        $invitations = $this->call('lead', 'POST', $doors, ['kind' => 'invitation', 'name' => 'Invited'], 201)['id'];
        $this->call('lead', 'POST', $doors."/$invitations/invitations", ['text' => 'a@example.net', 'apply' => true]);
        $this->deliver();
        $letters = implode(
            "\n",
            array_map($this->letter(...), $this->db()->fetchFirstColumn('SELECT text FROM letter')),
        );
        self::assertSame(2, preg_match_all('/#([\w-]{20,})/', $letters, $links), $letters);
        $all = $this->everything();
        self::assertTrue(str_contains($all, 'learner@example.org'), 'what is read is the database');
        foreach ([$door['key'], $renewed, $card, ...$links[1]] as $secret) {
            self::assertFalse(str_contains($all, $secret), $secret);
            self::assertFalse(str_contains($all, bin2hex($secret)), bin2hex($secret));
            self::assertFalse(
                str_contains($all, bin2hex(str_replace('-', '', $secret))),
                bin2hex(str_replace('-', '', $secret)),
            );
            self::assertFalse(str_contains($all, base64_encode($secret)), base64_encode($secret));
        }
    }

    public function testErasingReachesDraftsAnswersLettersAndInvitations(): void
    {
        $this->call(
            'lead',
            'POST',
            '/change-lists',
            ['kind' => 'pasted', 'site' => $this->ids['site'], 'work' => ['text' => "Newcomer Newcomersen\nAda Berg"]],
            201,
        );
        $this->call(
            'lead',
            'POST',
            '/sites/'.$this->ids['site'].'/change-lists',
            [
                'lines' => [['person' => $this->ids['newcomer'], 'verb' => 'let-in', 'role' => 'learner']],
                'tell' => '',
            ],
            200,
            ['Idempotency-Key' => 'letting-in'],
        );
        $door = $this->invitationDoor();
        $this->call('lead', 'POST', $door.'/invitations', ['text' => 'private@example.net', 'apply' => true]);
        $this->deliver();
        $this->call('lead', 'POST', '/sites/'.$this->ids['site'].'/change-lists', [
            'lines' => [['person' => $this->ids['newcomer'], 'verb' => 'remove']],
        ]);
        // The address outside turns out to be theirs.
        $this->db()->executeStatement('UPDATE person SET email = ? WHERE id = ?', [
            'private@example.net',
            Id::binary($this->ids['newcomer']),
        ]);
        $this->call('admin', 'POST', '/people/'.$this->ids['newcomer'].'/erasure', ['apply' => true]);
        $all = $this->everything();
        foreach (['Newcomersen', 'newcomersen', 'private@example.net', 'X77NEWCOMER'] as $trace) {
            self::assertFalse(str_contains($all, $trace), $trace);
        }
        self::assertTrue(str_contains($all, 'Ada Berg'), 'what others typed of others stays');
        $answers = implode(
            "\n",
            array_map(
                fn(mixed $answer): string => (string) $this->service(Sealer::class)->openText(
                    \is_string($answer) ? $answer : '',
                    'idempotency',
                ),
                $this->db()->fetchFirstColumn('SELECT answer FROM idempotency'),
            ),
        );
        self::assertStringNotContainsString('Newcomersen', $answers);
        self::assertStringNotContainsString($this->ids['newcomer'], $answers);
        self::assertSame(
            [],
            array_filter(
                array_map($this->letter(...), $this->db()->fetchFirstColumn('SELECT text FROM letter')),
                static fn(string $text): bool => str_contains($text, 'Newcomersen'),
            ),
        );
    }

    public function testWhatIsKeptForATimeIsForgottenByTheScheduler(): void
    {
        $this->signIn('learner', self::PASSWORD, '192.0.2.7');
        $this->call(
            'lead',
            'POST',
            '/sites/'.$this->ids['site'].'/change-lists',
            [
                'lines' => [['person' => $this->ids['newcomer'], 'verb' => 'let-in', 'role' => 'learner']],
                'tell' => 'Bring a pencil.',
            ],
            200,
            ['Idempotency-Key' => 'letting-in'],
        );
        $door = $this->invitationDoor();
        $this->call('lead', 'POST', $door.'/invitations', ['text' => 'outside@example.net', 'apply' => true]);
        $this->deliver();
        $this->call('lead', 'POST', $door.'/invitations/withdraw', ['all' => true]);
        self::assertSame(0, $this->command('platform:tidy')[0]);
        $all = $this->everything();
        foreach (['192.0.2.7', 'Bring a pencil.', 'outside@example.net', 'letting-in'] as $kept) {
            self::assertTrue(str_contains($all, $kept), $kept);
        }
        foreach (
            [
                'message' => 'made_at',
                'invitation' => 'made_at',
                'letter' => 'arrived_at',
                'history_entry' => 'at',
                'security_entry' => 'at',
                'idempotency' => 'made_at',
            ] as $table => $at
        ) {
            $this->db()->executeStatement("UPDATE $table SET $at = $at - INTERVAL 400 DAY");
        }
        self::assertSame(0, $this->command('platform:tidy')[0]);
        $all = $this->everything();
        foreach (['192.0.2.7', 'Bring a pencil.', 'outside@example.net', 'letting-in'] as $gone) {
            self::assertSame([], preg_grep('/'.preg_quote($gone, '/').'/', explode("\n", $all)) ?: [], $gone);
        }
        self::assertSame(0, (int) $this->db()->fetchOne('SELECT COUNT(*) FROM letter'));
    }

    #[TestWith(['not-a-secret-set-your-own'])]
    #[TestWith(['short'])]
    public function testNoSecretIsRefusedWhereItWouldBeBelieved(string $secret): void
    {
        self::assertSame(
            'x',
            (new Sealer($secret))->open((new Sealer($secret))->seal('x', 'y'), 'y'),
            'for trying things out',
        );
        $this->expectExceptionMessage('APP_SECRET is not set');
        new Sealer($secret, '', 'prod');
    }

    /** The secret is changed: keys on posters go on, and after sealing anew the old secret opens nothing. */
    public function testKeysSurviveAChangeOfTheSecret(): void
    {
        $door = $this->call('lead', 'POST', '/sites/'.$this->ids['site'].'/doors', [], 201);
        $key = Key::read($door['key'])->key ?? self::fail('A key that was made is right.');
        [$old, $new] = [$_SERVER['APP_SECRET'] ?? $_ENV['APP_SECRET'], 'another secret altogether, and long'];
        \assert(\is_string($old));
        $keys = fn(string $secret, string $previous = ''): DoorKeys => new DoorKeys(
            $this->service(ManagerRegistry::class),
            new Sealer($secret, $previous),
        );
        self::assertNull($keys($new)->door($key));
        self::assertSame($door['id'], $keys($new, $old)->door($key));
        self::assertSame(1, $keys($new, $old)->reseal()->many);
        self::assertSame(0, $keys($new, $old)->reseal()->many);
        self::assertSame($door['id'], $keys($new)->door($key));
        self::assertNull($keys($old)->door($key));
    }

    /** Two people may choose the same key for their requests: each keeps their own answer. */
    public function testAnswersOfTwoPeopleAreSealedAnewEachForItself(): void
    {
        $once = ['Idempotency-Key' => 'the-same-key'];
        $request = ['name' => 'Of the lead'];
        $this->call('lead', 'POST', '/sites/'.$this->ids['site'].'/doors', $request, 201, $once);
        $this->call(
            'cotutor',
            'POST',
            '/sites/'.$this->ids['site'].'/doors',
            ['name' => 'Of the co-tutor'],
            201,
            $once,
        );
        [$old, $new] = [$_SERVER['APP_SECRET'] ?? $_ENV['APP_SECRET'], 'another secret altogether, and long'];
        \assert(\is_string($old));
        $sealer = new Sealer($new, $old);
        $log = $this->service(SecurityLog::class);
        $managers = $this->service(ManagerRegistry::class);
        $answers = new KeptAnswers($managers);
        $answers->setSealer($sealer);
        $command = new ResealCommand([
            new DoorKeys($managers, $sealer),
            new Letters($managers, $sealer),
            $answers,
            $log,
        ]);
        self::assertSame(0, (new CommandTester($command))->execute([]));
        $name = fn(string $person): string => json_decode(
            (string) (new Sealer($new))->openText(
                (string) $this->db()->fetchOne('SELECT answer FROM idempotency WHERE person_id = ?', [
                    Id::binary($this->ids[$person]),
                ]),
                'idempotency',
            ),
            true,
            flags: \JSON_THROW_ON_ERROR,
        )['name'];
        self::assertSame(['Of the lead', 'Of the co-tutor'], [$name('lead'), $name('cotutor')]);
    }

    public function testTheCommandSealsNothingAnewWhereNothingIsOld(): void
    {
        $this->call('lead', 'POST', '/sites/'.$this->ids['site'].'/doors', [], 201, [
            'Idempotency-Key' => 'a-click-once',
        ]);
        $said = 'Sealed anew: 0 registration codes, 0 keys, 0 letters, 0 mail passwords, 0 answers, 1 end of the '
            ."security log.\n";
        self::assertSame([0, $said], $this->command('secrets:reseal'));
        self::assertSame(0, $this->command('security:verify')[0]);
    }

    private function letter(mixed $sealed): string
    {
        return (string) $this->service(Sealer::class)->openText(\is_string($sealed) ? $sealed : '', 'letter');
    }

    /** All that is in the database, as text; binary values also as hexadecimal digits. */
    private function everything(): string
    {
        $all = [];
        foreach ($this->db()->fetchFirstColumn('SHOW TABLES') as $table) {
            foreach ($this->db()->fetchAllNumeric("SELECT * FROM `$table`") as $row) {
                foreach ($row as $value) {
                    $text = \is_scalar($value) ? (string) $value : '';
                    $all[] = $table.': '.(mb_check_encoding($text, 'UTF-8') ? $text : bin2hex($text));
                }
            }
        }

        return implode("\n", $all);
    }
}
