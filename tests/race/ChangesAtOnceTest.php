<?php

declare(strict_types=1);

namespace MintDoor\Tests\Race;

use MintDoor\Demo\Dice;
use MintDoor\Shared\BulkWriter;
use MintDoor\Shared\Id;
use Symfony\Component\Process\Process;

/** Workers of their own that apply stored change lists: killed in the middle, and many at once. */
final class ChangesAtOnceTest extends RaceCase
{
    public function testAWorkerThatIsKilledAtAnyMomentForgetsNothingAndDoesNothingTwice(): void
    {
        $dice = new Dice(4);
        $people = [];
        for ($n = 0; $n < 2_500; ++$n) {
            $people[] = $this->platform->person('learner', $this->division, "Crowd$n", 'Racer', 7);
        }
        $site = $this->platform->site(
            'CROWD',
            'Crowd',
            'course',
            $this->division,
            $this->term,
            null,
            null,
            self::NOW - 1_000,
        );
        $this->platform->letIn($site, $this->people['anna'], 'lead-tutor', self::NOW - 1_000);
        $this->platform->write();
        $changeList = $this->changeList(
            'anna',
            array_map(static fn(string $person): array => [$site, $person, 'let-in', 'learner'], $people),
        );
        $killed = 0;
        for ($round = 0; $round < 60 && $this->left() > 0; ++$round) {
            $worker = $this->worker();
            $until = microtime(true) + ($dice->between(300, 1_300) + 50 * $round) / 1_000;
            while (microtime(true) < $until && $this->left() > 0) {
                usleep(20_000);
            }
            $killed += (int) ($this->left() > 0);
            $worker->stop(0, \SIGKILL);
        }
        self::assertGreaterThan(0, $killed, 'some were killed before the end');
        self::assertSame(
            ['state' => 'applied', 'done' => 2_500, 'applied' => 2_500],
            array_map(
                static fn(mixed $value): mixed => is_numeric($value) ? (int) $value : $value,
                $this->db->fetchAssociative('SELECT state, done, applied FROM change_list WHERE id = ?', [
                    Id::binary($changeList),
                ])
                ?: [],
            ),
        );
        $all = ['access_grant' => 2_501, 'enrollment' => 2_501, 'change_line' => 2_500, 'history_entry' => 2_500];
        foreach ($all as $table => $rows) {
            self::assertSame(
                $rows,
                (int) $this->db->fetchOne("SELECT COUNT(*) FROM $table WHERE site_id = ?", [Id::binary($site)]),
                $table,
            );
        }
        self::assertSame(
            2_500,
            (int) $this->db->fetchOne('SELECT MAX(sequence) FROM history_entry WHERE site_id = ?', [Id::binary($site)]),
        );
    }

