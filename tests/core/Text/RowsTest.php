<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Text;

use Eris\Generators;
use Eris\TestTrait;
use MintDoor\Core\Text\Columns;
use MintDoor\Core\Text\Rows;
use MintDoor\Core\Text\TooMuch;
use MintDoor\Demo\Dice;
use PHPUnit\Framework\TestCase;

final class RowsTest extends TestCase
{
    use TestTrait;

    public function testACellInQuotesMayHoldLineBreaks(): void
    {
        $rows = Rows::of("title;note\nBrass;\"two\nlines\"\n\n\"He said \"\"hi\"\"\";x\r\nLast;y", 10);
        self::assertSame([1, 2, 5, 6], array_keys($rows));
        self::assertSame(['Brass', 'two lines'], Columns::cells($rows[2]));
        self::assertSame(['He said "hi"', 'x'], Columns::cells($rows[5]));
    }

    public function testAStrayQuoteSwallowsNobody(): void
    {
        $rows = Rows::of("6\" nails;a\n\"Bo;b\nCem;c", 10);
        self::assertCount(3, $rows);
        self::assertSame('Cem;c', $rows[3]);
    }

    /** What was written by the rules (RFC 4180) is read as it was written. */
    public function testWhatIsWrittenByTheRulesIsReadBack(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            $dice = new Dice($seed);
            $text = '';
            $written = [];
            for ($row = $dice->between(1, 6); $row > 0; --$row) {
                $cells = ['x'.$row];
                for ($cell = $dice->between(1, 4); $cell > 0; --$cell) {
                    $word = '';
                    for ($n = $dice->between(0, 5); $n > 0; --$n) {
                        $word .= $dice->one(['a', 'b', '"', "\n", ';', ' ', ',']);
                    }
                    $cells[] = $word;
                }
                $written[] = array_map(
                    static fn(string $cell): string => trim((string) preg_replace('/\s+/', ' ', $cell)),
                    $cells,
                );
                $text
                    .= implode(
                        ';',
                        array_map(static fn(string $cell): string => '"'.str_replace('"', '""', $cell).'"', $cells),
                    )."\n";
            }
            self::assertSame($written, array_values(array_map(Columns::cells(...), Rows::of($text, 10))));
        });
    }

    public function testHowMuchIsReadIsSettledBefore(): void
    {
        self::assertCount(3, Rows::of("a\nb\n\n\nc\n", 3));
        foreach (
            [["a\nb\nc\nd", 'too-many', 4], ["a\n".str_repeat('b;', 5_000), 'too-long', 2]] as [$text, $problem, $row]
        ) {
            try {
                Rows::of($text, 3);
                self::fail('It is too much.');
            } catch (TooMuch $much) {
                self::assertSame([$problem, $row], [$much->problem, $much->row]);
            }
        }
    }
}
