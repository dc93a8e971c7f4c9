<?php

declare(strict_types=1);

namespace MintDoor\Weeks\Repository;

use MintDoor\Roster\Entity\Section;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Sites\Entity\Site;
use MintDoor\Weeks\Entity\Hours;

/** @extends BaseRepository<Hours> */
final class StoredHours extends BaseRepository
{
    protected const ENTITY = Hours::class;

    /** A section that is retired meets no more; its hours wait for it. */
    private const HELD = '(c.id IS NULL OR c.retired = false)';

    /**
     * @param list<string> $sites ids
     *
     * @return list<Hours> of sites, in their order; of those only whose last meeting is not over at an instant, and
     *     none of a section that is retired
     */
    public function of(array $sites, int $from): array
    {
        if ([] === $sites || !$this->any($sites, $from)) {
            return [];
        }
        $class = Hours::class;
        $dql = "SELECT h, s, d, c FROM $class h JOIN h.site s JOIN s.division d LEFT JOIN h.section c
            WHERE s.id IN (:sites) AND h.untilAt > :from AND ".self::HELD.' ORDER BY h.place, h.id';

        return $this->found($this->dql($dql, ['sites' => $sites])->setParameter('from', $from, 'instant')->getResult());
    }

    /**
     * Whether any meet that are not over at an instant. By hand, since every change of people asks and most sites say
     * no hours (`bin/bench`: let one in).
     *
     * @param non-empty-list<string> $sites ids
     */
    public function any(array $sites, int $from): bool
    {
        return null !== $this->row(
            'SELECT 1 FROM hours WHERE until_at > ? AND site_id IN (?) LIMIT 1',
            [Instant::toSql($from), array_map(Id::binary(...), $sites)],
        );
    }

    /** @return list<Hours> all of a site, in their order */
    public function all(string $site): array
    {
        return $this->findBy(['site' => $site], ['place' => 'ASC', 'id' => 'ASC']);
    }

    /** @return list<Hours> that meet in a room in a stretch of time, by what `Place::key()` says of it */
    public function inRoom(string $place, int $from, int $until): array
    {
        $class = Hours::class;
        $query = $this->getEntityManager()->createQuery(
            "SELECT h, s, d, c FROM $class h JOIN h.site s JOIN s.division d LEFT JOIN h.section c
             WHERE h.placeKey = :place AND s.takenBack = false AND h.untilAt > :from AND h.fromAt < :until
                AND ".self::HELD.'
             ORDER BY h.fromAt, h.id',
        );
        $query->setParameter('place', $place)->setParameter('from', $from, 'instant');
        $query->setParameter('until', $until, 'instant');

        return $this->found($query->getResult());
    }

    /** @return list<Hours> one of each room that is used from an instant on, by its place */
    public function rooms(int $from, int $most): array
    {
        $class = Hours::class;
        $query = $this->getEntityManager()->createQuery(
            "SELECT h FROM $class h
             WHERE h.id IN (
                SELECT MIN(o.id) FROM $class o JOIN o.site os
                WHERE os.takenBack = false AND o.untilAt > :from AND o.placeKey <> ''
                GROUP BY o.placeKey
             )
             ORDER BY h.placeKey",
        );
        $query->setParameter('from', $from, 'instant')->setMaxResults($most);

        return $this->found($query->getResult());
    }

    /** Of a site that is there, for a section of it that is, or for all of it. */
    public function make(string $id, string $site, ?string $section, int $place): Hours
    {
        $made = new Hours(
            $id,
            $this->reference(Site::class, $site),
            $this->reference(Section::class, $section),
            $place,
            [],
        );
        $this->add($made);

        return $made;
    }

    public function sectionOf(?string $section): ?Section
    {
        return $this->reference(Section::class, $section);
    }

    /** @return list<Hours> */
    private function found(mixed $result): array
    {
        $found = [];
        foreach ((array) $result as $each) {
            \assert($each instanceof Hours);
            $found[] = $each;
        }

        return $found;
    }
}
