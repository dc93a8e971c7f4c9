<?php

declare(strict_types=1);

namespace MintDoor\Groups\Repository;

use MintDoor\Groups\Entity\GroupPlace;
use MintDoor\Groups\Entity\GroupSplit;
use MintDoor\Groups\LentPlace;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\BulkWriter;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Row;
use MintDoor\Shared\Sql;

/**
 * Who is in which group. By hand: thousands are read, and written, at once.
 *
 * @extends BaseRepository<GroupPlace>
 */
final class GroupPlaces extends BaseRepository
{
    protected const ENTITY = GroupPlace::class;

    /** Learners who are in a site, or will be. */
    private const THEY = "g.site_id = :site AND g.holds_seat = 1 AND g.state IN ('current', 'paused', 'upcoming') AND ";

    /**
     * @param ?list<string> $within ids of the sections whose people are meant; null for all
     *
     * @return array<string, ?string> id of the group by person, of everybody the split is about, in the order of their
     *     names; null for who is in none
     */
    public function of(GroupSplit $split, int $now, ?array $within = null): array
    {
        $places = [];
        foreach (
            $this->rows(
                'SELECT g.person_id, g.sections, o.id AS group_id
                 FROM enrollment_segment g
                 LEFT JOIN group_place l ON l.split_id = :split AND l.person_id = g.person_id AND l.live = 1
                 LEFT JOIN site_group o ON o.id = l.group_id AND o.gone = 0
                 WHERE '.self::THEY.Sql::holds('g').'
                 ORDER BY g.sort_name, g.person_id',
                [
                    'split' => Id::binary($split->id),
                    'site' => Id::binary($split->site->id),
                    'now' => Instant::toSql($now),
                ],
            ) as $row
        ) {
            if (self::isAbout($split, $row->list('sections'), $within)) {
                $places[$row->id('person_id')] = $row->idOrNull('group_id');
            }
        }

        return $places;
    }

    /**
     * The same of several splits of one site, in two statements.
     *
     * @param list<GroupSplit> $splits
     * @param ?list<string>    $within ids of the sections whose people are meant; null for all
     *
     * @return array<string, array{people: int, without: int}> how many each is about, and in none, by its id
     */
    public function counted(string $site, array $splits, int $now, ?array $within = null): array
    {
        $in = [];
        foreach (
            $this->rows(
                'SELECT l.split_id, l.person_id
                 FROM group_split s
                 JOIN group_place l ON l.split_id = s.id AND l.live = 1
                 JOIN site_group o ON o.id = l.group_id AND o.gone = 0
                 WHERE s.site_id = ?',
                [Id::binary($site)],
            ) as $row
        ) {
            $in[$row->id('split_id')][$row->id('person_id')] = true;
        }
        $people = $this->rows(
            'SELECT g.person_id, g.sections FROM enrollment_segment g WHERE '.self::THEY.Sql::holds('g'),
            ['site' => Id::binary($site), 'now' => Instant::toSql($now)],
        );
        $counted = [];
        foreach ($splits as $split) {
            $about = array_filter(
                $people,
                static fn(Row $row): bool => self::isAbout($split, $row->list('sections'), $within),
            );
            $without = array_filter(
                $about,
                static fn(Row $row): bool => !isset($in[$split->id][$row->id('person_id')]),
            );
            $counted[$split->id] = ['people' => \count($about), 'without' => \count($without)];
        }

        return $counted;
    }

    /**
     * @param list<string>  $sections ids of those somebody is in
     * @param ?list<string> $within
     */
    private static function isAbout(GroupSplit $split, array $sections, ?array $within): bool
    {
        $meant = null === $split->section || \in_array($split->section->id, $sections, true);

        return $meant && (null === $within || [] !== array_intersect($within, $sections));
    }

    /**
     * Where somebody is, another is who is the same person; where that one is in a group already, they stay.
     *
     * @return list<LentPlace>
     */
    public function lend(string $from, string $to, int $now): array
    {
        $lent = [];
        foreach ($this->findBy(['person' => $from, 'live' => true]) as $place) {
            $moved = null === $this->liveOf($place->split, $to);
            $lent[] = new LentPlace($place->split->id, $place->group->id, $moved);
            $this->put($place->split, [$from => null] + ($moved ? [$to => $place->group->id] : []), null, $now);
        }

        return $lent;
    }

