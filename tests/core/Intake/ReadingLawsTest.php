<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Intake;

use Eris\Generators;
use Eris\TestTrait;
use MintDoor\Core\Intake\Circumstances;
use MintDoor\Core\Intake\Column;
use MintDoor\Core\Intake\Doubt;
use MintDoor\Core\Intake\Hand;
use MintDoor\Core\Intake\HandLine;
use MintDoor\Core\Intake\Known;
use MintDoor\Core\Intake\KnownName;
use MintDoor\Core\Intake\Matcher;
use MintDoor\Core\Intake\Outcome;
use MintDoor\Core\Intake\PastedText;
use MintDoor\Core\Intake\Reading;
use MintDoor\Core\People\NameKind;
use MintDoor\Core\People\Person;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Roles\Rules;
use MintDoor\Core\Sites\LevelBand;
use MintDoor\Core\Sites\Site;
use MintDoor\Core\Text\Folding;
use MintDoor\Demo\Dice;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What holds of every reading of a list, and how lines are read that are about more than a name. */
final class ReadingLawsTest extends TestCase
{
    use TestTrait;

    private const GIVEN = ['Ana', 'Maria', 'Marie', 'Jan', 'Viola', 'Bea', 'Le', 'Kofi'];

    private const FAMILY = ['Ruiz', 'Luz', 'Le', 'Page', 'Haverbeke', 'Haverbeek', 'da Costa', 'Costa Ribeiro'];

