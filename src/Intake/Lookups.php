<?php

declare(strict_types=1);

namespace MintDoor\Intake;

use MintDoor\Core\People\NumberFormat;
use MintDoor\Roles\Roles;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\Throttle;

/**
 * Counts numbers and addresses that were looked up and are nobody's, or somebody's who is hidden: whoever guesses them
 * comes to an end before they come to anybody. Platform administrators see everybody anyway.
 */
final readonly class Lookups
{
    /** Seconds. */
    private const WINDOW = 3_600;

    /** Fewer digits than this are no number that leads to one person, where no format of the Rules is shorter. */
    private const SHORTEST = 5;

    public function __construct(private Throttle $throttle, private Roles $roles) {}

    /**
     * @param list<string> $missed what was typed that found nobody who may be shown; parts of names do not count
     *
     * @throws Problem of type `TooManyTries`; then nothing is answered
     */
    public function count(array $missed, Caller $caller): void
    {
        $many = $caller->platformAdministrator ? 0 : \count(array_filter($missed, $this->isProof(...)));
        if (0 === $many) {
            return;
        }
        $most = $this->roles->limits()->lookups;
        if ($this->throttle->spend('lookups of '.$caller->id, $many, $most, self::WINDOW) < 0) {
            throw new Problem(
                ProblemType::TooManyTries,
                'intake.very-many-numbers-addresses',
                retryAfter: self::WINDOW,
            );
        }
    }

    /** Whether a text is a number or an address, rather than part of a name. */
    private function isProof(string $identifier): bool
    {
        $lengths = array_map(static fn(NumberFormat $format): int => $format->digits, $this->roles->rules()->numbers);
        $digits = \strlen((string) preg_replace('/\D/', '', $identifier));

        return str_contains($identifier, '@') || $digits >= min([self::SHORTEST, ...$lengths]);
    }
}
