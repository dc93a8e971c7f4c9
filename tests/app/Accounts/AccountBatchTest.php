<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Accounts;

use MintDoor\Accounts\AccountRunner;
use MintDoor\Accounts\MakeAccounts;
use MintDoor\Shared\Id;
use MintDoor\Tests\App\ApiTestCase;

/** Accounts from rows: worked out, made, told, taken back. */
final class AccountBatchTest extends ApiTestCase
{
    public function testRowsAreWorkedOutAndNobodyIsMadeTwice(): void
    {
        $look = $this->batch(
            'admin',
            "given\tfamily\tlogin\temail\tkind\tlevel\nNoor\tHaddad\t\tnoor@example.org\nLearner\tLearnersen\tlearner\n"
                ."Kai\tMoreau\t\tlearner@example.org\nNewcomer\tNewcomersen\nInga\tSolheim\t\t\tstaff\t7",
        );
        self::assertSame(
            ['ready', 'nothing-to-do', 'refused', 'needs-choice', 'refused'],
            array_column($look['rows'], 'verdict'),
        );
        self::assertSame(
            ['noor.haddad', 'has-account', 'taken', 'same-name', 'not-a-learner'],
            [
                $look['rows'][0]['login'],
                ...array_map(
                    static fn(array $row): string => $row['reasons'][0]['code'],
                    \array_slice($look['rows'], 1),
                ),
            ],
        );
        self::assertSame(['Newcomer', 1], [$look['rows'][3]['candidates'][0]['given'], $look['addressed']]);
        $chosen = $this->batch('admin', "Newcomer Newcomersen\nNewcomer Newcomersen", [
            'choices' => ['1' => 'new', '2' => $this->ids['newcomer']],
        ]);
        self::assertSame(['ready', 'nothing-to-do'], array_column($chosen['rows'], 'verdict'));
    }

    public function testColumnsMayBeDetailsOfThePlatformAndKindsItsOwn(): void
    {
        $detail = ['type' => 'text', 'choices' => [], 'kinds' => [], 'seenBy' => ['staff']];
        $this->settle([
            'details' => [
                [...$detail, 'code' => 'plays', 'name' => 'Instrument', 'changedBy' => ['staff']],
                [...$detail, 'code' => 'fee', 'name' => 'Fee', 'type' => 'number', 'changedBy' => []],
            ],
            'kinds' => [['code' => 'visitor', 'name' => 'Visiting student', 'like' => 'learner', 'roles' => []]],
        ]);
        $this->make('admin', "Name,Kind,Instrument,Fee\nNoor Haddad,visiting student,cello,\"80,0\"\nKai Moreau,,,");
        $kept = 'SELECT p.given_name, p.kind, p.own_kind, d.code, d.value, d.amount
            FROM person p LEFT JOIN person_detail d ON d.person_id = p.id
            WHERE p.family_name IN (?, ?) ORDER BY p.given_name, d.code';
        self::assertEquals(
            [
                ['Kai', 'learner', null, null, null, null],
                ['Noor', 'learner', 'visitor', 'fee', '80', 80],
                ['Noor', 'learner', 'visitor', 'plays', 'cello', null],
            ],
            array_map(array_values(...), $this->db()->fetchAllAssociative($kept, ['Haddad', 'Moreau'])),
        );
        self::assertSame(
            ['Haddad'],
            array_map(
                static fn(array $item): string => $item['person']['family'],
                $this->call('admin', 'GET', '/directory?kind=visitor')['items'],
            ),
        );

        $look = $this->batch('lead', "Name,Instrument,Fee\nAda Lind,viola,\nBo Lind,viola,3\nCy Lind,,much", [
            'kind' => 'visitor',
        ]);
        self::assertSame(
            [['ready', ''], ['refused', 'not-yours'], ['refused', 'not-a-number']],
            array_map(
                static fn(array $row): array => [$row['verdict'], $row['reasons'][0]['code'] ?? ''],
                $look['rows'],
            ),
        );
        self::assertSame(['visitor', ['plays' => 'viola']], [
            $look['rows'][0]['ownKind'],
            $look['rows'][0]['details'],
        ]);
        $wrong = $this->batch('admin', 'Ada Lind', ['kind' => 'robot'], 422);
        self::assertSame('/kind', $wrong['errors'][0]['pointer']);
    }

    public function testATutorMakesLearnersOfTheirDivisionOnly(): void
    {
        self::assertSame(
            ['ready', 'refused', 'refused'],
            array_column(
                $this->batch('lead', "Noor Haddad\nKai\tMoreau\tjuniors\nInga\tSolheim\tstaff")['rows'],
                'verdict',
            ),
        );
        self::assertSame('refused', $this->batch('assistant', 'Noor Haddad')['rows'][0]['verdict']);
        self::assertSame(
            'taken-elsewhere',
            $this->batch('lead', "Noor\tHaddad\tjunior")['rows'][0]['reasons'][0]['code'] ?? 'taken-elsewhere',
        );
    }

