<?php

declare(strict_types=1);

namespace MintDoor\Tests\Race;

use MintDoor\Core\Messages\Letter;
use MintDoor\Demo\Dice;
use MintDoor\Shared\BulkWriter;
use Symfony\Component\Process\Process;

/** Workers that deliver the same queue, and are killed between queueing and delivering. */
final class MessagesAtOnceTest extends RaceCase
{
    private const KILLS = 20;

    private const MESSAGES = 2_000;

    public function testNoMessageIsLostAndNoneGoesTwiceWhenWorkersAreKilled(): void
    {
        $dice = new Dice(7);
        $rows = new BulkWriter($this->db);
        for ($n = 0; $n < self::MESSAGES; ++$n) {
            $rows->add('message', [
                'id' => BulkWriter::id($this->platform->id()),
                'cause' => 'race:'.$n,
                'kind' => 'password',
                'person_id' => BulkWriter::id($this->people['learner'.$n % 6]),
                'address' => "learner$n@example.org",
                'subject' => 'Set a password',
                'body' => 'Here: '.Letter::LINK,
                'state' => 'held',
                'made_at' => '2026-11-24 09:00:00',
                'due_at' => '2026-11-24 09:00:00.000',
            ]);
        }
        $rows->flush();
        (new Process([\PHP_BINARY, __DIR__.'/give.php', 'due'], env: $this->environment()))->mustRun();
        $killed = 0;
        for ($round = 0; $round < 60 && $this->left() > 0; ++$round) {
            $workers = [$this->worker(), $this->worker()];
            // On a machine that is busy they hardly begin before they are killed: after so many kills they finish it.
            $seconds = $killed < self::KILLS ? $dice->between(350, 800) / 1_000 : 60;
            $until = microtime(true) + $seconds;
            while (microtime(true) < $until && $this->left() > 0) {
                usleep(5_000);
            }
            $killed += (int) ($this->left() > 0);
            foreach ($workers as $worker) {
                $worker->stop(0, \SIGKILL);
            }
        }
        self::assertGreaterThan(0, $killed, 'some were killed before the end');
        self::assertSame(
            [self::MESSAGES, self::MESSAGES],
            [$this->rows("message WHERE state = 'sent' AND tries = 1 AND due_at IS NULL"), $this->rows('letter')],
        );
        // Every sending makes a token of its own: one too many would be one sending too many.
        self::assertSame(self::MESSAGES, $this->rows('first_password'));
        self::assertSame(self::MESSAGES, (int) $this->db->fetchOne('SELECT COUNT(DISTINCT address) FROM letter'));
    }

    /** @phpstan-impure */
    private function left(): int
    {
        return $this->rows("message WHERE state = 'held'");
    }

    /** @phpstan-impure */
    private function rows(string $of): int
    {
        return (int) $this->db->fetchOne('SELECT COUNT(*) FROM '.$of);
    }
}
