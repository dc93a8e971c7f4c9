<?php

declare(strict_types=1);

namespace MintDoor\Core\Doors;

/** What a door does with somebody who stands before it: a result that says why, and what they may do about it. */
final readonly class Admission
{
    /**
     * @param string                                       $code   why: "in", "approval", "no-seat", "already-here", or
     *        for no: "shut", "not-yet", "over", "site-closed", "blocked", "account-closed", "wrong-division",
     *        "wrong-level", "wrong-address", "no-address", "unbacked", and those of `RoleVerdict`
     * @param 'enter'|'wait'|'ask-lead'|'come-back'|'none' $next   what they may do now
     * @param array<string, string|int|null>               $values for the sentence
     */
    private function __construct(
        public Passage $passage,
        public string $code,
        public string $next,
        public array $values = [],
    ) {}

    public static function in(): self
    {
        return new self(Passage::In, 'in', 'enter');
    }

    public static function approval(): self
    {
        return new self(Passage::Approval, 'approval', 'wait');
    }

    public static function line(): self
    {
        return new self(Passage::Line, 'no-seat', 'wait');
    }

    public static function already(): self
    {
        return new self(Passage::Already, 'already-here', 'enter');
    }

    /**
     * @param 'ask-lead'|'come-back'|'none'  $next
     * @param array<string, string|int|null> $values
     */
    public static function no(string $code, string $next, array $values = []): self
    {
        return new self(Passage::No, $code, $next, $values);
    }
}
