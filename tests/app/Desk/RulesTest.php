<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Desk;

use MintDoor\Tests\App\ApiTestCase;
use PHPUnit\Framework\Attributes\DataProvider;

final class RulesTest extends ApiTestCase
{
    public function testRolesAreReadByStaffAndSaidForWhatTheyAre(): void
    {
        $book = $this->call('lead', 'GET', '/rules');
        self::assertSame([1, false, 21], [$book['version'], $book['mayChange'], \count($book['permissions'])]);
        self::assertSame(
            [100_000, 10, 24, 168],
            [
                $book['rules']['limits']['seats'],
                $book['rules']['limits']['leads'],
                $book['rules']['limits']['careHome'],
                $book['rules']['limits']['careBeyond'],
            ],
        );
        self::assertTrue($this->call('admin', 'GET', '/rules')['mayChange']);
    }

    public function testAChangeSaysWhomItWouldAffectBeforeItIsMade(): void
    {
        $rules = $this->without('class-assistant', 'see-marks');
        $preview = $this->call('admin', 'PUT', '/rules', ['rules' => $rules]);
        self::assertSame(
            [[], [['permission' => 'see-marks', 'gain' => false, 'people' => 1, 'sites' => 1]], 1],
            [$preview['problems'], $preview['affected'], $preview['version']],
        );
        self::assertContains('see-marks', $this->may('assistant'));
        self::assertSame(2, $this->put($rules)['version']);
        self::assertNotContains('see-marks', $this->may('assistant'));
        self::assertSame('rules-changed', $this->call('admin', 'GET', '/platform/history')['items'][0]['code']);
        // Taken back by putting the rules of before in force again.
        $before = $this->call('admin', 'GET', '/rules?version=1')['rules'];
        self::assertSame(3, $this->put($before, 2)['version']);
        self::assertContains('see-marks', $this->may('assistant'));
    }

    #[DataProvider('codesThatCannotBe')]
    public function testARoleWhoseCodeCannotBeIsRefusedInWords(string $code): void
    {
        $rules = $this->rules();
        $rules['roles'][] = ['code' => $code, 'name' => 'New', 'rank' => 3, 'lead' => false] + $rules['roles'][1];
        $problems = $this->call('admin', 'PUT', '/rules', ['rules' => $rules])['problems'];
        self::assertContains('bad-code', array_column($problems, 'code'));
    }

    /** @return iterable<array{string}> */
    public static function codesThatCannotBe(): iterable
    {
        yield ['jürgen'];
        yield ['12'];
        yield ["\u{1D11E}"];
    }

    public function testWhomABandIsForIsCountedByWhatTheyAreNow(): void
    {
        $rules = $this->rules();
        $place = array_search('learner', array_column($rules['roles'], 'code'), true);
        $rules['roles'][$place]['bands'][1]['levels'] = [7, 8];
        $this->put($rules);
        $rules['roles'][$place]['bands'][1]['permissions'] = ['enter', 'do-work', 'see-roster'];
        $affected = fn(): array => $this->call('admin', 'PUT', '/rules', ['rules' => $rules])['affected'];
        $closed = ['permission' => 'read-closed', 'gain' => false];
        self::assertSame([['people' => 2, 'sites' => 2]], self::but($closed, $affected()));
        $this->change('lead', 'let-in', 'newcomer', 'learner');
        self::assertSame([['people' => 3, 'sites' => 2]], self::but($closed, $affected()));
        $this->call('admin', 'PUT', '/people/'.$this->ids['learner'], [
            'given' => 'Learner',
            'family' => 'Learnersen',
            'level' => 6,
            'number' => 'X77LEARNER',
            'email' => 'learner@example.org',
        ], 200, ['If-Match' => '"1"']);
        self::assertSame([['people' => 1, 'sites' => 1]], self::but($closed, $affected()));
        self::assertSame(0, $this->command('roster:verify')[0]);
        $this->db()->executeStatement('UPDATE enrollment_segment SET alike = alike + 1 LIMIT 1');
        self::assertSame(1, $this->command('roster:verify')[0]);
        self::assertSame(0, $this->command('roster:verify', ['--fix' => true])[0]);
        self::assertSame(0, $this->command('roster:verify')[0]);
    }

