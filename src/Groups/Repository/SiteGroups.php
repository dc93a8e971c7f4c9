<?php

declare(strict_types=1);

namespace MintDoor\Groups\Repository;

use MintDoor\Groups\Entity\GroupSplit;
use MintDoor\Groups\Entity\SiteGroup;
use MintDoor\People\Entity\Person;
use MintDoor\Shared\BaseRepository;

/** @extends BaseRepository<SiteGroup> */
final class SiteGroups extends BaseRepository
{
    protected const ENTITY = SiteGroup::class;

    /** @return array<string, SiteGroup> those that people may be put into, in their order, by id */
    public function of(GroupSplit $split): array
    {
        return array_filter($this->all($split), static fn(SiteGroup $group): bool => !$group->gone);
    }

    /** @return array<string, SiteGroup> also those that are gone, by id */
    public function all(GroupSplit $split): array
    {
        $groups = $this->findBy(['split' => $split->id], ['place' => 'ASC', 'id' => 'ASC']);

        return array_column($groups, null, 'id');
    }

    /** @return array<string, int> how many groups the splits of a site have; those that have none are missing */
    public function counts(string $site): array
    {
        $query = $this->dql(
            'SELECT s.id AS split, COUNT(g.id) AS many FROM '.SiteGroup::class.' g JOIN g.split s
             WHERE s.site = :site AND g.gone = FALSE GROUP BY s.id',
            ['site' => $site],
        );
        $counts = [];
        foreach ($query->getArrayResult() as $row) {
            $row = (array) $row;
            if (\is_string($row['split'] ?? null) && is_numeric($row['many'] ?? null)) {
                $counts[$row['split']] = (int) $row['many'];
            }
        }

        return $counts;
    }

    /** @param ?string $id of somebody who is there */
    public function lead(SiteGroup $group, ?string $id): void
    {
        $group->leader = $this->reference(Person::class, $id);
    }
}
