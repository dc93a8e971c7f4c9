<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Accounts;

use Eris\Generators;
use Eris\TestTrait;
use MintDoor\Core\Accounts\AccountDraft;
use MintDoor\Core\Accounts\AccountLine;
use MintDoor\Core\Accounts\AccountPlan;
use MintDoor\Core\Changes\Verdict;
use MintDoor\Core\Intake\Candidate;
use MintDoor\Core\Intake\Evidence;
use MintDoor\Core\Intake\Known;
use MintDoor\Core\Intake\Outcome;
use MintDoor\Core\Intake\PastedLine;
use MintDoor\Core\Intake\Reading;
use MintDoor\Core\People\Person;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Text\Folding;
use MintDoor\Demo\Dice;
use PHPUnit\Framework\TestCase;

final class AccountPlanTest extends TestCase
{
    use TestTrait;

    public function testSomebodyNewGetsALoginOfTheirNameThatIsFree(): void
    {
        $lines = self::plan(
            [self::draft(1, 'Noor', 'Haddad', '1111'), self::draft(2, 'Noor', 'Haddad', '2222')],
            taken: ['noor.haddad' => true],
        );
        self::assertSame(
            ['noor.haddad2', 'noor.haddad3'],
            array_map(static fn(AccountLine $line): ?string => $line->login, $lines),
        );
    }

    public function testWhoeverHasTheNumberIsThatPersonAndIsNotMadeTwice(): void
    {
        $known = self::known('p1', 'Noor', 'Haddad', ['1111']);
        [$line] = self::plan([self::draft(1, 'Noor', 'Haddad', '1111')], [$known]);
        self::assertSame(
            [Verdict::Ready, 'p1', 'known-person'],
            [$line->verdict, $line->known, $line->cautions[0]->code],
        );
        [$line, $again] = self::plan(
            [self::draft(1, 'Noor', 'Haddad', '1111'), self::draft(2, 'Noor', 'Haddad', null, 'n@example.org')],
            [$known],
            accounts: ['p1' => true],
            choices: [2 => 'p1'],
        );
        self::assertSame(['has-account', 'repeat'], [$line->reasons[0]->code, $again->reasons[0]->code]);
    }

    public function testAnothersNumberIsAskedAboutAnothersAddressIsRefused(): void
    {
        $known = self::known('p1', 'Noor', 'Haddad', ['1111', 'n@example.org', 'noor']);
        [$number] = self::plan([self::draft(1, 'Kai', 'Moreau', '1111')], [$known]);
        [$address] = self::plan([self::draft(1, 'Kai', 'Moreau', null, 'n@example.org')], [$known]);
        [$two] = self::plan(
            [self::draft(1, 'Kai', 'Moreau', '1111', 'x@example.org')],
            [$known, self::known('p2', 'Lea', 'Moreau', ['x@example.org'])],
        );
        self::assertSame(
            ['number-of-another', 'taken', 'several-people'],
            [$number->reasons[0]->code, $address->reasons[0]->code, $two->reasons[0]->code],
        );
        self::assertSame([Verdict::NeedsChoice, Verdict::Refused], [$number->verdict, $address->verdict]);
        self::assertSame('p1', $number->candidates[0]->known->person->id);
    }

    public function testANamesakeIsAskedAboutUnlessTheNumberTellsThemApart(): void
    {
        $known = self::known('p1', 'Noor', 'Haddad', ['5551111']);
        [$asked] = self::plan([self::draft(1, 'Noor', 'Haddad')], [$known], named: true);
        [$apart] = self::plan([self::draft(1, 'Noor', 'Haddad', '7772222')], [$known], named: true);
        [$slip] = self::plan([self::draft(1, 'Noor', 'Haddad', '5551112')], [$known], named: true);
        [$new] = self::plan(
            [self::draft(1, 'Noor', 'Haddad')],
            [$known],
            choices: [1 => AccountPlan::NEW],
            named: true,
        );
        [$same] = self::plan([self::draft(1, 'Noor', 'Haddad')], [$known], choices: [1 => 'p1'], named: true);
        self::assertSame(
            [Verdict::NeedsChoice, Verdict::Ready, Verdict::NeedsChoice, Verdict::Ready, Verdict::Ready],
            array_map(static fn(AccountLine $line): Verdict => $line->verdict, [$asked, $apart, $slip, $new, $same]),
        );
        self::assertSame(['namesake', null, 'p1'], [$apart->cautions[0]->code, $new->known, $same->known]);
    }

    public function testTwoRowsWithOneAddressOrOneName(): void
    {
        [, $address] = self::plan([
            self::draft(1, 'Noor', 'Haddad', null, 'n@example.org'),
            self::draft(2, 'Kai', 'Moreau', null, 'n@example.org'),
        ]);
        [, $name] = self::plan([self::draft(1, 'Noor', 'Haddad'), self::draft(2, 'Noor', 'Haddad')]);
        self::assertSame(
            [Verdict::Refused, ['field' => 'email', 'row' => 1]],
            [$address->verdict, $address->reasons[0]->values],
        );
        self::assertSame([Verdict::NeedsChoice, 'same-name-row'], [$name->verdict, $name->reasons[0]->code]);
    }

