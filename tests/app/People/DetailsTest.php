<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\People;

use MintDoor\Shared\Id;
use MintDoor\Tests\App\ApiTestCase;

/** Details of people: who sees and changes them, where they are found, and what becomes of them. */
final class DetailsTest extends ApiTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->settle(['details' => [
            self::detail('plays', 'Instrument', 'choice', ['staff', 'themselves'], ['staff'], ['Viola', 'Cello']),
            self::detail('mark', 'Mark so far', 'number', ['staff'], ['staff']),
            self::detail('fee', 'Fee', 'number', [], []),
            self::detail('wish', 'Wishes', 'text', ['staff', 'themselves'], ['themselves']),
            [...self::detail('ends', 'Contract ends', 'date', ['staff'], []), 'kinds' => ['staff']],
        ]]);
    }

    public function testEachIsSeenAndChangedByThoseItSays(): void
    {
        $this->write('admin', 'learner', ['plays' => 'viola', 'mark' => '12,5', 'fee' => '90']);
        $this->write('lead', 'learner', ['plays' => 'CELLO', 'mark' => '13']);
        $this->write('lead', 'learner', ['wish' => 'a window'], 403);
        $this->write('lead', 'learner', ['fee' => '0'], 422);
        $this->write('assistant', 'learner', ['mark' => '20'], 404);
        $this->write('elsewhere', 'learner', ['mark' => '20'], 404);
        $this->own('learner', ['wish' => ' a  window '], 200);
        $this->own('learner', ['plays' => 'Viola'], 403);
        $this->own('learner', ['mark' => '20'], 422);

        $kept = ['plays' => 'Cello', 'mark' => '13', 'wish' => 'a window'];
        self::assertEquals([...$kept, 'fee' => '90'], $this->seen('admin', 'learner'));
        self::assertSame($kept, $this->seen('lead', 'learner'));
        self::assertSame(
            ['plays' => 'Cello', 'wish' => 'a window'],
            array_column($this->call('learner', 'GET', '/me/details')['items'], 'value', 'code'),
        );
        $shown = $this->call('lead', 'GET', '/people/'.$this->ids['learner'])['details'];
        self::assertSame(
            ['plays' => true, 'mark' => true, 'wish' => false],
            array_column($shown, 'mayChange', 'code'),
        );
        $card = $this->call('lead', 'GET', '/sites/'.$this->ids['site'].'/roster/'.$this->ids['learner']);
        self::assertSame($kept, self::values($card['details']));
        $entries = $this->call('admin', 'GET', '/people/'.$this->ids['learner'].'/history')['items'];
        self::assertSame(
            ['Wishes', 'Instrument, Mark so far', 'Instrument, Mark so far, Fee'],
            array_column(array_column(array_filter(
                $entries,
                static fn(array $entry): bool => 'details-changed' === $entry['code'],
            ), 'data'), 'details'),
        );
    }

    public function testStaffDoNotChangeTheirOwnUnlessItIsSaid(): void
    {
        $this->write('admin', 'lead', ['ends' => '31.1.2027', 'plays' => 'viola']);
        $this->write('lead', 'lead', ['ends' => '2030-01-01'], 403);
        $this->write('lead', 'lead', ['plays' => 'Cello'], 403);
        $this->write('lead', 'lead', ['wish' => 'a window']);
        self::assertSame(
            ['plays' => 'Viola', 'wish' => 'a window', 'ends' => '2027-01-31'],
            $this->seen('lead', 'lead'),
        );
    }

    public function testWhatIsNotUnderstoodIsSaidAtItsField(): void
    {
        $wrong = $this->write('admin', 'lead', ['ends' => 'soon', 'plays' => 'drum', 'mark' => '1'], 422);
        self::assertSame(
            ['/values/ends' => 'not-a-day', '/values/plays' => 'not-a-choice'],
            array_column($wrong['errors'], 'code', 'pointer'),
        );
        self::assertSame([], $this->seen('admin', 'lead'), 'All of it is kept, or nothing.');
    }

    public function testRostersAndTheDirectoryShowThemAndAreNarrowedDownByThem(): void
    {
        $this->change('lead', 'let-in', 'newcomer', 'learner');
        $this->write('admin', 'learner', ['plays' => 'Viola', 'mark' => '12', 'fee' => '90', 'wish' => '100 % quiet']);
        $this->write('admin', 'newcomer', ['plays' => 'Cello', 'mark' => '-3']);
        $this->write('admin', 'lead', ['plays' => 'Viola', 'ends' => '2027-01-31']);
        $roster = fn(string $details, string $as = 'lead'): array => array_keys(
            $this->roster($as, '?details='.urlencode($details)),
        );
        self::assertSame(['lead', 'learner'], $roster('plays=Viola'));
        self::assertSame(['learner'], $roster('plays=viola&mark=..12'));
        self::assertSame(['learner', 'newcomer'], $roster('mark=-3..12'));
        self::assertSame(['newcomer'], $roster('mark=-3'));
        self::assertSame(['lead'], $roster('ends=2027-01-01..'));
        self::assertSame(['learner'], $roster('wish=0 %25'));
        self::assertSame([], $roster('wish=0_'), 'Signs of the database are signs like any other.');
        self::assertSame([], $roster('plays=drum'));
        self::assertSame([], $roster('none=1'));
        self::assertSame([], $roster('fee=90'), 'What one does not see finds nobody.');
        self::assertSame(['learner'], $roster('fee=90', 'admin'));
        self::assertSame(1, $this->call('lead', 'GET', '/sites/'.$this->ids['site'].'/roster?details=mark%3D12')[
            'counts'
        ]['shown']);
        self::assertCount(5, $roster('plays=Viola', 'assistant'), 'Who sees nobody in full narrows nothing down.');

        $rows = $this->call('lead', 'GET', '/sites/'.$this->ids['site'].'/roster')['items'];
        $details = array_column(array_map(
            static fn(array $row): array => [$row['person']['given'], $row['details']],
            $rows,
        ), 1, 0);
        self::assertSame(['mark' => '12', 'plays' => 'Viola', 'wish' => '100 % quiet'], self::sorted(
            $details['Learner'],
        ));
        self::assertSame([], $details['Cotutor']);

        $directory = fn(string $as, string $details): array => array_map(
            static fn(array $item): string => $item['person']['given'],
            $this->call($as, 'GET', '/directory?details='.urlencode($details))['items'],
        );
        self::assertSame(['Lead', 'Learner'], $directory('admin', 'plays=Viola'));
        self::assertSame(['Learner'], $directory('admin', 'fee=90'));
        self::assertSame([], $directory('lead', 'fee=90'));
        self::assertSame([], $directory('elsewhere', 'mark=12'), 'Of a division that is none of theirs.');
        self::assertSame(
            [$this->ids['newcomer']],
            $this->call('admin', 'GET', '/directory/ids?details=plays%3DCello')['ids'],
        );
        $item = $this->call('admin', 'GET', '/directory?q=newcomer')['items'][0];
        self::assertSame(['mark' => '-3', 'plays' => 'Cello'], self::sorted($item['details']));
    }

    public function testSettingsKeepWhatIsInUse(): void
    {
        $this->write('admin', 'learner', ['plays' => 'Viola']);
        $book = $this->call('admin', 'GET', '/settings');
        $look = fn(array $first): array => array_map(
            static fn(array $each): string => $each['where'].' '.$each['code'].' '.($each['values']['people'] ?? ''),
            $this->call('admin', 'PUT', '/settings', ['settings' => [
                ...$book['settings'],
                'details' => [$first, ...\array_slice($book['settings']['details'], 1)],
            ]])['problems'],
        );
        $plays = $book['settings']['details'][0];
        self::assertSame(['details/0/choices choice-in-use 1'], $look([...$plays, 'choices' => ['Cello']]));
        self::assertSame(['details/0/type detail-in-use 1'], $look([...$plays, 'type' => 'date']));
        self::assertSame([], $look([...$plays, 'name' => 'Plays', 'choices' => ['Oboe', 'VIOLA']]));

        $touched = $this->call('admin', 'PUT', '/settings', [
            'settings' => [...$book['settings'], 'details' => []],
        ])['touched'];
        self::assertSame([['how' => 'detail-gone', 'name' => 'Instrument', 'people' => 1]], $touched);
        $this->settle(['details' => []]);
        self::assertSame([], $this->seen('admin', 'learner'));
        $this->command('platform:tidy');
        $this->settle(['details' => $book['settings']['details']]);
        self::assertSame(['plays' => 'Viola'], $this->seen('admin', 'learner'), 'Put back, it is there again.');
        $this->settle(['details' => []]);
        $this->db()->executeStatement('UPDATE settings_version SET made_at = made_at - INTERVAL 40 DAY');
        $this->command('platform:tidy');
        self::assertSame(0, (int) $this->db()->fetchOne('SELECT COUNT(*) FROM person_detail'));
    }

    public function testTheyGoWithWhomTheyAreAbout(): void
    {
        $this->write('admin', 'colleague', ['plays' => 'Viola', 'wish' => ''] + ['mark' => '3']);
        $this->write('admin', 'cotutor', ['plays' => 'Cello']);
        $merge = ['stays' => $this->ids['cotutor'], 'goes' => $this->ids['colleague'], 'apply' => true];
        $list = $this->call('admin', 'POST', '/merges', $merge)['changeList'];
        self::assertSame(['plays' => 'Cello', 'mark' => '3'], $this->seen('admin', 'cotutor'));
        // What people write themselves keeps nobody from parting them again.
        $this->own('cotutor', ['wish' => 'to stay as I am'], 200);
        $this->call('admin', 'POST', "/merges/$list/undo", ['apply' => true]);
        self::assertSame(['plays' => 'Cello', 'wish' => 'to stay as I am'], $this->seen('admin', 'cotutor'));
        self::assertSame(['plays' => 'Viola', 'mark' => '3'], $this->seen('admin', 'colleague'));

        $parts = $this->call('admin', 'POST', '/people/'.$this->ids['colleague'].'/export')['parts'];
        self::assertSame(
            [['mark', '3'], ['plays', 'Viola']],
            array_column($parts, 'rows', 'name')['details'],
        );
        $this->call('admin', 'POST', '/people/'.$this->ids['colleague'].'/erasure', ['apply' => true]);
        self::assertSame(0, (int) $this->db()->fetchOne('SELECT COUNT(*) FROM person_detail WHERE person_id = ?', [
            Id::binary($this->ids['colleague']),
        ]));
    }

    /**
     * @param list<string> $seenBy
     * @param list<string> $changedBy
     * @param list<string> $choices
     *
     * @return array<string, mixed>
     */
    private static function detail(
        string $code,
        string $name,
        string $type,
        array $seenBy,
        array $changedBy,
        array $choices = [],
    ): array {
        return [
            'code' => $code,
            'name' => $name,
            'type' => $type,
            'choices' => $choices,
            'kinds' => [],
            'seenBy' => $seenBy,
            'changedBy' => $changedBy,
        ];
    }

    /**
     * @param array<string, string> $values
     *
     * @return array<array-key, mixed>
     */
    private function write(string $as, string $whose, array $values, int $status = 200): array
    {
        return $this->call($as, 'PUT', '/people/'.$this->ids[$whose].'/details', ['values' => $values], $status);
    }

    /** @param array<string, string> $values */
    private function own(string $as, array $values, int $status): void
    {
        $this->call($as, 'PUT', '/me/details', ['values' => $values], $status);
    }

    /** @return array<string, string> what is kept and seen, by code */
    private function seen(string $as, string $whose): array
    {
        return self::values($this->call($as, 'GET', '/people/'.$this->ids[$whose])['details']);
    }

    /**
     * @param list<array<string, mixed>> $details
     *
     * @return array<string, string>
     */
    private static function values(array $details): array
    {
        return array_filter(array_column($details, 'value', 'code'), static fn(string $value): bool => '' !== $value);
    }

    /**
     * @param array<string, string> $values
     *
     * @return array<string, string>
     */
    private static function sorted(array $values): array
    {
        ksort($values);

        return $values;
    }
}
