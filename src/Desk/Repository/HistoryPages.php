<?php

declare(strict_types=1);

namespace MintDoor\Desk\Repository;

use Doctrine\ORM\Query\Expr\Join;
use Doctrine\ORM\QueryBuilder;
use MintDoor\Desk\HistoryLine;
use MintDoor\History\Entity\HistoryEntry;
use MintDoor\History\HistoryFilter;
use MintDoor\People\Entity\Person;
use MintDoor\Roster\Repository\SeenSites;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Cursor;
use MintDoor\Shared\Sql;
use MintDoor\Sites\Entity\Site;

/**
 * Pages of histories, the last entry first.
 *
 * @extends BaseRepository<HistoryEntry>
 */
final class HistoryPages extends BaseRepository
{
    protected const ENTITY = HistoryEntry::class;

    /** In the order of `HistoryLine`. */
    private const COLUMNS = <<<'DQL'
        l.id, l.siteId, l.sequence, l.at, l.code, l.data, l.lineId, l.undoneBy,
        a.id, a.givenName, a.familyName, a.preferredName,
        p.id, p.givenName, p.familyName, p.preferredName,
        s.title
        DQL;

    /**
     * @param ?int          $from   instants that the filter's days mean
     * @param ?list<string> $people ids of those it may be about; null for everybody
     *
     * @return list<HistoryLine>
     */
    public function ofSite(
        string $site,
        HistoryFilter $filter,
        ?int $from,
        ?int $until,
        ?int $before,
        int $most,
        ?array $people = null,
    ): array {
        $query = $this->filtered($filter, $from, $until)
            ->andWhere('l.siteId = :site')
            ->setParameter('site', $site, 'id')
            ->orderBy('l.sequence', 'DESC')
            ->setMaxResults($most);
        null === $before || $query->andWhere('l.sequence < :before')->setParameter('before', $before);
        null === $people
            || $query->andWhere('p.id IN (:people)')->setParameter('people', self::binary($people), self::IDS);

        return self::lines($query);
    }

    /**
     * Of a site and of those that are part of it by now.
     *
     * @param non-empty-list<string> $sites  ids
     * @param ?int                   $from   instants that the filter's days mean
     * @param ?list<string>          $people ids of those it may be about; null for everybody
     *
     * @return list<HistoryLine>
     */
    public function ofSites(
        array $sites,
        HistoryFilter $filter,
        ?int $from,
        ?int $until,
        ?Cursor $cursor,
        int $most,
        ?array $people = null,
    ): array {
        $query = $this->filtered($filter, $from, $until)
            ->andWhere('l.siteId IN (:sites)')
            ->setParameter('sites', self::binary($sites), self::IDS)
            ->setMaxResults($most);
        null === $people
            || $query->andWhere('p.id IN (:people)')->setParameter('people', self::binary($people), self::IDS);
        self::lastFirst($query, 'l.at', 'l.id', $cursor);

        return self::lines($query);
    }

    /**
     * About somebody and those merged into them: of sites whose history the caller reads, and of the platform where
     * they administer the person's division.
     *
     * @param list<string> $readers codes of roles that read the history of a site
     *
     * @return list<HistoryLine>
     */
    public function ofPerson(
        string $person,
        Caller $caller,
        array $readers,
        HistoryFilter $filter,
        ?int $from,
        ?int $until,
        int $now,
        ?Cursor $cursor,
        int $most,
    ): array {
        $query = $this->filtered($filter, $from, $until)
            ->andWhere('p.id = :about OR p.goneInto = :about')
            ->setParameter('about', $person, 'id')
            ->setMaxResults($most);
        $caller->platformAdministrator || $this->readBy($query, $caller, $readers, $now);
        self::lastFirst($query, 'l.at', 'l.id', $cursor);

        return self::lines($query);
    }

    private function filtered(HistoryFilter $filter, ?int $from, ?int $until): QueryBuilder
    {
        $query = $this->createQueryBuilder('l')
            ->select(\sprintf('NEW %s(%s)', HistoryLine::class, self::COLUMNS))
            ->join(Person::class, 'a', Join::WITH, 'a.id = l.actorId')
            ->leftJoin('l.person', 'p')
            ->leftJoin(Site::class, 's', Join::WITH, 's.id = l.siteId');
        null === $filter->code || $query->andWhere('l.code = :code')->setParameter('code', $filter->code);
        null === $filter->person
            || $query->andWhere('l.person = :person')->setParameter('person', $filter->person, 'id');
        null === $from || $query->andWhere('l.at >= :from')->setParameter('from', $from, 'instant');
        null === $until || $query->andWhere('l.at < :until')->setParameter('until', $until, 'instant');
        foreach (Sql::words($filter->q) as $n => $word) {
            $this->naming($query, "word$n", $word);
        }

        return $query;
    }

    private function naming(QueryBuilder $query, string $name, string $word): void
    {
        $columns = ['p.furtherNames'];
        foreach (['a', 'p'] as $who) {
            array_push($columns, "$who.preferredName", "$who.givenName", "$who.familyName");
        }
        $likes = array_map(static fn(string $column): string => "$column LIKE :$name", $columns);
        $query->andWhere($query->expr()->orX(...$likes))->setParameter($name, Sql::containing($word));
    }

    /** @param list<string> $roles */
    private function readBy(QueryBuilder $query, Caller $caller, array $roles, int $now): void
    {
        $query
            ->leftJoin('s.division', 'sd')
            ->leftJoin('p.division', 'pd');
        SeenSites::narrow(
            $query,
            $caller,
            $roles,
            $now,
            'sd.code IN (:divisions)',
            's.id IS NULL AND pd.code IN (:divisions)',
        );
    }

    /** @return list<HistoryLine> */
    private static function lines(QueryBuilder $query): array
    {
        /** @var list<HistoryLine> */
        return $query->getQuery()->getResult();
    }
}
