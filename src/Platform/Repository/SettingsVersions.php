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

    /** By hand, since it is asked by nearly every request: null on a platform on which nobody set anything yet. */
    public const HOLDING = <<<'SQL'
        (
            SELECT CONCAT(version, '.', CRC32(settings)) FROM settings_version ORDER BY version DESC LIMIT 1
        ) AS settings_holding
        SQL;

    /** Which version holds, with a sum of what it says: versions of a copy that was put back say other things. */
    public function holding(): ?string
    {
        return $this->row('SELECT '.self::HOLDING)?->stringOrNull('settings_holding');
    }

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
