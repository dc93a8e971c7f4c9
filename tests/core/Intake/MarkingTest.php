<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Intake;

use MintDoor\Core\Intake\Candidate;
use MintDoor\Core\Intake\Circumstances;
use MintDoor\Core\Intake\Known;
use MintDoor\Core\Intake\Mark;
use MintDoor\Core\Intake\Marking;
use MintDoor\Core\Intake\MarkKind;
use MintDoor\Core\Intake\Matcher;
use MintDoor\Core\Intake\PastedText;
use MintDoor\Core\Intake\Reading;
use MintDoor\Core\People\Person;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Roles\Rules;
use MintDoor\Core\Sites\LevelBand;
use MintDoor\Core\Sites\Site;
use MintDoor\Core\Text\Folding;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class MarkingTest extends TestCase
{
    /** @return iterable<string, array{string, string}> line => its pieces with the first letter of their kind */
    public static function lines(): iterable
    {
        yield 'a name' => ['Ilse Haverbeke', 'n:Ilse n:Haverbeke'];
        yield 'a name and a number' => ['2041036 Haverbeke, Ilse', 'u:2041036 n:Haverbeke n:Ilse'];
        yield 'a number in groups' => ['Ilse Haverbeke | 204 1036', 'n:Ilse n:Haverbeke u:204 u:1036'];
        yield 'a name and an address' => [
            'Ilse Haverbeke <ilse@example.org>',
            'n:Ilse n:Haverbeke a:ilse@example.org',
        ];
        yield 'numbering, a title and a remark' => [
            '3. Ms Ilse Haverbeke (late)',
            'i:3. i:Ms n:Ilse n:Haverbeke r:late',
        ];
        yield 'a row with a level and a division' => [
            "Haverbeke\tIlse\tseniors\t7",
            'n:Haverbeke n:Ilse f:seniors f:7',
        ];
        yield 'two people' => ['Ilse & Vito Haverbeke', 'n:Ilse n:Vito n:Haverbeke'];
        yield 'somebody nobody knows' => ['Zoë Quill', 'n:Zoë n:Quill'];
        yield 'nobody' => ['Dear all,', 'i:Dear all,'];
    }

    #[DataProvider('lines')]
    public function testEachPieceSaysWhatItWasTakenFor(string $line, string $expected): void
    {
        [$readings, $marking] = self::read([$line], self::haverbekes());
        $letters = [MarkKind::Number->value => 'u'];
        $said = array_map(
            static fn(Mark $mark): string => null === $mark->kind
                ? ''
                : ($letters[$mark->kind->value] ?? $mark->kind->value[0]).':'.$mark->text,
            $marking->of($readings[0]),
        );
        self::assertSame($expected, implode(' ', array_filter($said)));
    }

    /** On thousands of lines of every kind: nothing is lost, and no word that was read goes unmarked. */
    public function testThePiecesAreTheLineAndNoWordOfItIsSwallowed(): void
    {
        $set = new EvaluationSet(900);
        $directory = $set->directory();
        $checked = 0;
        foreach (array_chunk($set->lines(12), 150) as $chunk) {
            [$readings, $marking] = self::read(array_column($chunk, 'text'), $directory);
            foreach ($readings as $reading) {
                $marks = $marking->of($reading);
                self::assertSame($reading->line->text, implode('', array_column($marks, 'text')));
                $read = array_filter(
                    $marks,
                    static fn(Mark $mark): bool => \in_array($mark->kind, [MarkKind::Name, MarkKind::Remark], true),
                );
                $words = Folding::tokens(implode(' ', array_column($read, 'text')));
                $missing = $reading->line->person ? array_diff($reading->line->words, $words) : [];
                self::assertSame([], array_values($missing), $reading->line->text);
                ++$checked;
            }
        }
        self::assertGreaterThan(300, $checked);
    }

    /** @return iterable<string, array{string, list<string>}> line => who may be meant together */
    public static function couples(): iterable
    {
        yield 'a family name for two' => ['Ilse & Vito Haverbeke', ['ilse', 'vito']];
        yield 'joined by a word' => ['Ilse and Vito Haverbeke', ['ilse', 'vito']];
        yield 'two names in full' => ['Ilse Haverbeke / Vito Haverbeke', ['ilse', 'vito']];
        yield 'one of two given names' => ['Ilse Vito Haverbeke', []];
        yield 'one person' => ['Ilse Haverbeke', []];
        yield 'a word that is nobody’s' => ['Ilse & Oona Haverbeke', []];
    }

    /** @param list<string> $expected */
    #[DataProvider('couples')]
    public function testALineThatNamesTwoPeopleOffersBoth(string $line, array $expected): void
    {
        [$readings, $marking] = self::read([$line], self::haverbekes());
        $both = array_map(
            static fn(Candidate $each): string => $each->known->person->id,
            $marking->both($readings[0]) ?? [],
        );
        sort($both);
        self::assertSame($expected, $both);
    }

    /** @return list<Known> */
    private static function haverbekes(): array
    {
        $known = static fn(string $id, string $number): Known => new Known(
            new Person($id, PersonKind::Learner, 'seniors', 7),
            [$id],
            ['haverbeke'],
            [],
            [],
            [$number, $id.'@example.org'],
        );

        return [$known('ilse', '2041036'), $known('vito', '2041044')];
    }

    /**
     * @param list<string> $lines
     * @param list<Known>  $directory
     *
     * @return array{list<Reading>, Marking}
     */
    private static function read(array $lines, array $directory): array
    {
        $numbers = Rules::first([], ['seniors'])->numbers;
        $text = new PastedText($numbers, EvaluationSet::DIVISIONS);
        $read = $text->lines(implode("\n", $lines));
        $wording = Evaluation::wording($read, $directory);
        $site = new Circumstances(new Site('s', 'seniors', new LevelBand(6, 8)));

        return [(new Matcher($numbers, $wording))->read($read, $directory, $site), new Marking($text, $wording)];
    }
}
