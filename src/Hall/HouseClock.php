<?php

declare(strict_types=1);

namespace MintDoor\Hall;

use Psr\Clock\ClockInterface;

/** The one clock of the house, in whole seconds. It can be made to stand still, for demonstrations and tests. */
final readonly class HouseClock implements ClockInterface
{
    private ?\DateTimeImmutable $standsStill;

    /** @param string $standsStillAt an instant such as `2026-11-24T09:00:00Z`; empty for the real time */
    public function __construct(string $standsStillAt = '')
    {
        $this->standsStill = '' === $standsStillAt ? null : new \DateTimeImmutable($standsStillAt);
    }

    public function now(): \DateTimeImmutable
    {
        return new \DateTimeImmutable('@'.$this->instant());
    }

    /** Now, as the core takes it. */
    public function instant(): int
    {
        return $this->standsStill?->getTimestamp() ?? time();
    }
}
