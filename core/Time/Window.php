<?php

declare(strict_types=1);

namespace MintDoor\Core\Time;

/** A half-open stretch of time `[from, until)`. An empty one (`from === until`) is allowed and contains nothing. */
final readonly class Window
{
    /**
     * @throws WindowOutOfOrder
     */
    public function __construct(public int $from = Time::BEGINNING, public int $until = Time::FOREVER)
    {
        if ($until < $from) {
            throw new WindowOutOfOrder('A window ends before it begins.');
        }
    }

    public function contains(int $instant): bool
    {
        return $this->from <= $instant && $instant < $this->until;
    }

    /** The same window, ended at an instant if it is not over by then. */
    public function endedAt(int $instant): self
    {
        return new self($this->from, max($this->from, min($instant, $this->until)));
    }
}