    /**
     * @param array<string, mixed>     $common
     * @param array<array-key, mixed> $affected
     *
     * @return array<array-key, mixed> what is said beside that, which is said of each
     */
    private static function but(array $common, array $affected): array
    {
        return array_map(static function (array $each) use ($common): array {
            self::assertSame($common, array_intersect_key($each, $common));

            return array_diff_key($each, $common);
        }, $affected);
    }

    public function testWhoeverLooksAtAnOlderVersionIsTold(): void
    {
        $this->put($this->without('class-assistant', 'see-marks'));
        self::assertStringEndsWith('stale', $this->put($this->without('learner', 'read-closed'), 1, 412)['type']);
    }

    public function testRulesThatCannotBeAreNotPutInForce(): void
    {
        $rules = $this->rules();
        $rules['roles'][0]['givenBy'] = ['learner'];
        $problem = $this->put($rules, 1, 409);
        self::assertContains('given-from-below', array_column($problem['problems'], 'code'));
        $rules['roles'][0]['givenBy'] = ['lead-tutor'];
        $rules['roles'][0]['permissions'][] = 'fly';
        self::assertStringStartsWith('/rules/roles/0/permissions/', $this->put($rules, 1, 422)['errors'][0]['pointer']);
        $rules = $this->rules();
        unset($rules['limits']);
        $this->put($rules, 1, 422);
    }

    public function testTheRosterFollowsRanksAndListing(): void
    {
        $rules = $this->rules();
        foreach ($rules['roles'] as $index => $role) {
            if ('class-assistant' === $role['code']) {
                $rules['roles'][$index] = [...$role, 'listed' => false, 'rank' => 95, 'givenBy' => ['lead-tutor']];
            }
        }
        $this->put($rules);
        self::assertArrayNotHasKey('assistant', $this->roster());
        $rows = $this->call('lead', 'GET', '/sites/'.$this->ids['site'].'/roster?unlisted=1&sort=role')['items'];
        self::assertSame(
            ['Lead', 'Assistant', 'Cotutor', 'Learner'],
            array_column(array_column($rows, 'person'), 'given'),
        );
        $this->verified();
    }

    public function testARoleGoesOnlyWhenNobodyHoldsItAndWhatWasIsKept(): void
    {
        $this->change('lead', 'let-in', 'guardian', 'sit-in-observer');
        $gone = $this->rules();
        $gone['roles'] = array_values(
            array_filter($gone['roles'], static fn(array $role): bool => 'sit-in-observer' !== $role['code']),
        );
        self::assertSame(
            ['still-held', 1],
            [
                ($problem = $this->call('admin', 'PUT', '/rules', ['rules' => $gone])['problems'][0])['code'],
                $problem['values']['people'],
            ],
        );
        $this->change('lead', 'remove', 'guardian');
        $this->put($gone);
        self::assertSame(
            'no-such-role',
            $this->change('lead', 'bring-back', 'guardian', expected: 409)['line']['reasons'][0]['code'],
        );
        self::assertSame(
            '/lines/0/role',
            $this->change('lead', 'let-in', 'colleague', 'sit-in-observer', 422)['errors'][0]['pointer'],
        );
        $this->verified();
        $this->put($this->call('admin', 'GET', '/rules?version=1')['rules'], 2);
        self::assertSame('ready', $this->change('lead', 'bring-back', 'guardian')['verdict']);
        $this->verified();
    }

