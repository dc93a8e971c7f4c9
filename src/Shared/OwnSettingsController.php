<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use MintDoor\Shared\Repository\Callers;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** How one wants days and numbers written, and by which clock. */
final readonly class OwnSettingsController
{
    public function __construct(
        private Transaction $transaction,
        private Callers $accounts,
        private CallerProvider $callers,
        private Me $me,
    ) {}

    #[Route('/me/settings', name: 'own_settings', methods: ['PUT'])]
    public function change(
        #[MapRequestPayload] OwnSettingsRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        return $this->transaction->run($request, $caller, [], function () use ($body, $caller): Answer {
            $this->accounts->settle($caller->id, $body->language, $body->timeZone);

            return new Answer($this->me->of($this->callers->byId($caller->id)));
        });
    }
}