    /**
     * The two are not the same person: each is where they were, unless they were moved since.
     *
     * @param list<LentPlace> $lent
     */
    public function giveBack(string $from, string $to, array $lent, int $now): void
    {
        foreach ($lent as $one) {
            $split = $this->getEntityManager()->find(GroupSplit::class, $one->split);
            if (null === $split) {
                continue;
            }
            $still = $this->liveOf($split, $from)?->group->id === $one->group;
            $this->put($split, [$to => $one->group] + ($one->moved && $still ? [$from => null] : []), null, $now);
        }
    }

    /**
     * Who came since an instant, and never was in a group of a split: to the site, to the section whose people are
     * divided, or to any section where there is a group for each. Whoever waited for a yes comes when it is given.
     *
     * @return list<string> ids
     */
    public function newcomers(GroupSplit $split, int $since, int $now): array
    {
        $part = match (true) {
            null !== $split->section => ' AND g.sections LIKE :part',
            'alike' === $split->arrives && 'section' === $split->madeFrom => " AND g.sections <> ''",
            default => '',
        };
        $before = str_replace('g.', 'b.', self::THEY).'b.person_id = g.person_id'.str_replace('g.', 'b.', $part);
        $rows = $this->rows(
            'SELECT g.person_id, g.sections
             FROM enrollment_segment g
             WHERE '.self::THEY.Sql::holds('g')."$part AND NOT EXISTS (
                SELECT 1 FROM group_place l WHERE l.split_id = :split AND l.person_id = g.person_id
             ) AND (g.since_at >= :since OR NOT EXISTS (
                SELECT 1 FROM enrollment_segment b WHERE $before AND b.from_at < :since
             ))",
            (null === $split->section ? [] : ['part' => '%'.$split->section->id.'%']) + [
                'split' => Id::binary($split->id),
                'site' => Id::binary($split->site->id),
                'since' => Instant::toSql($since),
                'now' => Instant::toSql($now),
            ],
        );
        $about = array_filter($rows, static fn(Row $row): bool => self::isAbout($split, $row->list('sections'), null));

        return array_values(array_map(static fn(Row $row): string => $row->id('person_id'), $about));
    }

    /** How many groups of a split somebody came into since an instant. */
    public function since(GroupSplit $split, string $person, int $instant): int
    {
        return $this->number(
            'SELECT COUNT(*) FROM group_place WHERE split_id = ? AND person_id = ? AND from_at > ?',
            [Id::binary($split->id), Id::binary($person), Instant::toSql($instant)],
        );
    }

    /**
     * A group is full: the places of those who are not in the site any more are theirs no longer. Until then they have
     * them again when they come back.
     *
     * @param list<string> $there ids of those who are in it
     */
    public function release(string $group, array $there, int $now): void
    {
        $this->execute(
            'UPDATE group_place SET live = NULL, until_at = :now
             WHERE group_id = :group AND live = 1 AND person_id NOT IN (:there)',
            ['group' => Id::binary($group), 'there' => self::binary($there), 'now' => Instant::toSql($now)],
        );
    }

    private function liveOf(GroupSplit $split, string $person): ?GroupPlace
    {
        return $this->findOneBy(['split' => $split->id, 'person' => $person, 'live' => true]);
    }

    /**
     * Puts people into groups, or takes them out, from now on.
     *
     * @param array<string, ?string> $places id of the group by person; null for none
     * @param ?string                $by     who does it
     */
    public function put(GroupSplit $split, array $places, ?string $by, int $now): void
    {
        if ([] === $places) {
            return;
        }
        $people = array_map(strval(...), array_keys($places));
        $this->execute(
            'UPDATE group_place SET live = NULL, until_at = :now
             WHERE split_id = :split AND person_id IN (:people) AND live = 1',
            ['split' => Id::binary($split->id), 'people' => self::binary($people), 'now' => Instant::toSql($now)],
        );
        $rows = new BulkWriter($this->connection());
        foreach ($places as $person => $group) {
            null === $group
                || $rows->add('group_place', [
                    'id' => BulkWriter::id(self::newId()),
                    'split_id' => BulkWriter::id($split->id),
                    'group_id' => BulkWriter::id($group),
                    'person_id' => BulkWriter::id((string) $person),
                    'from_at' => Instant::toSql($now),
                    'put_by' => BulkWriter::id($by),
                    'live' => true,
                ]);
        }
        $rows->flush();
    }
}
