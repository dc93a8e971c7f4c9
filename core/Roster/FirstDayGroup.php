<?php

declare(strict_types=1);

namespace MintDoor\Core\Roster;

/** People who could not enter a site at an instant, all for the same reason. */
final readonly class FirstDayGroup
{
    /** @param non-empty-list<string> $people ids */
    public function __construct(public Reason $reason, public array $people) {}

    /** @param non-empty-list<string> $people ids */
    public function and(array $people): self
    {
        return new self($this->reason, [...$this->people, ...$people]);
    }
}
