<?php

declare(strict_types=1);

namespace MintDoor\Roles\Repository;

use MintDoor\People\Entity\Person;
use MintDoor\Platform\Repository\SettingsVersions;
use MintDoor\Roles\Entity\RuleBookRecord;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Row;

/**
 * The rules of each version.
 *
 * @extends BaseRepository<RuleBookRecord>
 */
final class RuleBooks extends BaseRepository
{
    protected const ENTITY = RuleBookRecord::class;

    /** By hand, since it is asked by nearly every request: of rules and of settings, null where there are none yet. */
    public const HOLDING = <<<'SQL'
        (
            SELECT CONCAT(version, '.', CRC32(settings)) FROM rule_book ORDER BY version DESC LIMIT 1
        ) AS rules_holding,
        SQL.' '.SettingsVersions::HOLDING;

    /** Those that hold; null on a platform that has none yet. */
    public function last(): ?RuleBookRecord
    {
        return $this->findOneBy([], ['version' => 'DESC']);
    }

    /** Which version holds, with a sum of what it says: versions of a copy that was put back say other things. */
    public function holding(): Row
    {
        return $this->row('SELECT '.self::HOLDING) ?? throw new \LogicException();
    }

    /** @param array<string, mixed> $settings as `RulesCodec` writes them */
    public function putInForce(int $version, int $at, string $by, array $settings): void
    {
        $this->add(new RuleBookRecord($version, $at, $this->reference(Person::class, $by), $settings));
        $this->flush();
    }
}
