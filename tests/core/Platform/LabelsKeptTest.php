<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Platform;

use MintDoor\Core\Platform\Division;
use MintDoor\Core\Platform\DivisionTree;
use MintDoor\Core\Platform\LabelsKept;
use MintDoor\Core\Platform\Settings;
use MintDoor\Core\Platform\SettingsLaws;
use MintDoor\Core\Platform\SettingsProblem;
use MintDoor\Core\Platform\SettingsUse;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class LabelsKeptTest extends TestCase
{
    public function testAnythingMayBeWrittenWhereTheyAreFree(): void
    {
        self::assertSame('whatever', (new LabelsKept())->named('whatever'));
        self::assertSame('whatever', (new LabelsKept(true, ['viola']))->named('whatever'));
    }

    public function testOfAListOneIsFoundHoweverItIsWritten(): void
    {
        $kept = new LabelsKept(false, ['Élève', 'Plays viola', 'viola']);
        self::assertSame(
            ['Élève', 'Plays viola', 'viola', null],
            array_map($kept->named(...), ['ELEVE', ' plays  VIOLA', 'Viola', 'viol']),
        );
    }

    public function testThoseThatBeginWithWhatWasTypedComeFirst(): void
    {
        $kept = new LabelsKept(false, ['Plays viola', 'violin', 'Viola', 'oboe']);
        self::assertSame(['Viola', 'violin', 'Plays viola'], $kept->like('VIO'));
        self::assertSame(['oboe', 'Plays viola', 'Viola', 'violin'], $kept->like(''));
        self::assertSame([], $kept->like('drum'));
    }

    /** @param list<string> $names */
    #[DataProvider('slips')]
    public function testAListKeepsTheLaws(array $names, string $where, string $code): void
    {
        self::assertSame(["$where $code"], self::problems(new LabelsKept(false, $names)));
        self::assertSame([], self::problems(new LabelsKept(true, $names)), 'A list that nobody chooses from.');
    }

    /** @return iterable<string, array{list<string>, string, string}> */
    public static function slips(): iterable
    {
        yield 'none' => [[], 'labels/names', 'no-labels'];
        yield 'an empty one' => [['oboe', ' '], 'labels/names/1', 'no-name'];
        yield 'long' => [[str_repeat('o', 41)], 'labels/names/0', 'too-long'];
        yield 'twice' => [['oboe', 'Óboe'], 'labels/names/1', 'taken-label'];
        yield 'with a comma' => [['oboe, viola'], 'labels/names/0', 'label-signs'];
        yield 'very many' => [
            array_map(static fn(int $n): string => "label $n", range(1, 501)),
            'labels/names',
            'too-many',
        ];
    }

    /** @return list<string> */
    private static function problems(LabelsKept $labels): array
    {
        $tree = new DivisionTree([new Division('school', 'School')]);
        $settings = new Settings('Elm Grove', $tree, [], [], labels: $labels);

        return array_map(
            static fn(SettingsProblem $each): string => "$each->where $each->code",
            SettingsLaws::check($settings, $settings, new SettingsUse(), ['en']),
        );
    }
}