    public function testLimitsHoldAndSayThemselves(): void
    {
        $rules = $this->rules();
        $rules['limits'] = [
            ...$rules['limits'],
            'seats' => 100,
            'leads' => 1,
            'changeList' => 2,
            'removalFew' => 0,
            'removalShare' => 10,
        ];
        self::assertSame(
            ['overSeats' => 0, 'overLeads' => 0],
            $this->call('admin', 'PUT', '/rules', ['rules' => $rules])['sites'],
        );
        $this->put($rules);
        self::assertSame(
            'leads-full',
            $this->change('lead', 'let-in', 'colleague', 'lead-tutor', 409)['line']['reasons'][0]['code'],
        );
        self::assertSame(
            'above-limit',
            $this->call(
                'lead',
                'POST',
                '/sites',
                [
                    'title' => 'Big',
                    'code' => 'BIG',
                    'kind' => 'course',
                    'division' => 'seniors',
                    'term' => 'autumn',
                    'seats' => 101,
                ],
                422,
            )['errors'][0]['code'],
        );
        $line = static fn(string $person): array => ['person' => $person, 'verb' => 'pause'];
        $three = [
            'apply' => false,
            'lines' => [$line($this->ids['learner']), $line($this->ids['assistant']), $line($this->ids['cotutor'])],
        ];
        self::assertSame(
            'too-many',
            $this->call('lead', 'POST', '/sites/'.$this->ids['site'].'/change-lists', $three, 422)['errors'][0]['code'],
        );
        $this->change('lead', 'remove', 'learner', expected: 409);
        $this->call('lead', 'POST', '/sites/'.$this->ids['site'].'/change-lists', [
            'removing' => 1,
            'lines' => [['person' => $this->ids['learner'], 'verb' => 'remove']],
        ]);
    }

    public function testNumbersOfTheDirectoryAreHeldAgainstAFormatBefore(): void
    {
        $rules = $this->rules();
        $rules['numbers'][0]['digits'] = 8;
        $preview = $this->call('admin', 'PUT', '/rules', ['rules' => $rules]);
        self::assertSame([0, 3], [$preview['numbers'][0]['fit'], $preview['numbers'][0]['not']]);
    }

    public function testSomebodyAlwaysAdministersThePlatform(): void
    {
        $path = '/administrators/'.$this->ids['admin'];
        self::assertSame(
            'last-administrator',
            $this->call('admin', 'PUT', $path, ['platform' => false], 422)['errors'][0]['code'],
        );
        $named = $this->call('admin', 'PUT', '/administrators/'.$this->ids['colleague'], [
            'platform' => true,
            'divisions' => ['seniors'],
        ]);
        self::assertEqualsCanonicalizing(
            ['Admin Adminsen', 'Colleague Colleaguesen', 'Elsewhere Elsewheresen'],
            array_column(array_column($named['items'], 'person'), 'name'),
        );
        $this->call('admin', 'PUT', $path, ['platform' => false]);
        $this->call('admin', 'GET', '/administrators', null, 403);
        self::assertSame(
            'administrator-named',
            $this->call('colleague', 'GET', '/platform/history')['items'][0]['code']
        );
        self::assertSame(
            'unknown',
            $this->call('colleague', 'PUT', $path, ['platform' => false, 'divisions' => ['nowhere']], 422)['errors'][0][
                'code'
            ],
        );
        $nobody = $this->platform->person('guardian', $this->ids['seniors'], 'No', 'Account', passwordHash: 'none');
        $this->platform->write();
        self::assertSame(
            'no-account',
            $this->call('colleague', 'PUT', '/administrators/'.$nobody, ['platform' => true], 422)['errors'][0][
                'code'
            ],
        );
    }

    /** @return array<string, mixed> */
    private function rules(): array
    {
        return $this->call('admin', 'GET', '/rules')['rules'];
    }

    /** @return array<string, mixed> the rules, but that a role lacks a permission */
    private function without(string $code, string $permission): array
    {
        $rules = $this->rules();
        foreach ($rules['roles'] as $index => $role) {
            if ($code === $role['code']) {
                $rules['roles'][$index]['permissions'] = array_values(array_diff($role['permissions'], [$permission]));
                foreach ($role['bands'] as $n => $band) {
                    $rules['roles'][$index]['bands'][$n]['permissions'] = array_values(
                        array_diff($band['permissions'], [$permission]),
                    );
                }
            }
        }

        return $rules;
    }

    /**
     * @param array<string, mixed> $rules
     *
     * @return array<array-key, mixed>
     */
    private function put(array $rules, int $version = 1, int $expected = 200): array
    {
        return $this->call('admin', 'PUT', '/rules', ['rules' => $rules, 'apply' => true], $expected, [
            'If-Match' => '"'.$version.'"',
        ]);
    }

    /** @return list<string> */
    private function may(string $as): array
    {
        return $this->call($as, 'GET', '/sites/'.$this->ids['site'])['may'];
    }

    private function verified(): void
    {
        [$failed, $said] = $this->command('roster:verify');
        self::assertSame(0, $failed, $said);
    }
}
