<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

/** The answer of `changeAccount`. */
final readonly class AccountChange
{
    /**
     * @param bool                                     $open       whether it is, afterwards
     * @param bool                                     $changes    whether that is a change
     * @param list<array{id: string, title: string}> $leaderless sites that closing it would leave, or leaves, without
     *                                                             a lead
     */
    public function __construct(public bool $open, public bool $changes, public array $leaderless) {}
}
