<?php

declare(strict_types=1);

namespace MintDoor\History\Repository;

use Doctrine\ORM\EntityManagerInterface;
use Doctrine\ORM\Query\Expr\Join;
use Doctrine\ORM\QueryBuilder;
use MintDoor\Core\Time\Time;
use MintDoor\History\SecurityFilter;
use MintDoor\History\SecurityLine;
use MintDoor\People\Entity\Person;
use MintDoor\Platform\Entity\Division;
use MintDoor\Shared\Entity\SecurityEntry;
use MintDoor\Shared\Sql;
use MintDoor\Sites\Entity\Site;

/** The security log, looked through by administrators. */
final readonly class SecurityLogEntries
{
    /** In the order of `SecurityLine`. */
    private const COLUMNS = <<<'DQL'
        e.sequence, e.at, e.code, e.data, e.address,
        e.personId, p.givenName, p.familyName, p.preferredName,
        e.byId, b.givenName, b.familyName, b.preferredName,
        e.siteId, s.title
        DQL;

    public function __construct(private EntityManagerInterface $entities) {}

    /**
     * @param ?list<string> $divisions codes of those whose people it may be about; null for everybody
     * @param ?int          $before    only lines before this one
     *
     * @return list<SecurityLine> the last first
     */
    public function find(SecurityFilter $filter, ?array $divisions, ?int $before, int $most): array
    {
        $query = $this->entities
            ->createQueryBuilder()
            ->select(\sprintf('NEW %s(%s)', SecurityLine::class, self::COLUMNS))
            ->from(SecurityEntry::class, 'e')
            ->leftJoin(Person::class, 'p', Join::WITH, 'p.id = e.personId')
            ->leftJoin(Person::class, 'b', Join::WITH, 'b.id = e.byId')
            ->leftJoin(Site::class, 's', Join::WITH, 's.id = e.siteId')
            ->orderBy('e.sequence', 'DESC')
            ->setMaxResults($most);
        null === $divisions || $this->ofDivisions($query, $divisions);
        null === $before || $query->andWhere('e.sequence < :before')->setParameter('before', $before);
        '' === $filter->code || $query->andWhere('e.code = :code')->setParameter('code', $filter->code);
        '' === $filter->person || $this->aboutOrBy($query, $filter->person);
        foreach (Sql::words($filter->q) as $place => $word) {
            $this->naming($query, "word$place", $word);
        }
        $this->between($query, $filter->from, $filter->until);

        /** @var list<SecurityLine> */
        return $query->getQuery()->getResult();
    }

    /** @param list<string> $codes */
    private function ofDivisions(QueryBuilder $query, array $codes): void
    {
        $division = Division::class;
        $query
            ->andWhere("e.divisionId IN (SELECT d.id FROM $division d WHERE d.code IN (:divisions))")
            ->setParameter('divisions', $codes);
    }

    private function aboutOrBy(QueryBuilder $query, string $person): void
    {
        $query->andWhere('e.personId = :person OR e.byId = :person')->setParameter('person', $person, 'id');
    }

    private function naming(QueryBuilder $query, string $name, string $word): void
    {
        $columns = ['e.address'];
        foreach (['p', 'b'] as $who) {
            array_push($columns, "$who.preferredName", "$who.givenName", "$who.familyName");
        }
        $likes = array_map(static fn(string $column): string => "$column LIKE :$name", $columns);
        $query->andWhere($query->expr()->orX(...$likes))->setParameter($name, Sql::containing($word));
    }

    /** Both days are in it. */
    private function between(QueryBuilder $query, string $from, string $until): void
    {
        $utc = new \DateTimeZone('UTC');
        if ('' !== $from) {
            $query->andWhere('e.at >= :from')->setParameter('from', Time::startOfDay($from, $utc), 'instant');
        }
        if ('' !== $until) {
            $query->andWhere('e.at < :until')->setParameter('until', Time::untilDayIncluded($until, $utc), 'instant');
        }
    }
}
