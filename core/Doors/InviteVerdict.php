<?php

declare(strict_types=1);

namespace MintDoor\Core\Doors;

use MintDoor\Core\Accounts\AccountRows;
use MintDoor\Core\Roles\RoleVerdict;
use MintDoor\Core\Roster\State;

/** Whether somebody, or an address, can be invited, and what stands in the way. */
enum InviteVerdict: string
{
    case Ready = 'ready';
    /** Nothing to send it to. */
    case NoAddress = 'no-address';
    case Malformed = 'malformed';
    /** The same list has them already. */
    case Repeat = 'repeat';
    /** An invitation of theirs waits for its answer. */
    case Invited = 'invited';
    case Blocked = 'blocked';
    case Here = 'here';
    /** No account, or a closed one. */
    case Account = 'account';
    /** Whoever invites may not give them the role. */
    case Role = 'role';

    /**
     * @param ?string      $address to which it would go
     * @param ?State       $here    what somebody of the directory is in the site now
     * @param bool         $account whether they can sign in, or are not in the directory
     * @param ?RoleVerdict $role    whether whoever invites may give them the role; null for somebody who is not in the
     *     directory
     */
    public static function of(
        ?string $address,
        bool $repeated,
        bool $invited,
        ?State $here,
        bool $account,
        ?RoleVerdict $role,
    ): self {
        return match (true) {
            null === $address => self::NoAddress,
            !AccountRows::isAddress($address) => self::Malformed,
            $repeated => self::Repeat,
            $invited => self::Invited,
            State::Blocked === $here => self::Blocked,
            // Whoever waits may be invited: their answer is one more way in.
            true === $here?->here() && State::Waiting !== $here => self::Here,
            !$account => self::Account,
            null !== $role && !$role->allowed => self::Role,
            default => self::Ready,
        };
    }
}