    public function testMadeAccountsAreFoundToldAndGetTheirCards(): void
    {
        $changeList = $this->make('lead', "Noor\tHaddad\tnoor@example.org\n"
            ."Kai\tMoreau\t6", ['tell' => 'Welcome to us.']);
        $page = $this->call('lead', 'GET', '/account-batches/'.$changeList);
        self::assertSame(
            [['ready', 'noor.haddad', 'held'], ['ready', 'kai.moreau', null]],
            array_map(
                static fn(array $row): array => [$row['outcome'], $row['login'], $row['message']['state'] ?? null],
                $page['rows'],
            ),
        );
        self::assertSame('Haddad', $this->call('lead', 'GET', '/people?q=noor')['items'][0]['person']['family']);
        self::assertSame(
            'Kai Moreau',
            $this->call('admin', 'POST', '/sign-in-cards', ['people' => [$page['rows'][1]['person']]])['cards'][0][
                'person'
            ]['name'],
        );
        self::assertStringContainsString('Welcome to us.', $this->call('lead', 'GET', '/messages')['items'][0]['text']);
        self::assertSame('accounts', $this->call('lead', 'GET', '/change-lists')['items'][0]['kind']);
        $this->batch('lead', 'Noor Haddad', ['apply' => true, 'changeList' => $changeList], 412);
    }

    public function testTakingThemBackLeavesThoseThatAreUsed(): void
    {
        $changeList = $this->make('admin', "Noor\tHaddad\tnoor@example.org\nKai\tMoreau\t6", ['tell' => '']);
        $kai = $this->call('admin', 'GET', '/account-batches/'.$changeList)['rows'][1]['person'];
        $this->call('lead', 'POST', '/sites/'.$this->ids['site'].'/change-lists', [
            'lines' => [['person' => $kai, 'verb' => 'let-in', 'role' => 'learner']],
        ]);
        $review = $this->call('admin', 'POST', "/account-batches/$changeList/undo", ['apply' => false]);
        self::assertSame(
            [1, [['row' => 2, 'name' => 'Kai Moreau', 'why' => 'in-use']]],
            [$review['ready'], $review['left']],
        );
        $this->call('admin', 'POST', "/account-batches/$changeList/undo", ['apply' => true]);
        self::assertSame([], $this->call('admin', 'GET', '/people?q=noor')['items']);
        self::assertSame(['withdrawn'], array_column($this->call('admin', 'GET', '/messages')['items'], 'state'));
        self::assertNotContains(
            'Haddad',
            array_map(
                static fn(array $each): string => $each['person']['family'],
                $this->call('admin', 'GET', '/directory')['items'],
            ),
        );
        // Number, address and login are free again.
        self::assertSame(
            ['login' => 'noor.haddad', 'verdict' => 'ready'],
            array_intersect_key($this->batch('admin', "Noor\tHaddad\tnoor@example.org")['rows'][0], [
                'verdict' => 1,
                'login' => 1,
            ]),
        );
        $this->call('admin', 'POST', "/account-batches/$changeList/undo", ['apply' => true], 409);
    }

    public function testManyAreMadeByAWorkerAndWhatIsTakenByThenIsSetAside(): void
    {
        $changeList = $this->make(
            'admin',
            implode(
                "\n",
                array_map(static fn(int $n): string => "Given$n Family$n;given$n@example.org", range(1, 620)),
            ),
        );
        self::assertSame(
            ['applying', 0],
            [
                $this->call('admin', 'GET', '/change-lists/'.$changeList)['state'],
                $this->call('admin', 'GET', '/change-lists/'.$changeList)['done'],
            ],
        );
        $this->db()->executeStatement("UPDATE person SET email = 'given3@example.org' WHERE id = ?", [
            Id::binary($this->ids['guardian']),
        ]);
        $runner = $this->service(AccountRunner::class);
        $runner(new MakeAccounts($changeList));
        self::assertSame(
            ['applying', 500],
            [
                $this->call('admin', 'GET', '/change-lists/'.$changeList)['state'],
                $this->call('admin', 'GET', '/change-lists/'.$changeList)['done'],
            ],
        );
        $runner(new MakeAccounts($changeList));
        $runner(new MakeAccounts($changeList));
        $record = $this->call('admin', 'GET', '/change-lists/'.$changeList);
        self::assertSame(['applied', 620, 619], [$record['state'], $record['done'], $record['applied']]);
        self::assertSame(
            ['refused', 'taken'],
            [
                $this->call('admin', 'GET', '/account-batches/'.$changeList)['rows'][2]['outcome'],
                $this->call('admin', 'GET', '/account-batches/'.$changeList)['rows'][2]['reasons'][0]['code'],
            ],
        );
        self::assertSame(
            620,
            $this->call('admin', 'GET', "/account-batches/$changeList?after=500")['rows'][119]['row']
        );
    }

