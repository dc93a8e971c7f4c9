<?php

declare(strict_types=1);

namespace MintDoor\Core\Messages;

enum MessageState: string
{
    /** On its way in a moment; until then it can be withdrawn. */
    case Held = 'held';
    case Sent = 'sent';
    /** Not taken yet; tried again by itself. */
    case Delayed = 'delayed';
    /** Cannot be delivered. */
    case Bounced = 'bounced';
    case Withdrawn = 'withdrawn';

    /** Whether it may still go out by itself. */
    public function waits(): bool
    {
        return self::Held === $this || self::Delayed === $this;
    }
}
