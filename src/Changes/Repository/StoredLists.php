<?php

declare(strict_types=1);

namespace MintDoor\Changes\Repository;

use Doctrine\DBAL\LockMode;
use Doctrine\ORM\QueryBuilder;
use MintDoor\Changes\ChangeListFilter;
use MintDoor\Changes\ChangeListView;
use MintDoor\Changes\Entity\ChangeList;
use MintDoor\People\Entity\Person;
use MintDoor\Roster\Repository\SeenSites;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Cursor;
use MintDoor\Shared\Id;
use MintDoor\Shared\Problem;
use MintDoor\Sites\Entity\Site;

/**
 * Change lists.
 *
 * @extends BaseRepository<ChangeList>
 */
final class StoredLists extends BaseRepository
{
    protected const ENTITY = ChangeList::class;

    /** In the order of `ChangeListView`. */
    private const COLUMNS = <<<'DQL'
        h.id, h.kind, h.title, h.state, h.version, h.madeAt, h.changedAt, h.total, h.done, h.applied, h.trouble, h.tell,
        p.id, p.givenName, p.familyName, p.preferredName,
        s.id, s.title,
        u.id
        DQL;

    /**
     * @param ?string $site   id; null for one over several sites
     * @param ?string $undoes id of the change list it takes back
     */
    public function make(
        string $kind,
        ?string $site,
        string $title,
        string $state,
        string $by,
        int $now,
        ?string $undoes = null,
    ): ChangeList {
        $list = new ChangeList(
            self::newId(),
            $this->reference(Site::class, $site),
            $this->reference(Person::class, $by),
            $now,
            $state,
            $kind,
            $title,
            changedAt: $now,
            changedBy: $by,
            undoes: $this->reference(ChangeList::class, $undoes),
        );
        $this->add($list);

        return $list;
    }

    /**
     * As it is now, so that nobody else changes it before the transaction ends.
     *
     * @throws Problem of type `NotFound`
     */
    public function locked(string $id): ChangeList
    {
        return $this->find($id, LockMode::PESSIMISTIC_WRITE) ?? throw Problem::notFound('change-list');
    }

    public function view(string $id): ?ChangeListView
    {
        $view = $this->views()->where('h.id = :id')->setParameter('id', $id, 'id')->getQuery()->getOneOrNullResult();

        return $view instanceof ChangeListView ? $view : null;
    }

    /**
     * @param list<string> $roles of those who let people into a site
     *
     * @return list<ChangeListView> that the caller may see, the last first
     */
    public function list(
        ChangeListFilter $filter,
        Caller $caller,
        array $roles,
        int $now,
        ?Cursor $cursor,
        int $most,
    ): array {
        $query = $this->views()
            ->where("h.kind <> 'single'")
            ->setMaxResults($most);
        if ($filter->mine) {
            $query->andWhere('h.madeBy = :me OR h.changedBy = :me')->setParameter('me', $caller->id, 'id');
        } elseif (!$caller->platformAdministrator) {
            $this->seenBy($query, $caller, $roles, $now);
        }
        '' === $filter->site || $query->andWhere('h.site = :site')->setParameter('site', $filter->site, 'id');
        '' === $filter->state
            ? $query->andWhere("h.state <> 'dropped'")
            : $query->andWhere('h.state = :state')->setParameter('state', $filter->state);
        self::lastFirst($query, 'h.madeAt', 'h.id', $cursor);

        /** @var list<ChangeListView> */
        return $query->getQuery()->getResult();
    }

    /**
     * Which change lists took others back, where they hold.
     *
     * @param list<string> $ids
     *
     * @return array<string, string> id by the id of what it took back
     */
    public function undoneBy(array $ids): array
    {
        $list = ChangeList::class;
        $query = $this->dql(
            <<<DQL
                SELECT u.id AS id, h.id AS undone
                FROM $list u
                JOIN u.undoes h
                WHERE h.id IN (:ids) AND u.applied > 0
                    AND NOT EXISTS (SELECT v.id FROM $list v WHERE v.undoes = u AND v.applied > 0)
                ORDER BY u.id
                DQL,
            ['ids' => $ids],
        );

        return array_column([] === $ids ? [] : $query->getArrayResult(), 'id', 'undone');
    }

    /**
     * Those that are being applied, stand still, and have no job that goes on with them. By hand: a job names its
     * change list in its body.
     *
     * @param int $patience seconds for which one may stand still
     *
     * @return array<string, string> kind by id
     */
    public function lost(int $patience): array
    {
        $lost = [];
        foreach (
            $this->rows(
                <<<'SQL'
                    SELECT h.id, h.kind
                    FROM change_list h
                    WHERE h.state = 'applying' AND h.trouble IS NULL
                        AND h.changed_at < UTC_TIMESTAMP() - INTERVAL ? SECOND
                        AND NOT EXISTS (
                            SELECT 1
                            FROM messenger_messages m
                            WHERE m.queue_name = 'jobs' AND m.body LIKE CONCAT('%', LOWER(CONCAT_WS('-',
                                SUBSTR(HEX(h.id), 1, 8), SUBSTR(HEX(h.id), 9, 4), SUBSTR(HEX(h.id), 13, 4),
                                SUBSTR(HEX(h.id), 17, 4), SUBSTR(HEX(h.id), 21))), '%')
                        )
                    SQL,
                [$patience],
            ) as $row
        ) {
            $lost[$row->id('id')] = $row->string('kind');
        }

        return $lost;
    }

    /** Says why one stopped while it was applied. By hand: whatever failed may have left entities half-changed. */
    public function trouble(string $id, string $why): void
    {
        $this->execute(
            "UPDATE change_list SET trouble = ?, version = version + 1 WHERE id = ? AND state = 'applying'",
            [$why, Id::binary($id)],
        );
    }

    /** @param list<string> $roles */
    private function seenBy(QueryBuilder $query, Caller $caller, array $roles, int $now): void
    {
        $query
            ->leftJoin('s.division', 'd');
        SeenSites::narrow(
            $query,
            $caller,
            $roles,
            $now,
            'h.madeBy = :me OR h.changedBy = :me',
            'd.code IN (:divisions)',
        );
    }

    private function views(): QueryBuilder
    {
        return $this->createQueryBuilder('h')
            ->select(\sprintf('NEW %s(%s)', ChangeListView::class, self::COLUMNS))
            ->join('h.madeBy', 'p')
            ->leftJoin('h.site', 's')
            ->leftJoin('h.undoes', 'u');
    }
}
