<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use Symfony\Bundle\SecurityBundle\Security;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

final readonly class SessionController
{
    public function __construct(private Me $me) {}

    #[Route('/me', name: 'me', methods: ['GET'])]
    public function me(#[CurrentUser] Caller $caller): Response
    {
        return new Answer($this->me->of($caller));
    }

    /** Whether the session still holds; also the floor against which speed is measured. */
    #[Route('/alive', name: 'alive', methods: ['GET'])]
    public function alive(#[CurrentUser] Caller $caller): Response
    {
        return new Answer(['alive' => true]);
    }

    #[Route('/sign-out', name: 'sign_out', methods: ['POST'])]
    public function signOut(Security $security): Response
    {
        $security->logout(false);

        return new Response(status: 204);
    }
}