    /** Whatever stands beside a name, another is never taken for it. */
    public function testARemarkABulletAHeadingAndAGreetingChangeNobody(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            $dice = new Dice($seed);
            $directory = self::directory($dice, 7);
            $line = $dice->one(self::GIVEN).' '.$dice->one(self::FAMILY);
            $beside = ['- %s', '3) %s', '• %s', '✓ %s', '%s (late)', '%s – paid', "%s\t12.10.2026", '%s x', 'new: %s'];
            $text = $dice->one(['', "Dear all,\n", "List for Monday\n", "Name; Level\n"])
                .\sprintf($dice->one($beside), $line);
            $whom = self::taken($text, $directory);
            self::assertSame([], array_diff($whom, self::taken($line, $directory)), $text);
        });
    }

    /** Where nobody else is called so, the one who is is found beside anything. */
    public function testTheOnlyOneOfANameIsFoundBesideAnyRemark(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            $dice = new Dice($seed);
            $directory = [self::known('one', 'Ottilie', 'Quarry', 7), ...self::directory($dice, 6)];
            $words = ['cello', 'late', 'B+', '12.10.2026', '0171 5550123', '14', 'paid', 'x', 'Viola',
                'from Friday on'];
            $text = \sprintf(
                $dice->one(['%s (%s)', '%s – %s', '%s; %s', "%s\t%s", '%s: %s']),
                $dice->one(['Ottilie Quarry', 'QUARRY, Ottilie', 'ottilie quarry']),
                $dice->one($words),
            );
            self::assertSame(['one'], self::taken($text, $directory), $text);
        });
    }

    /** Somebody new in the directory makes a line be asked at most: it never comes to mean another. */
    public function testSomebodyNewNeverTurnsARightMatchIntoAWrongOne(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            $dice = new Dice($seed);
            $directory = self::directory($dice, 6);
            $one = $dice->one($directory);
            $line = implode(' ', array_map(ucfirst(...), [...$one->given, ...$one->family]));
            $before = self::taken($line, $directory);
            if ([$one->person->id] !== $before) {
                self::assertLessThanOrEqual(1, \count($before), $line);

                return;
            }
            $new = self::known('new', $dice->one(self::GIVEN), $dice->one(self::FAMILY), $dice->one([7, 10]));
            $same = Folding::tokens($line) === [...$new->given, ...$new->family];
            $after = self::taken($line, [...$directory, $new]);
            // A namesake whom the site is for, where it was not for the other, is the better reading.
            self::assertSame([], array_diff($after, $same ? [...$before, 'new'] : $before), $line);
        });
    }

    public function testTheOrderOfLinesMakesNoDifference(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            $dice = new Dice($seed);
            $directory = self::directory($dice, 9);
            $lines = [];
            for ($n = 0; $n < 6; ++$n) {
                $lines[] = $dice->one(['%s', '%s (late)', '3. %s']);
                $lines[$n] = \sprintf($lines[$n], $dice->one(self::GIVEN).' '.$dice->one(self::FAMILY));
            }
            $whom = self::taken(implode("\n", $lines), $directory);
            $back = self::taken(implode("\n", array_reverse($lines)), $directory);
            self::assertEqualsCanonicalizing($whom, $back);
        });
    }

    /** A first column that counts the lines says nothing of anybody, heading or none, and however lines are mixed. */
    public function testCountingTheLinesMakesNoDifference(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            $dice = new Dice($seed);
            $directory = self::directory($dice, 9);
            $plain = $counted = [];
            $first = $dice->one([1, 6]);
            for ($n = 0; $n < 7; ++$n) {
                $plain[] = $dice->one(self::GIVEN).' '.$dice->one(self::FAMILY);
                $counted[] = ($first + $n).$dice->one(["\t", ' ; ', ', ']).$plain[$n];
            }
            $mixed = $dice->chance(50) ? array_reverse($counted) : $counted;
            $whom = self::taken(implode("\n", $mixed), $directory);
            self::assertEqualsCanonicalizing(self::taken(implode("\n", $plain), $directory), $whom);
        });
    }

    /** @return iterable<string, array{string, list<string>}> line => outcomes with whom they mean, in order */
    public static function lines(): iterable
    {
        yield 'a family name for two' => ['Ilse & Vito Haverbeke', ['match ilse', 'match vito']];
        yield 'joined by a word, family name first' => ['Haverbeke, Ilse and Vito', ['match ilse', 'match vito']];
        yield 'two names' => ['Ilse Haverbeke, Ana Luz', ['match ilse', 'match ana']];
        yield 'two names, family name first' => ['Haverbeke, Ilse; Luz, Ana', ['match ilse', 'match ana']];
        yield 'one of them nobody knows' => ['Ilse Haverbeke / Zora Luz', ['match ilse', 'unknown ']];
        yield 'names and numbers' => ['Ilse Haverbeke 2041036 2041010', ['match ilse', 'match ana']];
        yield 'a number and the name of another' => ['2041036, Ana Luz', ['choose ilse ana']];
        yield 'their own number' => ['2041010; Ana Luz; ana@example.org', ['match ana']];
        yield 'two side by side' => ['Ilse Haverbeke → Ana Luz', ['choose ana ilse']];
        yield 'one for another' => ['Ilse Haverbeke instead of Ana Luz', ['match ilse']];
        yield 'the other way round' => ['Ana Luz replaced by Ilse Haverbeke', ['choose ana ilse']];
        yield 'whose sister' => ['Ilse Haverbeke (sister of Vito Haverbeke)', ['match ilse']];
        yield 'not coming' => ['Ilse Haverbeke – not coming', ['choose ilse']];
        yield 'struck out' => ['~~Ilse Haverbeke~~', ['choose ilse']];
        yield 'left out' => ['without Ilse Haverbeke', ['choose ilse']];
        yield 'a name of the passport' => ['Ilsebill Haverbeke', ['match ilse']];
        yield 'another script' => ['Илзе Хавербеке', ['match ilse']];
        yield 'a stage name' => ['Nova Lark', ['match ana']];
        yield 'a private address' => ['Ana Luz <mum@home.example>', ['match ana']];
        yield 'a login before another @' => ['a.luz@elsewhere.example', ['choose ana']];
        yield 'letters of another encoding' => ['JoÃ£o LÃ³pez', ['match joao']];
        yield 'joined initials' => ['JP López', ['match joao']];
        yield 'an ordinary word' => ['Emily Page', ['match page']];
        yield 'which is a heading elsewhere' => ['Page 3', ['no-person ']];
        yield 'a greeting' => ['Dear Ana Luz,', ['no-person ']];
        yield 'the name of a column' => ["Name\tNumber", ['no-person ']];
        yield 'a relation that is somebody\'s name' => ['Vito Haverbeke, son of Ilse Haverbeke', ['match vito']];
        yield 'a family name of their own is lent none' => ['Zora Lark & Ilse Haverbeke', ['unknown ', 'match ilse']];
        yield 'a letter is no more of another name' => ['Ilse Haverbeke, needs a chair', ['match ilse']];
        yield 'what is left of a particle' => ['Sylvain Aubigny', ['match syl']];
        yield 'a given name that is a particle' => ['Van Pham', ['match van']];
        yield 'capitals that are letters' => ['HA Dorn', ['match dorn']];
        yield 'numbers with a stroke between them' => ['2041036/2041010', ['match ilse', 'match ana']];
        yield 'with a plus between them' => ['2041036+2041010', ['match ilse', 'match ana']];
        yield 'names with a point between them' => ['Ilse Haverbeke · Ana Luz', ['match ilse', 'match ana']];
        yield 'particles of one letter' => ['Saskia Veld', ['match veld']];
        yield 'given names of two names' => ['Ana Nova Luz', ['match ana']];
        yield 'which somebody else has, who is not wanted' => ['Jun Nova Quarry', ['choose guardian jun']];
        yield 'a telephone number' => ['Ana Luz 0171 5550123', ['match ana']];
    }

    /** @param list<string> $expected */
    #[DataProvider('lines')]
    public function testALineIsReadAsPeopleMeanIt(string $line, array $expected): void
    {
        $said = array_map(
            static fn(Reading $each): string => $each->outcome->value.' '.implode(
                ' ',
                array_map(static fn($one): string => $one->known->person->id, $each->candidates),
            ),
            self::readings($line, self::few()),
        );
        self::assertSame($expected, $said);
    }

    public function testItIsSaidWhyALineIsAskedAbout(): void
    {
        $doubt = static fn(string $line): ?Doubt => self::readings($line, self::few())[0]->doubt;
        self::assertSame(Doubt::NotComing, $doubt('Ana Luz (excused)'));
        self::assertSame(Doubt::OneOfTwo, $doubt('Ana Luz → Ilse Haverbeke'));
        self::assertSame(Doubt::TwoPeople, $doubt('2041036 Ana Luz'));
        self::assertSame(Doubt::SaysOtherwise, $doubt('Ana Luz (level 2)'));
        self::assertNull($doubt('Ana Luz'));
    }

    public function testWhatIsNotTheirsBesideANameIsSaid(): void
    {
        $not = static fn(string $line): array => self::readings($line, self::few())[0]->notTheirs();
        self::assertSame(['mum@home.example'], $not('Ana Luz <mum@home.example>'));
        self::assertSame(['2049990'], $not('Ana Luz; 204 9990'));
        self::assertSame([], $not('2041010; Ana Luz; ana@example.org'));
        self::assertSame(['2049990'], $not('A. Luz 2049990'));
        self::assertSame([], $not('2041036, Ana Luz'));
        self::assertSame([], $not('Nobody Known <mum@home.example>'));
    }

    /** A letter and a family name are too little beside a number of somebody else. */
    public function testInitialsBesideANumberThatIsNotTheirsAreAskedAbout(): void
    {
        self::assertSame(['ana'], self::taken('A. Luz', self::few()));
        self::assertSame([], self::taken('A. Luz 2049990', self::few()));
    }

    public function testALineIsReadAsSomebodySaysByHand(): void
    {
        $whom = static fn(string $text, Hand $hand): array => self::taken($text, self::few(), $hand);
        $line = 'Ilse & Vito Haverbeke';
        self::assertSame([], $whom($line, new Hand(lines: [$line => new HandLine(one: true)])));
        $line = 'Ilse Haverbeke Ana Luz';
        self::assertSame([], $whom($line, new Hand()));
        self::assertSame(['ilse', 'ana'], $whom($line, new Hand(lines: [$line => new HandLine(cuts: [2])])));
        $remark = new HandLine(words: [2 => Column::Remark, 3 => Column::Remark]);
        self::assertSame(['ilse'], $whom($line, new Hand(lines: [$line => $remark])));
        $list = "Luz; Ana; Ilse Haverbeke\nHaverbeke; Vito; Ana Luz";
        self::assertSame(['ana', 'vito'], $whom($list, new Hand([2 => Column::Remark])));
        $line = 'Ana Luz';
        $turned = new HandLine(words: [0 => Column::Family, 1 => Column::Given]);
        self::assertSame([], $whom($line, new Hand(lines: [$line => $turned])));
        $meant = new Hand(lines: ['Page 3' => new HandLine(meant: true)]);
        self::assertSame(Outcome::Unknown, self::readings('Page 3', self::few(), $meant)[0]->outcome);
    }

    /** @return list<Known> */
    private static function few(): array
    {
        return [
            self::known('ilse', 'Ilse', 'Haverbeke', 7, ['2041036', 'ilse@example.org'], [
                KnownName::of(NameKind::Passport, 'Ilsebill', ''),
                KnownName::of(NameKind::Script, 'Илзе', 'Хавербеке'),
            ]),
            self::known('vito', 'Vito', 'Haverbeke', 7, ['2041044']),
            self::known('ana', 'Ana', 'Luz', 7, ['2041010', 'ana@example.org', 'a.luz'], [
                KnownName::of(NameKind::Stage, 'Nova', 'Lark'),
            ]),
            self::known('joao', 'João Pedro', 'López', 7),
            self::known('page', 'Emily', 'Page', 7),
            self::known('syl', 'Sylvain', "d'Aubigny", 7),
            self::known('van', 'Van Nhung', 'Pham', 7),
            self::known('son', 'Son', 'Aebi', 7),
            self::known('dorn', 'Hans Adam', 'Dorn', 7),
            self::known('ha', 'Jun', 'Ha', 7),
            self::known('veld', 'Saskia', "in 't Veld", 10),
            self::known('jun', 'Jun', 'Quarry', 7, [], [KnownName::of(NameKind::Passport, 'Nova', '')]),
            self::known('guardian', 'Jun Nova', 'Quarry', null, [], [], PersonKind::Guardian),
        ];
    }

    /** @return non-empty-list<Known> */
    private static function directory(Dice $dice, int $size): array
    {
        $directory = [self::known('p0', $dice->one(self::GIVEN), $dice->one(self::FAMILY), $dice->one([7, 10]))];
        for ($n = 1; $n < $size; ++$n) {
            $given = $dice->one(self::GIVEN).($dice->chance(30) ? ' '.$dice->one(self::GIVEN) : '');
            $directory[] = self::known("p$n", $given, $dice->one(self::FAMILY), $dice->one([7, 7, 10]));
        }

        return $directory;
    }

    /**
     * @param list<string>    $identifiers
     * @param list<KnownName> $further
     */
    private static function known(
        string $id,
        string $given,
        string $family,
        ?int $level,
        array $identifiers = [],
        array $further = [],
        PersonKind $kind = PersonKind::Learner,
    ): Known {
        return new Known(
            new Person($id, $kind, 'seniors', $level),
            Folding::tokens($given),
            Folding::tokens($family),
            [],
            $further,
            $identifiers,
        );
    }

    /**
     * @param list<Known> $directory
     *
     * @return list<string> whom lines are taken for, each once
     */
    private static function taken(string $text, array $directory, Hand $hand = new Hand()): array
    {
        $matches = array_filter(
            self::readings($text, $directory, $hand),
            static fn(Reading $each): bool => Outcome::Match === $each->outcome,
        );

        return array_values(
            array_map(static fn(Reading $each): string => $each->candidates[0]->known->person->id, $matches),
        );
    }

    /**
     * @param list<Known> $directory
     *
     * @return list<Reading>
     */
    private static function readings(string $text, array $directory, Hand $hand = new Hand()): array
    {
        $numbers = Rules::first([], ['seniors'])->numbers;
        $lines = (new PastedText($numbers))->lines($text, hand: $hand);
        $for = new Circumstances(new Site('s', 'seniors', new LevelBand(6, 8)), [PersonKind::Learner], now: 100);

        return (new Matcher($numbers, Evaluation::wording($lines, $directory)))->read($lines, $directory, $for);
    }
}
