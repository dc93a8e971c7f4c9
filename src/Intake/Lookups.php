<?php

declare(strict_types=1);

namespace MintDoor\Intake;

use MintDoor\Hall\Caller;
use MintDoor\Hall\Problem;
use MintDoor\Hall\ProblemType;
use MintDoor\Hall\Throttle;
use MintDoor\Roles\Roles;

/**
 * Counts numbers and addresses that were looked up and are nobody's, or somebody's who is hidden: whoever guesses them comes
 * to an end before they come to anybody. Platform administrators see everybody anyway.
 */
final readonly class Lookups
{
    /** Seconds. */
    private const WINDOW = 3_600;

    /** Fewer digits than this are no number that leads to one person. */
    private const SHORTEST = 5;

    public function __construct(private Throttle $throttle, private Roles $roles)
    {
    }

    /**
     * @param int $missed how many found nobody who may be shown
     *
     * @throws Problem of type `TooManyTries`; then nothing is answered
     */
    public function count(int $missed, Caller $caller): void
    {
        if (0 === $missed || $caller->platformAdministrator) {
            return;
        }
        if ($this->throttle->spend('lookups of '.$caller->id, $missed, $this->roles->limits()->lookups, self::WINDOW) < 0) {
            throw new Problem(ProblemType::TooManyTries, 'Very many of the numbers and addresses you looked up are nobody\'s here. Wait an hour, or ask an administrator to let these people in.', retryAfter: self::WINDOW);
        }
    }

    /** Whether a text is a number or an address, rather than part of a name. */
    public static function isProof(string $identifier): bool
    {
        return str_contains($identifier, '@') || \strlen((string) preg_replace('/\D/', '', $identifier)) >= self::SHORTEST;
    }
}
