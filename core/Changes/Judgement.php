<?php

declare(strict_types=1);

namespace MintDoor\Core\Changes;

/** What the laws say of a change. */
final readonly class Judgement
{
    /**
     * @param list<Note> $reasons  why it is not ready
     * @param list<Note> $cautions what to mind although it is
     */
    private function __construct(public Verdict $verdict, public array $reasons = [], public array $cautions = []) {}

    /** @param list<Note> $cautions */
    public static function ready(array $cautions): self
    {
        return new self(Verdict::Ready, [], $cautions);
    }

    public static function not(Verdict $verdict, Note $reason): self
    {
        return new self($verdict, [$reason]);
    }
}
