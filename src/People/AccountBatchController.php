<?php

declare(strict_types=1);

namespace MintDoor\People;

use MintDoor\Shared\Answer;
use MintDoor\Shared\ApplyRequest;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Dear;
use MintDoor\Shared\Id;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Transaction;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** Accounts from rows that are typed or pasted. */
final readonly class AccountBatchController
{
    public function __construct(
        private AccountBatch $batch,
        private AccountLists $sheets,
        private Transaction $transaction,
    ) {}

    #[Dear]
    #[Route('/account-batches', name: 'make_accounts', methods: ['POST'])]
    public function make(
        #[MapRequestPayload] AccountBatchRequest $wish,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        if ('staff' !== $caller->kind && !$caller->isAdministrator()) {
            throw Problem::notAllowed('Only staff make accounts. Ask a tutor or an administrator.');
        }
        if (!$wish->apply) {
            return new Answer($this->batch->look($wish, $caller));
        }

        return $this->transaction->run($request, $caller, [], function () use ($wish, $caller): Answer {
            $this->sheets->apply($wish, $caller);

            return new Answer($this->sheets->page((string) $wish->sheet, 0, $caller));
        });
    }

    #[Route(
        '/account-batches/{sheet}',
        name: 'accounts_made',
        requirements: ['sheet' => Id::PATTERN],
        methods: ['GET'],
    )]
    public function page(string $sheet, #[CurrentUser] Caller $caller, #[MapQueryParameter] int $after = 0): Response
    {
        return new Answer($this->sheets->page($sheet, $after, $caller));
    }

    #[Dear]
    #[Route(
        '/account-batches/{sheet}/undo',
        name: 'undo_accounts',
        requirements: ['sheet' => Id::PATTERN],
        methods: ['POST'],
    )]
    public function undo(
        string $sheet,
        #[MapRequestPayload] ApplyRequest $wish,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        return $wish->apply
            ? $this->transaction->run(
                $request,
                $caller,
                [],
                fn(): Answer => new Answer($this->sheets->takeBack($sheet, true, $caller)),
            )
            : new Answer($this->sheets->takeBack($sheet, false, $caller));
    }
}
