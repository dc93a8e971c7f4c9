<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Intake;

use MintDoor\Core\Intake\Circumstances;
use MintDoor\Core\Intake\Known;
use MintDoor\Core\Intake\KnownName;
use MintDoor\Core\Intake\Matcher;
use MintDoor\Core\Intake\Outcome;
use MintDoor\Core\Intake\PastedLine;
use MintDoor\Core\Intake\PastedText;
use MintDoor\Core\Intake\Reading;
use MintDoor\Core\People\NameKind;
use MintDoor\Core\People\Person;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Roles\Rules;
use MintDoor\Core\Sites\LevelBand;
use MintDoor\Core\Sites\Site;
use MintDoor\Core\Text\Folding;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class MatcherTest extends TestCase
{
    /**
     * @return iterable<string, array{string, list<array{list<string>, list<string>, bool}>}> text => identifiers,
     *     words, whether a person, of each line
     */
    public static function texts(): iterable
    {
        yield 'one name a line, numbered, bulleted and ticked' => [
            "1. Bea da Luz\r\n - Dmitri Orlov\n[x] Oona Okonedo\n✓ Ana Ruiz",
            [
                [[], ['bea', 'da', 'luz'], true],
                [[], ['dmitri', 'orlov'], true],
                [[], ['oona', 'okonedo'], true],
                [[], ['ana', 'ruiz'], true],
            ],
        ];
        yield 'a name and an address' => [
            'Bea da Luz <bea.daluz@example.org>',
            [[['bea.daluz@example.org'], ['bea', 'da', 'luz'], true]],
        ];
        yield 'a row of a spreadsheet' => ["da Luz\tBea\t2041010\t7", [[['2041010'], ['da', 'luz', 'bea'], true]]];
        yield 'what stands in between' => [
            "Dear all,\nHarmony list:\nTotal 24\n\nThanks!",
            [
                [[], ['dear', 'all'], true],
                [[], ['harmony', 'list'], true],
                [[], ['total'], true],
                [[], ['thanks'], true],
            ],
        ];
        yield 'blanks nobody sees' => ["\u{FEFF}Bea\u{00A0}da\u{200B} Luz", [[[], ['bea', 'da', 'luz'], true]]];
        yield 'a login' => ['bea.da-luz', [[['bea.da-luz'], [], true]]];
        yield 'other letters' => ['Дмитрий Орлов', [[[], ['dmitrij', 'orlov'], true]]];
    }

    /** @param list<array{list<string>, list<string>, bool}> $expected */
    #[DataProvider('texts')]
    public function testTextIsTakenApart(string $text, array $expected): void
    {
        self::assertSame(
            $expected,
            array_map(
                static fn(PastedLine $line): array => [$line->identifiers, $line->words, $line->person],
                self::lines($text),
            ),
        );
    }

    /** @return iterable<string, array{string, string, list<string>}> text, outcome, ids of the candidates */
    public static function readings(): iterable
    {
        yield 'a number' => ['2041010', 'match', ['bea']];
        yield 'a number with blanks and dashes is one all the same' => ['204-1010', 'match', ['bea']];
        yield 'an address beside the name' => ['Beatriz da Luz <bea@example.org>', 'match', ['bea']];
        yield 'a number beside another\'s name is asked about' => [
            '2041010 Goran Petrov',
            'choose',
            ['bea', 'goran6', 'goran9'],
        ];
        yield 'a mistyped number is said, and who is one digit off is offered' => [
            '2041011',
            'unknown',
            ['ana2', 'bea'],
        ];
        yield 'two digits swapped' => ['2040110', 'unknown', ['bea']];
        yield 'a mistyped number beside a name is asked about' => ['2041011 Beatriz da Luz', 'choose', ['bea']];
        yield 'a full name' => ['Beatriz da Luz', 'match', ['bea']];
        yield 'family first, particles anywhere, capitals anyhow' => ['DA LUZ, beatriz', 'match', ['bea']];
        yield 'a preferred name' => ['Bibi da Luz', 'match', ['bea']];
        yield 'a former name' => ['Beatriz Silva', 'match', ['bea']];
        yield 'namesakes, of whom the site is for one' => ['Goran Petrov', 'match', ['goran6']];
        yield 'namesakes the site does not tell apart' => ['Ana Ruiz', 'choose', ['ana1', 'ana2']];
        yield 'initials of the only one' => ['B. da Luz', 'match', ['bea']];
        yield 'initials of several' => ['A. Ruiz', 'choose', ['ana1', 'ana2']];
        yield 'particles set aside' => ['Beatriz Luz', 'match', ['bea']];
        yield 'a short name' => ['Bea da Luz', 'match', ['bea']];
        yield 'a name more than the directory has, of one the site is for' => ['Beatriz Petrov Luz', 'match', ['bea']];
        yield 'and of one it is not for' => ['Oskar Beatriz Lind', 'choose', ['oskar']];
        yield 'unless the line says who' => ['Oskar Beatriz Lind, level 2', 'match', ['oskar']];
        yield 'a remark behind' => ['Beatriz da Luz (cello)', 'match', ['bea']];
        yield 'the level tells namesakes apart' => ["Ana Ruiz\tLevel 7", 'match', ['ana2']];
        yield 'a row that is nobody\'s' => ["Ana Ruiz\t9\tMillrace Seniors", 'choose', ['ana1', 'ana2']];
        yield 'the part before the @' => ['bea@elsewhere.example', 'choose', ['bea']];
        yield 'another alphabet' => ['Горан Петров', 'match', ['goran6']];
        yield 'a slip of the pen' => ['Beatris da Luz', 'match', ['bea']];
        yield 'two slips are too many' => ['Beatris da Lus', 'choose', ['bea']];
        yield 'a slip that is another\'s name is asked about' => ['Aga Ruiz', 'choose', ['ana1', 'ana2']];
        yield 'a family name alone means nobody' => ['da Luz', 'unknown', []];
        yield 'nobody' => ['Zoltan Kodaly', 'unknown', []];
        yield 'a heading' => ['Names:', 'no-person', []];
    }

    /** @param list<string> $who */
    #[DataProvider('readings')]
    public function testWhomALineMeans(string $text, string $outcome, array $who): void
    {
        $reading = self::read($text)[0];
        self::assertSame($outcome, $reading->outcome->value);
        self::assertSame(
            $who,
            array_map(static fn($candidate): string => $candidate->known->person->id, $reading->candidates),
        );
    }

    public function testTheSamePersonTwiceIsARepeatAndAChoiceIsNone(): void
    {
        $outcomes = array_map(
            static fn(Reading $reading): Outcome => $reading->outcome,
            self::read("Beatriz da Luz\n2041010\nAna Ruiz\nAna Ruiz"),
        );
        self::assertSame([Outcome::Match, Outcome::Repeat, Outcome::Choose, Outcome::Choose], $outcomes);
    }

    public function testOfACrowdOfNamesakesOnlyTheOneTheSiteIsForIsTaken(): void
    {
        $ana = static fn(int $level): Known => new Known(
            new Person('p'.$level, PersonKind::Learner, 'seniors', $level),
            ['ana'],
            ['ruiz'],
            [],
            [],
            [],
        );
        $outcome = static fn(int $level, array $crowded): Outcome => self::among(
            [$ana($level)],
            'Ana Ruiz',
            $crowded,
        )[0]->outcome;
        self::assertSame([Outcome::Match, Outcome::Match], [$outcome(10, []), $outcome(7, ['ana ruiz' => false])]);
        self::assertSame(
            [Outcome::Choose, Outcome::Choose],
            [$outcome(10, ['ana ruiz' => false]), $outcome(7, ['ana ruiz' => true])],
        );
    }

    public function testNamesakesBeyondThoseOfferedAreCountedToo(): void
    {
        $directory = array_map(
            static fn(int $n): Known => new Known(
                new Person('p'.$n, PersonKind::Learner, 'seniors', \in_array($n, [0, 9], true) ? 7 : 10),
                ['ana'],
                ['ruiz'],
                [],
                [],
                [],
            ),
            range(0, 9),
        );
        $reading = self::among($directory, 'Ana Ruiz')[0];
        self::assertSame(Outcome::Choose, $reading->outcome);
        self::assertNull($reading->decided);
    }

    public function testPrecisionAndRecallHoldOnTheEvaluationSet(): void
    {
        $kinds = Evaluation::matcher(new EvaluationSet(1_500));
        $sum = Evaluation::sum($kinds);
        self::assertGreaterThanOrEqual(1_500, $sum['lines']);
        self::assertGreaterThanOrEqual(25, $sum['kinds']);
        self::assertGreaterThanOrEqual(
            0.998,
            $sum['precision'],
            implode("\n", array_merge(...array_column($kinds, 'mistakes'))),
        );
        self::assertGreaterThanOrEqual(0.97, $sum['recall']);
    }

    public function testWhatWasSettledOfOneIsOfferedWhereTheyStandBesideOthers(): void
    {
        $readings = self::among(self::directory(), 'Beatriz da Luz; Ana Ruiz', remembered: ['ana ruiz' => 'ana2']);
        self::assertSame(
            [['match', 'bea', false], ['choose', 'ana2', true]],
            array_map(
                static fn(Reading $each): array => [
                    $each->outcome->value,
                    $each->candidates[0]->known->person->id,
                    $each->candidates[0]->remembered,
                ],
                $readings,
            ),
        );
    }

    public function testWhatIsRememberedMayBeOfAPart(): void
    {
        $lines = self::lines("Beatriz da Luz; Ana Ruiz\nTiti (late)");
        self::assertSame(
            ['ana ruiz', 'titi'],
            PastedLine::mayBeOf($lines, ['ana ruiz', 'ana riuz', 'titi', 'titi bo']),
        );
    }

    public function testWhatWasSettledHereBeforeComesFirstAndIsStillAsked(): void
    {
        $reading = self::among(
            self::directory(),
            "Ana Ruiz\nTiti",
            remembered: ['ana ruiz' => 'ana2', 'titi' => 'bea'],
        );
        self::assertSame(
            ['choose', 'ana2', true],
            [
                $reading[0]->outcome->value,
                $reading[0]->candidates[0]->known->person->id,
                $reading[0]->candidates[0]->remembered,
            ],
        );
        self::assertSame(
            ['choose', 'bea', 'remembered'],
            [
                $reading[1]->outcome->value,
                $reading[1]->candidates[0]->known->person->id,
                $reading[1]->candidates[0]->evidence->value,
            ],
        );
    }

    public function testTheWrongKindOfPersonIsNeverTakenByName(): void
    {
        self::assertSame(
            Outcome::Choose,
            self::among(self::directory(), 'Beatriz da Luz', kinds: [PersonKind::Guardian])[0]->outcome,
        );
        self::assertSame(
            Outcome::Match,
            self::among(self::directory(), '2041010', kinds: [PersonKind::Guardian])[0]->outcome,
            'an identifier says who it is all the same',
        );
    }

    public function testARepeatNamesTheLineItRepeats(): void
    {
        self::assertSame(1, self::read("Beatriz da Luz\n\n2041010")[1]->repeats);
    }

    public function testWhoSignsIsNotOnTheList(): void
    {
        self::assertSame(
            ['choose', 'match', 'no-person', 'no-person'],
            array_map(
                static fn(Reading $reading): string => $reading->outcome->value,
                self::read("Ana Ruiz\nGoran Petrov\nBest regards\nBeatriz da Luz"),
            ),
        );
    }

    public function testAWrongDigitIsNamedAndWhatDecidedBetweenNamesakesToo(): void
    {
        self::assertSame('Learner number', self::read('2041011')[0]->mistyped);
        self::assertSame('only-one-for-the-site', self::read('Goran Petrov')[0]->decided?->value);
    }

    public function testTheOrderOfLinesAndOfTheDirectoryMakesNoDifference(): void
    {
        $texts = array_column(iterator_to_array(self::readings()), 0);
        self::assertSame(
            self::all($texts, self::directory()),
            self::all(array_reverse($texts), array_reverse(self::directory())),
        );
    }

    /**
     * @param list<string> $texts
     * @param list<Known>  $directory
     *
     * @return array<string, array{Outcome, list<string>}> by text
     */
    private static function all(array $texts, array $directory): array
    {
        $found = [];
        foreach ($texts as $text) {
            $reading = self::among($directory, $text)[0];
            $found[$text] = [
                $reading->outcome,
                array_map(static fn($candidate): string => $candidate->known->person->id, $reading->candidates),
            ];
        }
        ksort($found);

        return $found;
    }

    /** What stands before the @ is somebody's; alone it may be a given name, and wrongly typed it may be anybody's. */
    public function testWhatStandsBeforeTheAtIsEnoughOnlyWhereItCanMeanNothingElse(): void
    {
        $person = static fn(string $address): Known => new Known(
            new Person('one', PersonKind::Learner, 'seniors', 7),
            ['ulla'],
            ['berg'],
            [],
            [],
            [$address],
        );
        $one = $person('ulla.berg7@example.org');
        $outcome = static fn(string $text, Known $one, PersonKind $kind): Outcome => self::among(
            [$one],
            $text,
            kinds: [$kind],
        )[0]->outcome;
        self::assertSame(Outcome::Match, $outcome('ulla.berg7', $one, PersonKind::Learner));
        self::assertNotSame(
            Outcome::Match,
            $outcome('ulla.berg7@elsewhere.example', $one, PersonKind::Learner),
            'another address'
        );
        self::assertNotSame(Outcome::Match, $outcome('ulla.berg7', $one, PersonKind::Staff), 'not for them');
        self::assertNotSame(
            Outcome::Match,
            $outcome("2041011\tulla.berg7\t7", $one, PersonKind::Learner),
            'a number beside it is mistyped',
        );
        $short = $person('ulla@example.org');
        self::assertNotSame(Outcome::Match, $outcome('Ulla', $short, PersonKind::Learner), 'a given name');
    }

    /** @return list<PastedLine> */
    private static function lines(string $text): array
    {
        return (new PastedText(self::rules()->numbers, EvaluationSet::DIVISIONS))->lines($text);
    }

    /** @return list<Reading> */
    private static function read(string $text): array
    {
        return self::among(self::directory(), $text);
    }

    /**
     * @param list<Known>           $directory
     * @param array<string, bool>   $crowded
     * @param array<string, string> $remembered
     * @param list<PersonKind>      $kinds
     *
     * @return list<Reading>
     */
    private static function among(
        array $directory,
        string $text,
        array $crowded = [],
        array $remembered = [],
        array $kinds = [PersonKind::Learner, PersonKind::Staff],
    ): array {
        $lines = self::lines($text);

        return (new Matcher(self::rules()->numbers, Evaluation::wording($lines, $directory)))->read(
            $lines,
            $directory,
            new Circumstances(self::site(), $kinds, $remembered, $crowded),
        );
    }

    private static function rules(): Rules
    {
        return Rules::first([], ['seniors']);
    }

    private static function site(): Site
    {
        return new Site('s', 'seniors', new LevelBand(6, 8));
    }

    /** @return list<Known> */
    private static function directory(): array
    {
        $known = static fn(
            string $id,
            string $given,
            string $family,
            int $level,
            string $number,
            string $preferred = '',
            string $former = '',
            string $email = '',
        ): Known => new Known(
            new Person($id, PersonKind::Learner, 'seniors', $level),
            Folding::tokens($given),
            Folding::tokens($family),
            Folding::tokens($preferred),
            '' === $former ? [] : [KnownName::of(NameKind::Former, '', $former)],
            array_values(array_filter([$number, $email])),
        );

        return [
            $known('bea', 'Beatriz', 'da Luz', 7, '2041010', 'Bibi', 'Silva', 'bea@example.org'),
            $known('goran6', 'Goran', 'Petrov', 6, '2041028'),
            $known('goran9', 'Goran', 'Petrov', 9, '2041036'),
            $known('ana1', 'Ana', 'Ruiz', 6, '2041044'),
            $known('ana2', 'Ana', 'Ruiz', 7, '2041051'),
            $known('oskar', 'Oskar', 'Lind', 2, '2041069'),
        ];
    }
}
