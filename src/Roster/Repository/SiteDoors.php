<?php

declare(strict_types=1);

namespace MintDoor\Roster\Repository;

use MintDoor\Roster\Entity\Door;
use MintDoor\Shared\BaseRepository;

/**
 * The doors of sites, as ways that people came by. What a door lets in by itself is the business of the room of doors.
 *
 * @extends BaseRepository<Door>
 */
final class SiteDoors extends BaseRepository
{
    protected const ENTITY = Door::class;

    /** What a door is called; nothing for one that is not there. */
    public function nameOf(string $id): string
    {
        return $this->find($id)->name ?? '';
    }

    /** The door by which staff let people in: every site has one. */
    public function ofStaff(string $site): Door
    {
        return $this->findOneBy(['site' => $site, 'kind' => 'staff'], ['id' => 'ASC'])
            ?? throw new \LogicException('Every site has a door for its staff.');
    }
}
