<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Desk;

use MintDoor\Tests\App\ApiTestCase;

final class DivisionMovesTest extends ApiTestCase
{
    public function testADivisionIsMergedIntoAnotherAndParted(): void
    {
        $move = [
            'from' => 'seniors',
            'people' => 'evening',
            'sites' => 'evening',
            'below' => null,
            'retire' => true,
        ];
        $looked = $this->call('admin', 'POST', '/division-moves', $move);
        self::assertSame([3, 2, [], 0], [$looked['people'], $looked['sites'], $looked['problems'], $looked['stay']]);
        self::assertSame(
            ['Learner'],
            array_column($looked['notes'], 'names', 'code')['other-rights'],
            'Learners of the one division see who else is there.',
        );
        self::assertSame(
            ['Elsewhere Elsewheresen'],
            array_column($looked['notes'], 'names', 'code')['administrators-gain']
        );
        self::assertNull($looked['changeList']);
        self::assertSame(['seniors' => 3], $this->people('seniors', 'evening'), 'Looking changes nothing.');

        $made = $this->call('admin', 'POST', '/division-moves', [...$move, 'apply' => true]);
        self::assertSame(['evening' => 3], $this->people('seniors', 'evening'));
        self::assertSame('evening', $this->call('lead', 'GET', '/sites/'.$this->ids['site'])['division']['code']);
        self::assertTrue($this->division('seniors')['retired']);
        self::assertSame(
            'site-moved',
            $this->call('lead', 'GET', '/sites/'.$this->ids['site'].'/history')['items'][0]['code'],
        );
        $entries = $this->call('admin', 'GET', '/platform/history')['items'];
        self::assertContains('division-moved', array_column($entries, 'code'));
        $list = $this->call('admin', 'GET', '/change-lists/'.$made['changeList']);
        self::assertSame(['division', 'Seniors → Evening'], [$list['kind'], $list['title']]);
        self::assertSame(
            ['people' => 3, 'sites' => 2],
            array_intersect_key($list['work'], ['people' => 1, 'sites' => 1])
        );

        // Who was moved on since stays there.
        $this->db()->executeStatement('UPDATE person SET division_id = ? WHERE id = ?', [
            hex2bin(str_replace('-', '', $this->ids['faculty'])),
            hex2bin(str_replace('-', '', $this->ids['guardian'])),
        ]);
        $undo = '/division-moves/'.$made['changeList'].'/undo';
        self::assertSame(2, $this->call('admin', 'POST', $undo, ['apply' => false])['people']);
        self::assertSame(['evening' => 2], $this->people('seniors', 'evening'));
        $this->call('admin', 'POST', $undo, ['apply' => true]);
        self::assertSame(['seniors' => 2], $this->people('seniors', 'evening'));
        self::assertFalse($this->division('seniors')['retired']);
        self::assertSame('seniors', $this->call('lead', 'GET', '/sites/'.$this->ids['site'])['division']['code']);
        $this->call('admin', 'POST', $undo, ['apply' => true], 409);
    }

    public function testWhoHasALevelThatTheOtherDivisionDoesNotHaveStays(): void
    {
        $divisions = $this->call('admin', 'GET', '/settings')['settings']['divisions'];
        foreach ($divisions as &$division) {
            if ('evening' === $division['code']) {
                $division['levels'] = ['first' => 1, 'names' => ['One', 'Two', 'Three']];
            }
        }
        unset($division);
        $this->settle(['divisions' => $divisions]);
        $move = ['from' => 'seniors', 'people' => 'evening', 'retire' => true];
        $looked = $this->call('admin', 'POST', '/division-moves', $move);
        self::assertSame([1, 2], [$looked['people'], $looked['stay']]);
        self::assertSame(['Learner Learnersen', 'Newcomer Newcomersen'], array_column(
            array_column($looked['left'], 'person'),
            'name',
        ));
        self::assertSame(['division-in-use'], array_column($looked['problems'], 'code'));
        $this->call('admin', 'POST', '/division-moves', [...$move, 'apply' => true], 409);
        self::assertSame(['seniors' => 3], $this->people('seniors', 'evening'), 'All of it is done, or nothing.');
    }

    public function testPartsGoAlongAndWhatCannotBeIsSaidAtItsField(): void
    {
        $divisions = $this->call('admin', 'GET', '/settings')['settings']['divisions'];
        foreach ($divisions as &$division) {
            if ('evening' === $division['code']) {
                $division['parent'] = 'seniors';
            }
        }
        unset($division);
        $this->settle(['divisions' => $divisions]);
        $wrong = $this->call('admin', 'POST', '/division-moves', ['from' => 'seniors', 'below' => 'evening'], 422);
        self::assertSame(['/below'], array_column($wrong['errors'], 'pointer'));
        $made = $this->call('admin', 'POST', '/division-moves', [
            'from' => 'seniors',
            'below' => 'juniors',
            'apply' => true,
        ]);
        self::assertSame(['Evening'], $made['below']);
        self::assertSame('juniors', $this->division('evening')['parent']);
        $this->call('admin', 'POST', '/division-moves/'.$made['changeList'].'/undo', ['apply' => true]);
        self::assertSame('seniors', $this->division('evening')['parent']);
    }

    /** @return array<string, mixed> as the settings have it */
    private function division(string $code): array
    {
        return array_column(
            $this->call('admin', 'GET', '/settings')['settings']['divisions'],
            null,
            'code',
        )[$code];
    }

    /** @return array<string, int> how many people are of some divisions, without those that have nobody */
    private function people(string ...$divisions): array
    {
        $counts = [];
        foreach ($divisions as $division) {
            $counts[$division] = (int) $this->db()->fetchOne(
                'SELECT COUNT(*) FROM person p JOIN division d ON d.id = p.division_id WHERE d.code = ?',
                [$division],
            );
        }

        return array_filter($counts);
    }
}
