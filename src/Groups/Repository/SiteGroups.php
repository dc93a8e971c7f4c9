<?php

declare(strict_types=1);

namespace MintDoor\Groups\Repository;

use MintDoor\Groups\Entity\GroupSplit;
use MintDoor\Groups\Entity\SiteGroup;
use MintDoor\Groups\GroupNamed;
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

    /** @return array<string, list<GroupNamed>> the groups of the splits of a site, by its id; none of who has none */
    public function named(string $site): array
    {
        $query = $this->dql(
            'SELECT g FROM '.SiteGroup::class.' g JOIN g.split s
             WHERE s.site = :site AND g.gone = FALSE ORDER BY g.place, g.id',
            ['site' => $site],
        );
        $named = [];
        foreach ($query->getResult() as $group) {
            if ($group instanceof SiteGroup) {
                $named[$group->split->id][] = new GroupNamed($group->id, $group->name);
            }
        }

        return $named;
    }

    /** @param ?string $id of somebody who is there */
    public function lead(SiteGroup $group, ?string $id): void
    {
        $group->leader = $this->reference(Person::class, $id);
    }
}
