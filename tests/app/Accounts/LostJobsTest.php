<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Accounts;

use Doctrine\DBAL\Connection;
use MintDoor\Accounts\LostJobs;
use MintDoor\Changes\ApplyChangeList;
use MintDoor\Shared\Id;
use MintDoor\Tests\App\ApiTestCase;
use Symfony\Component\Messenger\Envelope;
use Symfony\Component\Messenger\Event\WorkerMessageFailedEvent;

/** Lists that are being applied and stand still. */
final class LostJobsTest extends ApiTestCase
{
    public function testAListWithoutAJobGetsOneAndOnlyOne(): void
    {
        $changeList = $this->applying();
        self::assertSame(1, $this->service(LostJobs::class)->again());
        self::assertSame(0, $this->service(LostJobs::class)->again());
        self::assertSame(1, $this->jobs($changeList));
    }

    public function testAListWhoseJobFailedSaysWhyAndGoesOnWhenSomebodySaysSo(): void
    {
        $changeList = $this->applying();
        $failed = static function (bool $again) use ($changeList): WorkerMessageFailedEvent {
            $event = new WorkerMessageFailedEvent(
                new Envelope(new ApplyChangeList($changeList)),
                'jobs',
                new \RuntimeException('wrapped', 0, new \LogicException('no')),
            );
            $again && $event->setForRetry();

            return $event;
        };
        $this->service(LostJobs::class)->failed($failed(true));
        self::assertNull($this->call('admin', 'GET', "/change-lists/$changeList")['trouble']);
        $this->service(LostJobs::class)->failed($failed(false));
        self::assertSame('unexpected', $this->call('admin', 'GET', "/change-lists/$changeList")['trouble']);
        self::assertSame(0, $this->service(LostJobs::class)->again(), 'it waits for somebody');
        self::assertNull($this->call('admin', 'POST', "/change-lists/$changeList/continue")['trouble']);
        self::assertSame(1, $this->jobs($changeList));
    }

    public function testHealthSaysWhatSomebodyShouldLookAt(): void
    {
        self::assertSame(
            ['scheduler'],
            array_values(array_diff($this->call(null, 'GET', '/health')['late'], ['disk'])),
            'it never looked',
        );
        $this->db()->executeStatement(
            "INSERT INTO beat (name, at) VALUES ('scheduler', UTC_TIMESTAMP() - INTERVAL 3 SECOND)",
        );
        $this->db()->executeStatement(
            "INSERT INTO messenger_messages (body, headers, queue_name, created_at, available_at)
             VALUES ('', '', 'jobs', UTC_TIMESTAMP(), UTC_TIMESTAMP() - INTERVAL 90 SECOND),
                ('', '', 'failed', UTC_TIMESTAMP(), UTC_TIMESTAMP())",
        );
        $health = $this->call(null, 'GET', '/health');
        self::assertSame(
            [false, ['queue'], 1],
            [$health['well'], array_values(array_diff($health['late'], ['disk'])), $health['failedJobs']],
        );
        self::assertGreaterThanOrEqual(90, $health['queueSeconds']);
    }

    /** @return string the id of a list that is being applied, and has been left alone for long */
    private function applying(): string
    {
        $id = $this->call(
            'admin',
            'POST',
            '/change-lists',
            ['kind' => 'people', 'title' => 'Stuck', 'work' => ['text' => 'x']],
            201,
        )['id'];
        $this->service(Connection::class)->executeStatement(
            "UPDATE change_list SET state = 'applying', total = 5, changed_at = '2026-01-01' WHERE id = ?",
            [Id::binary($id)],
        );

        return $id;
    }

    private function jobs(string $changeList): int
    {
        return (int) $this->db()->fetchOne('SELECT COUNT(*) FROM messenger_messages WHERE body LIKE ?', [
            '%'.$changeList.'%',
        ]);
    }
}
