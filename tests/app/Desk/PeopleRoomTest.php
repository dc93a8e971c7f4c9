<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Desk;

use MintDoor\Shared\Id;
use MintDoor\Tests\App\ApiTestCase;

/** A person's facts, notes, all that is held about them, erasing them, and two who are one. */
final class PeopleRoomTest extends ApiTestCase
{
    protected function furnish(): void
    {
        parent::furnish();
        $this->ids['twice'] = $this->platform->person(
            'learner',
            $this->ids['seniors'],
            'Learner',
            'Learnersen',
            7,
            null,
            'second@example.org',
            'learner2',
        );
        $this->ids['other'] = $this->platform->site(
            'OTHER',
            'Other',
            'course',
            $this->ids['seniors'],
            $this->ids['term'],
            null,
            null,
            $this->now() - 1_000,
        );
        $this->platform->letIn($this->ids['other'], $this->ids['lead'], 'lead-tutor');
        $this->platform->letIn($this->ids['other'], $this->ids['twice'], 'learner');
        $this->platform->letIn($this->ids['site'], $this->ids['twice'], 'day-guest');
    }

    public function testNamesAreCorrectedByAdministratorsAndFoundAtOnce(): void
    {
        $path = '/people/'.$this->ids['learner'];
        $request = [
            'given' => 'Lärke',
            'family' => 'Nyström',
            'further' => [
                ['kind' => 'former', 'given' => '', 'family' => 'Learnersen'],
                ['kind' => 'script', 'given' => 'Лярке', 'family' => 'Нюстрём'],
                ['kind' => 'former', 'given' => ' ', 'family' => 'learnersen'],
            ],
            'level' => 8,
            'number' => 'X77LEARNER',
            'email' => 'Larke@Example.org',
        ];
        $this->call('lead', 'PUT', $path, $request, 403, ['If-Match' => '"1"']);
        $page = $this->call('admin', 'PUT', $path, $request, 200, ['If-Match' => '"1"']);
        self::assertSame(
            ['Lärke', 'larke@example.org', 8, 2, ['Learnersen', 'Нюстрём']],
            [
                $page['person']['given'],
                $page['person']['email'],
                $page['person']['level'],
                $page['version'],
                array_column($page['person']['further'], 'family'),
            ],
        );
        $this->call('admin', 'PUT', $path, $request, 412, ['If-Match' => '"1"']);
        // A link that went to the address of before is over.
        $this->db()->executeStatement(
            <<<'SQL'
                INSERT INTO first_password (token_hash, person_id, expires_at)
                VALUES (REPEAT('x', 32), ?, '2026-12-01 00:00:00')
                SQL,
            [Id::binary($this->ids['learner'])],
        );
        $this->call('admin', 'PUT', $path, ['level' => 7] + $request, 200, ['If-Match' => '"2"']);
        self::assertSame(1, (int) $this->db()->fetchOne('SELECT COUNT(*) FROM first_password'));
        $this->call('admin', 'PUT', $path, ['email' => 'other@example.org'] + $request, 200, ['If-Match' => '"3"']);
        self::assertSame(0, (int) $this->db()->fetchOne('SELECT COUNT(*) FROM first_password'));
        self::assertSame(
            'Nyström',
            $this->call('lead', 'GET', '/sites/'.$this->ids['site'].'/intake?q=nystrom')['alreadyHere'][0][
                'person'
            ]['family'],
        );
        self::assertSame(
            'Nyström',
            $this->call('lead', 'POST', '/sites/'.$this->ids['site'].'/intake', ['text' => 'Lärke Nyström'])[
                'items'
            ][0]['candidates'][0]['person']['family'],
        );
        self::assertArrayHasKey('lärke', $this->roster());
    }

    public function testBadFactsAreSaidAtTheirField(): void
    {
        $errors = $this->call(
            'admin',
            'PUT',
            '/people/'.$this->ids['lead'],
            ['given' => '-', 'family' => '!', 'level' => 3, 'number' => 'S1', 'email' => 'learner@example.org'],
            422,
            ['If-Match' => '"1"'],
        )['errors'];
        self::assertSame(['/given', '/level', '/number', '/email'], array_column($errors, 'pointer'));
        self::assertSame('taken', $errors[3]['code']);
    }

