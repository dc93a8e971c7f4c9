<?php

declare(strict_types=1);

namespace MintDoor\People\Repository;

use Doctrine\DBAL\LockMode;
use MintDoor\People\Entity\Person;
use MintDoor\People\PersonRow;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Id;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Row;

/**
 * Somebody, or some, with division and account. By hand: a roster page asks it of a hundred, a change list of
 * thousands.
 *
 * @extends BaseRepository<Person>
 */
final class People extends BaseRepository
{
    protected const ENTITY = Person::class;

    private const ACCOUNT = <<<'SQL'
        p.gone, p.gone_into, p.version, pd.minors, a.platform_administrator, a.must_change, a.made_at, a.used_at,
        a.password_hash IS NOT NULL AS has_password,
        (
            SELECT GROUP_CONCAT(ad.code SEPARATOR ' ')
            FROM division_administrator da
            JOIN division ad ON ad.id = da.division_id
            WHERE da.person_id = p.id
        ) AS administers
        SQL;

    /**
     * @return ?Row with `PersonRow::COLUMNS`, `gone`, `gone_into`, `version`, `minors`, `platform_administrator`,
     *     `must_change`, `has_password`, `made_at`, `used_at`, and `administers`, codes of divisions
     */
    public function withAccount(string $id): ?Row
    {
        return $this->withAccounts([$id])[0] ?? null;
    }

    /**
     * @param list<string> $ids
     *
     * @return list<Row> as `withAccount()`
     */
    public function withAccounts(array $ids): array
    {
        return [] === $ids
            ? []
            : $this->rows(
                'SELECT '.PersonRow::COLUMNS.', '.self::ACCOUNT.' FROM '.PersonRow::TABLES.' WHERE p.id IN (?)',
                [array_map(Id::binary(...), $ids)],
            );
    }

    /**
     * @param list<string> $ids
     *
     * @return array<string, Row> with `PersonRow::COLUMNS` and `gone`, by id; who does not exist is missing
     */
    public function byId(array $ids): array
    {
        $people = [];
        foreach (
            [] === $ids
                ? []
                : $this->rows(
                    'SELECT '.PersonRow::COLUMNS.', p.gone FROM '.PersonRow::TABLES.' WHERE p.id IN (?)',
                    [array_map(Id::binary(...), $ids)],
                ) as $row
        ) {
            $people[$row->id('person_id')] = $row;
        }

        return $people;
    }

    /**
     * As they are now, so that nobody else changes them before the transaction ends.
     *
     * @throws Problem of type `NotFound`
     */
    public function locked(string $id): Person
    {
        return $this->find($id, LockMode::PESSIMISTIC_WRITE) ?? throw Problem::notFound('person');
    }

    /** Somebody of the directory whose address it is. */
    public function withAddress(string $email): ?Person
    {
        return $this->findOneBy(['email' => $email, 'gone' => null]);
    }

    /**
     * @param list<string> $emails
     *
     * @return array<string, Person> by address; one that nobody of the directory has is missing
     */
    public function withAddresses(array $emails): array
    {
        $found = [] === $emails ? [] : $this->findBy(['email' => $emails, 'gone' => null]);

        return array_column($found, null, 'email');
    }

    /**
     * Whether somebody else has a number or an address already.
     *
     * @param 'number'|'email' $field
     */
    public function isTaken(string $field, string $value, string $butFor): bool
    {
        $other = $this->findOneBy([$field => $value]);

        return null !== $other && $other->id !== $butFor;
    }

    /** The highest level anybody has; 0 where nobody has one. */
    public function highestLevel(): int
    {
        $person = Person::class;

        return (int) $this->dql("SELECT MAX(p.level) FROM $person p", [])->getSingleScalarResult();
    }

    /** Whether there is anybody besides the one who founded the platform. */
    public function moreThanOne(): bool
    {
        return 1 < \count($this->findBy(['gone' => null], null, 2));
    }

    /** Somebody who is there for sure. */
    public function known(string $id): Person
    {
        return $this->reference(Person::class, $id);
    }

    /** @return list<string> ids of those who were merged into somebody */
    public function mergedInto(string $person): array
    {
        return array_map(
            static fn(Person $merged): string => $merged->id,
            $this->findBy(['goneInto' => $person, 'gone' => 'merged']),
        );
    }
}
