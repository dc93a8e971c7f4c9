<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Shared;

use MintDoor\Shared\Cursor;
use MintDoor\Shared\Id;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class CursorTest extends TestCase
{
    public function testAPlaceIsReadBackAsItWasWritten(): void
    {
        $values = ['2026-11-24 09:00:00', Id::NONE, 7, 'Åse, Bø'];
        self::assertSame($values, Cursor::read(Cursor::write('list', $values), 'list', 'duis')?->values);
        self::assertNull(Cursor::read('', 'list', 'd'));
    }

    /** @return iterable<string, array{string}> */
    public static function tampered(): iterable
    {
        yield 'no cursor' => ['nothing'];
        yield 'of another list' => [Cursor::write('other', ['2026-11-24 09:00:00', Id::NONE])];
        yield 'too few' => [Cursor::write('list', [Id::NONE])];
        yield 'no day' => [Cursor::write('list', ['2026-11-24', Id::NONE])];
        yield 'no id' => [Cursor::write('list', ['2026-11-24 09:00:00', '1 OR 1=1'])];
        yield 'a number' => [Cursor::write('list', [1, Id::NONE])];
        yield 'nothing' => [Cursor::write('list', [null, null])];
        yield 'very long' => [base64_encode((string) json_encode(['list', str_repeat('x', 10_000), Id::NONE]))];
    }

    #[DataProvider('tampered')]
    public function testATamperedOneIsSaidToBeUnknown(string $cursor): void
    {
        try {
            Cursor::read($cursor, 'list', 'du');
            self::fail('It is unknown.');
        } catch (Problem $problem) {
            self::assertSame([ProblemType::BadCursor, 422], [$problem->type, $problem->type->status()]);
        }
    }
}