    public function testNotesAreSeenByStaffOfTheirReachAndTakenBackByWhoWroteThem(): void
    {
        $path = '/people/'.$this->ids['learner'].'/notes';
        $note = $this->call('lead', 'POST', $path, ['text' => ' Father rang: back on Monday. '])['notes'][0];
        self::assertSame(
            ['Father rang: back on Monday.', 'Lead Leadsen', true],
            [$note['text'], $note['by']['name'], $note['mine']],
        );
        self::assertFalse($this->call('cotutor', 'GET', '/people/'.$this->ids['learner'])['notes'][0]['mine']);
        $this->call('cotutor', 'DELETE', $path.'/'.$note['id'], null, 403);
        self::assertSame([], $this->call('lead', 'DELETE', $path.'/'.$note['id'])['notes']);
        self::assertCount(1, $this->call('admin', 'PUT', $path.'/'.$note['id'])['notes']);
        $this->call('lead', 'POST', $path, ['text' => '  '], 422);
        $this->call('lead', 'POST', '/people/'.$this->ids['junior'].'/notes', ['text' => 'x'], 404);
    }

    public function testEverythingHeldIsHandedOutWithoutSecrets(): void
    {
        $this->call('lead', 'POST', '/people/'.$this->ids['learner'].'/notes', ['text' => 'Rang up.']);
        $this->call('lead', 'POST', '/sites/'.$this->ids['site'].'/change-lists', [
            'lines' => [['person' => $this->ids['learner'], 'verb' => 'change-role', 'role' => 'day-guest']],
            'tell' => '',
        ]);
        $parts = array_column(
            $this->call('admin', 'POST', '/people/'.$this->ids['learner'].'/export')['parts'],
            null,
            'name',
        );
        self::assertSame(
            ['learner@example.org', 'Rang up.', 'learner'],
            [$parts['person']['rows'][0][10], $parts['notes']['rows'][0][2], $parts['account']['rows'][0][0]],
        );
        self::assertNotSame([], $parts['how access was given']['rows']);
        self::assertSame('role-changed', $parts['messages']['rows'][0][2]);
        self::assertStringNotContainsString('argon2', json_encode($parts, \JSON_THROW_ON_ERROR));
        self::assertSame(
            'person-exported',
            $this->call('admin', 'GET', '/people/'.$this->ids['learner'].'/history')['items'][0]['code'],
        );
    }

    public function testWhoLeftIsErasedForGoodAndCountsStay(): void
    {
        $path = '/people/'.$this->ids['learner'].'/erasure';
        self::assertSame('still-here', $this->call('admin', 'POST', $path, ['apply' => false])['refusal']);
        $this->call('admin', 'POST', $path, ['apply' => true], 403);
        $this->call('lead', 'POST', $path, ['apply' => false], 403);
        $pasted = $this->call(
            'lead',
            'POST',
            '/change-lists',
            ['kind' => 'pasted', 'site' => $this->ids['site'], 'work' => ['text' => 'Learner Learnersen']],
            201,
        )['id'];
        $this->call('lead', 'POST', "/change-lists/$pasted/apply", [
            'lines' => [
                [
                    'site' => $this->ids['site'],
                    'text' => 'Learner Learnersen',
                    'line' => ['person' => $this->ids['learner'], 'verb' => 'remove'],
                ],
            ],
            'tell' => 'Goodbye',
        ]);
        $this->change('lead', 'remove', 'learner', site: 'draft');
        // Nobody lets them into a site any more, so that it is their administrators who write about them.
        $this->call('lead', 'POST', '/people/'.$this->ids['learner'].'/notes', ['text' => 'Moved.'], 403);
        $this->call('admin', 'POST', '/people/'.$this->ids['learner'].'/notes', [
            'text' => 'Learnersen moved away.',
        ]);
        $before = \count(
            $this->call('lead', 'GET', '/sites/'.$this->ids['site'].'/roster?state=removed')['items'],
        );
        $review = $this->call('admin', 'POST', $path, ['apply' => false]);
        self::assertSame(
            [null, 2, 1, 1, null],
            [
                $review['refusal'],
                $review['counts']['sites'],
                $review['counts']['notes'],
                $review['counts']['messages'],
                $review['changeList'],
            ],
        );
        $changeList = $this->call('admin', 'POST', $path, ['apply' => true])['changeList'];
        self::assertSame(
            ['erase', 'Erased person'],
            [
                $this->call('admin', 'GET', '/change-lists/'.$changeList)['kind'],
                $this->call('admin', 'GET', '/change-lists/'.$changeList)['title'],
            ],
        );
        $rows = $this->call('lead', 'GET', '/sites/'.$this->ids['site'].'/roster?state=removed')['items'];
        self::assertSame([$before, 'Erased person'], [\count($rows), $rows[0]['person']['family']]);
        self::assertSame('gone', $this->call('admin', 'POST', $path, ['apply' => false])['refusal']);
        foreach ($this->everyText() as $where => $found) {
            self::assertSame(0, $found, $where);
        }
        self::assertSame(
            'Erased person',
            $this->call('lead', 'GET', '/change-lists/'.$pasted)['lines'][0]['person']['name'],
        );
    }