    public function testTwentyListsOverTheSamePeopleAndSitesBreakNoLaw(): void
    {
        $dice = new Dice(20);
        $sites = [];
        $people = [];
        for ($n = 0; $n < 60; ++$n) {
            $people[] = $this->platform->person('learner', $this->division, "Some$n", 'Racer', 7);
        }
        foreach (['A', 'B', 'C'] as $code) {
            $sites[] = $site = $this->platform->site(
                'AT-'.$code,
                'At once '.$code,
                'course',
                $this->division,
                $this->term,
                null,
                12,
                self::NOW - 1_000,
                leadLimit: 2,
            );
            foreach (['anna', 'bert'] as $lead) {
                $this->platform->letIn($site, $this->people[$lead], 'lead-tutor', self::NOW - 1_000);
            }
        }
        $this->platform->write();
        for ($n = 0; $n < 20; ++$n) {
            $lines = [];
            foreach ($sites as $site) {
                foreach ($dice->some($people, 40) as $person) {
                    $lines[] = [$site, $person, ...$dice->chance(70) ? ['let-in', 'learner'] : ['remove', null]];
                }
                foreach (['carl', 'dora'] as $name) {
                    $lines[] = [$site, $this->people[$name], 'let-in', 'lead-tutor'];
                }
                $lines[] = [$site, $this->people[$dice->one(['anna', 'bert'])], 'remove', null];
            }
            $this->changeList($dice->one(['anna', 'bert', 'ingrid']), $lines);
        }
        $workers = array_map(fn(): Process => $this->worker(), range(1, 4));
        for ($tries = 0; $tries < 600 && $this->left() > 0; ++$tries) {
            usleep(100_000);
        }
        foreach ($workers as $worker) {
            $worker->stop(0, \SIGKILL);
            self::assertStringNotContainsString('CRITICAL', $worker->getErrorOutput().$worker->getOutput());
        }
        self::assertSame(
            20,
            (int) $this->db->fetchOne(
                "SELECT COUNT(*) FROM change_list WHERE kind = 'people' AND state = 'applied' AND done = total",
            ),
        );
        self::assertSame(0, (int) $this->db->fetchOne('SELECT COUNT(*) FROM change_request WHERE outcome IS NULL'));
        self::assertSame(
            (int) $this->db->fetchOne("SELECT SUM(applied) FROM change_list WHERE kind = 'people'"),
            (int) $this->db->fetchOne(
                <<<'SQL'
                    SELECT COUNT(*)
                    FROM change_line n
                    JOIN change_list h ON h.id = n.change_list_id
                    WHERE h.kind = 'people'
                    SQL,
            ),
        );
        foreach ($sites as $site) {
            $count = fn(string $where): int => (int) $this->db->fetchOne(
                <<<SQL
                    SELECT COUNT(*)
                    FROM enrollment_segment
                    WHERE site_id = ? AND until_at > '2999-01-01' AND state = 'current' AND $where
                    SQL,
                [Id::binary($site)],
            );
            self::assertLessThanOrEqual(12, $count('holds_seat = 1'));
            self::assertGreaterThanOrEqual(1, $count('leads = 1'));
            self::assertLessThanOrEqual(2, $count('leads = 1'));
            self::assertSame(
                0,
                (int) $this->db->fetchOne(
                    <<<'SQL'
                        SELECT COUNT(*)
                        FROM (SELECT person_id FROM access_grant WHERE site_id = ?
                            AND live = 1 GROUP BY person_id, door_id HAVING COUNT(*) > 1) twice
                        SQL,
                    [Id::binary($site)],
                ),
            );
            self::assertSame(
                (int) $this->db->fetchOne('SELECT log_sequence FROM site WHERE id = ?', [Id::binary($site)]),
                (int) $this->db->fetchOne('SELECT COUNT(*) FROM history_entry WHERE site_id = ?', [Id::binary($site)]),
            );
        }
    }

    /**
     * A stored change list and the job to apply it, as the application leaves them.
     *
     * @param list<array{string, string, string, ?string}> $lines site, person, verb, role
     */
    private function changeList(string $by, array $lines): string
    {
        $rows = new BulkWriter($this->db);
        $changeList = $this->platform->id();
        $who = BulkWriter::id($this->people[$by]);
        $rows->add('change_list', [
            'id' => BulkWriter::id($changeList),
            'made_by' => $who,
            'changed_by' => $who,
            'made_at' => '2026-11-24 09:00:00',
            'state' => 'applying',
            'kind' => 'people',
            'total' => \count($lines),
        ]);
        foreach ($lines as $n => [$site, $person, $verb, $role]) {
            $rows->add('change_request', [
                'change_list_id' => BulkWriter::id($changeList),
                'position' => $n + 1,
                'site_id' => BulkWriter::id($site),
                'person_id' => BulkWriter::id($person),
                'request' => json_encode(array_filter(['verb' => $verb, 'role' => $role]), \JSON_THROW_ON_ERROR),
            ]);
        }
        $rows->flush();
        $process = new Process([\PHP_BINARY, __DIR__.'/give.php', $changeList], env: $this->environment());
        $process->mustRun();

        return $changeList;
    }

    /** @phpstan-impure */
    private function left(): int
    {
        return (int) $this->db->fetchOne("SELECT COUNT(*) FROM change_list WHERE state = 'applying'");
    }
}
