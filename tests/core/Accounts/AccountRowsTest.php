<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Accounts;

use MintDoor\Core\Accounts\AccountDraft;
use MintDoor\Core\Accounts\AccountRows;
use MintDoor\Core\People\NumberFormat;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Platform\Detail;
use MintDoor\Core\Platform\DetailType;
use MintDoor\Core\Platform\OwnKind;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class AccountRowsTest extends TestCase
{
    #[TestWith([
        "Noor\tHaddad\t7\t2041010\tnoor@example.org",
        ['Noor', 'Haddad', 7, '2041010', 'noor@example.org', 'seniors'],
    ])]
    #[TestWith([
        '2041010; noor@example.org; Haddad, Noor; level 7',
        ['Noor', 'Haddad', 7, '2041010', 'noor@example.org', 'seniors'],
    ])]
    #[TestWith(['Lena van der Meer', ['Lena', 'van der Meer', 6, null, null, 'seniors']])]
    #[TestWith(["Pip\tHalvorsen\tHarbour Juniors\t3", ['Pip', 'Halvorsen', 3, null, null, 'juniors']])]
    #[TestWith([
        'Ana Maria Ruiz,"Noor" <Noor@Example.org>',
        ['Ana Maria', 'Ruiz', 6, null, 'noor@example.org', 'seniors'],
    ])]
    public function testCellsAreTakenForWhatTheyLookLike(string $row, array $expected): void
    {
        $draft = self::read($row)[0];
        self::assertSame([], $draft->problems);
        self::assertSame($expected, [
            $draft->given,
            $draft->family,
            $draft->level,
            $draft->number,
            $draft->email,
            $draft->division,
        ]);
    }

    public function testColumnsMayBeDetailsAndKindsThoseOfThePlatform(): void
    {
        $reader = new AccountRows(
            [],
            ['all' => 'All'],
            'all',
            PersonKind::External,
            details: [
                new Detail('plays', 'Instrument played', DetailType::Choice, ['Viola', 'Cello']),
                new Detail('ends', 'Contract ends', DetailType::Date),
            ],
            kinds: [new OwnKind('alumni', 'Alumna or alumnus', 'external'), new OwnKind('aide', 'Aide', 'staff')],
            own: 'alumni',
        );
        $drafts = $reader->read(
            "Name;Kind;INSTRUMENT PLAYED;Contract ends\nAda Lind;;viola;\nBo Lind;aide;;31.1.2027\n"
                .'Cy Lind;guest;drum;soon',
        );
        self::assertSame(
            [
                [PersonKind::External, 'alumni', ['plays' => 'Viola'], []],
                [PersonKind::Staff, 'aide', ['ends' => '2027-01-31'], []],
                [PersonKind::External, null, [], ['not-a-choice', 'not-a-day']],
            ],
            array_map(
                static fn(AccountDraft $draft): array => [
                    $draft->kind,
                    $draft->ownKind,
                    $draft->details,
                    array_column($draft->problems, 'code'),
                ],
                $drafts,
            ),
        );
        $byLooks = $reader->read("Dee\tLind\tAide")[0];
        self::assertSame([PersonKind::Staff, 'aide'], [$byLooks->kind, $byLooks->ownKind]);
    }

    public function testAFirstRowNamesTheColumns(): void
    {
        [$draft, $staff] = self::read(
            "Surname;First name;Kind;E-mail;Number\nHaddad;Noor;learner;;2041010\n"
                .'Solheim;Inga;teacher;inga@example.org;S20555',
        );
        self::assertSame(
            [2, 'Noor', 'Haddad', PersonKind::Learner, null],
            [$draft->row, $draft->given, $draft->family, $draft->kind, $draft->email],
        );
        self::assertSame(
            [PersonKind::Staff, 'S20555', null, []],
            [$staff->kind, $staff->number, $staff->level, $staff->problems],
        );
    }

    /** @param list<string> $wrong field and code */
    #[TestWith(["Noor\tHaddad\t2041011", ['number check-digit']])]
    #[TestWith(["Noor\tHaddad\tS20555", ['number not-a-number']])]
    #[TestWith(["Inga\tSolheim\tstaff\t7", ['level not-a-learner']])]
    #[TestWith(["Noor\tHaddad\tlevel 99", ['level not-a-level']])]
    #[TestWith(["Noor\tHaddad\tnoor@", ['email not-an-address']])]
    #[TestWith(['Noor', ['name missing']])]
    public function testWhatIsWrongIsSaidByField(string $row, array $wrong): void
    {
        self::assertSame(
            $wrong,
            array_map(
                static fn(array $each): string => $each['field'].' '.$each['code'],
                self::read($row)[0]->problems,
            ),
        );
    }

    public function testColumnsSayWhatIsNotThere(): void
    {
        $problems = self::read("given\tfamily\tkind\tdivision\tlogin\nNoor\tHaddad\twizard\tMoon\ta b")[0]->problems;
        self::assertSame(['kind', 'division', 'login'], array_column($problems, 'field'));
    }

    /**
     * Whatever is pasted, no row is lost but empty ones, and every draft has what the database wants or says what is
     * wrong.
     */
    public function testAnythingAtAllIsReadOrSaidToBeWrong(): void
    {
        mt_srand(11);
        for ($n = 0; $n < 300; ++$n) {
            $text = implode(
                '',
                array_map(
                    static fn(): string => [
                        'Ana',
                        ' ',
                        "\t",
                        ';',
                        ',',
                        '"',
                        "\n",
                        '7',
                        '2041010',
                        '@',
                        'é',
                        "\u{202E}",
                        '{link}',
                        '<b>',
                        'staff',
                    ][mt_rand(0, 14)],
                    range(0, mt_rand(1, 30)),
                ),
            );
            foreach (self::read($text) as $draft) {
                self::assertTrue([] !== $draft->problems || ('' !== $draft->given && '' !== $draft->family));
                self::assertMatchesRegularExpression('/^[a-z0-9.-]+$/', $draft->loginOfName());
            }
        }
    }

    /** @return list<AccountDraft> */
    private static function read(string $text): array
    {
        return (new AccountRows(
            [
                new NumberFormat('Learner number', [PersonKind::Learner], '', 7, true),
                new NumberFormat('Staff number', [PersonKind::Staff], 'S', 5, false),
            ],
            ['seniors' => 'Millrace Seniors', 'juniors' => 'Harbour Juniors'],
            'seniors',
            PersonKind::Learner,
            6,
        ))->read($text);
    }
}
