<?php

declare(strict_types=1);

namespace MintDoor\Core\People;

/** How a division has it that its people are let in by who has nothing to do with it. */
enum Outside: string
{
    /** Adults who are named by their number or address at once; everybody else when the division says yes. */
    case Ask = 'ask';
    /** Everybody at once. */
    case Open = 'open';
    /** Everybody only when the division says yes. */
    case Closed = 'closed';

    /**
     * Whether letting somebody in waits for a yes of their division. Administrators and feeds are not asked, and are
     * not judged here.
     *
     * @param bool $named whether they were named by their number or address in full
     */
    public function waits(Person $person, Reach $reach, bool $named): bool
    {
        if ($reach->within($person)) {
            return false;
        }

        return match ($this) {
            self::Open => false,
            self::Closed => true,
            self::Ask => !$named || $reach->minor($person),
        };
    }
}
