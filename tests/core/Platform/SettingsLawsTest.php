<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Platform;

use MintDoor\Core\Platform\DaysOff;
use MintDoor\Core\Platform\Division;
use MintDoor\Core\Platform\DivisionTree;
use MintDoor\Core\Platform\Letterhead;
use MintDoor\Core\Platform\Levels;
use MintDoor\Core\Platform\Look;
use MintDoor\Core\Platform\MailCarrier;
use MintDoor\Core\Platform\MailSecurity;
use MintDoor\Core\Platform\MailServer;
use MintDoor\Core\Platform\Registration;
use MintDoor\Core\Platform\RegistrationFor;
use MintDoor\Core\Platform\Settings;
use MintDoor\Core\Platform\SettingsChange;
use MintDoor\Core\Platform\SettingsLaws;
use MintDoor\Core\Platform\SettingsProblem;
use MintDoor\Core\Platform\SettingsUse;
use MintDoor\Core\Platform\Term;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class SettingsLawsTest extends TestCase
{
    public function testASchoolKeepsTheLaws(): void
    {
        self::assertSame([], self::problems(self::school()));
    }

    public function testSoDoesACompanyWithoutLevelsAndTerms(): void
    {
        $company = new Settings(
            'Brightwater Training',
            new DivisionTree([new Division('company', 'Brightwater', levels: new Levels(1, []))]),
            [],
            [],
        );
        self::assertSame([], SettingsLaws::check($company, $company, new SettingsUse(), ['en']));
    }

    /** @return iterable<string, array{string, string, Settings, 3?: SettingsUse}> where, what, and what brings it */
    public static function slips(): iterable
    {
        $with = self::with(...);
        $division = static fn(mixed ...$other): Settings => $with(new Division(...[
            'code' => 'upper',
            'name' => 'Upper School',
            'parent' => 'school',
            ...$other,
        ]));
        $more = static fn(mixed ...$other): Settings => new Settings(
            ...[...get_object_vars(self::school()), ...$other]
        );
        $mail = static fn(mixed ...$other): Settings => $more(mail: new MailServer(...[
            'carrier' => MailCarrier::Server,
            'host' => 'mail.elm.example',
            'from' => 'door@elm.example',
            ...$other,
        ]));
        $letter = static fn(mixed ...$other): Settings => $more(letterheads: [new Letterhead(...$other)]);
        $register = static fn(mixed ...$other): Settings => $more(registrations: [
            new Registration(...['division' => 'upper', 'for' => RegistrationFor::Anybody, ...$other]),
        ]);
        yield 'a mark nobody drew' => ['look/mark', 'no-such-glyph', $more(look: new Look('dragon'))];
        yield 'a colour that is none' => ['look/accent', 'no-colour', $more(look: new Look(accent: 'red'))];
        yield 'a colour too pale to read' => ['look/accent', 'too-pale', $more(look: new Look(accent: '#ffd400'))];
        yield 'a server without a name' => ['mail/host', 'no-host', $mail(host: '')];
        yield 'a name that is no server\'s' => ['mail/host', 'not-a-host', $mail(host: "a\nb")];
        yield 'a port there is none of' => ['mail/port', 'out-of-range', $mail(port: 0)];
        yield 'messages from nobody' => ['mail/from', 'no-address', $mail(from: '')];
        yield 'messages from two' => ['mail/from', 'not-an-address', $mail(from: "a@elm.example\r\nBcc: b@c.d")];
        yield 'an open connection outside' => ['mail/security', 'open-outside', $mail(security: MailSecurity::None)];
        yield 'half of quiet hours' => ['letterheads/0/quietUntil', 'half-quiet', $letter(quietFrom: '21:00')];
        $late = $letter(quietFrom: '25:00', quietUntil: '07:00');
        yield 'no time of day' => ['letterheads/0/quietFrom', 'not-a-time', $late];
        yield 'a sender of two lines' => ['letterheads/0/sender', 'one-line', $letter(sender: "A\nB")];
        yield 'answers to nobody' => ['letterheads/0/replyTo', 'not-an-address', $letter(replyTo: 'office')];
        yield 'two for everybody' => [
            'letterheads/1/division',
            'taken-letterhead',
            $more(letterheads: [new Letterhead(), new Letterhead()]),
        ];
        $none = $register(for: RegistrationFor::Domains);
        yield 'domains without one' => ['registrations/0/domains', 'no-domain', $none];
        yield 'a domain that is none' => ['registrations/0/domains', 'not-a-domain', $register(domains: ['elm'])];
        yield 'a number one gives oneself' => [
            'registrations/0/asks',
            'asks-unapproved',
            $register(approved: false, asks: ['number']),
        ];
        yield 'registering where nothing is' => [
            'registrations/0/division',
            'no-such-division',
            $register(division: 'moon'),
        ];
        yield 'a platform nobody can name' => ['name', 'no-name', self::school(name: ' ')];
        yield 'a name without an end' => ['name', 'too-long', self::school(name: str_repeat('x', 121))];
        yield 'no division' => ['divisions', 'no-division', self::school([], terms: [], daysOff: [])];
        yield 'only retired ones' => [
            'divisions',
            'no-division',
            self::school([new Division('school', 'School', retired: true)], terms: [], daysOff: []),
        ];
        yield 'a division nobody can name' => ['divisions/upper/name', 'no-name', $division(name: '')];
        yield 'two of one name side by side' => [
            'divisions/upper/name',
            'taken-name',
            $division(name: 'LOWER school'),
        ];
        yield 'a code nobody can type' => [
            'divisions/Upper School/code',
            'bad-code',
            $with(new Division('Upper School', 'Upper')),
        ];
        yield 'below one that is none' => ['divisions/upper/parent', 'no-such-division', $division(parent: 'moon')];
        yield 'below itself' => ['divisions/upper/parent', 'ring', $division(parent: 'upper')];
        yield 'a ring' => ['divisions/school/parent', 'ring', $with(new Division('school', 'School', 'upper'))];
        yield 'below a retired one' => [
            'divisions/upper/parent',
            'parent-retired',
            $with(new Division('school', 'School', retired: true)),
        ];
        yield 'retired while others are below' => [
            'divisions/school/retired',
            'divisions-below',
            $with(new Division('school', 'School', retired: true)),
        ];
        $retired = $division(retired: true);
        yield 'retired with people' => [
            'divisions/upper/retired',
            'division-in-use',
            $retired,
            new SettingsUse(people: ['upper' => 3]),
        ];
        yield 'retired with sites' => [
            'divisions/upper/retired',
            'division-in-use',
            $retired,
            new SettingsUse(sites: ['upper' => 1]),
        ];
        yield 'a division that goes' => [
            'divisions/upper',
            'division-stays',
            self::school([new Division('school', 'School'), new Division('lower', 'Lower School', 'school')]),
            new SettingsUse(traces: ['upper' => 1]),
        ];
        yield 'a language nobody wrote' => ['divisions/upper/language', 'no-such-language', $division(language: 'sv')];
        yield 'a clock nobody has' => ['divisions/upper/timeZone', 'no-such-zone', $division(timeZone: 'Moon/Base')];
        yield 'a welcome like a book' => [
            'divisions/upper/welcome',
            'too-long',
            $division(welcome: str_repeat('x', 2_001)),
        ];
        $levels = static fn(int $first, string ...$names): Settings => $division(
            levels: new Levels($first, array_values($names)),
        );
        yield 'levels below the ground' => ['divisions/upper/levels', 'off-the-ladder', $levels(0, 'Cellar')];
        yield 'levels above the ladder' => ['divisions/upper/levels', 'off-the-ladder', $levels(39, 'a', 'b', 'c')];
        yield 'a level nobody can name' => ['divisions/upper/levels/1', 'no-name', $levels(7, 'Year 7', '')];
        yield 'two levels of one name' => ['divisions/upper/levels/1', 'taken-name', $levels(7, 'Year 7', 'year  7')];
        yield 'a level that people have goes' => [
            'divisions/upper/levels',
            'level-in-use',
            $levels(7, 'Year 7'),
            new SettingsUse(levels: ['upper' => [7 => 20, 8 => 4]]),
        ];
        yield 'a level that goes further up the tree' => [
            'divisions/upper/levels',
            'level-in-use',
            $with(new Division('school', 'School', levels: new Levels(1, ['Year 1']))),
            new SettingsUse(levels: ['upper' => [8 => 4]]),
        ];
        $term = static fn(
            string $from,
            string $until,
            ?string $of = null,
            string $code = 't',
        ): Settings => self::school(
            terms: [new Term('autumn', 'Autumn', '2026-09-01', '2026-12-18'), new Term(
                $code,
                'Term',
                $from,
                $until,
                $of
            )],
        );
        yield 'a term on no day' => ['terms/t/startsOn', 'not-a-day', $term('2026-02-30', '2026-12-31')];
        yield 'a term that ends before' => ['terms/t/endsOn', 'ends-before', $term('2026-02-03', '2026-02-02')];
        yield 'a term without an end' => ['terms/t/endsOn', 'too-many-days', $term('2026-02-03', '2036-02-02')];
        yield 'a term of nobody' => ['terms/t/division', 'no-such-division', $term('2026-02-03', '2026-02-09', 'moon')];
        yield 'two terms of one code' => [
            'terms/autumn/code',
            'taken-code',
            $term('2026-02-03', '2026-02-09', code: 'autumn'),
        ];
        yield 'a term that sites have goes' => [
            'terms/autumn',
            'term-in-use',
            self::school(terms: []),
            new SettingsUse(terms: ['autumn' => 2]),
        ];
        $off = static fn(string $from, string $until): Settings => self::school(
            daysOff: [new DaysOff('Break', $from, $until)],
        );
        yield 'days off on no day' => ['daysOff/0/until', 'not-a-day', $off('2026-02-01', 'soon')];
        yield 'days off without a day' => ['daysOff/0/from', 'no-day', $off('', '2026-02-01')];
        yield 'days off that end before' => ['daysOff/0/until', 'ends-before', $off('2026-02-03', '2026-02-02')];
        yield 'more than a year off' => ['daysOff/0/until', 'too-many-days', $off('2026-02-03', '2027-02-04')];
    }

    #[DataProvider('slips')]
    public function testWhatDoesNotKeepThemIsSaidAtItsPlace(
        string $where,
        string $code,
        Settings $after,
        SettingsUse $use = new SettingsUse(),
    ): void {
        $found = array_map(
            static fn(SettingsProblem $problem): string => "$problem->where $problem->code",
            self::problems($after, $use),
        );
        self::assertContains("$where $code", $found);
    }

    public function testWhatNothingPointsToMayGo(): void
    {
        $less = self::school([new Division('school', 'School')], terms: [], daysOff: []);
        self::assertSame([], self::problems($less, new SettingsUse(traces: ['school' => 9])));
    }

    public function testAChangeSaysWhatBecomesOtherwise(): void
    {
        self::assertSame([], (new SettingsChange(self::school(), self::school()))->differences());
        $after = self::school(
            [
                new Division('school', 'School', levels: new Levels(1, ['Year 1', 'Year 2'])),
                new Division('lower', 'First School', 'school', true, 'de-DE', 'Europe/Berlin'),
                new Division('upper', 'Upper School', 'school'),
                new Division('evening', 'Evenings'),
            ],
            'Elm House',
            [],
        );
        $said = [];
        foreach ((new SettingsChange(self::school(), $after))->differences() as $each) {
            $fields = array_map(
                static fn($field): string => "$field->field: $field->before > $field->after",
                $each->fields,
            );
            $said[] = trim("$each->of $each->which $each->how ".implode('; ', $fields));
        }
        self::assertSame(
            [
                'platform Elm House changed name: Elm Grove > Elm House',
                'division School changed levels: > Year 1, Year 2',
                'division First School changed name: Lower School > First School',
                'division Evenings made',
                'term Autumn gone',
            ],
            array_map(static fn(string $line): string => str_replace(':  >', ': >', $line), $said),
        );
    }

    public function testDaysOffHoldForWhoeverIsBelow(): void
    {
        $school = self::school(daysOff: [
            new DaysOff('Founders’ day', '2026-10-02', '2026-10-02', 'upper'),
            new DaysOff('Break', '2026-10-12', '2026-10-16', 'school'),
        ]);
        self::assertSame('Founders’ day', $school->offOn('2026-10-02', 'upper'));
        self::assertNull($school->offOn('2026-10-02', 'lower'));
        self::assertNull($school->offOn('2026-10-11', 'lower'));
        self::assertSame('Break', $school->offOn('2026-10-12', 'lower'));
        self::assertSame('Break', $school->offOn('2026-10-16', 'upper'));
        self::assertNull($school->offOn('2026-10-17', 'upper'));
    }

    public function testTermsAreThoseOfADivisionAndOfAll(): void
    {
        $school = self::school(terms: [
            new Term('spring', 'Spring', '2027-01-05', '2027-03-26'),
            new Term('autumn', 'Autumn', '2026-09-01', '2026-12-18'),
            new Term('short', 'Short', '2026-09-01', '2026-10-02', 'upper'),
        ]);
        $codes = static fn(string $of): array => array_map(
            static fn(Term $term): string => $term->code,
            $school->termsOf($of),
        );
        self::assertSame(['autumn', 'short', 'spring'], $codes('upper'));
        self::assertSame(['autumn', 'spring'], $codes('lower'));
    }

    /** @return list<SettingsProblem> */
    private static function problems(Settings $after, SettingsUse $use = new SettingsUse()): array
    {
        return SettingsLaws::check(self::school(), $after, $use, ['en', 'de']);
    }

    private static function with(Division $division): Settings
    {
        $all = array_column(self::school()->divisions->all(), null, 'code');

        return self::school(array_values([...$all, $division->code => $division]));
    }

    /**
     * @param ?list<Division> $divisions
     * @param ?list<Term>     $terms
     * @param ?list<DaysOff>  $daysOff
     */
    private static function school(
        ?array $divisions = null,
        string $name = 'Elm Grove',
        ?array $terms = null,
        ?array $daysOff = null,
    ): Settings {
        return new Settings(
            $name,
            new DivisionTree($divisions ?? [
                new Division('school', 'School'),
                new Division('lower', 'Lower School', 'school', true, 'de-DE', 'Europe/Berlin'),
                new Division('upper', 'Upper School', 'school'),
            ]),
            $terms ?? [new Term('autumn', 'Autumn', '2026-09-01', '2026-12-18')],
            $daysOff ?? [new DaysOff('Holiday', '2026-12-25', '2026-12-26')],
        );
    }
}