    /**
     * @return array<string, int> rows of each text column of the whole database that hold the name or the address of
     *     the one who was erased, and of nobody else
     */
    private function everyText(): array
    {
        $this->db()->executeStatement('DELETE FROM idempotency');
        $found = [];
        foreach (
            $this->db()->fetchAllNumeric(
                <<<'SQL'
                    SELECT table_name, column_name
                    FROM information_schema.columns
                    WHERE table_schema = DATABASE()
                        AND data_type IN ('varchar', 'text', 'longtext', 'mediumtext', 'json')
                    SQL,
            ) as [$table, $column]
        ) {
            if (!\is_string($table) || !\is_string($column)) {
                continue;
            }
            $twin = match ($table) {
                // Somebody else of the same name is still here.
                'person' => ' AND id <> '.$this->db()->quote(Id::binary($this->ids['twice'])),
                'person_term', 'person_key', 'enrollment', 'enrollment_segment' => ' AND person_id <> '
                    .$this->db()->quote(Id::binary($this->ids['twice'])),
                'name_slip' => ' AND 0',
                default => '',
            };
            $found[$table.'.'.$column] = (int) $this->db()->fetchOne(
                "SELECT COUNT(*) FROM `$table` WHERE (`$column` LIKE '%learnersen%' "
                    ."OR `$column` LIKE '%learner@example%')"
                    .$twin,
            );
        }

        return $found;
    }

    public function testDoublesAreFoundToldApartAndMerged(): void
    {
        // Two addresses, and no number that a platform like this knows: two people.
        self::assertSame([], $this->call('admin', 'GET', '/duplicates')['items']);
        $this->db()->executeStatement('UPDATE person SET email = NULL WHERE id = ?', [Id::binary($this->ids['twice'])]);
        $pairs = $this->call('admin', 'GET', '/duplicates')['items'];
        self::assertSame([['same-name', 'no-number', 'same-level']], array_column($pairs, 'evidence'));
        self::assertSame([], $this->call('elsewhere', 'GET', '/duplicates')['items']);
        $path = '/duplicates/'.$this->ids['twice'].'/'.$this->ids['learner'];
        $this->call('admin', 'PUT', $path);
        self::assertSame([], $this->call('admin', 'GET', '/duplicates')['items']);
        $this->call('admin', 'DELETE', $path);
        self::assertCount(1, $this->call('admin', 'GET', '/duplicates')['items']);
    }

    public function testTwoBecomeOneInEverySiteAndAreTakenApartAgain(): void
    {
        $request = ['stays' => $this->ids['learner'], 'goes' => $this->ids['twice']];
        $look = $this->call('admin', 'POST', '/merges', $request);
        self::assertSame(
            [
                false,
                [['site' => ['id' => $this->ids['site'], 'title' => 'Harmony'], 'roles' => ['learner', 'day-guest']]],
            ],
            [$look['ready'], $look['choices']],
        );
        $this->call('admin', 'POST', '/merges', [...$request, 'apply' => true], 409);
        $request += ['roles' => [$this->ids['site'] => 'learner'], 'take' => ['email' => 'goes']];
        $look = $this->call('admin', 'POST', '/merges', $request);
        self::assertSame(
            [true, 'second@example.org', 'X77LEARNER', 'learner2'],
            [$look['ready'], $look['facts']['email'], $look['facts']['number'], $look['closes']],
        );
        $before = [
            $this->roster(),
            $this->roster('lead', '', 'other'),
            $this->call('admin', 'GET', '/people/'.$this->ids['learner'])['person'],
        ];
        $changeList = $this->call('admin', 'POST', '/merges', [...$request, 'apply' => true])['changeList'];
        self::assertSame('learner current', $this->roster('lead', '', 'other')['learner']);
        $page = $this->call('admin', 'GET', '/people/'.$this->ids['twice']);
        self::assertSame(['merged', $this->ids['learner']], [$page['gone'], $page['into']]);
        self::assertCount(1, $this->call('admin', 'GET', '/people?q=learnersen')['items']);
        $this->call(null, 'POST', '/sign-in', ['login' => 'learner2', 'password' => self::PASSWORD], 401);
        self::assertSame(0, $this->call('admin', 'GET', '/duplicates')['total']);
        // Whoever became part of another is not let in any more, nor is a line of it taken back by itself.
        self::assertSame(
            'gone',
            $this->change('lead', 'let-in', 'twice', 'learner', 409)['line']['reasons'][0]['code'],
        );
        $entry = array_values(
            array_filter(
                $this->call('admin', 'GET', '/sites/'.$this->ids['other'].'/history')['items'],
                fn(array $each): bool => 'remove' === $each['code'] && $each['person']['id'] === $this->ids['twice'],
            ),
        )[0];
        $this->call(
            'admin',
            'POST',
            '/sites/'.$this->ids['other'].'/history/'.$entry['sequence'].'/undo',
            null,
            409,
        );
        $this->call('admin', 'POST', "/change-lists/$changeList/undo", ['apply' => true], 403);

        self::assertSame(
            3,
            $this->call('admin', 'POST', "/merges/$changeList/undo", ['apply' => false])['verdicts']['ready'],
        );
        $this->call('admin', 'POST', "/merges/$changeList/undo", ['apply' => true]);
        self::assertSame($before, [
            $this->roster(),
            $this->roster('lead', '', 'other'),
            $this->call('admin', 'GET', '/people/'.$this->ids['learner'])['person'],
        ]);
        self::assertCount(2, $this->call('admin', 'GET', '/people?q=learnersen')['items']);
        $this->call('admin', 'POST', "/merges/$changeList/undo", ['apply' => true], 409);
    }

