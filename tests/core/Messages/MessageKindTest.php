<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Messages;

use MintDoor\Core\Messages\Letter;
use MintDoor\Core\Messages\MessageKind;
use MintDoor\Core\Messages\Template;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class MessageKindTest extends TestCase
{
    /** @return iterable<string, array{MessageKind}> */
    public static function kinds(): iterable
    {
        foreach (MessageKind::cases() as $kind) {
            yield $kind->value => [$kind];
        }
    }

    /**
     * A link that sets a password is never of a site, so that no lead of one writes its words; and it is always needed.
     */
    #[DataProvider('kinds')]
    public function testWhoseWordsAMessageMayHave(MessageKind $kind): void
    {
        self::assertSame('platform', $kind->scopes()[\count($kind->scopes()) - 1]);
        self::assertSame($kind->ofSite(), \in_array('site', $kind->scopes(), true));
        self::assertFalse($kind->setsPassword() && $kind->ofSite());
        self::assertTrue(!$kind->linkIsSecret() || $kind->needsLink());
        self::assertTrue(!$kind->needsLink() || \in_array('link', $kind->placeholders(), true));
        self::assertSame($kind->placeholders(), array_unique($kind->placeholders()));
    }

    /** What holds for no kind of message holds for none: an unknown name, a brace alone, no words at all. */
    #[DataProvider('kinds')]
    public function testWhatIsWrongForOneIsWrongForAll(MessageKind $kind): void
    {
        foreach (['', '{nobody}', '{given', 'given}', str_repeat('x', Template::LONGEST_BODY + 1)] as $body) {
            self::assertNotSame([], (new Template('S', $body))->problems($kind), $body);
        }
        self::assertSame(
            [],
            (new Template('For {given}', "{given}\n".($kind->needsLink() ? '{ link }' : '')))->problems($kind),
        );
    }

    #[TestWith(["a\u{0007}b\u{202E}c", 'abc'])]
    #[TestWith(["one\r\ntwo\rthree", "one\ntwo\nthree"])]
    #[TestWith(["x\u{E000}y", 'xy'])]
    #[TestWith(["\xff\xfeabc", 'abc'])]
    public function testAValueKeepsItsWordsAndNothingElse(string $value, string $plain): void
    {
        self::assertSame($plain, preg_replace('/[?\x{FFFD}]/u', '', Letter::plain($value)));
    }

    public function testBothPartsSayTheSame(): void
    {
        $letter = (new Template('S', "Hello {given},\n\nfirst & foremost:\n{link}"))->fill([
            'given' => 'Ann-Sofi "A" <b>',
        ]);
        $html = html_entity_decode(
            strip_tags(
                str_replace(
                    ['<br>', '</p>'],
                    ["\n", "\n\n"],
                    (string) preg_replace('#^.*<body[^>]*>#s', '', $letter->asHtml('https://example.org/x')),
                ),
            ),
            \ENT_QUOTES | \ENT_HTML5,
        );
        self::assertSame($letter->asText('https://example.org/x'), trim($html));
    }
}
