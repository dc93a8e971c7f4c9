<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Desk;

use MintDoor\Core\Platform\DaysOff;
use MintDoor\Core\Platform\Detail;
use MintDoor\Core\Platform\DetailReader;
use MintDoor\Core\Platform\DetailType;
use MintDoor\Core\Platform\Division;
use MintDoor\Core\Platform\DivisionTree;
use MintDoor\Core\Platform\LabelsKept;
use MintDoor\Core\Platform\Letterhead;
use MintDoor\Core\Platform\Levels;
use MintDoor\Core\Platform\Look;
use MintDoor\Core\Platform\MailCarrier;
use MintDoor\Core\Platform\MailSecurity;
use MintDoor\Core\Platform\MailServer;
use MintDoor\Core\Platform\OwnKind;
use MintDoor\Core\Platform\Registration;
use MintDoor\Core\Platform\RegistrationFor;
use MintDoor\Core\Platform\Settings;
use MintDoor\Core\Platform\Starter;
use MintDoor\Core\Platform\Term;
use MintDoor\Core\Roles\Rules;
use MintDoor\Demo\Dice;
use MintDoor\Desk\SettingsFile;
use MintDoor\Platform\SettingsCodec;
use MintDoor\Roles\RulesCodec;
use MintDoor\Tests\App\ApiTestCase;
use Symfony\Component\Yaml\Yaml;

final class SettingsFileTest extends ApiTestCase
{
    /** Texts that YAML, or a program that reads it, takes for something else. */
    private const TEXTS = [
        'yes', 'null', '~', '- a', "two\nlines", 'a: b', '#1', '"', "it's", '2026-09-07', '0x1F', 'é',
    ];

    public function testWhatIsSavedAndBroughtInAgainIsTheSame(): void
    {
        $file = $this->service(SettingsFile::class);
        for ($seed = 1; $seed <= 60; ++$seed) {
            $dice = new Dice($seed);
            $text = static fn(): string => self::TEXTS[$dice->below(\count(self::TEXTS))];
            $settings = new Settings(
                $text(),
                new DivisionTree(
                    array_map(
                        static fn(int $n): Division => new Division(
                            "d$n",
                            $text(),
                            0 === $n || $dice->chance(30) ? null : 'd'.$dice->below($n),
                            $dice->chance(50),
                            levels: match ($dice->below(3)) {
                                0 => null,
                                1 => new Levels(1 + $dice->below(9), []),
                                default => new Levels(1 + $dice->below(9), [$text(), $text()]),
                            },
                            welcome: $dice->chance(50) ? $text() : '',
                            retired: $dice->chance(10),
                        ),
                        range(0, $dice->below(20)),
                    ),
                ),
                $dice->chance(30) ? [] : [new Term('t', $text(), '2026-09-07', '2026-12-18', 'd0')],
                $dice->chance(30) ? [] : [new DaysOff($text(), '2026-12-25', '2026-12-26')],
                new Look($dice->chance(50) ? 'leaf' : '', $dice->chance(50) ? '#1d4e89' : ''),
                new MailServer(
                    MailCarrier::cases()[$dice->below(3)],
                    $text(),
                    1 + $dice->below(65_535),
                    MailSecurity::cases()[$dice->below(3)],
                    $text(),
                    $text(),
                ),
                [new Letterhead($dice->chance(50) ? null : 'd0', $text(), $text(), $text(), '21:00', '07:00')],
                [
                    new Registration(
                        'd0',
                        RegistrationFor::cases()[$dice->below(4)],
                        [$text(), $text()],
                        $dice->chance(50),
                        $dice->chance(50) ? ['level', 'number'] : [],
                        $text(),
                    ),
                ],
                $dice->chance(30) ? [] : [new Starter('d0', $text(), $text(), [$text()], 1, 3)],
                new LabelsKept($dice->chance(50), [$text(), $text()]),
                $dice->chance(30)
                    ? []
                    : [
                        new Detail(
                            $text(),
                            $text(),
                            DetailType::cases()[$dice->below(4)],
                            [$text(), $text()],
                            [$text()],
                            $dice->chance(50) ? DetailReader::cases() : [],
                            [DetailReader::cases()[$dice->below(2)]],
                        ),
                    ],
                $dice->chance(30) ? [] : [new OwnKind($text(), $text(), $text(), [$text(), $text()])],
            );
            $rules = Rules::first(['d0'], ['d1']);
            $read = $file->read(SettingsFile::dump($settings, $rules));
            self::assertNotNull($read->settings);
            self::assertNotNull($read->rules);
            self::assertSame(SettingsCodec::write($settings), SettingsCodec::write($read->settings));
            self::assertSame(RulesCodec::write($rules), RulesCodec::write($read->rules));
        }
    }

    public function testAFileIsComparedAndPutInForce(): void
    {
        $text = $this->saved();
        $same = $this->call('admin', 'PUT', '/settings/file', ['text' => $text]);
        self::assertSame([[], [], false, '0.1'], [
            $same['settings']['differences'],
            $same['settings']['problems'],
            $same['otherRules'],
            $same['version'],
        ]);
        $other = str_replace(
            ['name: Seniors', 'name: Autumn', 'seats: 100000'],
            ['name: Elders', 'name: Fall', 'seats: 90'],
            $text
        );
        $plan = $this->call('admin', 'PUT', '/settings/file', ['text' => $other]);
        self::assertTrue($plan['otherRules']);
        self::assertSame(['Elders', 'Fall'], array_column($plan['settings']['differences'], 'which'));
        $apply = ['text' => $other, 'apply' => true];
        $this->call('admin', 'PUT', '/settings/file', $apply, 412, ['If-Match' => '"0.7"']);
        $done = $this->call('admin', 'PUT', '/settings/file', $apply, 200, ['If-Match' => '"0.1"']);
        self::assertSame('2.2', $done['version']);
        self::assertSame('Elders', $this->call('lead', 'GET', '/sites/'.$this->ids['site'])['division']['name']);
        self::assertSame(90, $this->call('lead', 'GET', '/rules')['rules']['limits']['seats']);
    }

