<?php

declare(strict_types=1);

namespace MintDoor\Cohorts\Repository;

use Doctrine\Persistence\ManagerRegistry;
use MintDoor\Cohorts\Entity\CohortMember;
use MintDoor\Core\Cohorts\Facts;
use MintDoor\Core\Cohorts\Place;
use MintDoor\Core\Cohorts\Rule;
use MintDoor\Core\Cohorts\RuleKind;
use MintDoor\Core\Platform\DivisionTree;
use MintDoor\Core\Time\Window;
use MintDoor\People\PersonRow;
use MintDoor\People\Repository\Labels;
use MintDoor\People\Repository\People;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Fragment;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Row;

/**
 * What rules read of people. By hand: of thousands at once.
 *
 * @extends BaseRepository<CohortMember>
 */
final class RuleFacts extends BaseRepository
{
    protected const ENTITY = CohortMember::class;

    public function __construct(
        ManagerRegistry $managers,
        private readonly People $people,
        private readonly Labels $labels,
        private readonly CohortMembers $members,
    ) {
        parent::__construct($managers);
    }

    /**
     * @param list<string> $people  ids
     * @param list<string> $sites   ids of those whose rosters are read
     * @param list<string> $cohorts ids of those that are read as they are
     *
     * @return array<string, Facts> by person; who is not in the directory any more is missing
     */
    public function of(array $people, array $sites, array $cohorts, DivisionTree $tree, int $now): array
    {
        $labels = $this->labels->ofPeople($people);
        $places = $this->places($people, $sites, $now);
        $belongs = $this->members->spans($cohorts, $people);
        $facts = [];
        foreach ([] === $people ? [] : $this->people->byId($people) as $id => $row) {
            if (null !== $row->stringOrNull('gone')) {
                continue;
            }
            $person = PersonRow::person($row);
            $in = [];
            foreach ($belongs as $cohort => $of) {
                if (isset($of[$id])) {
                    $in[$cohort] = $of[$id];
                }
            }
            $facts[$id] = new Facts(
                $person->kinds(),
                $tree->above($person->division) ?: [$person->division],
                $person->level,
                $labels[$id] ?? [],
                $places[$id] ?? [],
                $in,
            );
        }

        return $facts;
    }

    /**
     * The next of those who may belong by a rule, and of those who do belong to a cohort.
     *
     * @param ?string $cohort id; null for one that is not there yet
     * @param ?string $after  id of the last before
     *
     * @return list<string> ids, in their order
     */
    public function next(
        Rule $rule,
        DivisionTree $tree,
        ?string $cohort,
        ?string $after,
        int $now,
        int $most,
    ): array {
        $sql = ['p.gone IS NULL'];
        $values = [];
        foreach ($rule->necessary() as $n => $part) {
            $fragment = self::fits($part, $tree, "v$n");
            $sql[] = $fragment->sql;
            $values += $fragment->values;
        }
        $may = implode(' AND ', $sql);
        $rows = $this->rows(
            "SELECT p.id FROM person p
             WHERE p.id > :after AND $may
             UNION
             SELECT m.person_id FROM cohort_member m
             WHERE m.cohort_id = :cohort AND m.person_id > :after AND m.until_at > :now
             ORDER BY id
             LIMIT $most",
            [
                'after' => null === $after ? '' : Id::binary($after),
                'cohort' => Id::binary($cohort ?? Id::NONE),
                'now' => Instant::toSql($now),
                ...$values,
            ],
        );

        return array_map(static fn(Row $row): string => $row->id('id'), $rows);
    }

    /** Of whom a part of a rule may hold. */
    private static function fits(Rule $part, DivisionTree $tree, string $as): Fragment
    {
        return match ($part->kind) {
            RuleKind::Kinds => new Fragment("(p.kind IN (:$as) OR p.own_kind IN (:$as))", [$as => $part->names]),
            RuleKind::Divisions => new Fragment(
                "p.division_id IN (SELECT id FROM division WHERE code IN (:$as))",
                [$as => $tree->reach($part->names)],
            ),
            RuleKind::Levels => new Fragment("p.level BETWEEN :{$as}l AND :{$as}h", [
                $as.'l' => $part->lowest,
                $as.'h' => $part->highest,
            ]),
            RuleKind::Labels => new Fragment(
                "p.id IN (SELECT pl.person_id FROM person_label pl JOIN label l ON l.id = pl.label_id
                    WHERE l.name IN (:$as))",
                [$as => $part->names],
            ),
            RuleKind::In => new Fragment(
                "p.id IN (SELECT g.person_id FROM enrollment_segment g WHERE g.site_id = :$as AND g.until_at > :now)",
                [$as => Id::binary($part->site ?? Id::NONE)],
            ),
            RuleKind::Cohort => new Fragment(
                "p.id IN (SELECT c.person_id FROM cohort_member c WHERE c.cohort_id = :$as AND c.until_at > :now)",
                [$as => Id::binary($part->cohort ?? Id::NONE)],
            ),
            default => new Fragment('1', []),
        };
    }

    /**
     * @param list<string> $people ids
     * @param list<string> $sites  ids
     *
     * @return array<string, list<Place>> by person
     */
    private function places(array $people, array $sites, int $now): array
    {
        $places = [];
        $rows = [] === $people || [] === $sites ? [] : $this->eachRow(
            "SELECT g.person_id, g.site_id, g.from_at, g.until_at, g.roles, g.sections
             FROM enrollment_segment g
             WHERE g.site_id IN (?) AND g.person_id IN (?) AND g.until_at > ? AND g.state IN ('current', 'paused')",
            [array_map(Id::binary(...), $sites), array_map(Id::binary(...), $people), Instant::toSql($now)],
        );
        foreach ($rows as $row) {
            $places[$row->id('person_id')][] = new Place(
                $row->id('site_id'),
                new Window($row->instant('from_at'), $row->instant('until_at')),
                $row->list('roles'),
                $row->list('sections'),
            );
        }

        return $places;
    }
}
