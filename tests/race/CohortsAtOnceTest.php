<?php

declare(strict_types=1);

namespace MintDoor\Tests\Race;

use Symfony\Component\Process\Process;

/** Four processes keep sites in step while rules, labels, lists and rosters change under them. */
final class CohortsAtOnceTest extends RaceCase
{
    private const WORKERS = 4;

    private const ROUNDS = 5;

    private const LEARNERS = 30;

    private string $fed = '';

    /** @var array<string, string> by login */
    private array $cookies = [];

    protected function setUp(): void
    {
        parent::setUp();
        $this->fed = $this->platform->site(
            'FED',
            'Fed',
            'course',
            $this->division,
            $this->term,
            null,
            null,
            self::NOW - 1_000,
        );
        $this->platform->letIn($this->fed, $this->people['anna'], 'lead-tutor', self::NOW - 900);
        for ($n = 6; $n < self::LEARNERS; ++$n) {
            $this->people["learner$n"] = $this->platform->person('learner', $this->division, "Learner$n", 'Racer', 7);
        }
        foreach (range(0, self::LEARNERS - 1) as $n) {
            $this->platform->letIn($this->site, $this->people["learner$n"], 'learner', self::NOW - 900);
        }
        $this->platform->write();
        $this->db->executeStatement('UPDATE site SET seats = NULL');
        $this->cookies = $this->signedIn('anna', 'ingrid');
        $this->serve();
    }

    public function testWhateverChangesAtOnceEverythingIsInStepAfterwards(): void
    {
        $reads = ['kind' => 'in', 'site' => $this->site, 'section' => null, 'role' => 'learner'];
        $rules = array_map(
            static fn(string $label): array => ['kind' => 'all', 'parts' => [
                $reads,
                ['kind' => 'labels', 'names' => [$label]],
            ]],
            ['odd', 'even'],
        );
        $made = $this->ask(
            'ingrid',
            'POST',
            '/cohorts',
            ['name' => 'Half', 'division' => 'seniors', 'rule' => $rules[0]]
        );
        $list = $this->ask('ingrid', 'POST', '/cohorts', ['name' => 'List', 'division' => 'seniors']);
        $this->ask('anna', 'POST', '/cohort-links', [
            'sites' => [$this->fed],
            'role' => 'learner',
            'cohorts' => [$made['id'], $list['id']],
            'apply' => true,
        ]);
        $workers = array_map(fn(): Process => $this->ticker(), range(1, self::WORKERS));
        for ($round = 0; $round < self::ROUNDS; ++$round) {
            $some = static fn(int $rest): array => array_values(
                array_filter(range(0, self::LEARNERS - 1), static fn(int $n): bool => $n % 3 === ($rest + $round) % 3),
            );
            $version = $this->ask('ingrid', 'GET', '/cohorts/'.$made['id'])['version'];
            $body = ['name' => 'Half', 'division' => 'seniors', 'rule' => $rules[$round % 2]];
            $this->together([
                $this->labels('odd', $some(0), true),
                $this->labels('even', $some(1), true),
                $this->labels('odd', $some(2), false),
                [$this->cookies['ingrid'], 'PUT', '/cohorts/'.$made['id'], $body, ['If-Match: "'.$version.'"']],
                $this->listed($list['id'], $some(0), $some(1)),
                $this->byHand($some(2)[0] ?? 0, 0 === $round % 2 ? 'remove' : 'bring-back'),
                $this->byHand($some(1)[1] ?? 1, 0 === $round % 2 ? 'block' : 'unblock'),
            ]);
        }
        foreach ($workers as $worker) {
            $worker->stop(10, \SIGTERM);
        }
        $this->tick();
        // Those who are many to go at once are let go.
        foreach ($this->ask('anna', 'GET', '/sites/'.$this->fed.'/cohort-links')['items'] as $link) {
            $link['held'] > 0
                && $this->ask('anna', 'POST', '/cohort-links/'.$link['id'].'/yes', ['number' => $link['held']]);
        }
        $this->tick();
        self::assertSame('Everything is in step.', trim($this->console('cohorts:compare')));
        // Nobody has two of one door at a time, and every coming and going was written down once.
        self::assertSame([], $this->db->fetchFirstColumn(
            'SELECT person_id FROM access_grant WHERE live = 1 GROUP BY door_id, person_id HAVING COUNT(*) > 1',
        ));
        $written = $this->db->fetchOne(
            "SELECT COUNT(*) FROM change_line WHERE verb IN ('brought', 'belongs-too') AND site_id = UNHEX(?)",
            [str_replace('-', '', $this->fed)],
        );
        $given = $this->db->fetchOne('SELECT COUNT(*) FROM access_grant g JOIN cohort_link l ON l.door_id = g.door_id');
        self::assertSame((int) $given, (int) $written);
        // However busy the machine is, there are people who came, went and came again in between.
        $people = $this->db->fetchOne(
            'SELECT COUNT(DISTINCT g.person_id) FROM access_grant g JOIN cohort_link l ON l.door_id = g.door_id',
        );
        self::assertGreaterThan((int) $people, (int) $given);
        self::assertStringContainsString(', 0 differ', $this->console('roster:verify'));
    }

    /**
     * @param list<int> $learners
     *
     * @return array{string, string, string, array<string, mixed>}
     */
    private function labels(string $label, array $learners, bool $on): array
    {
        $people = array_map(fn(int $n): string => $this->people["learner$n"], $learners);
        $body = ['label' => $label, 'people' => $people, 'on' => $on];

        return [$this->cookies['anna'], 'POST', '/sites/'.$this->site.'/labels', $body];
    }

    /**
     * @param list<int> $add
     * @param list<int> $remove
     *
     * @return array{string, string, string, array<string, mixed>}
     */
    private function listed(string $list, array $add, array $remove): array
    {
        $ids = fn(array $some): array => array_map(fn(int $n): string => $this->people["learner$n"], $some);
        $body = ['add' => $ids($add), 'remove' => $ids($remove)];

        return [$this->cookies['ingrid'], 'POST', "/cohorts/$list/members", $body];
    }

    /** @return array{string, string, string, array<string, mixed>} */
    private function byHand(int $learner, string $verb): array
    {
        $line = ['person' => $this->people["learner$learner"], 'verb' => $verb];

        return [$this->cookies['anna'], 'POST', '/sites/'.$this->fed.'/change-lists', ['lines' => [$line]]];
    }

    /**
     * @param ?array<string, mixed> $body
     *
     * @return array<string, mixed>
     */
    private function ask(string $who, string $method, string $path, ?array $body = null): array
    {
        [$status, $answer] = $this->together([[$this->cookies[$who], $method, $path, $body]])[0];
        self::assertSame(200, $status, json_encode($answer) ?: '');

        return $answer;
    }

    private function ticker(): Process
    {
        $root = \dirname(__DIR__, 2);
        $process = new Process(['php', 'bin/console', 'doors:tick', '--every=1', '-q'], $root, $this->environment());
        $process->setTimeout(120);
        $process->start();

        return $process;
    }

    private function tick(): void
    {
        $this->console('doors:tick');
    }

    private function console(string $command): string
    {
        $root = \dirname(__DIR__, 2);
        $process = new Process(['php', 'bin/console', $command], $root, $this->environment());
        $process->setTimeout(120);
        $process->mustRun();

        return $process->getOutput();
    }
}