    public function testWhoeverAppliedItMustStillHaveAnAccountAndAListThatStoppedGoesOn(): void
    {
        $rows = implode("\n", array_map(static fn(int $n): string => "Given$n Family$n", range(1, 250)));
        [$closed, $stopped] = [$this->make('lead', $rows), $this->make('admin', str_replace('Family', 'Other', $rows))];
        $this->db()->executeStatement('DELETE FROM messenger_messages');
        $this->call('admin', 'POST', "/change-lists/$stopped/continue");
        self::assertSame(
            1,
            (int) $this->db()->fetchOne("SELECT COUNT(*) FROM messenger_messages WHERE body LIKE '%MakeAccounts%'"),
        );
        $this->db()->executeStatement('UPDATE account SET closed_from = ? WHERE person_id = ?', [
            '2026-11-01 00:00:00',
            Id::binary($this->ids['lead']),
        ]);
        foreach ([$closed, $stopped] as $changeList) {
            $this->service(AccountRunner::class)(new MakeAccounts($changeList));
        }
        self::assertSame(
            [0, 250],
            [
                $this->call('admin', 'GET', '/change-lists/'.$closed)['applied'],
                $this->call('admin', 'GET', '/change-lists/'.$stopped)['applied'],
            ],
        );
        self::assertSame(
            'no-account-to-apply',
            $this->call('admin', 'GET', '/account-batches/'.$closed)['rows'][0]['reasons'][0]['code'],
        );
        $this->call('elsewhere', 'GET', '/account-batches/'.$stopped, null, 404);
    }

    public function testAKnownPersonGetsTheirAccountAndItsUndoLeavesThePerson(): void
    {
        $this->ids['bare'] = $this->platform->person(
            'learner',
            $this->ids['seniors'],
            'Bare',
            'Baresen',
            7,
            'X77BARE',
            'bare@example.org',
            null,
        );
        $this->platform->write();
        $row = $this->batch('admin', "Bare\tBaresen\tbare@example.org")['rows'][0];
        self::assertSame(
            ['ready', 'known-person', 'bare.baresen', $this->ids['bare']],
            [$row['verdict'], $row['cautions'][0]['code'], $row['login'], $row['known']['id']],
        );
        $changeList = $this->make('admin', "Bare\tBaresen\tbare@example.org");
        self::assertSame(
            'bare.baresen',
            $this->call('admin', 'GET', '/people/'.$this->ids['bare'])['account']['login'],
        );
        $this->call('admin', 'POST', "/account-batches/$changeList/undo", ['apply' => true]);
        $page = $this->call('admin', 'GET', '/people/'.$this->ids['bare']);
        self::assertSame([null, null], [$page['account'], $page['gone']]);
    }

    public function testTooManyRowsAreSaidAndNothingIsMadeOfNothing(): void
    {
        self::assertSame(
            'too-many',
            $this->batch(
                'admin',
                implode("\n", array_map(static fn(int $n): string => "A B$n", range(1, 20_000))),
                expected: 422,
            )['errors'][0]['code'],
        );
        $this->batch(
            'admin',
            'Noor',
            [
                'apply' => true,
                'changeList' => $this->call(
                    'admin',
                    'POST',
                    '/change-lists',
                    ['kind' => 'accounts', 'work' => ['text' => 'Noor']],
                    201,
                )['id'],
            ],
            422,
        );
    }

    /** @param array<string, mixed> $more */
    private function make(string $as, string $text, array $more = []): string
    {
        $changeList = $this->call(
            $as,
            'POST',
            '/change-lists',
            ['kind' => 'accounts', 'work' => ['text' => $text]],
            201
        )['id'];
        $this->batch($as, $text, ['apply' => true, 'changeList' => $changeList, ...$more]);

        return $changeList;
    }

    /**
     * @param array<string, mixed> $more
     *
     * @return array<string, mixed>
     */
    private function batch(string $as, string $text, array $more = [], int $expected = 200): array
    {
        return $this->call(
            $as,
            'POST',
            '/account-batches',
            ['text' => $text, 'division' => 'seniors', 'level' => 7, ...$more],
            $expected,
        );
    }
}
