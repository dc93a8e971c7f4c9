<?php

declare(strict_types=1);

namespace MintDoor\Desk;

/** Rules as somebody wants them: looked at only, or put in force. */
final readonly class RulesRequest
{
    /** @param array<string, mixed> $rules schema `Rules` */
    public function __construct(public array $rules, public bool $apply = false) {}
}
