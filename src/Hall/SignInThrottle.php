<?php

declare(strict_types=1);

namespace MintDoor\Hall;

use Symfony\Component\HttpFoundation\RateLimiter\RequestRateLimiterInterface;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\RateLimiter\RateLimit;
use Symfony\Component\Security\Http\SecurityRequestAttributes;

/**
 * Counts tries to sign in, per account and per address, in windows of fixed length.
 */
final readonly class SignInThrottle implements RequestRateLimiterInterface
{
    /** Seconds. */
    private const WINDOW = 300;

    private const MOST_PER_ACCOUNT = 10;

    private const MOST_PER_ADDRESS = 100;

    public function __construct(private Throttle $throttle)
    {
    }

    public function consume(Request $request): RateLimit
    {
        $account = $this->throttle->hit($this->accountKey($request), self::MOST_PER_ACCOUNT, self::WINDOW);
        $address = $this->throttle->hit('address '.$request->getClientIp(), self::MOST_PER_ADDRESS, self::WINDOW);

        return $account->isAccepted() ? $address : $account;
    }

    /** After a sign-in that worked, the account starts anew; the address does not. */
    public function reset(Request $request): void
    {
        $this->throttle->forget($this->accountKey($request));
    }

    private function accountKey(Request $request): string
    {
        $login = $request->attributes->get(SecurityRequestAttributes::LAST_USERNAME, '');

        return 'account '.mb_strtolower(trim(\is_string($login) ? $login : ''));
    }
}