    /** Files are kept: one that was saved before the program knew of something is still read. */
    public function testAFileOfBeforeIsRead(): void
    {
        $data = (array) Yaml::parse($this->saved());
        $settings = (array) $data['settings'];
        $put = fn(array $settings, int $status = 200): array => $this->call('admin', 'PUT', '/settings/file', [
            'text' => Yaml::dump(['settings' => $settings]),
        ], $status);
        $divisions = array_map(
            static fn(mixed $division): array => array_diff_key((array) $division, ['welcome' => true]),
            (array) $settings['divisions'],
        );
        $registration = ['division' => 'seniors', 'for' => 'anybody', 'approved' => true];
        $of = array_diff_key($settings, ['details' => true, 'kinds' => true, 'labels' => true]);
        $plan = $put([...$of, 'divisions' => $divisions, 'registrations' => [$registration]]);
        self::assertSame(['registration'], array_column($plan['settings']['differences'], 'of'));
        $put([...$of, 'registrations' => [[...$registration, 'colour' => 'red']]], 422);
        $put([...$of, 'divisions' => [...$divisions, $divisions[0]]], 422);
    }

    public function testAFileMayHaveOnePartOnly(): void
    {
        $plan = $this->call(
            'admin',
            'PUT',
            '/settings/file',
            ['text' => "rules:\n".explode("\nrules:\n", $this->saved())[1]]
        );
        self::assertSame([null, false], [$plan['settings'], $plan['otherRules']]);
    }

    public function testRulesMayNameADivisionThatComesWithThem(): void
    {
        $settings = $this->call('admin', 'GET', '/settings')['settings'];
        $settings['divisions'][] = ['code' => 'choir', 'name' => 'Choir'] + $settings['divisions'][0];
        $rules = Rules::first(['juniors', 'choir'], ['seniors']);
        $text = SettingsFile::dump(SettingsCodec::read($settings), $rules);
        $plan = $this->call('admin', 'PUT', '/settings/file', ['text' => $text]);
        self::assertSame([[], true], [$plan['rules']['problems'], $plan['otherRules']]);
        $this->call('admin', 'PUT', '/settings/file', ['text' => $text, 'apply' => true], 200, ['If-Match' => '"0.1"']);
        $alone = SettingsFile::dump(SettingsCodec::read($settings), Rules::first(['opera'], ['seniors']));
        $plan = $this->call('admin', 'PUT', '/settings/file', ['text' => $alone]);
        self::assertContains('no-such-division', array_column($plan['rules']['problems'], 'code'));
    }

    public function testWhatIsNoSuchFileIsSaid(): void
    {
        $texts = ["a: [\nb", 'hello', '[]', 'settings: 7', "settings: {}\nother: 1", 'settings: {names: x}'];
        foreach ([...$texts, '!php/object x'] as $text) {
            $problem = $this->call('admin', 'PUT', '/settings/file', ['text' => $text], 422);
            self::assertNotSame('', $problem['errors'][0]['detail']);
        }
    }

    public function testWhatAFileDoesNotSpeakOfStaysAsItIs(): void
    {
        $plan = $this->call('admin', 'PUT', '/settings/file', ['text' => 'settings: {name: Elm Park}'])['settings'];
        self::assertSame([[], ['platform']], [$plan['problems'], array_column($plan['differences'], 'of')]);
    }

    public function testCommandsPlanAndApplyFromAPipeline(): void
    {
        $path = tempnam(sys_get_temp_dir(), 'platform-');
        try {
            file_put_contents($path, $this->saved());
            self::assertSame([0, ''], $this->of($path, 'platform:plan'));
            file_put_contents($path, str_replace('name: Seniors', 'name: Elders', $this->saved()));
            [$code, $said] = $this->of($path, 'platform:plan');
            self::assertSame([2, true], [$code, str_contains($said, '~ division Elders')]);
            self::assertStringContainsString('name: "Seniors" -> "Elders"', $said);
            self::assertSame(1, $this->of($path, 'platform:apply')[0], 'Somebody does it.');
            self::assertSame(1, $this->of($path, 'platform:apply', 'elsewhere')[0]);
            self::assertSame(0, $this->of($path, 'platform:apply', 'admin')[0]);
            self::assertSame([0, ''], $this->of($path, 'platform:plan'));
            file_put_contents($path, str_replace('code: seniors', 'code: juniors', $this->saved()));
            self::assertSame(1, $this->of($path, 'platform:plan')[0]);
            self::assertSame(1, $this->of($path.'.gone', 'platform:plan')[0]);
        } finally {
            unlink($path);
        }
    }

    private function saved(): string
    {
        $this->call('admin', 'GET', '/settings/file');

        return (string) $this->client->getResponse()->getContent();
    }

    /**
     * @phpstan-impure
     *
     * @return array{int, string} what a command returned and said of a file
     */
    private function of(string $path, string $command, ?string $as = null): array
    {
        [$code, $said] = $this->command($command, ['file' => $path] + (null === $as ? [] : ['--as' => $as]));

        return [$code, trim($said)];
    }
}
