<?php

declare(strict_types=1);

namespace MintDoor\Items\Repository;

use MintDoor\Items\Entity\NamedVisibility;
use MintDoor\Shared\BaseRepository;

/** @extends BaseRepository<NamedVisibility> */
final class NamedVisibilities extends BaseRepository
{
    protected const ENTITY = NamedVisibility::class;

    /** @return array<string, NamedVisibility> of a site, by id, by name */
    public function of(string $site): array
    {
        return array_column($this->findBy(['site' => $site], ['name' => 'ASC']), null, 'id');
    }
}
