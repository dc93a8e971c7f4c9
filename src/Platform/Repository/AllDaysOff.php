<?php

declare(strict_types=1);

namespace MintDoor\Platform\Repository;

use MintDoor\Platform\Entity\DaysOff;
use MintDoor\Shared\BaseRepository;

/** @extends BaseRepository<DaysOff> */
final class AllDaysOff extends BaseRepository
{
    protected const ENTITY = DaysOff::class;

    /** @return list<DaysOff> the first ones first */
    public function all(): array
    {
        return $this->findBy([], ['fromOn' => 'ASC', 'untilOn' => 'ASC', 'name' => 'ASC']);
    }
}
