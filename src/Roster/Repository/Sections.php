<?php

declare(strict_types=1);

namespace MintDoor\Roster\Repository;

use MintDoor\Roster\Entity\Section;
use MintDoor\Roster\SectionNamed;
use MintDoor\Shared\BaseRepository;

/** @extends BaseRepository<Section> */
final class Sections extends BaseRepository
{
    protected const ENTITY = Section::class;

    public function ofSite(string $site, string $id): ?Section
    {
        return '' === $id ? null : $this->findOneBy(['id' => $id, 'site' => $site]);
    }

    /** @return list<Section> in their order, retired ones last */
    public function all(string $site): array
    {
        return $this->findBy(['site' => $site], ['retired' => 'ASC', 'place' => 'ASC', 'name' => 'ASC', 'id' => 'ASC']);
    }

    /** @return list<Section> those that people may be put into, in their order */
    public function offered(string $site): array
    {
        return array_values(array_filter($this->all($site), static fn(Section $section): bool => !$section->retired));
    }

    /** @return list<string> ids, in their order */
    public function ids(string $site): array
    {
        return array_map(static fn(Section $section): string => $section->id, $this->all($site));
    }

    /** What a section is called; nothing for one that is not there. */
    public function nameOf(string $id): string
    {
        return $this->find($id)->name ?? '';
    }

    /** @param array<string, mixed> $values of its fields, by name */
    public function put(Section $section, array $values): void
    {
        $meta = $this->getClassMetadata();
        foreach ($values as $field => $value) {
            $meta->setFieldValue($section, $field, $value);
        }
    }

    /**
     * @param list<string> $ids of any sites
     *
     * @return list<SectionNamed> in the order of their names
     */
    public function named(array $ids): array
    {
        $found = [] === $ids ? [] : $this->findBy(['id' => $ids], ['name' => 'ASC', 'id' => 'ASC']);

        return array_map(
            static fn(Section $section): SectionNamed => new SectionNamed(
                $section->id,
                $section->name,
                $section->retired,
            ),
            $found,
        );
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
