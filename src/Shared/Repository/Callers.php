<?php

declare(strict_types=1);

namespace MintDoor\Shared\Repository;

use Doctrine\DBAL\Connection;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Row;
use MintDoor\Shared\Statements;

/**
 * Accounts as whoever signs in needs them. By hand: one statement at every request, over rooms that this one does not
 * know.
 */
final readonly class Callers
{
    use Statements;

    private const SELECT = <<<'SQL'
        SELECT p.id, p.kind, p.own_kind, p.level, p.given_name, p.family_name, p.preferred_name, d.code AS division,
            a.login, a.password_hash, a.closed_from, a.platform_administrator, a.must_change, a.card_until,
            a.language, a.time_zone,
            (
                SELECT GROUP_CONCAT(DISTINCT ad.code)
                FROM division_administrator da
                JOIN division_within w ON w.above_id = da.division_id
                JOIN division ad ON ad.id = w.division_id
                WHERE da.person_id = p.id
            ) AS divisions,
            (
                SELECT GROUP_CONCAT(DISTINCT COALESCE(rd.code, '*'))
                FROM numbers_reader nr
                LEFT JOIN division_within w ON w.above_id = nr.division_id
                LEFT JOIN division rd ON rd.id = w.division_id
                WHERE nr.person_id = p.id
            ) AS numbers_of
        FROM %s
        JOIN division d ON d.id = p.division_id
        WHERE %s
        SQL;

    private const ACCOUNTS = 'account a JOIN person p ON p.id = a.person_id';

    private const PEOPLE = 'person p LEFT JOIN account a ON a.person_id = p.id';

    public function __construct(private Connection $db) {}

    public function withLogin(string $login): ?Row
    {
        return $this->row(\sprintf(self::SELECT, self::ACCOUNTS, 'a.login = ?'), [$login]);
    }

    /** @return list<Row> two at most */
    public function withAddress(string $email): array
    {
        return $this->rows(\sprintf(self::SELECT, self::ACCOUNTS, 'p.email = ? LIMIT 2'), [$email]);
    }

    public function withAccount(string $person): ?Row
    {
        return $this->row(\sprintf(self::SELECT, self::ACCOUNTS, 'a.person_id = ?'), [Id::binary($person)]);
    }

    public function anybody(string $person): ?Row
    {
        return $this->row(\sprintf(self::SELECT, self::PEOPLE, 'p.id = ?'), [Id::binary($person)]);
    }

    /** Keeps a password hashed anew, unless it was changed meanwhile. */
    public function rehash(string $person, string $before, string $now): void
    {
        $this->execute('UPDATE account SET password_hash = ? WHERE person_id = ? AND password_hash = ?', [
            $now,
            Id::binary($person),
            $before,
        ]);
    }

    /** Keeps how somebody wants days and numbers written, and by which clock. */
    public function settle(string $person, ?string $language, ?string $zone): void
    {
        $this->execute('UPDATE account SET language = ?, time_zone = ? WHERE person_id = ?', [
            $language,
            $zone,
            Id::binary($person),
        ]);
    }

    public function used(string $person, int $at): void
    {
        $this->execute('UPDATE account SET used_at = ? WHERE person_id = ?', [
            Instant::toSql($at),
            Id::binary($person),
        ]);
    }

    /**
     * @param list<string> $people ids
     *
     * @return array<string, string> id of each one's division
     */
    public function divisions(array $people): array
    {
        $divisions = [];
        $ids = array_map(Id::binary(...), $people);
        foreach ([] === $ids ? [] : $this->rows('SELECT id, division_id FROM person WHERE id IN (?)', [$ids]) as $row) {
            $divisions[$row->id('id')] = $row->id('division_id');
        }

        return $divisions;
    }

    protected function connection(): Connection
    {
        return $this->db;
    }
}
