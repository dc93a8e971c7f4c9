<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Intake;

use Eris\Generators;
use Eris\TestTrait;
use MintDoor\Core\Intake\Circumstances;
use MintDoor\Core\Intake\Known;
use MintDoor\Core\Intake\Matcher;
use MintDoor\Core\Intake\Outcome;
use MintDoor\Core\Intake\PastedLine;
use MintDoor\Core\Intake\PastedText;
use MintDoor\Core\Intake\Reading;
use MintDoor\Core\People\Person;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Roles\Rules;
use MintDoor\Core\Sites\LevelBand;
use MintDoor\Core\Sites\Site;
use MintDoor\Core\Text\Folding;
use MintDoor\Core\Time\Time;
use MintDoor\Demo\Dice;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Ways in which a line was taken for somebody else once. */
final class NeverAWrongPersonTest extends TestCase
{
    use TestTrait;

    private const GIVEN = ['Anh', 'Minh', 'Thuy', 'Rosa', 'Bao', 'Marie', 'Joao'];

    private const FAMILY = ['Le', 'Du', 'Do', 'Das', 'La', 'Minh', 'Anh', 'Tran'];

    /** Whoever a line names in full is found, or asked about; somebody else is never taken. */
    public function testACellWithTheNameOfASectionIsNoName(): void
    {
        $text = new PastedText([], [], sections: ['m' => 'Morning', 'e' => 'Evening group']);
        $read = static fn(string $line): array => [$text->lines($line)[0]->words, $text->lines($line)[0]->sections()];
        self::assertSame([['ada', 'berg'], ['m']], $read("Ada Berg\tmorning"));
        self::assertSame([['ada', 'berg'], ['e']], $read('Ada Berg; Evening Group'));
        self::assertSame([['morning', 'ada'], []], $read('Morning Ada'), 'within a name it is one');
        self::assertSame([['morning', 'ada'], []], $read("Morning\tAda"), 'so it is where it stands first');
    }

