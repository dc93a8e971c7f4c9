<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Intake;

use MintDoor\Core\People\FurtherName;
use MintDoor\Core\People\NameKind;
use MintDoor\Tests\App\ApiTestCase;
use PHPUnit\Framework\Attributes\TestWith;

final class IntakeTest extends ApiTestCase
{
    protected function furnish(): void
    {
        parent::furnish();
        $this->ids['bea'] = $this->platform->person(
            'learner',
            $this->ids['seniors'],
            'Beatriz',
            'Dąbrowicz',
            7,
            '2041010',
            'bea@example.org',
            'beatriz.d',
            'Bea',
            [new FurtherName(NameKind::Former, '', 'Oldname')],
        );
        $this->ids['away'] = $this->platform->person(
            'learner',
            $this->ids['evening'],
            'Beatriz',
            'Dabrovic',
            2,
            '2049999',
            'away@example.org',
            'away.d',
        );
        $this->ids['child'] = $this->platform->person(
            'learner',
            $this->ids['juniors'],
            'Beatriz',
            'Kidsen',
            2,
            '2048888',
            null,
            'child.k',
        );
        $this->ids['gone'] = $this->platform->person(
            'learner',
            $this->ids['seniors'],
            'Beatriz',
            'Gonesen',
            7,
            '2047777',
            null,
            'gone.g',
        );
        $this->ids['barred'] = $this->platform->person(
            'learner',
            $this->ids['seniors'],
            'Beatriz',
            'Barredsen',
            7,
            '2046666',
            null,
            'barred.b',
        );
        $past = $this->now() - 500_000;
        $this->platform->letIn($this->ids['site'], $this->ids['gone'], 'learner', $past, removedAt: $past + 1_000);
        $this->platform->letIn(
            $this->ids['site'],
            $this->ids['barred'],
            'learner',
            $past,
            removedAt: $past,
            blocked: [$past, $past + 5_000_000],
        );
    }

    #[TestWith(['dabro'])]
    #[TestWith(['DĄBROWICZ bea'])]
    #[TestWith(['bea dab'])]
    #[TestWith(['oldname'])]
    #[TestWith(['2041010'])]
    #[TestWith(['20410'])]
    #[TestWith(['beatriz.d'])]
    #[TestWith(['bea@example.org'])]
    #[TestWith(['BEA@exam'])]
    public function testFindsByAnyNameNumberLoginOrAddress(string $typed): void
    {
        self::assertContains($this->ids['bea'], $this->found('canBeLetIn', $typed));
    }

    public function testTellsApartWhoIsHereWasHereAndIsKeptOut(): void
    {
        $lists = $this->intake('lead', 'beatriz');
        self::assertSame([$this->ids['gone']], $this->of($lists['wasHere']));
        self::assertSame([$this->ids['barred']], $this->of($lists['blocked']));
        self::assertSame(
            $this->ids['bea'],
            $lists['canBeLetIn'][0]['person']['id'],
            'those the site is for come first',
        );
        self::assertSame([$this->ids['learner']], $this->found('alreadyHere', 'learner'));
        self::assertSame('learner', $lists['canBeLetIn'][0]['suggested']);
        self::assertSame(
            'blocked',
            $this->change('lead', 'let-in', 'barred', 'learner', 409)['line']['reasons'][0]['code'],
        );
    }

    public function testBeyondReachNumbersAreMaskedAndMinorsOnlyNamedExactly(): void
    {
        $away = array_values(
            array_filter(
                $this->intake('lead', 'beatriz')['canBeLetIn'],
                fn(array $row): bool => $row['person']['id'] === $this->ids['away'],
            ),
        )[0];
        self::assertSame(
            ['masked', '••••999', null, null],
            [$away['visibility'], $away['person']['number'], $away['person']['login'], $away['person']['email']],
        );
        self::assertNotContains($this->ids['child'], $this->found('canBeLetIn', 'beatriz'));
        self::assertContains($this->ids['child'], $this->found('canBeLetIn', '2048888'));
        self::assertContains($this->ids['child'], $this->found('canBeLetIn', 'beatriz', 'admin'));
        self::assertSame(
            [],
            $this->found('canBeLetIn', '204999'),
            'the beginning of a number gives nobody beyond reach away',
        );
        self::assertSame([], $this->found('canBeLetIn', 'away@exam'));
    }

    public function testWhatOneMayNotGiveIsSaidWithWhoCan(): void
    {
        $row = $this->intake('cotutor', 'colleague')['canBeLetIn'][0];
        $options = array_column($row['options'], null, 'role');
        self::assertSame(
            [false, 'not-yours-to-give', ['lead-tutor']],
            [$options['lead-tutor']['allowed'], $options['lead-tutor']['code'], $options['lead-tutor']['givers']],
        );
        self::assertSame('class-assistant', $row['suggested']);
    }

    #[TestWith([''])]
    #[TestWith(['a'])]
    #[TestWith(['%'])]
    #[TestWith(['% _ \\'])]
    #[TestWith(["\u{202E}\u{0000}🎻"])]
    #[TestWith(["' OR 1=1 --"])]
    #[TestWith(["\xc3\x28"])]
    public function testStrangeInputFindsNobodyAndBreaksNothing(string $typed): void
    {
        self::assertSame([], $this->found('canBeLetIn', $typed));
    }

    public function testALongInputIsCut(): void
    {
        self::assertContains(
            $this->ids['bea'],
            $this->found('canBeLetIn', str_repeat('beatriz ', 400).str_repeat('q', 4_000)),
        );
    }

    /** @return array<string, mixed> */
    private function intake(string $as, string $typed): array
    {
        return $this->call($as, 'GET', '/sites/'.$this->ids['site'].'/intake?q='.rawurlencode($typed));
    }

    /** @return list<string> ids */
    private function found(string $list, string $typed, string $as = 'lead'): array
    {
        return $this->of($this->intake($as, $typed)[$list]);
    }

    /**
     * @param list<array{person: array{id: string}}> $rows
     *
     * @return list<string>
     */
    private function of(array $rows): array
    {
        return array_column(array_column($rows, 'person'), 'id');
    }

    public function testPastedLinesAreReadInAFewStatementsAndOnlyWithinReach(): void
    {
        $path = '/sites/'.$this->ids['site'].'/intake';
        $read = fn(string $text, string $as = 'lead'): array => array_map(
            static fn(array $line): array => [
                $line['number'],
                $line['outcome'],
                array_column(array_column($line['candidates'], 'person'), 'given'),
            ],
            $this->call($as, 'POST', $path, ['text' => $text])['items'],
        );
        self::assertSame(
            [
                [1, 'no-person', []],
                [2, 'match', ['Newcomer']],
                [3, 'repeat', ['Newcomer']],
                [4, 'match', ['Learner']],
                [5, 'match', ['Colleague']],
                [7, 'unknown', []],
                [8, 'match', ['Junior']],
            ],
            $read(
                "Names:\nNewcomersen, Newcomer\n2) newcomer@example.org\nlearner learnersen\nColeague Colleaguesen\n\n"
                    ."Nobody Atall\njunior@example.org",
            ),
        );
        self::assertSame(
            [[1, 'unknown', []]],
            $read('Junior Juniorsen'),
            'a minor beyond reach is found by an identifier in full only',
        );
        $many = implode("\n", array_map(static fn(int $n): string => "Somebody Number$n", range(1, 2001)));
        self::assertSame('too-many', $this->call('lead', 'POST', $path, ['text' => $many], 422)['errors'][0]['code']);
        self::assertSame([], $read(" \n\t\n"));
    }
}
