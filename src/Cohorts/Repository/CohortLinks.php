<?php

declare(strict_types=1);

namespace MintDoor\Cohorts\Repository;

use MintDoor\Cohorts\Entity\CohortLink;
use MintDoor\Shared\BaseRepository;

/**
 * Connections of cohorts with sites.
 *
 * @extends BaseRepository<CohortLink>
 */
final class CohortLinks extends BaseRepository
{
    protected const ENTITY = CohortLink::class;

    /** @return list<CohortLink> all that were not taken back */
    public function on(): array
    {
        return $this->findBy(['endedAt' => null], ['id' => 'ASC']);
    }

    /** @return list<CohortLink> those of a site that were not taken back, the first first */
    public function ofSite(string $site): array
    {
        $links = $this->createQueryBuilder('l')
            ->join('l.door', 'd')
            ->where('d.site = :site AND l.endedAt IS NULL')
            ->orderBy('l.id')
            ->setParameter('site', $site, 'id');

        return array_values((array) $links->getQuery()->getResult());
    }

    /**
     * @param list<string> $cohorts ids
     *
     * @return list<CohortLink> those of some cohorts that were not taken back, the first first
     */
    public function ofCohorts(array $cohorts): array
    {
        return [] === $cohorts ? [] : $this->findBy(['cohort' => $cohorts, 'endedAt' => null], ['id' => 'ASC']);
    }

    /**
     * @param list<string> $doors ids
     *
     * @return list<CohortLink> those of some doors that were not taken back
     */
    public function ofDoors(array $doors): array
    {
        return [] === $doors ? [] : $this->findBy(['door' => $doors, 'endedAt' => null], ['id' => 'ASC']);
    }

    /** @return list<CohortLink> those that bring people into a section and were not taken back */
    public function intoSection(string $section): array
    {
        return $this->findBy(['section' => $section, 'endedAt' => null], ['id' => 'ASC']);
    }

    /** A site goes on in another term: who belonged no more by then keeps access to the end of the one before. */
    public function inTerm(string $site, int $ends, int $earlierEnds, int $now): void
    {
        foreach ($this->ofSite($site) as $link) {
            $link->toTerm && $link->inTerm($ends, $earlierEnds, $now);
        }
        $this->flush();
    }

    public function withId(string $id): ?CohortLink
    {
        return $this->findOneBy(['id' => $id]);
    }
}