    public function testAFamilyNameThatIsAParticleTellsPeopleApart(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            $dice = new Dice($seed);
            $directory = [];
            for ($n = 0; $n < 6; ++$n) {
                $given = [$dice->one(self::GIVEN), ...$dice->chance(40) ? [$dice->one(self::GIVEN)] : []];
                $directory[] = self::known("p$n", implode(' ', array_unique($given)), $dice->one(self::FAMILY), 7);
            }
            $given = $dice->one(self::GIVEN);
            $family = $dice->one(self::FAMILY);
            $line = $dice->chance(50) ? "$given $family" : "$family, $given";
            $reading = self::read($line, $directory);
            if (Outcome::Match === $reading->outcome) {
                $taken = $reading->candidates[0]->known;
                $words = [...$taken->given, ...$taken->family];
                self::assertContains(strtolower($family), $words, $line);
                self::assertContains(strtolower($given), $words, $line);
            }
        });
    }

    public function testPeopleWhoseNameIsAParticleAreFound(): void
    {
        $directory = [
            self::known('le', 'Anh Minh', 'Le', 7),
            self::known('other', 'Anh', 'Minh', 7),
            self::known('do', 'Linh', 'Do', 7),
        ];
        self::assertSame('do', self::taken('Linh Do', $directory));
        self::assertSame('do', self::taken('Do, Linh', $directory));
        self::assertSame('le', self::taken('Anh Minh Le', $directory));
        self::assertNull(self::taken('Anh Minh Du', $directory), 'somebody the directory does not have');
    }

    /** @return iterable<string, array{string}> what stands beside a name and may tell its bearers apart */
    public static function hints(): iterable
    {
        foreach (
            [
                'Ana Ruiz L1',
                'Ana Ruiz (Senior)',
                'Ana Ruiz – Evening',
                'Ana Ruiz 9',
                'Ana Ruiz (9)',
                'Ruiz, Ana [adult]',
                'Ana Ruiz lvl1 / eve',
            ] as $line
        ) {
            yield $line => [$line];
        }
    }

    #[DataProvider('hints')]
    public function testTheSiteDoesNotDecideWhileSomethingIsNotUnderstood(string $line): void
    {
        $directory = [self::known('here', 'Ana', 'Ruiz', 7), self::known('there', 'Ana', 'Ruiz', 10)];
        self::assertSame(
            'here',
            self::taken('Ana Ruiz', $directory),
            'the site tells them apart where the line says no more',
        );
        self::assertNull(self::taken($line, $directory));
    }

    public function testAClosedAccountNeverWinsOverAnOpenOne(): void
    {
        $directory = [self::known('closed', 'Ana', 'Ruiz', 7, closed: 50), self::known('open', 'Ana', 'Ruiz', 10)];
        $reading = self::read('Ana Ruiz', $directory);
        self::assertSame([Outcome::Match, 'open'], [$reading->outcome, $reading->candidates[0]->known->person->id]);
        self::assertNull(self::taken('Ana Ruiz', [$directory[0]]), 'who cannot log in is asked about');
    }

    /** @return iterable<string, array{string}> */
    public static function announced(): iterable
    {
        foreach (
            ['#2041010', 'no. 2041010', 'No.2041010', 'Nr 2041010', 'ID: 2041010', '№ 2041010', '(#2041010)'] as $number
        ) {
            yield $number => [$number];
        }
    }

    #[DataProvider('announced')]
    public function testANumberIsReadHoweverItIsAnnounced(string $number): void
    {
        $directory = [
            self::known('bea', 'Beatriz', 'Luz', 7, '2041010'),
            self::known('ana', 'Ana', 'Ruiz', 7, '2041028'),
        ];
        self::assertSame('bea', self::taken($number, $directory));
        self::assertSame('bea', self::taken('Beatriz Luz '.$number, $directory));
        self::assertNull(self::taken('Ana Ruiz '.$number, $directory), 'it is another\'s');
    }

    /** @return iterable<string, array{string, list<list<string>>}> */
    public static function crowds(): iterable
    {
        yield 'names before' => ['Ana Ruiz 2041028, Bea Luz 2041010', [['2041028'], ['2041010']]];
        yield 'numbers before' => ['2041028 Ana Ruiz; 2041010 Bea Luz', [['2041028'], ['2041010']]];
        yield 'both of each' => [
            'Ana Ruiz 2041028 ana@example.org / Bea Luz 2041010 bea@example.org',
            [['2041028', 'ana@example.org'], ['2041010', 'bea@example.org']],
        ];
        yield 'one behind the other' => ['Ana Ruiz 2041028 2041010', [['2041028'], ['2041010']]];
        yield 'addresses' => ['Ana ana@example.org & Bea bea@example.org', [['ana@example.org'], ['bea@example.org']]];
        yield 'of one' => ['Ana Ruiz 2041028 ana@example.org', [['2041028', 'ana@example.org']]];
    }

    /** @param list<list<string>> $identifiers */
    #[DataProvider('crowds')]
    public function testTwoIdentifiersOfOneKindAreTwoLines(string $line, array $identifiers): void
    {
        $directory = [
            self::known('bea', 'Bea', 'Luz', 7, '2041010'),
            self::known('ana', 'Ana', 'Ruiz', 7, '2041028'),
        ];
        self::assertSame($identifiers, array_map(
            static fn(Reading $each): array => $each->line->identifiers,
            self::readings($line, $directory),
        ));
    }

    /** However they are mixed, each identifier stands on exactly one line. */
    public function testNobodyIsSwallowed(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            $dice = new Dice($seed);
            $all = $parts = [];
            for ($n = $dice->between(2, 5); $n > 0; --$n) {
                $identifier = $dice->chance(50)
                    ? "p$n@example.org"
                    : ['', '2041010', '2041028', '2041036', '2041044', '2041051'][$n];
                $all[] = $identifier;
                $name = $dice->one(self::GIVEN).' '.$dice->one(self::FAMILY);
                $parts[] = $dice->one(["$name $identifier", "$identifier $name", $identifier]);
            }
            $lines = array_map(
                static fn(Reading $each): PastedLine => $each->line,
                self::readings(implode($dice->one([', ', '; ', ' / ', ' & ', "\t"]), $parts), []),
            );
            self::assertEqualsCanonicalizing(
                $all,
                array_merge(...array_map(static fn($line): array => $line->identifiers, $lines)),
            );
            foreach ($lines as $line) {
                $kinds = array_map(static fn(string $each): bool => str_contains($each, '@'), $line->identifiers);
                self::assertSame($kinds, array_unique($kinds), $line->text);
            }
        });
    }

    private static function known(
        string $id,
        string $given,
        string $family,
        int $level,
        string $number = '',
        int $closed = Time::FOREVER,
    ): Known {
        return new Known(
            new Person($id, PersonKind::Learner, 'seniors', $level, $closed),
            Folding::tokens($given),
            Folding::tokens($family),
            [],
            [],
            array_values(array_filter([$number])),
        );
    }

    /** @param list<Known> $directory */
    private static function read(string $text, array $directory): Reading
    {
        return self::readings($text, $directory)[0];
    }

    /**
     * @param list<Known> $directory
     *
     * @return list<Reading>
     */
    private static function readings(string $text, array $directory): array
    {
        $numbers = Rules::first([], ['seniors'])->numbers;
        $lines = (new PastedText($numbers))->lines($text);
        $for = new Circumstances(new Site('s', 'seniors', new LevelBand(6, 8)), [PersonKind::Learner], now: 100);

        return (new Matcher($numbers, Evaluation::wording($lines, $directory)))->read($lines, $directory, $for);
    }

    /** @param list<Known> $directory */
    private static function taken(string $text, array $directory): ?string
    {
        $reading = self::read($text, $directory);

        return Outcome::Match === $reading->outcome ? $reading->candidates[0]->known->person->id : null;
    }
}
