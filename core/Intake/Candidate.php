<?php

declare(strict_types=1);

namespace MintDoor\Core\Intake;

/** Somebody a line may mean, and why. */
final readonly class Candidate
{
    /**
     * @param bool $clear  whether they may be taken, where nobody else comes into question
     * @param bool $unread whether words stand beside the name that nobody knows
     */
    public function __construct(
        public Known $known,
        public Evidence $evidence,
        public bool $clear = true,
        public bool $remembered = false,
        public bool $unread = false,
    ) {}

    /** The same, as somebody settled it here before. */
    public function again(): self
    {
        return new self($this->known, $this->evidence, $this->clear, true, $this->unread);
    }
}
