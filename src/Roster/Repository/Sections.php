<?php

declare(strict_types=1);

namespace MintDoor\Roster\Repository;

use MintDoor\Roster\Entity\Section;
use MintDoor\Shared\BaseRepository;

/** @extends BaseRepository<Section> */
final class Sections extends BaseRepository
{
    protected const ENTITY = Section::class;

    public function ofSite(string $site, string $id): ?Section
    {
        return '' === $id ? null : $this->findOneBy(['id' => $id, 'site' => $site]);
    }

    /** @return list<Section> by name */
    public function all(string $site): array
    {
        return $this->findBy(['site' => $site], ['name' => 'ASC']);
    }

    /**
     * @param list<string> $ids
     *
     * @return array<string, Section> those of them that the site has, by id
     */
    public function among(string $site, array $ids): array
    {
        $byId = [];
        $section = Section::class;
        $query = $this->dql("SELECT s FROM $section s WHERE s.site = :site AND s.id IN (:ids)", [
            'site' => $site,
            'ids' => $ids,
        ]);
        foreach ([] === $ids ? [] : $query->getResult() as $found) {
            \assert($found instanceof Section);
            $byId[$found->id] = $found;
        }

        return $byId;
    }
}
