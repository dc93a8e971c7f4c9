<?php

declare(strict_types=1);

namespace MintDoor\Platform\Repository;

use MintDoor\Platform\Entity\SettingsVersion;
use MintDoor\Shared\BaseRepository;

/**
 * The settings of each version.
 *
 * @extends BaseRepository<SettingsVersion>
 */
final class SettingsVersions extends BaseRepository
{
    protected const ENTITY = SettingsVersion::class;

    /** The one that holds; null on a platform on which nobody set anything yet. */
    public function last(): ?SettingsVersion
    {
        return $this->findOneBy([], ['version' => 'DESC']);
    }

    /** @return list<SettingsVersion> the last first */
    public function latest(int $most): array
    {
        return $this->findBy([], ['version' => 'DESC'], $most);
    }
}
