<?php

declare(strict_types=1);

namespace MintDoor\Messages;

use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Transaction;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** What others did to one's account since one looked last. */
final readonly class NoticeController
{
    public function __construct(private Notices $notices, private Transaction $transaction) {}

    #[Route('/me/notices', name: 'notices', methods: ['GET'])]
    public function unseen(#[CurrentUser] Caller $caller): Response
    {
        return new Answer(['items' => $this->notices->unseen($caller)]);
    }

    #[Route('/me/notices', name: 'notices_seen', methods: ['PUT'])]
    public function seen(
        #[MapRequestPayload] NoticesSeenRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        return $this->transaction->run($request, $caller, [], function () use ($body, $caller): Answer {
            $this->notices->seen($body->notices, $caller);

            return new Answer(['items' => $this->notices->unseen($caller)]);
        });
    }
}
