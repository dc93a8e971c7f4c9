<?php

declare(strict_types=1);

namespace MintDoor\Accounts\Repository;

use MintDoor\Core\Text\Folding;
use MintDoor\People\Entity\Account;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Sql;

/**
 * Who holds numbers, addresses and logins. By hand: of thousands of rows at once (`bin/bench`: 5,000 rows of accounts).
 *
 * @extends BaseRepository<Account>
 */
final class Identifiers extends BaseRepository
{
    protected const ENTITY = Account::class;

    private const HELD = [
        'number' => 'SELECT id, number AS held FROM person WHERE number IN (?)',
        'email' => 'SELECT id, email AS held FROM person WHERE email IN (?)',
        'login' => 'SELECT person_id AS id, login AS held FROM account WHERE login IN (?)',
    ];

    private const AT_ONCE = 200;

    /**
     * @param array<string, list<string>> $identifiers by what they are, `number`, `email` or `login`: numbers in
     *     capitals
     *
     * @return array<string, list<string>> ids of people by identifier, as `Folding::identifier()` compares it
     */
    public function holders(array $identifiers): array
    {
        $holders = [];
        foreach ($identifiers as $field => $of) {
            foreach ([] === $of ? [] : $this->rows(self::HELD[$field], [$of]) as $row) {
                $holders[Folding::identifier($row->string('held'))][] = $row->id('id');
            }
        }

        return $holders;
    }

    /**
     * @param list<string> $logins
     *
     * @return array<string, true> those that are taken, and of those the ones that begin with one of them
     */
    public function takenLogins(array $logins): array
    {
        $taken = [] === $logins ? [] : $this->logins('login IN (?)', [$logins]);
        // Of a name that is taken, those with a number behind it may be, too.
        foreach (array_chunk(array_map(strval(...), array_keys($taken)), self::AT_ONCE) as $some) {
            $likes = implode(' OR ', array_fill(0, \count($some), 'login LIKE ?'));
            $taken += $this->logins($likes, array_map(Sql::beginning(...), $some));
        }

        return $taken;
    }

    /**
     * @param list<mixed> $values
     *
     * @return array<string, true>
     */
    private function logins(string $condition, array $values): array
    {
        $logins = [];
        foreach ($this->rows("SELECT login FROM account WHERE $condition", $values) as $row) {
            $logins[$row->string('login')] = true;
        }

        return $logins;
    }
}
