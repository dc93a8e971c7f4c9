<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use MintDoor\Core\Accounts\PasswordRule;
use MintDoor\People\PersonRow;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Row;

/** Holds a password somebody chooses against the rule, and says at its field what to do. */
final class Passwords
{
    private function __construct() {}

    /**
     * @param list<string> $own names, login, address and number of whoever chooses it
     *
     * @throws Problem at `/password`
     */
    public static function assertGood(#[\SensitiveParameter] string $password, array $own): void
    {
        $problem = PasswordRule::problem($password, $own);
        if (null !== $problem) {
            throw Problem::field('/password', $problem, 'accounts.weak.'.$problem);
        }
    }

    /**
     * @param Row $row with `PersonRow::COLUMNS`
     *
     * @return list<string>
     */
    public static function own(Row $row): array
    {
        return [PersonRow::names($row), ...PersonRow::identifiers($row)];
    }
}
