<?php

declare(strict_types=1);

namespace MintDoor\Plans\Repository;

use Doctrine\DBAL\LockMode;
use MintDoor\Plans\Entity\SitePlan;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Row;
use MintDoor\Shared\Sql;
use MintDoor\Sites\Entity\Site;

/**
 * Plans of sites. By hand: what a worker says while it computes, which nobody else waits for.
 *
 * @extends BaseRepository<SitePlan>
 */
final class SitePlans extends BaseRepository
{
    protected const ENTITY = SitePlan::class;

    public function of(string $site): ?SitePlan
    {
        return $this->findOneBy(['site' => $site, 'putAwayAt' => null]);
    }

    /** That of a site that was put away, where there is no other since. */
    public function awayOf(string $site): ?SitePlan
    {
        $plan = $this->findOneBy(['site' => $site]);

        return null === $plan?->putAwayAt ? null : $plan;
    }

    /** @return list<SitePlan> the others that are planned together with one, by site */
    public function with(SitePlan $plan): array
    {
        $all = null === $plan->joint ? [] : $this->findBy(['joint' => $plan->joint, 'putAwayAt' => null]);
        $others = array_filter(
            $all,
            static fn(SitePlan $one): bool => $one->id !== $plan->id && !$one->site->takenBack
        );
        usort($others, static fn(SitePlan $a, SitePlan $b): int => $a->site->id <=> $b->site->id);

        return $others;
    }

    public function withId(string $plan): ?SitePlan
    {
        return $this->find($plan);
    }

    /** Nobody else changes it before this transaction ends. */
    public function locked(string $plan): ?SitePlan
    {
        return $this->find($plan, LockMode::PESSIMISTIC_WRITE);
    }

    /** That of a site, until this transaction ends; nobody says meanwhile what they wish. */
    public function lockedOf(string $site): ?SitePlan
    {
        $plan = $this->of($site);

        return null === $plan ? null : $this->locked($plan->id);
    }

    /** Of a site that is there and has none. What was put away is gone then, with its wishes. */
    public function make(string $id, string $site): SitePlan
    {
        $away = $this->awayOf($site);
        if (null !== $away) {
            $this->remove($away);
            // Before there is another one: a site has one only.
            $this->flush();
        }
        $made = new SitePlan($id, $this->reference(Site::class, $site), []);
        $this->add($made);

        return $made;
    }

    /**
     * Says how far it is computed, with all that are computed with it.
     *
     * @return bool whether it is to go on: nobody stopped or changed it
     */
    public function beat(string $plan, int $version, int $done, int $steps, int $now): bool
    {
        $this->execute(
            "UPDATE site_plan p JOIN site_plan h ON p.id = h.id OR p.joint = h.joint
             SET p.done = ?, p.steps = ?, p.beat_at = IF(p.id = h.id, ?, NULL)
             WHERE h.id = ? AND h.version = ? AND p.state = 'computing'",
            [$done, $steps, Instant::toSql($now), Id::binary($plan), $version],
        );

        return 1 === $this->number(
            "SELECT COUNT(*) FROM site_plan WHERE id = ? AND version = ? AND state = 'computing' AND stops = 0",
            [Id::binary($plan), $version],
        );
    }

    /** @return array<string, int> versions of those whose worker has said nothing since an instant, by id */
    public function silent(int $since): array
    {
        $silent = [];
        foreach (
            $this->rows(
                "SELECT id, version FROM site_plan WHERE state = 'computing' AND beat_at < ?",
                [Instant::toSql($since)],
            ) as $row
        ) {
            $silent[$row->id('id')] = $row->int('version');
        }

        return $silent;
    }

    /** @return list<SitePlan> of the sites in which somebody is a learner at an instant, or will be */
    public function ofPerson(string $person, int $now): array
    {
        $rows = $this->rows(
            'SELECT p.id
             FROM enrollment_segment g
             JOIN site_plan p ON p.site_id = g.site_id
             JOIN site s ON s.id = g.site_id
             WHERE g.person_id = :person AND g.holds_seat = 1 AND s.taken_back = 0
                AND p.put_away_at IS NULL AND '.Sql::holds('g'),
            ['person' => Id::binary($person), 'now' => Instant::toSql($now)],
        );

        return array_values(
            array_filter(array_map(fn(Row $row): ?SitePlan => $this->find($row->id('id')), $rows)),
        );
    }

    /** @return list<string> ids of sites whose plan was carried out between two instants, and nobody was told of it */
    public function untold(int $since, int $until): array
    {
        return array_map(
            static fn(Row $row): string => $row->id('site_id'),
            $this->rows(
                "SELECT p.site_id FROM site_plan p
                 JOIN site s ON s.id = p.site_id
                 JOIN change_list l ON l.id = p.change_list_id
                 WHERE s.taken_back = 0 AND p.put_away_at IS NULL AND p.opens_at IS NOT NULL
                    AND p.state = 'applied' AND p.told_at IS NULL AND l.state = 'applied'
                    AND COALESCE(l.changed_at, l.made_at) BETWEEN :since AND :until",
                ['since' => Instant::toSql($since), 'until' => Instant::toSql($until)],
            ),
        );
    }

    /** @return list<string> ids of sites whose wishes are asked for at an instant, or that were asked and close soon */
    public function asking(int $now): array
    {
        return array_map(
            static fn(Row $row): string => $row->id('site_id'),
            $this->rows(
                'SELECT p.site_id FROM site_plan p JOIN site s ON s.id = p.site_id
                 WHERE s.taken_back = 0 AND p.put_away_at IS NULL AND p.opens_at <= :now AND p.closes_at > :now
                    AND (p.asked_at IS NULL OR p.reminded_at IS NULL)',
                ['now' => Instant::toSql($now)],
            ),
        );
    }
}
