<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Doors;

use MintDoor\Shared\Id;
use MintDoor\Tests\App\ApiTestCase;

/** A yes to many who ask is worked out together, and comes to what it comes to one by one. */
final class YesToManyTest extends ApiTestCase
{
    private const ASKING = ['one', 'two', 'three', 'four'];

    protected function furnish(): void
    {
        parent::furnish();
        foreach (self::ASKING as $n => $name) {
            $this->ids[$name] = $this->person($name, 'learner', 'seniors', 6 + $n % 3);
        }
    }

    public function testAllAreInToldAndWrittenDownAsOneByOne(): void
    {
        $this->seats(30);
        $this->ask();
        $before = $this->statements();
        $answers = $this->yes();
        $few = $this->statements() - $before;
        self::assertSame(['in', 'in', 'in', 'in'], array_column($answers, 'code'));
        self::assertSame(['One', 'Two', 'Three', 'Four'], array_column($answers, 'name'));
        $roster = $this->roster();
        foreach (self::ASKING as $name) {
            self::assertSame('learner current', $roster[$name]);
        }
        self::assertSame([], $this->call('lead', 'GET', $this->path('/waiting'))['items']);
        self::assertSame(
            ['come-in', 'come-in', 'come-in', 'come-in'],
            \array_slice(array_column($this->call('lead', 'GET', $this->path('/history'))['items'], 'code'), 0, 4),
        );
        self::assertSame(4, $this->rows("message WHERE kind = 'request-answered' AND body LIKE '%Sing well.%'"));
        self::assertSame(4, $this->rows("waiter WHERE state = 'in' AND waits IS NULL AND decided_by IS NOT NULL"));
        $this->answerOneByOne($few);
    }

    public function testSeatsAreGivenInTheirOrderAndTheOthersWaitForOne(): void
    {
        $this->seats(3);
        $this->ask();
        $answers = $this->yes();
        self::assertSame(['in', 'in', 'waits-for-seat', 'waits-for-seat'], array_column($answers, 'code'));
        self::assertSame([true, true, false, false], array_column($answers, 'done'));
        self::assertSame(
            [['seat', 1], ['seat', 2]],
            array_map(
                static fn(array $each): array => [$each['what'], $each['place']],
                $this->call('lead', 'GET', $this->path('/waiting'))['items'],
            ),
        );
    }

    public function testWhoeverMayNotGiveTheRoleSaysYesToNobody(): void
    {
        $this->seats(30);
        $this->ask();
        $this->change('lead', 'let-in', 'colleague', 'co-tutor');
        $this->db()->executeStatement(
            "UPDATE door SET terms = JSON_SET(terms, '$.role', 'day-guest') WHERE kind = 'key' AND site_id = ?",
            [Id::binary($this->ids['site'])],
        );
        $ids = array_column($this->call('lead', 'GET', $this->path('/waiting'))['items'], 'id');
        $answers = $this->call('colleague', 'POST', $this->path('/waiting'), ['waiters' => $ids, 'answer' => 'yes']);
        self::assertNotContains('in', array_column($answers['items'], 'code'));
        self::assertSame(0, $this->rows("message WHERE kind = 'request-answered'"));
    }

    /** Four answers together ask the database for less than two by themselves. */
    private function answerOneByOne(int $together): void
    {
        $this->ids['five'] = $this->person('five', 'learner', 'seniors', 7);
        $this->ids['six'] = $this->person('six', 'learner', 'seniors', 7);
        $this->platform->write();
        $open = $this->call('five', 'GET', '/open-doors')['items'][0]['door'];
        $asked = 0;
        foreach (['five', 'six'] as $name) {
            $this->call($name, 'POST', '/join', ['door' => $open]);
            $id = $this->call('lead', 'GET', $this->path('/waiting'))['items'][0]['id'];
            $before = $this->statements();
            $this->call('lead', 'POST', $this->path('/waiting'), ['waiters' => [$id], 'answer' => 'yes']);
            $asked += $this->statements() - $before;
        }
        self::assertLessThan($asked, $together);
    }

    private function ask(): void
    {
        $this->call('lead', 'POST', $this->path('/doors'), [
            'kind' => 'request',
            'name' => 'on request',
            'role' => 'learner',
            'approval' => true,
            'about' => 'Come and sing.',
        ], 201);
        foreach (self::ASKING as $name) {
            $open = $this->call($name, 'GET', '/open-doors')['items'][0]['door'];
            $asked = $this->call($name, 'POST', '/join', ['door' => $open, 'why' => 'I sing.']);
            self::assertSame('approval', $asked['passage']);
        }
    }

    /** @return list<array<string, mixed>> */
    private function yes(): array
    {
        $ids = array_column($this->call('lead', 'GET', $this->path('/waiting'))['items'], 'id');

        return $this->call('lead', 'POST', $this->path('/waiting'), [
            'waiters' => $ids,
            'answer' => 'yes',
            'why' => 'Sing well.',
        ])['items'];
    }

    private function seats(int $seats): void
    {
        $this->db()->executeStatement(
            'UPDATE site SET seats = ? WHERE id = ?',
            [$seats, Id::binary($this->ids['site'])]
        );
    }

    private function path(string $more): string
    {
        return '/sites/'.$this->ids['site'].$more;
    }

    private function rows(string $of): int
    {
        $count = $this->db()->fetchOne('SELECT COUNT(*) FROM '.$of);

        return is_numeric($count) ? (int) $count : 0;
    }

    private function statements(): int
    {
        $row = $this->db()->fetchNumeric("SHOW SESSION STATUS LIKE 'Questions'");

        return (int) ($row[1] ?? 0);
    }
}
