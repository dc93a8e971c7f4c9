<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use Doctrine\DBAL\Exception\ConnectionException;
use Doctrine\DBAL\Exception\DriverException;

/** Tells a database that cannot at the moment from one that was asked something wrong. */
final class Outage
{
    /**
     * Disk full (1021, 1114, 3, 1030 with errno 28), too many connections (1040, 1203), shutting down (1053), read only
     * (1290, 1836), connection killed or lost (1927, 2002, 2006, 2013, 4031).
     */
    private const CODES = [3, 1021, 1040, 1053, 1114, 1203, 1290, 1836, 1927, 2002, 2003, 2006, 2013, 4031];

    private function __construct() {}

    public static function is(\Throwable $thrown): bool
    {
        for ($each = $thrown; null !== $each; $each = $each->getPrevious()) {
            if ($each instanceof ConnectionException) {
                return true;
            }
            if ($each instanceof DriverException || $each instanceof \PDOException) {
                $code =
                    $each instanceof \PDOException ? (int) ($each->errorInfo[1] ?? $each->getCode()) : $each->getCode();
                $full = 1030 === $code && str_contains($each->getMessage(), '28');
                if ($full || \in_array($code, self::CODES, true)) {
                    return true;
                }
            }
        }

        return false;
    }
}
