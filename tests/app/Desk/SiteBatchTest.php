<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Desk;

use MintDoor\Tests\App\ApiTestCase;

final class SiteBatchTest extends ApiTestCase
{
    private const ROWS = "Winter choir;WCH;club;;;6-8;20;Cotutor Cotutorsen\nBad;HARM;course;;;;;\n"
        .'Solo;;club;;;;;Nobody Atall';

    public function testRowsAreLookedAtFirstAndNothingIsMade(): void
    {
        $rows = $this->batch('admin', self::ROWS)['rows'];
        self::assertSame(['ready', 'refused', 'needs-choice'], array_column($rows, 'verdict'));
        self::assertSame(
            [$this->ids['cotutor'], 'code', []],
            [$rows[0]['leads'][0]['person'], $rows[1]['problems'][0]['field'], $rows[2]['leads'][0]['candidates']],
        );
        self::assertNotContains('Winter choir', $this->titles('admin'));
    }

    public function testWhatCanBeIsMadeLedByThoseNamedAndTakenBackWhileUnused(): void
    {
        $changeList = $this->changeList('admin');
        $made = $this->batch('admin', self::ROWS."\nOther choir;OCH", ['apply' => true, 'changeList' => $changeList]);
        self::assertSame(2, $made['made']);
        $this->ids['choir'] = $made['rows'][0]['site'];
        self::assertSame(['cotutor' => 'lead-tutor current'], $this->roster('admin', '', 'choir'));
        $page = $this->call('admin', 'GET', '/change-lists/'.$changeList);
        self::assertSame(['applied', 4, 2], [$page['state'], $page['total'], $page['applied']]);
        $this->change('admin', 'let-in', 'newcomer', 'learner', site: 'choir');
        $lines = $this->call('admin', 'POST', '/site-batches/'.$changeList.'/undo')['lines'];
        self::assertSame(['refused', 'ready'], array_column($lines, 'verdict'));
        self::assertContains('Winter choir', $this->titles('admin'));
        self::assertNotContains('Other choir', $this->titles('admin'));
        $this->call('admin', 'GET', '/sites/'.$made['rows'][3]['site'], null, 404);
        self::assertSame(
            'ready',
            $this->batch('admin', 'Other choir;OCH')['rows'][0]['verdict'],
            'its code is free again',
        );
    }

    public function testWhoIsNoAdministratorLeadsWhatTheyMakeAndOnlyInTheirDivisions(): void
    {
        $changeList = $this->changeList('lead');
        $rows = $this->batch('lead', "Mine;MINE;;;;;;Cotutor Cotutorsen\nTheirs;TH;;evening", [
            'apply' => true,
            'changeList' => $changeList,
        ])['rows'];
        self::assertSame(['ready', 'refused'], array_column($rows, 'verdict'));
        $this->ids['mine'] = $rows[0]['site'];
        self::assertSame(
            ['cotutor' => 'lead-tutor current', 'lead' => 'lead-tutor current'],
            $this->roster('lead', '', 'mine'),
        );
    }

    public function testTheListIsAppliedOnceAndALearnerLeadsNothing(): void
    {
        $changeList = $this->changeList('admin');
        self::assertSame(
            'leads',
            $this->batch('admin', 'A site;AS;;;;;;Learner Learnersen', ['leads' => ['1:0' => $this->ids['learner']]])[
                'rows'
            ][0]['problems'][0]['field'],
        );
        $this->batch('admin', 'A site;AS', ['apply' => true, 'changeList' => $changeList]);
        $this->batch('admin', 'Another;AN', ['apply' => true, 'changeList' => $changeList], 412);
        $this->batch('admin', '', ['apply' => true, 'changeList' => $this->changeList('admin')], 422);
        self::assertSame(
            'too-many',
            $this->batch(
                'admin',
                implode("\n", array_map(static fn(int $n): string => "Site $n", range(1, 201))),
                [],
                422,
            )['errors'][0]['code'],
        );
    }

    private function changeList(string $as): string
    {
        return $this->call($as, 'POST', '/change-lists', ['kind' => 'sites', 'work' => ['text' => 'x']], 201)['id'];
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
            '/site-batches',
            ['text' => $text, 'division' => 'seniors', 'term' => 'autumn', ...$more],
            $expected,
        );
    }

    /** @return list<string> */
    private function titles(string $as): array
    {
        return array_column($this->call($as, 'GET', '/sites?scope=all&limit=200')['items'], 'title');
    }
}
