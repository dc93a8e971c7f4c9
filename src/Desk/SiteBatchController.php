<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Expensive;
use MintDoor\Shared\Id;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Transaction;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** Many sites at once, from rows that are typed or pasted. */
final readonly class SiteBatchController
{
    public function __construct(private SiteBatch $batch, private Transaction $transaction) {}

    /** Looked at, rows are made in the same way and then forgotten. */
    #[Expensive]
    #[Route('/site-batches', name: 'make_sites', methods: ['POST'])]
    public function make(
        #[MapRequestPayload] SiteBatchRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        if ('staff' !== $caller->kind && !$caller->isAdministrator()) {
            throw Problem::notAllowed('desk.only-staff-make-sites');
        }

        return $this->transaction->run(
            $request,
            $caller,
            [],
            fn(): Answer => new Answer($this->batch->make($body, $caller)),
        );
    }

    /** Takes back the sites a change list made; those that are in use by now stay. */
    #[Expensive]
    #[Route(
        '/site-batches/{changeList}/undo',
        name: 'undo_sites',
        requirements: ['changeList' => Id::PATTERN],
        methods: ['POST'],
    )]
    public function undo(string $changeList, Request $request, #[CurrentUser] Caller $caller): Response
    {
        return $this->transaction->run(
            $request,
            $caller,
            $this->batch->madeBy($changeList, $caller),
            fn(): Answer => new Answer(['lines' => $this->batch->takeBack($changeList, $caller)]),
        );
    }
}
