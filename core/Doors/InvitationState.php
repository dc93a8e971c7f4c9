<?php

declare(strict_types=1);

namespace MintDoor\Core\Doors;

/** How an invitation stands. */
enum InvitationState: string
{
    /** Its message is still held or under way. */
    case OnItsWay = 'on-its-way';
    case Sent = 'sent';
    case Opened = 'opened';
    case Answered = 'answered';
    case Lapsed = 'lapsed';
    case Bounced = 'bounced';
    case Withdrawn = 'withdrawn';

    /** @param ?string $post how the last message of it stands: a value of `MessageState`; null where there is none */
    public static function of(
        bool $answered,
        bool $withdrawn,
        bool $opened,
        int $lapsesAt,
        ?string $post,
        int $now,
    ): self {
        return match (true) {
            $answered => self::Answered,
            $withdrawn => self::Withdrawn,
            $now >= $lapsesAt => self::Lapsed,
            $opened => self::Opened,
            'bounced' === $post => self::Bounced,
            default => 'sent' === $post ? self::Sent : self::OnItsWay,
        };
    }

    /** Whether it can still be answered, or sent again so that it can. */
    public function open(): bool
    {
        return self::Answered !== $this && self::Withdrawn !== $this;
    }
}