    public function testWhoeverIsOutOfSightKeepsTheirNumberAndNobodyMakesWhomTheyMayNot(): void
    {
        $plan = new AccountPlan(
            [],
            ['s1111' => ['hidden']],
            [],
            [],
            [],
            static fn(PersonKind $kind): bool => PersonKind::Learner === $kind,
        );
        [$hidden, $staff] = $plan->lines(
            [
                self::draft(1, 'Noor', 'Haddad', 'S1111'),
                new AccountDraft(2, '', 'Inga', 'Solheim', null, PersonKind::Staff, 'seniors'),
            ],
            [],
        );
        self::assertSame(
            ['taken-elsewhere', 'not-yours-to-make'],
            [$hidden->reasons[0]->code, $staff->reasons[0]->code],
        );
    }

    /**
     * Whatever rows meet whatever directory: no login, address or number twice, none that is taken, nobody of the
     * directory twice.
     */
    public function testNobodyIsMadeTwice(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            $dice = new Dice($seed);
            $name = static fn(): array => [$dice->one(['Noor', 'Kai', 'Lea']), $dice->one(['Haddad', 'Moreau'])];
            $people = $taken = $accounts = [];
            for ($n = 0; $n < 4; ++$n) {
                $people[] = self::known(
                    'p'.$n,
                    ...[...$name(), ['555000'.$n, 'p'.$n.'@example.org', 'login'.$n]],
                );
                $taken += ['login'.$n => true, $dice->one(['noor.haddad', 'kai.moreau2']) => true];
                $accounts += $dice->chance(50) ? ['p'.$n => true] : [];
            }
            $drafts = $choices = [];
            for ($row = 1; $row < 9; ++$row) {
                [$given, $family] = $name();
                $drafts[] = self::draft(
                    $row,
                    $given,
                    $family,
                    $dice->one([null, '555000'.$dice->below(6)]),
                    $dice->one([null, 'p'.$dice->below(6).'@example.org']),
                    $dice->one([null, 'login'.$dice->below(6)]),
                );
                if ($dice->chance(40)) {
                    $choices[$row] = $dice->one([AccountPlan::NEW, 'p'.$dice->below(4)]);
                }
            }
            $lines = self::plan($drafts, $people, $accounts, $choices, $taken, true);
            self::assertEquals($lines, self::plan($drafts, $people, $accounts, $choices, $taken, true));
            $ready = array_filter($lines, static fn(AccountLine $line): bool => Verdict::Ready === $line->verdict);
            $held = array_merge(...array_map(static fn(Known $known): array => $known->identifiers, $people));
            $all = [];
            foreach ($ready as $line) {
                self::assertArrayNotHasKey((string) $line->login, $taken);
                foreach (
                    array_unique([
                        ...array_values($line->draft->identifiers()),
                        (string) $line->login,
                        ...(array) $line->known,
                    ]) as $identifier
                ) {
                    self::assertArrayNotHasKey($identifier, $all);
                    $all[$identifier] = true;
                    self::assertFalse(null === $line->known && \in_array($identifier, $held, true));
                }
            }
        });
    }

    private static function draft(
        int $row,
        string $given,
        string $family,
        ?string $number = null,
        ?string $email = null,
        ?string $login = null,
    ): AccountDraft {
        return new AccountDraft(
            $row,
            '',
            $given,
            $family,
            null,
            PersonKind::Learner,
            'seniors',
            7,
            $number,
            $email,
            $login,
        );
    }

    /** @param list<string> $identifiers */
    private static function known(string $id, string $given, string $family, array $identifiers): Known
    {
        return new Known(
            new Person($id, PersonKind::Learner, 'seniors', 7),
            Folding::tokens($given),
            Folding::tokens($family),
            [],
            [],
            $identifiers,
        );
    }

    /**
     * @param list<AccountDraft>   $drafts
     * @param list<Known>          $people
     * @param array<string, true>  $accounts
     * @param array<int, string>   $choices
     * @param array<string, true>  $taken
     * @param bool                 $named    whether those of a row's name come into question
     *
     * @return list<AccountLine>
     */
    private static function plan(
        array $drafts,
        array $people = [],
        array $accounts = [],
        array $choices = [],
        array $taken = [],
        bool $named = false,
    ): array {
        $directory = $holders = $readings = [];
        foreach ($people as $known) {
            $directory[$known->person->id] = $known;
            foreach ($known->identifiers as $identifier) {
                $holders[$identifier][] = $known->person->id;
            }
        }
        foreach ($named ? $drafts : [] as $draft) {
            $same = array_values(
                array_filter(
                    $people,
                    static fn(Known $known): bool => $known->given === Folding::tokens($draft->given)
                        && $known->family === Folding::tokens($draft->family),
                ),
            );
            $readings[$draft->row] = new Reading(
                new PastedLine($draft->row, '', [], [], true),
                [] === $same ? Outcome::Unknown : Outcome::Choose,
                array_map(static fn(Known $known): Candidate => new Candidate($known, Evidence::FullName), $same),
            );
        }

        return (new AccountPlan($directory, $holders, $taken, $accounts, $choices, static fn(): bool => true))->lines(
            $drafts,
            $readings,
        );
    }
}