    public function testWhatBothHadIsFoundWithTheOneWhoStays(): void
    {
        $this->call('lead', 'POST', '/people/'.$this->ids['twice'].'/notes', ['text' => 'Plays the oboe.']);
        $this->db()->executeStatement(
            "INSERT INTO label (id, name, made_by) VALUES (UNHEX(REPEAT('01', 16)), 'oboe', ?)",
            [Id::binary($this->ids['lead'])],
        );
        $this->db()->executeStatement(
            <<<'SQL'
                INSERT INTO person_label (person_id, label_id, put_by, put_at)
                VALUES (?, UNHEX(REPEAT('01', 16)), ?, '2026-11-01 00:00:00')
                SQL,
            [Id::binary($this->ids['twice']), Id::binary($this->ids['lead'])],
        );
        $this->db()->executeStatement('DELETE FROM account WHERE person_id = ?', [Id::binary($this->ids['learner'])]);
        $request = [
            'stays' => $this->ids['learner'],
            'goes' => $this->ids['twice'],
            'roles' => [$this->ids['site'] => 'day-guest'],
            'apply' => true,
        ];
        $changeList = $this->call('admin', 'POST', '/merges', $request)['changeList'];
        $page = $this->call('admin', 'GET', '/people/'.$this->ids['learner']);
        // An account that only the other one had is theirs now.
        self::assertSame(
            [['oboe'], 'Plays the oboe.', 'learner2', 'day-guest current'],
            [$page['labels'], $page['notes'][0]['text'], $page['account']['login'], $this->roster()['learner']],
        );
        $this->call(
            'admin',
            'PUT',
            '/people/'.$this->ids['learner'],
            ['given' => 'Another', 'family' => 'Name'],
            200,
            ['If-Match' => '"'.$page['version'].'"'],
        );
        $this->call('admin', 'POST', "/merges/$changeList/undo", ['apply' => true], 409);
        $this->db()->executeStatement('UPDATE person SET version = version - 1 WHERE id = ?', [
            Id::binary($this->ids['learner']),
        ]);
        $this->call('admin', 'POST', "/merges/$changeList/undo", ['apply' => true]);
        $page = $this->call('admin', 'GET', '/people/'.$this->ids['learner']);
        self::assertSame(
            [[], [], null, 'Learner'],
            [$page['labels'], $page['notes'], $page['account'], $page['person']['given']],
        );
        self::assertSame('learner2', $this->call('admin', 'GET', '/people/'.$this->ids['twice'])['account']['login']);
    }

    public function testNobodyMergesSomebodyAboveOrOutsideTheirReach(): void
    {
        $this->call(
            'elsewhere',
            'POST',
            '/merges',
            ['stays' => $this->ids['learner'], 'goes' => $this->ids['twice']],
            404,
        );
        $this->call(
            'admin',
            'POST',
            '/merges',
            ['stays' => $this->ids['learner'], 'goes' => $this->ids['elsewhere']],
            403,
        );
        $this->call('admin', 'POST', '/merges', ['stays' => $this->ids['learner'], 'goes' => $this->ids['admin']], 403);
        $this->call(
            'admin',
            'POST',
            '/merges',
            ['stays' => $this->ids['learner'], 'goes' => $this->ids['learner']],
            422,
        );
    }
}
