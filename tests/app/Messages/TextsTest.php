<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Messages;

use MintDoor\Core\Messages\Letter;
use MintDoor\Core\Messages\MessageKind;
use MintDoor\Messages\Entity\MessageTemplate;
use MintDoor\Messages\FirstTexts;
use MintDoor\Messages\Repository\Templates;
use MintDoor\Messages\Texts;
use MintDoor\People\Repository\People;
use MintDoor\Platform\PlatformSettings;
use MintDoor\Platform\Repository\Divisions;
use MintDoor\Shared\Id;
use MintDoor\Shared\Languages;
use MintDoor\Shared\Written;
use MintDoor\Tests\App\ApiTestCase;
use PHPUnit\Framework\Attributes\TestWith;
use Symfony\Component\Translation\Loader\ArrayLoader;
use Symfony\Component\Translation\Translator;

/** In which words, and in which language, people are written to. */
final class TextsTest extends ApiTestCase
{
    public function testTheFirstTextsHaveNothingWrongAndFillCompletely(): void
    {
        $first = $this->service(FirstTexts::class);
        foreach (MessageKind::cases() as $kind) {
            $template = $first->of($kind, 'en-GB');
            self::assertSame([], $template->problems($kind));
            $letter = $template->fill(array_fill_keys($kind->placeholders(), 'something'));
            self::assertDoesNotMatchRegularExpression('/[{}\[\]]|letters\./', $letter->subject.$letter->text);
            self::assertSame(\in_array('link', $kind->placeholders(), true), str_contains($letter->text, Letter::LINK));
            $bare = $template->fill(['words' => '', 'until' => ''] + array_fill_keys($kind->placeholders(), 'x'))->text;
            self::assertDoesNotMatchRegularExpression('/\n{3}| [.,;]|until\b|\[/', $bare, $kind->value);
        }
    }

    #[TestWith(['en-GB', '4 December 2026', '4 December 2026 at 17:00 CET'])]
    #[TestWith(['en-US', 'December 4, 2026', 'December 4, 2026 at 5:00 PM GMT+1'])]
    #[TestWith(['de', '4. Dezember 2026', '4. Dezember 2026 um 17:00 MEZ'])]
    public function testDaysAreWrittenAsInTheLanguage(string $language, string $day, string $time): void
    {
        $instant = (int) strtotime('2026-12-04T16:00:00Z');
        $zone = new \DateTimeZone('Europe/Amsterdam');
        self::assertSame($day, Written::day($instant, $zone, $language));
        $said = str_replace("\u{202F}", ' ', Written::dayAndTime($instant, $zone, $language));
        self::assertSame($time, $said);
    }

    #[TestWith(['de-AT', 'de'])]
    #[TestWith(['pt-br', 'pt-BR'])]
    #[TestWith(['pt', 'en'])]
    #[TestWith(['x\'; DROP', 'en'])]
    #[TestWith(['', 'en'])]
    #[TestWith([null, 'en'])]
    public function testTheNearestLanguageIsTaken(?string $tag, string $nearest): void
    {
        $languages = new Languages(['en', 'de', 'en_XA', 'pt_BR']);
        self::assertSame($nearest, $languages->nearest($tag));
        self::assertSame(['en', 'de', 'pt-BR'], $languages->offered());
    }

    public function testTheNearestTextIsTakenInTheLanguageOfWhoeverItGoesTo(): void
    {
        $texts = $this->inTwoLanguages();
        $subject = fn(?string $language): string => $texts
            ->nearest(MessageKind::LetIn, $this->ids['site'], 'seniors', $language)->template->subject;
        self::assertSame('Willkommen', $subject('de-CH'));
        $this->keep('site', 'en', 'Welcome to us');
        self::assertSame(['Welcome to us', 'Willkommen'], [$subject('en-GB'), $subject('de')]);
        $this->keep('platform', 'de', 'Hier');
        self::assertSame(['Welcome to us', 'Hier', 'Welcome to us'], [$subject('en'), $subject('de'), $subject('fr')]);
    }

    public function testALetterIsInTheLanguageOneSettledOrThatOfOnesDivision(): void
    {
        $this->db()->executeStatement("UPDATE division SET language = 'en-US', time_zone = 'America/New_York'");
        $this->call('newcomer', 'PUT', '/me/settings', ['language' => 'en-GB', 'timeZone' => 'Asia/Tokyo']);
        foreach (['newcomer', 'junior'] as $who) {
            $this->call('admin', 'POST', '/sites/'.$this->ids['site'].'/change-lists', [
                'apply' => true,
                'tell' => '',
                'lines' => [
                    [
                        'person' => $this->ids[$who],
                        'verb' => 'let-in',
                        'role' => 'learner',
                        'untilDay' => '2026-12-04',
                    ],
                ],
            ]);
        }
        $sent = $this->db()->fetchAllAssociative(
            "SELECT body, language FROM message WHERE kind = 'let-in' ORDER BY id"
        );
        self::assertSame(['en-GB', 'en-US'], array_column($sent, 'language'));
        self::assertStringContainsString(', until 4 December 2026.', (string) $sent[0]['body']);
        self::assertStringContainsString(', until December 4, 2026.', (string) $sent[1]['body']);
    }

    private function inTwoLanguages(): Texts
    {
        $translator = new Translator('en');
        $translator->setFallbackLocales(['en']);
        $translator->addLoader('array', new ArrayLoader());
        foreach (['en' => 'Welcome', 'de' => 'Willkommen'] as $language => $subject) {
            $letter = ['letters.let-in.subject' => $subject, 'letters.let-in.body' => '{link}'];
            $translator->addResource('array', $letter, $language, 'letters');
        }

        return new Texts(
            $this->service(Templates::class),
            $this->service(Divisions::class),
            new FirstTexts($translator),
            new Languages(['en', 'de']),
            $this->service(PlatformSettings::class),
        );
    }

    private function keep(string $of, string $language, string $subject): void
    {
        $by = $this->service(People::class)->known($this->ids['admin']);
        $id = 'platform' === $of ? Id::NONE : $this->ids[$of];
        $templates = $this->service(Templates::class);
        $templates->add(new MessageTemplate('let-in', $id, $language, $subject, '{link}', 1, $by, $this->now()));
        $templates->flush();
    }
}
