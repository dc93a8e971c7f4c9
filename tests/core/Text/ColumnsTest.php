<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Text;

use MintDoor\Core\Text\Columns;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class ColumnsTest extends TestCase
{
    /** @param list<string> $cells */
    #[TestWith(["a\tb, c\td;e", ['a', 'b, c', 'd;e']])]
    #[TestWith(['a; b ;"c;d"', ['a', 'b', 'c;d']])]
    #[TestWith(['a,"b ""c""",', ['a', 'b "c"', '']])]
    #[TestWith(['', ['']])]
    public function testTheFirstMarkThereIsPartsTheCells(string $line, array $cells): void
    {
        self::assertSame($cells, Columns::cells($line));
    }

    /**
     * @param list<string>  $cells
     * @param ?list<string> $fields
     */
    #[TestWith([['Surname', 'First name', 'Remarks'], ['family', 'given', '']])]
    #[TestWith([['Surname', 'Remarks', 'Shoe size', 'Colour'], null])]
    #[TestWith([['Surname'], null])]
    #[TestWith([['E-Mail', 'SURNAME'], ['email', 'family']])]
    public function testARowNamesTheColumnsWhenNearlyAllOfItDoes(array $cells, ?array $fields): void
    {
        self::assertSame(
            $fields,
            Columns::named($cells, [
                'given' => ['first name'],
                'family' => ['surname'],
                'email' => ['email', 'e mail'],
            ]),
        );
    }

    #[TestWith(['millrace seniors', 'seniors'])]
    #[TestWith(['SENIORS', 'seniors'])]
    #[TestWith(['Senior', null])]
    #[TestWith(['', null])]
    public function testWhatACellNames(string $typed, ?string $code): void
    {
        self::assertSame(
            $code,
            Columns::among($typed, ['seniors' => 'Millrace Seniors', 'juniors' => 'Harbour Juniors']),
        );
    }
}
