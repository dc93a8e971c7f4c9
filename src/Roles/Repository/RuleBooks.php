<?php

declare(strict_types=1);

namespace MintDoor\Roles\Repository;

use MintDoor\People\Entity\Person;
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

    /** Those that hold; null on a platform that has none yet. */
    public function last(): ?RuleBookRecord
    {
        return $this->findOneBy([], ['version' => 'DESC']);
    }

    /**
     * Which version holds, when it was made, and which version of the settings holds; by hand, since it is asked by
     * nearly every request.
     */
    public function lastVersion(): ?Row
    {
        return $this->row(
            'SELECT version, made_at, (SELECT COALESCE(MAX(version), 0) FROM settings_version) AS settings
             FROM rule_book
             ORDER BY version DESC
             LIMIT 1',
        );
    }

    /** @param array<string, mixed> $settings as `RulesCodec` writes them */
    public function putInForce(int $version, int $at, string $by, array $settings): void
    {
        $this->add(new RuleBookRecord($version, $at, $this->reference(Person::class, $by), $settings));
        $this->flush();
    }
}
