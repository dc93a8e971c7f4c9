<?php

declare(strict_types=1);

namespace MintDoor\Groups\Repository;

use MintDoor\Groups\Entity\GroupInvite;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;

/**
 * Who is asked into which group. By hand: asking somebody twice is as good as once, and what is said of one split goes
 * in one statement.
 *
 * @extends BaseRepository<GroupInvite>
 */
final class GroupInvites extends BaseRepository
{
    protected const ENTITY = GroupInvite::class;

    /** @return array<string, string> id of who asks them, by that of the group */
    public function to(string $person): array
    {
        $asked = [];
        foreach ($this->findBy(['person' => $person]) as $invite) {
            $asked[$invite->group->id] = $invite->askedBy;
        }

        return $asked;
    }

    /** @return list<string> ids of those who are asked into a group */
    public function into(string $group): array
    {
        return array_map(
            static fn(GroupInvite $invite): string => $invite->person->id,
            $this->findBy(['group' => $group], ['askedAt' => 'ASC']),
        );
    }

    /** Asks each once. */
    public function ask(string $group, string $person, string $by, int $now): void
    {
        $this->execute(
            'INSERT IGNORE INTO group_invite (group_id, person_id, asked_by, asked_at) VALUES (?, ?, ?, ?)',
            [Id::binary($group), Id::binary($person), Id::binary($by), Instant::toSql($now)],
        );
    }

    /** Nobody who is in a group waits to be asked into another one of it. */
    public function drop(string $split, string $person): void
    {
        $this->execute(
            'DELETE i FROM group_invite i JOIN site_group g ON g.id = i.group_id
             WHERE g.split_id = ? AND i.person_id = ?',
            [Id::binary($split), Id::binary($person)],
        );
    }
}
