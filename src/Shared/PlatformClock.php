<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use Psr\Clock\ClockInterface;
use Symfony\Contracts\Service\ResetInterface;

/**
 * The one clock of the platform, in whole seconds. What is decided under a lock is decided at one instant, which the
 * database gives to every machine (`Transaction`). It can be made to stand still, for demonstrations and tests.
 */
final class PlatformClock implements ClockInterface, ResetInterface
{
    private readonly ?\DateTimeImmutable $standsStill;

    private ?int $held = null;

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
        return $this->held ?? ($this->standsStill?->getTimestamp() ?? time());
    }

    public function standsStill(): bool
    {
        return null !== $this->standsStill;
    }

    /** From here on it is this instant, until it is let go. */
    public function hold(int $instant): void
    {
        $this->held = $instant;
    }

    public function reset(): void
    {
        $this->held = null;
    }
}
