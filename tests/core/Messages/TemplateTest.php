<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Messages;

use Eris\Generators;
use Eris\TestTrait;
use MintDoor\Core\Messages\Delivery;
use MintDoor\Core\Messages\Letter;
use MintDoor\Core\Messages\MessageKind;
use MintDoor\Core\Messages\MessageState;
use MintDoor\Core\Messages\Template;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class TemplateTest extends TestCase
{
    use TestTrait;

    #[TestWith(['Hello {nmae} {link}', 'unknown', 'nmae'])]
    #[TestWith(['Hello {name {link}', 'not-closed', '{name'])]
    #[TestWith(['Hello {name}', 'no-link', ''])]
    #[TestWith(['Hello {name}[ {words}: {link}]', 'no-link', ''])]
    #[TestWith(["  \n", 'empty', ''])]
    #[TestWith(['Hello {name}} {link}', 'not-closed', '}'])]
    public function testWhatIsWrongIsSaid(string $body, string $code, string $value): void
    {
        $problems = (new Template('Subject', $body))->problems(MessageKind::Welcome);
        self::assertContains(['field' => 'body', 'code' => $code, 'value' => $value], $problems);
    }

    public function testASubjectIsOneLineWithoutALink(): void
    {
        self::assertSame(
            ['line-break', 'link-in-subject'],
            array_column(
                (new Template("a {link}\nBcc: b@example.org", '{link}'))->problems(MessageKind::Welcome),
                'code',
            ),
        );
        self::assertSame('a b', (new Template("a\nb", ''))->fill([])->subject);
    }

    #[TestWith(['as {role}[ until {until}].', 'as learner until 4 Dec.', '4 Dec'])]
    #[TestWith(['as {role}[ until {until}].', 'as learner.', ''])]
    #[TestWith(['as {role}[ until {until}].', 'as learner.', '  '])]
    #[TestWith(['[{role}, {until}]!', '!', ''])]
    #[TestWith(['[{role}, { until }]!', 'learner, 4 Dec!', '4 Dec'])]
    #[TestWith(['Room [B] for {role}[]', 'Room [B] for learner[]', ''])]
    #[TestWith(['[[ until {until}]]', '[]', ''])]
    public function testWordsInBracketsAreLeftOutWithWhatTheyName(string $body, string $text, string $until): void
    {
        $values = ['role' => 'learner', 'until' => $until];
        self::assertSame($text, (new Template('s', $body))->fill($values)->text);
        self::assertSame($text, (new Template($body, 'b'))->fill($values)->subject);
    }

    public function testBracketsOfAValueStay(): void
    {
        $this->forAll(Generators::string())->then(static function (string $value): void {
            $letter = (new Template('s', '({until})[ {until}]'))->fill(['until' => '[{role}]'.$value]);
            $plain = Letter::plain('[{role}]'.$value);
            self::assertSame(trim((string) preg_replace('/[ \t]+$/m', '', "($plain) $plain")), $letter->text);
        });
    }

    public function testOwnWordsComeBeforeTheLinkAndNeverTakeItsPlace(): void
    {
        $letter = (new Template('s', "Hello\n\n{link}"))->fill(['words' => 'Bring your instrument. {link}']);
        self::assertSame("Hello\n\nBring your instrument. {link}\n\n".Letter::LINK, $letter->text);
        self::assertSame("Hello\n\nSee you", (new Template('s', 'Hello'))->fill(['words' => 'See you'])->text);
    }

    public function testMarkupIsShownAsItIs(): void
    {
        $html = (new Template('s', 'Hi {name} <script>alert(1)</script> {link}'))
            ->fill(['name' => '<b onload="x">'])
            ->asHtml('https://example.org/?a=1&b="');
        self::assertStringNotContainsString('<script', $html);
        self::assertStringNotContainsString('<b', str_replace(['<br>', '<body'], '', $html));
        self::assertStringContainsString('href="https://example.org/?a=1&amp;b=&quot;"', $html);
        self::assertStringContainsString(
            'href="#"',
            (new Template('s', '{link}'))->fill([])->asHtml('javascript:alert(1)'),
        );
    }

    /**
     * Whatever is filled in: the link stays where it is and is there once, and no value brings another or a line into
     * the subject.
     */
    public function testValuesAreNeverReadAsTemplates(): void
    {
        $this->forAll(
            Generators::string(),
            Generators::elements(['{link}', "\u{E000}", '{name}', '$1', '\\0', "\r\nBcc: x"]),
        )->then(static function (string $noise, string $spice): void {
            $letter = (new Template('For {name}', "{words}\n{name}\n{link}"))->fill([
                'name' => $noise.$spice,
                'words' => $spice.$noise,
            ]);
            self::assertSame(1, substr_count($letter->text, Letter::LINK));
            self::assertStringEndsWith('https://example.org/x', $letter->asText('https://example.org/x'));
            self::assertDoesNotMatchRegularExpression('/[\r\n]/', $letter->subject);
        });
    }

    public function testWhatCannotBeDeliveredIsGivenUpOrTriedAgain(): void
    {
        self::assertSame(MessageState::Bounced, Delivery::failed(550, 1)->state);
        $waits = array_map(static fn(int $tries): int => Delivery::failed(450, $tries)->again, range(1, 5));
        self::assertSame($waits, array_values(array_unique($waits)));
        self::assertSame(
            [MessageState::Delayed, MessageState::Bounced],
            [Delivery::failed(0, 5)->state, Delivery::failed(0, 6)->state],
        );
        foreach (MessageState::cases() as $state) {
            self::assertSame(\in_array($state, [MessageState::Held, MessageState::Delayed], true), $state->waits());
        }
    }
}
