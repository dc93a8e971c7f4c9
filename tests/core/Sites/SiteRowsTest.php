<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Sites;

use MintDoor\Core\Sites\SiteDraft;
use MintDoor\Core\Sites\SiteRows;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class SiteRowsTest extends TestCase
{
    public function testARowInTheUsualOrder(): void
    {
        $draft = self::read(
            "Harmony for beginners\thfb\tcourse\tMillrace Seniors\tWinter 2027\t6-8\t24\tMara Lindqvist, S20411 and "
                .'Jun Okafor',
        )[0];
        self::assertSame(
            [
                'Harmony for beginners',
                'HFB',
                'course',
                'seniors',
                'winter',
                6,
                8,
                24,
                ['Mara Lindqvist', 'S20411', 'Jun Okafor'],
                [],
            ],
            [
                $draft->title,
                $draft->code,
                $draft->kind,
                $draft->division,
                $draft->term,
                $draft->lowest,
                $draft->highest,
                $draft->seats,
                $draft->leads,
                $draft->problems,
            ],
        );
    }

    public function testAFirstRowNamesTheColumnsInAnyOrder(): void
    {
        $draft = self::read("Seats;Title;Lead tutors;Levels\n12;\"Song; and speech\";Bo Ruiz;7")[0];
        self::assertSame(
            [2, 12, 'Song; and speech', ['Bo Ruiz'], 7, 7, 'seniors', 'autumn', 'course'],
            [
                $draft->number,
                $draft->seats,
                $draft->title,
                $draft->leads,
                $draft->lowest,
                $draft->highest,
                $draft->division,
                $draft->term,
                $draft->kind,
            ],
        );
    }

    public function testCodesAreMadeFromTitlesAndAreNeverTheSame(): void
    {
        self::assertSame(
            ['HFB', 'HFB-2', 'CHOI', 'ET-2'],
            array_map(
                static fn(SiteDraft $draft): string => $draft->code,
                self::read("Harmony for beginners\nHarmony for bassoons\n\nChoir\nEar Training 2"),
            ),
        );
    }

    /** @param list<string> $fields */
    #[TestWith([';X;;;;;;', ['title']])]
    #[TestWith(['A;X;parade;;;;;', ['kind']])]
    #[TestWith(['A;X;Evening club;;;;;', []])]
    #[TestWith(['A;X;CLUB;;;;;', []])]
    #[TestWith(['A;X;;Nowhere;Someday;;;', ['division', 'term']])]
    #[TestWith(['A;X;;;;high;many;', ['levels', 'seats']])]
    public function testWhatIsNotUnderstoodIsNamedByItsField(string $row, array $fields): void
    {
        self::assertSame($fields, array_column(self::read($row)[0]->problems, 'field'));
    }

    public function testWithoutADefaultADivisionIsAskedFor(): void
    {
        self::assertSame(
            [['field' => 'division', 'code' => 'missing']],
            (new SiteRows(['course' => 'Course'], [], ['autumn' => 'Autumn'], '', 'autumn'))->read('A')[0]->problems,
        );
    }

    /** @return list<SiteDraft> */
    private static function read(string $text): array
    {
        return (new SiteRows(
            ['course' => 'Course', 'club' => 'Evening club'],
            ['seniors' => 'Millrace Seniors', 'evening' => 'Northlight'],
            ['autumn' => 'Autumn 2026', 'winter' => 'Winter 2027'],
            'seniors',
            'autumn',
        ))->read($text);
    }
}
