<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use Doctrine\Bundle\DoctrineBundle\Repository\ServiceEntityRepository;
use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Doctrine\ORM\Query;
use Doctrine\ORM\QueryBuilder;
use Doctrine\Persistence\ManagerRegistry;

/**
 * What is stored of one kind. Few things at a time are loaded and changed as entities. Statements are written by hand
 * only here, where a bound of `bin/bench` asks for it, where many rows change at once, or where one statement decides
 * between callers; each says which. `tests/app/Shared/RepositoriesTest` holds all other classes away from the database.
 *
 * @template T of object
 *
 * @extends ServiceEntityRepository<T>
 */
abstract class BaseRepository extends ServiceEntityRepository
{
    use Statements;

    /** The type of a list of ids in a query, each as `Id::binary()`. */
    protected const IDS = ArrayParameterType::BINARY;

    /** What it holds; each repository says it. */
    protected const ENTITY = \stdClass::class;

    public function __construct(private readonly ManagerRegistry $managers)
    {
        /** @var class-string<T> $entity */
        $entity = static::ENTITY;
        parent::__construct($managers, $entity);
    }

    /**
     * Keeps something new; it is written when the transaction ends, or by `flush()`.
     *
     * @param T $entity
     */
    public function add(object $entity): void
    {
        $this->getEntityManager()->persist($entity);
    }

    /** @param T $entity */
    public function remove(object $entity): void
    {
        $this->getEntityManager()->remove($entity);
    }

    /** Writes what was changed; where a statement by hand, or a unique name, is to meet it at once. */
    public function flush(): void
    {
        $this->getEntityManager()->flush();
    }

    /** Which database this is, for what a machine remembers of it. */
    public function database(): string
    {
        $name = $this->connection()->getParams()['dbname'] ?? '';

        return \is_string($name) ? $name : '';
    }

    /**
     * Something that is there for sure, to be pointed to without being read.
     *
     * @template E of object
     *
     * @param class-string<E> $class
     *
     * @return ($id is null ? null : E)
     */
    protected function reference(string $class, ?string $id): ?object
    {
        return null === $id ? null : $this->getEntityManager()->getReference($class, $id);
    }

    /**
     * A query in DQL whose values are ids: `id` is the type that finds them.
     *
     * @param array<string, string|list<string>> $ids    by name
     * @param array<string, mixed>               $values by name
     */
    protected function dql(string $dql, array $ids, array $values = []): Query
    {
        $query = $this->getEntityManager()->createQuery($dql);
        foreach ($ids as $name => $id) {
            \is_array($id)
                ? $query->setParameter($name, array_map(Id::binary(...), $id), ArrayParameterType::BINARY)
                : $query->setParameter($name, $id, 'id');
        }
        foreach ($values as $name => $value) {
            $query->setParameter($name, $value);
        }

        return $query;
    }

    /**
     * @param list<string> $ids
     *
     * @return list<string> for a parameter of type `IDS`
     */
    protected static function binary(array $ids): array
    {
        return array_map(Id::binary(...), $ids);
    }

    /** An id for something new. */
    protected static function newId(): string
    {
        return (new Ids())->next();
    }

    /**
     * The last first, after a place in the list.
     *
     * @param string $at when each was made, as `m.madeAt`
     * @param string $id of each
     */
    protected static function lastFirst(QueryBuilder $query, string $at, string $id, ?Cursor $cursor): void
    {
        $query->orderBy($at, 'DESC')->addOrderBy($id, 'DESC');
        if (null !== $cursor) {
            $query
                ->andWhere(Sql::after([$at => 'DESC', $id => 'DESC']))
                ->setParameter('c0', Instant::fromSql((string) $cursor->values[0]), 'instant')
                ->setParameter('c1', (string) $cursor->values[1], 'id');
        }
    }

    protected function connection(): Connection
    {
        // Not by way of the entities: a statement needs to know nothing of them.
        $connection = $this->managers->getConnection();
        \assert($connection instanceof Connection);

        return $connection;
    }
}
