<?php

declare(strict_types=1);

namespace MintDoor\Hall;

use Doctrine\DBAL\Connection;
use Symfony\Component\HttpFoundation\RateLimiter\RequestRateLimiterInterface;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\RateLimiter\RateLimit;
use Symfony\Component\Security\Http\SecurityRequestAttributes;

/**
 * Counts tries to sign in, per account and per address, in windows of fixed length. The counts live in the database and
 * go up in one statement, so that several machines share them and parallel tries cannot slip through.
 */
final readonly class SignInThrottle implements RequestRateLimiterInterface
{
    /** Seconds. */
    private const WINDOW = 300;

    private const MOST_PER_ACCOUNT = 10;

    private const MOST_PER_ADDRESS = 100;

    public function __construct(private Connection $db)
    {
    }

    public function consume(Request $request): RateLimit
    {
        $account = $this->hit($this->accountKey($request), self::MOST_PER_ACCOUNT);
        $address = $this->hit('address '.$request->getClientIp(), self::MOST_PER_ADDRESS);

        return $account->isAccepted() ? $address : $account;
    }

    /** After a sign-in that worked, the account starts anew; the address does not. */
    public function reset(Request $request): void
    {
        $this->db->executeStatement('DELETE FROM throttle WHERE id = ?', [$this->hash($this->accountKey($request))]);
    }

    private function accountKey(Request $request): string
    {
        $login = $request->attributes->get(SecurityRequestAttributes::LAST_USERNAME, '');

        return 'account '.mb_strtolower(trim(\is_string($login) ? $login : ''));
    }

    private function hit(string $key, int $most): RateLimit
    {
        $this->db->executeStatement(
            'INSERT INTO throttle (id, hits, window_ends) VALUES (?, 1, UTC_TIMESTAMP() + INTERVAL ? SECOND)
             ON DUPLICATE KEY UPDATE hits = IF(window_ends <= UTC_TIMESTAMP(), 1, hits + 1),
                                     window_ends = IF(window_ends <= UTC_TIMESTAMP(), UTC_TIMESTAMP() + INTERVAL ? SECOND, window_ends)',
            [$this->hash($key), self::WINDOW, self::WINDOW],
        );
        $row = new Row($this->db->fetchAssociative('SELECT hits, window_ends FROM throttle WHERE id = ?', [$this->hash($key)]) ?: []);
        $hits = $row->int('hits');

        return new RateLimit(max(0, $most - $hits), new \DateTimeImmutable('@'.$row->instant('window_ends')), $hits <= $most, $most);
    }

    private function hash(string $key): string
    {
        return hash('sha256', $key, true);
    }
}
