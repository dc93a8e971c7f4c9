<?php

declare(strict_types=1);

namespace MintDoor\Roster\Repository;

use MintDoor\Roster\Entity\Door;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Id;

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

    /**
     * The id of the door by which staff let people in: every site has one. By hand, since every change asks for it.
     */
    public function idOfStaff(string $site): string
    {
        $row = $this->row(
            "SELECT id FROM door WHERE site_id = ? AND kind = 'staff' ORDER BY id LIMIT 1",
            [Id::binary($site)],
        );

        return $row?->id('id') ?? throw new \LogicException('Every site has a door for its staff.');
    }
}
