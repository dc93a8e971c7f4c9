<?php

declare(strict_types=1);

namespace MintDoor\Groups\Repository;

use Doctrine\DBAL\LockMode;
use MintDoor\Groups\Entity\GroupSplit;
use MintDoor\Groups\Entity\GroupTask;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;

/** @extends BaseRepository<GroupTask> */
final class GroupTasks extends BaseRepository
{
    protected const ENTITY = GroupTask::class;

    public function of(string $split): ?GroupTask
    {
        return $this->find($split);
    }

    public function locked(string $split): ?GroupTask
    {
        return null === $this->find($split) ? null : $this->find($split, LockMode::PESSIMISTIC_WRITE);
    }

    public function make(GroupSplit $split): GroupTask
    {
        $made = new GroupTask($split);
        $this->add($made);

        return $made;
    }

    /**
     * Says how far one is. By hand: outside any transaction, while it is computed.
     *
     * @return bool whether it is to go on: nobody stopped it, or asked again
     */
    public function beat(string $split, int $version, int $done, int $steps, int $now): bool
    {
        $this->execute(
            "UPDATE group_task SET done = ?, steps = ?, beat_at = ?
             WHERE split_id = ? AND version = ? AND state = 'computing'",
            [$done, $steps, Instant::toSql($now), Id::binary($split), $version],
        );

        return 1 === $this->number(
            "SELECT COUNT(*) FROM group_task WHERE split_id = ? AND version = ? AND state = 'computing' AND stops = 0",
            [Id::binary($split), $version],
        );
    }

    /** @return array<string, int> versions of those whose worker has said nothing since an instant, by split */
    public function silent(int $since): array
    {
        $silent = [];
        foreach (
            $this->rows(
                "SELECT split_id, version FROM group_task WHERE state = 'computing' AND beat_at < ?",
                [Instant::toSql($since)],
            ) as $row
        ) {
            $silent[$row->id('split_id')] = $row->int('version');
        }

        return $silent;
    }
}
