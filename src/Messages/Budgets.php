<?php

declare(strict_types=1);

namespace MintDoor\Messages;

use MintDoor\Core\Messages\MessageKind;
use MintDoor\Roles\Roles;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\Said;
use MintDoor\Shared\Throttle;

/**
 * How much mail a day: to addresses nobody here has, to one person, the same once more, and links to set a password.
 * Every message goes by here, whatever sends it (`Messages::queue()`).
 */
final readonly class Budgets
{
    /** Seconds. */
    private const DAY = 86_400;

    /** So many are left when it is said. */
    private const NEAR = 50;

    private const NEAR_OF_LINKS = 10;

    public function __construct(private Throttle $throttle, private Roles $roles) {}

    /**
     * Counts messages somebody sends.
     *
     * @param non-empty-list<Outgoing> $messages
     *
     * @return list<Outgoing> those that are within what one person gets a day; of what a person asked for, or a door
     *     does by itself, others are left out
     *
     * @throws Problem of type `TooManyTries` where a sender has no more
     */
    public function spend(array $messages, ?string $by): array
    {
        $limits = $this->roles->limits();
        if (null !== $by) {
            $outside = array_filter($messages, static fn(Outgoing $message): bool => null === $message->person);
            $this->assertWithin(
                'mail outside of '.$by,
                \count($outside),
                $limits->mailOutside,
                'messages.outside-left',
            );
            $links = array_filter(
                $messages,
                static fn(Outgoing $message): bool => MessageKind::Password === $message->kind,
            );
            $this->assertWithin(
                'links of '.$by,
                \count($links),
                $limits->passwordLinks,
                'messages.links-left',
            );
        }
        $over = $this->throttle->spendEach(
            array_count_values(
                array_filter(array_map(static fn(Outgoing $each): ?string => self::again($each->cause), $messages)),
            ),
            $limits->mailAgain,
            self::DAY,
        );
        if ([] !== $over) {
            $this->refuse(
                $by,
                Said::with('messages.sent-again', n: $limits->mailAgain),
            );
        }
        $full = $this->throttle->spendEach(
            array_count_values(array_map(self::recipient(...), $messages)),
            $limits->mailPerson,
            self::DAY,
        );
        // What happened to somebody's account is told, whatever else went there.
        $kept = array_values(
            array_filter(
                $messages,
                static fn(Outgoing $message): bool => !isset($over[self::again($message->cause) ?? ''])
                    && (!isset($full[self::recipient($message)]) || MessageKind::AccountChanged === $message->kind),
            ),
        );
        foreach ($messages as $message) {
            if (null !== $by && !\in_array($message, $kept, true)) {
                $this->refuse(
                    $by,
                    Said::with('messages.person-got', address: $message->address, n: $limits->mailPerson),
                );
            }
        }

        return $kept;
    }

    private static function recipient(Outgoing $message): string
    {
        return 'mail to '.mb_strtolower($message->address);
    }

    /** How many addresses outside somebody may still write to today; null while that is far off. */
    public function left(string $by): ?int
    {
        return $this->near('mail outside of '.$by, $this->roles->limits()->mailOutside, self::NEAR);
    }

    /** How many links to set a password somebody may still have sent today; null while that is far off. */
    public function linksLeft(string $by): ?int
    {
        return $this->near('links of '.$by, $this->roles->limits()->passwordLinks, self::NEAR_OF_LINKS);
    }

    private function near(string $key, int $most, int $near): ?int
    {
        $left = $this->throttle->spend($key, 0, $most, self::DAY);

        return $left > $near ? null : max(0, $left);
    }

    /**
     * What is sent again, where a message is something sent again: its cause names it, and ends in which time it is.
     */
    private static function again(string $cause): ?string
    {
        return 1 === preg_match('/^(again:[^:]+):/', $cause, $found)
            || 1 === preg_match('/^(invite:[^:]+):(?!1$)\d+$/', $cause, $found)
            ? $found[1]
            : null;
    }

    private function assertWithin(string $key, int $many, int $most, string $sentence): void
    {
        $left = 0 === $many ? 0 : $this->throttle->spend($key, $many, $most, self::DAY);
        if ($left < 0) {
            throw new Problem(
                ProblemType::TooManyTries,
                Said::with($sentence, most: $most, left: max(0, $left + $many)),
                retryAfter: self::DAY,
            );
        }
    }

    private function refuse(?string $by, Said $sentence): void
    {
        if (null !== $by) {
            throw new Problem(ProblemType::TooManyTries, $sentence, retryAfter: self::DAY);
        }
    }
}
