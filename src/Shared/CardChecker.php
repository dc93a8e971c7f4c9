<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use Symfony\Component\Security\Core\Exception\CustomUserMessageAccountStatusException;
use Symfony\Component\Security\Core\User\UserCheckerInterface;
use Symfony\Component\Security\Core\User\UserInterface;

/** A sign-in card holds for a while. That it is over is told to who has its password only. */
final readonly class CardChecker implements UserCheckerInterface
{
    public function __construct(private PlatformClock $clock) {}

    public function checkPreAuth(UserInterface $user): void {}

    public function checkPostAuth(UserInterface $user): void
    {
        if ($user instanceof Caller && null !== $user->cardUntil && $user->cardUntil <= $this->clock->instant()) {
            throw new CustomUserMessageAccountStatusException('shared.time-sign-card-over');
        }
    }
}
