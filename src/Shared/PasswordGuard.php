<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use Symfony\Bundle\SecurityBundle\Security;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\ControllerEvent;

/** Whoever signs in with a password that was handed to them chooses one of their own before anything else. */
#[AsEventListener]
final readonly class PasswordGuard
{
    private const FREE = ['me', 'sign_out', 'change_password', 'alive'];

    public function __construct(private Security $security) {}

    public function __invoke(ControllerEvent $event): void
    {
        $caller = $this->security->getUser();
        if (
            $caller instanceof Caller
            && $caller->mustChange
            && !\in_array($event->getRequest()->attributes->get('_route'), self::FREE, true)
        ) {
            throw new Problem(ProblemType::PasswordWanted, 'shared.choose-password-own-first');
        }
    }
}
