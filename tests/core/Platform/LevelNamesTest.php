<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Platform;

use MintDoor\Core\Accounts\AccountRows;
use MintDoor\Core\Intake\PastedText;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Platform\Division;
use MintDoor\Core\Platform\DivisionTree;
use MintDoor\Core\Platform\LevelNames;
use MintDoor\Core\Platform\Levels;
use MintDoor\Core\Sites\SiteRows;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class LevelNamesTest extends TestCase
{
    #[TestWith(['Year 1', 'lower', 2])]
    #[TestWith(['reception', 'lower', 1])]
    #[TestWith(['Year 1', 'upper', null])]
    #[TestWith(['Pre-Diploma', 'upper', 9])]
    #[TestWith(['9', 'upper', 9])]
    #[TestWith(['level 9', 'upper', 9])]
    #[TestWith(['1', 'upper', null])]
    #[TestWith(['41', 'evening', null])]
    #[TestWith(['40', 'evening', 40])]
    #[TestWith(['0', 'evening', null])]
    #[TestWith(['3', 'company', null])]
    public function testALevelIsWhatItsDivisionCallsIt(string $text, string $division, ?int $level): void
    {
        self::assertSame($level, self::names()->of($text, $division));
    }

    /** @param ?array{int, int} $run */
    #[TestWith(['Reception to Year 1', 'lower', [1, 2]])]
    #[TestWith(['Year 7 – Pre-Diploma', 'upper', [8, 9]])]
    #[TestWith(['Pre-Diploma', 'upper', [9, 9]])]
    #[TestWith(['Pre-Diploma-Pre-Diploma', 'upper', [9, 9]])]
    #[TestWith(['6-8', 'evening', [6, 8]])]
    #[TestWith(['levels 6 until 8', 'evening', [6, 8]])]
    #[TestWith(['8 to 6', 'evening', [8, 6]])]
    #[TestWith(['all', 'evening', null])]
    #[TestWith(['Year 7 to Year 99', 'upper', null])]
    public function testARunHasTwoEnds(string $text, string $division, ?array $run): void
    {
        self::assertSame($run, self::names()->run($text, $division));
    }

    public function testListsAndFilesAreReadByThem(): void
    {
        $line = (new PastedText([], [], self::names()))->lines("Ada Byron\tYear 7\nBea Byron\tNursery 9")[0];
        self::assertSame([[8], ['ada', 'byron']], [$line->hints[0]->levels, $line->words]);
        $rows = new AccountRows(
            [],
            ['lower' => 'Lower', 'upper' => 'Upper'],
            'upper',
            PersonKind::Learner,
            null,
            self::names()
        );
        $read = $rows->read("Ada Byron;Year 7\nBea Byron;Year 1;Lower\nCem Byron;Year 1");
        self::assertSame([8, 2, null], array_map(static fn($draft): ?int => $draft->level, $read));
        self::assertSame([['field' => 'level', 'code' => 'not-a-level']], $read[2]->problems);
        $sites = new SiteRows(
            ['course' => 'Course'],
            ['upper' => 'Upper'],
            ['t' => 'Term'],
            'upper',
            't',
            self::names()
        );
        $site = $sites->read('Harmony;H;;;;Year 7 to Pre-Diploma')[0];
        self::assertSame([8, 9, []], [$site->lowest, $site->highest, $site->problems]);
    }

    private static function names(): LevelNames
    {
        return new LevelNames(
            new DivisionTree([
                new Division('school', 'School'),
                new Division('lower', 'Lower', 'school', levels: new Levels(1, ['Reception', 'Year 1'])),
                new Division('upper', 'Upper', 'school', levels: new Levels(8, ['Year 7', 'Pre-Diploma'])),
                new Division('evening', 'Evening'),
                new Division('company', 'Company', levels: new Levels(1, [])),
            ]),
        );
    }
}
