<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Intake;

use MintDoor\Core\Intake\Circumstances;
use MintDoor\Core\Intake\Known;
use MintDoor\Core\Intake\Mark;
use MintDoor\Core\Intake\Marking;
use MintDoor\Core\Intake\MarkKind;
use MintDoor\Core\Intake\Matcher;
use MintDoor\Core\Intake\Outcome;
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
            'n:Haverbeke n:Ilse h:seniors h:7',
        ];
        yield 'one of two people' => ['Ilse & Vito Haverbeke', 'n:Ilse n:Haverbeke'];
        yield 'a hint in words' => ['Ilse Haverbeke – level 7', 'n:Ilse n:Haverbeke h:level h:7'];
        yield 'somebody for whom they come' => [
            'Ilse Haverbeke instead of Vito Haverbeke',
            'n:Ilse n:Haverbeke r:instead r:of r:Vito r:Haverbeke',
        ];
        yield 'somebody nobody knows' => ['Zoë Quill', 'n:Zoë n:Quill'];
        yield 'nobody' => ['Dear all,', 'i:Dear i:all'];
    }

    #[DataProvider('lines')]
    public function testEachPieceSaysWhatItWasTakenFor(string $line, string $expected): void
    {
        $readings = self::read([$line], self::haverbekes());
        $letters = [MarkKind::Number->value => 'u'];
        $said = array_map(
            static fn(Mark $mark): string => null === $mark->kind
                ? ''
                : ($letters[$mark->kind->value] ?? $mark->kind->value[0]).':'.$mark->text,
            Marking::of($readings[0]),
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
            $readings = self::read(array_column($chunk, 'text'), $directory);
            foreach ($readings as $reading) {
                $marks = Marking::of($reading);
                self::assertSame($reading->line->text, implode('', array_column($marks, 'text')));
                $read = array_filter(
                    $marks,
                    static fn(Mark $mark): bool => \in_array($mark->kind, [MarkKind::Name, MarkKind::Remark], true),
                );
                $words = Folding::tokens(implode(' ', array_column($read, 'text')));
                $known = array_filter(
                    Folding::tokens($reading->line->text),
                    static fn(string $word): bool => \in_array($word, $reading->line->words, true)
                        && [] !== $reading->candidates
                        && \in_array($word, $reading->candidates[0]->known->names(), true),
                );
                $missing = Outcome::NoPerson === $reading->outcome ? [] : array_diff($known, $words);
                self::assertSame([], array_values($missing), $reading->line->text);
                ++$checked;
            }
        }
        self::assertGreaterThan(300, $checked);
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
     * @return list<Reading>
     */
    private static function read(array $lines, array $directory): array
    {
        $numbers = Rules::first([], ['seniors'])->numbers;
        $text = new PastedText($numbers, EvaluationSet::DIVISIONS);
        $read = $text->lines(implode("\n", $lines));
        $wording = Evaluation::wording($read, $directory);
        $site = new Circumstances(new Site('s', 'seniors', new LevelBand(6, 8)));

        return (new Matcher($numbers, $wording))->read($read, $directory, $site);
    }
}
