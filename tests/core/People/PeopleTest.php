<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\People;

use MintDoor\Core\People\Luhn;
use MintDoor\Core\People\PeopleQuery;
use MintDoor\Core\People\Person;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\People\PersonVisibility;
use MintDoor\Core\People\Reach;
use MintDoor\Core\Text\Folding;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class PeopleTest extends TestCase
{
    /** @return iterable<array{string, list<string>}> */
    public static function foldings(): iterable
    {
        yield ['Łukasz Dąbrowicz', ['lukasz', 'dabrowicz']];
        yield ['Ólafsdal, Søren', ['olafsdal', 'soren']];
        yield ['Étienne  ÉTIENNE', ['etienne']];
        yield ["O'Brannagh-Čížek", ['obrannagh', 'cizek']];
        yield ['Наталья', ['natala']];
        yield ["\u{202E}🎻 \u{0007}", []];
        yield ["\xff\xfeabc", ['abc']];
    }

    /** @param list<string> $tokens */
    #[DataProvider('foldings')]
    public function testFolding(string $text, array $tokens): void
    {
        self::assertSame($tokens, Folding::tokens($text));
    }

    public function testAnyPartOfAWordBeginsOneOfItsEndings(): void
    {
        $endings = Folding::endings("Streicher für Anfänger, anna's");
        self::assertSame($endings, array_unique($endings));
        foreach (['streicher', 'eich', 'r', 'fur', 'anfan', 'nger', 'annas', 'nas', 's'] as $part) {
            $begun = array_filter($endings, static fn(string $ending): bool => str_starts_with($ending, $part));
            self::assertNotSame([], $begun, $part);
        }
        foreach ($endings as $ending) {
            $words = array_filter(
                ['streicher', 'fur', 'anfanger', 'annas'],
                static fn(string $word): bool => str_ends_with($word, $ending),
            );
            self::assertNotSame([], $words, $ending);
        }
        self::assertSame([], Folding::endings('🎻 – !'));
    }

    #[TestWith(['dab luk', true])]
    #[TestWith(['LUKASZ', true])]
    #[TestWith(['dabrowicz x', false])]
    #[TestWith(['ukasz', false])]
    public function testEveryWordBeginsSomeName(string $typed, bool $matches): void
    {
        self::assertSame($matches, PeopleQuery::of($typed)->matchesNames('Łukasz Dąbrowicz'));
    }

    public function testWholeNamesComeBeforeBeginningsAndIdentifiersBeforeNames(): void
    {
        $query = PeopleQuery::of('anna lind');
        self::assertGreaterThan($query->score(['anna', 'lindqvist'], []), $query->score(['anna', 'lind'], []));
        self::assertGreaterThan($query->score(['lindqvist', 'anna'], []), $query->score(['anna', 'lindqvist'], []));
        self::assertGreaterThan(
            PeopleQuery::of('2041010')->score(['2041010'], []),
            PeopleQuery::of('2041010')->score(['anna', 'lind'], ['2041010']),
        );
        self::assertTrue(PeopleQuery::of(' S20104 ')->names(['s20104']));
    }

    #[TestWith(['', true])]
    #[TestWith(['a', true])]
    #[TestWith(['ab', false])]
    #[TestWith(['🎻🎻', true])]
    #[TestWith(['a@', false])]
    public function testTooShort(string $typed, bool $short): void
    {
        self::assertSame($short, PeopleQuery::of($typed)->tooShort());
    }

    public function testBeyondReachPeopleAreMaskedAndMinorsHidden(): void
    {
        $reach = new Reach(false, ['seniors'], ['juniors']);
        $minor = new Person('p', PersonKind::Learner, 'juniors', 3);
        self::assertSame(
            PersonVisibility::Full,
            $reach->visibility(new Person('p', PersonKind::Learner, 'seniors', 7), false)
        );
        self::assertSame(
            PersonVisibility::Masked,
            $reach->visibility(new Person('p', PersonKind::Learner, 'evening', 2), false)
        );
        self::assertSame(PersonVisibility::Hidden, $reach->visibility($minor, false));
        self::assertSame(PersonVisibility::Masked, $reach->visibility($minor, true));
        self::assertSame(
            PersonVisibility::Masked,
            $reach->visibility(new Person('p', PersonKind::Guardian, 'juniors'), false),
            'a grown-up',
        );
        self::assertSame(PersonVisibility::Full, (new Reach(true, [], ['juniors']))->visibility($minor, false));
    }

    #[TestWith(['2041010', '••••010'])]
    #[TestWith(['S1', '•1'])]
    public function testMaskedNumbers(string $number, string $masked): void
    {
        self::assertSame($masked, Reach::masked($number));
    }

    /** The example of ISO/IEC 7812-1, annex B, and two more. */
    #[TestWith(['7992739871', 3])]
    #[TestWith(['0', 0])]
    #[TestWith(['204101', 0])]
    public function testCheckDigit(string $digits, int $check): void
    {
        self::assertIsNumeric($digits);
        self::assertSame($check, Luhn::checkDigit($digits));
    }
}
