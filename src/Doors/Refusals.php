<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Shared\Instant;

/** What somebody is told whom a door does not let in, and what to do next. */
final class Refusals
{
    private const SENTENCES = [
        'shut' => 'This door is shut at the moment. Ask whoever gave you the key.',
        'not-yet' => 'This door is not open yet. Come back on the day it opens.',
        'over' => 'The time of this door is over. Ask whoever gave you the key for a new one.',
        'site-closed' => 'This site is closed, so nobody joins it any more. Ask its leads.',
        'blocked' => 'You cannot join this site. Talk to its leads about it.',
        'account-closed' => 'Your account is closed. Ask an administrator to open it.',
        'wrong-division' => 'This door is for people of another division. A lead of the site can let you in by hand.',
        'wrong-level' => 'This door is for other levels. A lead of the site can let you in by hand.',
        'wrong-address' =>
            'This door is for people with an address of another kind. A lead of the site can let you in by hand.',
        'no-address' =>
            'This door wants an e-mail address, and we know none of yours. A lead of the site can let you in by hand.',
        'wrong-kind' =>
            'The role this door gives is not for accounts like yours. A lead of the site can let you in as something '
                .'else.',
        'no-such-role' => 'The role this door gives is there no more. Tell a lead of the site.',
        'unbacked' =>
            'Nobody who may let you in stands behind this door at the moment. Ask a lead of the site to open it anew.',
        'no-seat' => 'All seats are taken. Ask a lead of the site whether there will be more.',
        'leads-full' => 'The site has all the leads it may have. Ask one of them.',
        'answered' => 'This invitation was answered already. Sign in to go to the site.',
        'withdrawn' => 'This invitation was taken back. Ask whoever sent it.',
        'lapsed' => 'The time of this invitation is over. Ask whoever sent it to send it again.',
        'for-another' => 'This invitation is for somebody else. Sign in as them, or ask for one of your own.',
        'another-address' =>
            'This invitation went to another address than yours. Say whether you mean to answer it with this account.',
        'offer-over' => 'The time of this offer is over, and the seat went to the next. Join once more to wait again.',
    ];

    private function __construct() {}

    public static function sentence(string $code): string
    {
        return self::SENTENCES[$code] ?? 'This door does not let you in. Ask a lead of the site.';
    }

    /**
     * @param array<string, mixed> $values
     *
     * @return array<string, mixed> instants as the contract has them
     */
    public static function values(array $values): array
    {
        foreach (['from', 'until', 'at'] as $instant) {
            if (\is_int($values[$instant] ?? null)) {
                $values[$instant] = Instant::toJson($values[$instant]);
            }
        }

        return $values;
    }
}
