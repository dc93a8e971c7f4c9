<?php

declare(strict_types=1);

namespace MintDoor\Groups\Repository;

use Doctrine\DBAL\LockMode;
use MintDoor\Groups\Entity\GroupSplit;
use MintDoor\Roster\Entity\Section;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Row;
use MintDoor\Shared\Sql;
use MintDoor\Sites\Entity\Site;

/**
 * Ways of dividing people. By hand: which are theirs of a person, and which are due, goes over enrollments and sites.
 *
 * @extends BaseRepository<GroupSplit>
 */
final class Splits extends BaseRepository
{
    protected const ENTITY = GroupSplit::class;

    /** @return list<GroupSplit> in their order */
    public function of(string $site): array
    {
        return $this->findBy(['site' => $site, 'putAwayAt' => null], ['place' => 'ASC', 'id' => 'ASC']);
    }

    /** @return list<GroupSplit> those put away, the last first */
    public function awayOf(string $site): array
    {
        $away = array_filter(
            $this->findBy(['site' => $site], ['putAwayAt' => 'DESC']),
            static fn(GroupSplit $split): bool => null !== $split->putAwayAt,
        );

        return array_values($away);
    }

    /** Also one that was put away. */
    public function one(string $site, string $id): ?GroupSplit
    {
        return $this->findOneBy(['id' => $id, 'site' => $site]);
    }

    /** One that is there, and not put away. */
    public function there(string $site, string $id): ?GroupSplit
    {
        return $this->findOneBy(['id' => $id, 'site' => $site, 'putAwayAt' => null]);
    }

    /** Nobody else changes it, or who is in its groups, before this transaction ends. */
    public function locked(string $site, string $id): ?GroupSplit
    {
        return null === $this->one($site, $id) ? null : $this->find($id, LockMode::PESSIMISTIC_WRITE);
    }

    /** @return list<GroupSplit> of which somebody, a learner of the site, chooses, or chose, a group */
    public function ofPerson(string $person, int $now): array
    {
        $rows = $this->rows(
            'SELECT s.id
             FROM enrollment_segment g
             JOIN group_split s ON s.site_id = g.site_id
             WHERE g.person_id = :person AND g.holds_seat = 1 AND s.put_away_at IS NULL AND s.opens_at <= :now
                AND '.Sql::holds('g').'
             ORDER BY s.closes_at, s.id',
            ['person' => Id::binary($person), 'now' => Instant::toSql($now)],
        );

        return array_values(
            array_filter(array_map(fn(Row $row): ?GroupSplit => $this->find($row->id('id')), $rows)),
        );
    }

    /** @return array<string, string> sites, by the ids of splits whose people are to be asked, or reminded */
    public function asking(int $now): array
    {
        return $this->sites(
            's.opens_at <= :now AND s.closes_at > :now AND (s.asked_at IS NULL OR s.reminded_at IS NULL)',
            $now,
        );
    }

    /** @return array<string, string> sites, by the ids of splits that are over, with people to be put into groups */
    public function over(int $now): array
    {
        return $this->sites('s.closes_at <= :now AND s.settles = 1 AND s.settled_at IS NULL', $now);
    }

    /** @return array<string, string> sites, by the ids of splits into which whoever comes later is put by itself */
    public function arriving(int $now): array
    {
        return $this->sites(
            "s.arrives <> 'none' AND (s.opens_at IS NULL OR s.closes_at <= :now OR s.opens_at > :now)",
            $now
        );
    }

    /** @return array<string, string> */
    private function sites(string $which, int $now): array
    {
        $sites = [];
        foreach (
            $this->rows(
                "SELECT s.id, s.site_id FROM group_split s JOIN site t ON t.id = s.site_id
                 WHERE t.taken_back = 0 AND s.put_away_at IS NULL AND $which",
                ['now' => Instant::toSql($now)],
            ) as $row
        ) {
            $sites[$row->id('id')] = $row->id('site_id');
        }

        return $sites;
    }

    public function withId(string $id): ?GroupSplit
    {
        return $this->find($id);
    }

    /** @param ?string $section id of one of the site's */
    public function make(string $id, string $site, string $name, ?string $section): GroupSplit
    {
        $made = new GroupSplit(
            $id,
            $this->reference(Site::class, $site),
            $name,
            $this->reference(Section::class, $section),
        );
        $this->add($made);

        return $made;
    }
}
