<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Platform;

use MintDoor\Core\Platform\Detail;
use MintDoor\Core\Platform\DetailReader;
use MintDoor\Core\Platform\DetailType;
use MintDoor\Core\Platform\DetailWanted;
use MintDoor\Core\Platform\Difference;
use MintDoor\Core\Platform\Division;
use MintDoor\Core\Platform\DivisionTree;
use MintDoor\Core\Platform\FieldDifference;
use MintDoor\Core\Platform\Settings;
use MintDoor\Core\Platform\SettingsChange;
use MintDoor\Core\Platform\SettingsLaws;
use MintDoor\Core\Platform\SettingsProblem;
use MintDoor\Core\Platform\SettingsUse;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class DetailTest extends TestCase
{
    #[DataProvider('typed')]
    public function testWhatIsTypedIsKept(DetailType $type, string $typed, ?string $kept, ?string $problem): void
    {
        $value = self::detail($type)->read($typed);
        self::assertSame([$kept, $problem], [$value->text, $value->problem]);
    }

    /** @return iterable<string, array{DetailType, string, ?string, ?string}> */
    public static function typed(): iterable
    {
        foreach (
            [
                [DetailType::Text, "  a \t b\n", 'a b', null],
                [DetailType::Text, "\u{200B} ", null, null],
                [DetailType::Text, str_repeat('é', Detail::LONGEST), str_repeat('é', Detail::LONGEST), null],
                [DetailType::Text, str_repeat('é', Detail::LONGEST + 1), null, 'too-long'],
                [DetailType::Text, "\xFF", '?', null],
                [DetailType::Choice, 'VIOLA d’amore', 'Viola d’amore', null],
                [DetailType::Choice, 'cello', 'Cello', null],
                [DetailType::Choice, 'cell', null, 'not-a-choice'],
                [DetailType::Choice, '—', null, 'not-a-choice'],
                [DetailType::Date, '2027-02-28', '2027-02-28', null],
                [DetailType::Date, '2027-2-3', '2027-02-03', null],
                [DetailType::Date, '3.2.2027', '2027-02-03', null],
                [DetailType::Date, '03. 02. 2027', '2027-02-03', null],
                [DetailType::Date, '29.2.2027', null, 'not-a-day'],
                [DetailType::Date, '2028-02-29', '2028-02-29', null],
                [DetailType::Date, '3/2/2027', null, 'not-a-day'],
                [DetailType::Date, '0000-01-01', null, 'not-a-day'],
                [DetailType::Number, '007', '7', null],
                [DetailType::Number, '1,50', '1.5', null],
                [DetailType::Number, '−0.0', '0', null],
                [DetailType::Number, '-2', '-2', null],
                [DetailType::Number, '1.234,5', null, 'not-a-number'],
                [DetailType::Number, '1e9', null, 'not-a-number'],
                [DetailType::Number, str_repeat('9', 13), null, 'not-a-number'],
            ] as [$type, $typed, $kept, $problem]
        ) {
            yield $type->value.' '.mb_scrub(mb_substr($typed, 0, 30)).' '.mb_strlen($typed) => [
                $type,
                $typed,
                $kept,
                $problem,
            ];
        }
    }

    /** Whatever is understood is read the same again, and compares as it is ordered. */
    public function testWhatIsKeptIsReadTheSameAgain(): void
    {
        mt_srand(20_270_131);
        $signs = str_split('0123456789.-, aZé/');
        foreach (DetailType::cases() as $type) {
            $detail = self::detail($type);
            $understood = 0;
            for ($n = 0; $n < 3_000; ++$n) {
                $typed = match (mt_rand(0, 3)) {
                    0 => \sprintf('%04d-%02d-%02d', mt_rand(1900, 2100), mt_rand(1, 13), mt_rand(1, 32)),
                    1 => mt_rand(-999, 999).'.'.mt_rand(0, 9_999),
                    2 => ['cello', 'VIOLA d’amore', 'Violas'][mt_rand(0, 2)],
                    default => implode('', array_map(
                        static fn(): string => $signs[mt_rand(0, \count($signs) - 1)],
                        range(1, 6),
                    )),
                };
                $value = $detail->read($typed);
                if (null === $value->text) {
                    continue;
                }
                ++$understood;
                self::assertEquals($value, $detail->read($value->text), $typed);
            }
            self::assertGreaterThan(400, $understood, $type->value);
        }
    }

    public function testDaysAndNumbersCompareByAmount(): void
    {
        $date = self::detail(DetailType::Date);
        $number = self::detail(DetailType::Number);
        self::assertLessThan($date->read('1.1.2027')->amount, $date->read('2026-12-31')->amount);
        self::assertLessThan($number->read('10')->amount, $number->read('9,5')->amount);
        self::assertNull(self::detail(DetailType::Text)->read('10')->amount);
    }

    public function testPeopleAreNarrowedDownByWhatAnAddressSays(): void
    {
        $details = [
            self::detail(DetailType::Choice),
            new Detail('mark', 'Mark', DetailType::Number),
            new Detail('ends', 'Ends', DetailType::Date),
        ];
        $said = static fn(string $asked): ?array => null === ($all = DetailWanted::all($asked, $details))
            ? null
            : array_map(
                static fn(DetailWanted $each): array => [$each->detail->code, $each->text, $each->from, $each->until],
                $all,
            );
        self::assertSame([], $said(''));
        self::assertSame([['detail', 'Cello', null, null]], $said('detail=cello'));
        self::assertSame([['detail', 'Viola d’amore', null, null]], $said('detail=viola+d%E2%80%99amore'));
        self::assertSame([['mark', null, 10.0, 15.5]], $said('mark=10..15.5'));
        self::assertSame([['mark', null, 10.0, 10.0]], $said('mark=10'));
        self::assertSame(
            [['ends', null, null, 20_270_131.0], ['detail', 'Cello', null, null]],
            $said('ends=..2027-01-31&detail=Cello'),
        );
        $nobodies = ['detail=', 'detail', 'other=1', 'mark=..', 'mark=x..2', 'ends=2027', '&', 'detail=drum'];
        $nobodies[] = 'mark=1&mark=1';
        foreach ($nobodies as $nobody) {
            self::assertNull($said($nobody), $nobody);
        }
    }

    public function testWhoSeesAndChangesIsSaidOfEach(): void
    {
        $detail = new Detail('a1', 'A', kinds: ['staff'], seenBy: [DetailReader::Themselves]);
        self::assertTrue($detail->isOf('staff'));
        self::assertFalse($detail->isOf('learner'));
        self::assertTrue((new Detail('a1', 'A'))->isOf('learner'));
        self::assertSame([true, false], array_map($detail->isSeenBy(...), array_reverse(DetailReader::cases())));
        self::assertSame([false, false], array_map($detail->isChangedBy(...), DetailReader::cases()));
    }

    #[DataProvider('slips')]
    public function testDetailsKeepTheLaws(Detail $detail, string $expected, SettingsUse $use): void
    {
        $before = self::settings([new Detail('d1', 'Instrument', DetailType::Choice, ['Viola', 'Cello'])]);
        $problems = array_map(
            static fn(SettingsProblem $each): string => $each->where.' '.$each->code,
            SettingsLaws::check(
                $before,
                self::settings([$detail, new Detail('other', 'Mark')]),
                $use,
                ['en'],
            ),
        );
        self::assertSame('' === $expected ? [] : explode(', ', $expected), $problems);
    }

    /** @return iterable<string, array{Detail, string, SettingsUse}> */
    public static function slips(): iterable
    {
        $held = new SettingsUse(details: ['d1' => ['Viola' => 3]]);
        $choice = DetailType::Choice;
        foreach (
            [
                'sound' => [new Detail('d1', 'Instrument', $choice, ['Viola', 'Cello']), ''],
                'another name' => [new Detail('d1', 'Plays', $choice, ['Viola']), '', $held],
                'no name' => [new Detail('d1', ' '), 'details/0/name no-name'],
                'no letters' => [new Detail('d1', '—!'), 'details/0/name no-name'],
                'long' => [new Detail('d1', str_repeat('a', 41)), 'details/0/name too-long'],
                'two of a name' => [new Detail('d1', 'MARK'), 'details/1/name taken-detail'],
                'two of a code' => [new Detail('other', 'Wish'), 'details/1/name taken-detail'],
                'code' => [new Detail('Ü', 'Wish'), 'details/0/name bad-code'],
                'signs' => [new Detail('d1', 'a;b'), 'details/0/name label-signs'],
                'people' => [new Detail('d1', 'Wish', kinds: ['robot']), 'details/0/kinds no-such-people'],
                'unseen' => [
                    new Detail('d1', 'Wish', seenBy: [], changedBy: [DetailReader::Staff]),
                    'details/0/changedBy changed-unseen',
                ],
                'no choices' => [new Detail('d1', 'Wish', $choice), 'details/0/choices no-choices'],
                'same choice' => [
                    new Detail('d1', 'Wish', $choice, ['Oui', 'OUI', '—']),
                    'details/0/choices/1 taken-choice, details/0/choices/2 taken-choice',
                ],
                'type in use' => [new Detail('d1', 'Wish', DetailType::Date), 'details/0/type detail-in-use', $held],
                'type free' => [new Detail('d1', 'Wish', DetailType::Date), ''],
                'choice in use' => [
                    new Detail('d1', 'Wish', $choice, ['Cello']),
                    'details/0/choices choice-in-use',
                    $held,
                ],
            ] as $name => $each
        ) {
            yield $name => [$each[0], $each[1], $each[2] ?? new SettingsUse()];
        }
    }

    public function testAChangeSaysWhichDetailsBecomeOtherwise(): void
    {
        $one = new Detail('d1', 'One');
        $two = new Detail('d2', 'Two');
        $seen = new Detail('d1', 'One', seenBy: [DetailReader::Staff, DetailReader::Themselves]);
        self::assertSame(['detail Two made'], self::differences([$one], [$one, $two]));
        self::assertSame(['detail One gone'], self::differences([$one, $two], [$two]));
        self::assertSame(['details  changed'], self::differences([$one, $two], [$two, $one]));
        self::assertSame(
            ['detail One changed seenBy: staff → staff, themselves'],
            self::differences([$one], [$seen]),
        );
        self::assertSame([], self::differences([$one], [$one]));
    }

    /**
     * @param list<Detail> $before
     * @param list<Detail> $after
     *
     * @return list<string>
     */
    private static function differences(array $before, array $after): array
    {
        return array_map(
            static fn(Difference $each): string => rtrim("$each->of $each->which $each->how ".implode(' ', array_map(
                static fn(FieldDifference $field): string => "$field->field: $field->before → $field->after",
                $each->fields,
            ))),
            (new SettingsChange(self::settings($before), self::settings($after)))->differences(),
        );
    }

    private static function detail(DetailType $type): Detail
    {
        return new Detail('detail', 'Detail', $type, ['Viola d’amore', 'Cello']);
    }

    /** @param list<Detail> $details */
    private static function settings(array $details): Settings
    {
        return new Settings(
            'Mint',
            new DivisionTree([new Division('all', 'All')]),
            [],
            [],
            details: $details,
        );
    }
}
