<?php

declare(strict_types=1);

namespace MintDoor\Core\People;

/** Whether somebody may look after an account; if not why, and from when. */
final readonly class CareVerdict
{
    /**
     * @param 'own-account'|'administers'|'not-a-learner'|'out-of-reach'|'minor'|'own-making'|'gone'|null $refusal
     * @param ?int $from the instant from which a tie of one's own making counts, with `own-making`
     */
    private function __construct(public ?string $refusal, public ?int $from = null) {}

    public static function yes(): self
    {
        return new self(null);
    }

    /** @param 'own-account'|'administers'|'not-a-learner'|'out-of-reach'|'minor'|'gone' $refusal */
    public static function no(string $refusal): self
    {
        return new self($refusal);
    }

    public static function notYet(int $from): self
    {
        return new self('own-making', $from);
    }

    public function allowed(): bool
    {
        return null === $this->refusal;
    }
}
