<?php

declare(strict_types=1);

namespace MintDoor\Core\Messages;

/** What becomes of a message after a try to deliver it: a result, and when to try again. */
final readonly class Delivery
{
    /** Seconds to the next try, after the first, second, …; after the last the message is given up. */
    private const WAITS = [30, 120, 600, 3_600, 14_400];

    private function __construct(public MessageState $state, public int $again = 0) {}

    public static function arrived(): self
    {
        return new self(MessageState::Sent);
    }

    /**
     * After a try that failed.
     *
     * @param int $code  the server's reply (RFC 5321, 4.2.1): 5xx is for good, everything else may pass; 0 when nobody
     *     answered
     * @param int $tries made so far, this one included
     */
    public static function failed(int $code, int $tries): self
    {
        return ($code >= 500 && $code < 600) || $tries > \count(self::WAITS)
            ? new self(MessageState::Bounced)
            : new self(MessageState::Delayed, self::WAITS[max(0, $tries - 1)]);
    }
}
