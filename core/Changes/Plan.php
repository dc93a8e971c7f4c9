<?php

declare(strict_types=1);

namespace MintDoor\Core\Changes;

/**
 * What a request comes to before the laws have looked at it.
 *
 * @internal
 */
final readonly class Plan
{
    /**
     * @param list<Effect> $effects
     * @param list<Note>   $cautions
     */
    public function __construct(
        public array $effects,
        public array $cautions = [],
        public ?Note $refusal = null,
        public Verdict $verdict = Verdict::Refused,
    ) {}

    public static function refused(Note $why): self
    {
        return new self([], [], $why);
    }

    public static function asked(Note $what): self
    {
        return new self([], [], $what, Verdict::NeedsChoice);
    }

    public static function nothing(Note $why): self
    {
        return new self([], [], $why, Verdict::NothingToDo);
    }
}
