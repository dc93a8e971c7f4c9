<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use MintDoor\Shared\Answer;
use MintDoor\Shared\ApplyRequest;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Expensive;
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
        private AccountLists $changeLists,
        private Transaction $transaction,
    ) {}

    #[Expensive]
    #[Route('/account-batches', name: 'make_accounts', methods: ['POST'])]
    public function make(
        #[MapRequestPayload] AccountBatchRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        if ('staff' !== $caller->kind && !$caller->isAdministrator()) {
            throw Problem::notAllowed('accounts.only-staff-make-accounts');
        }
        if (!$body->apply) {
            return new Answer($this->batch->look($body, $caller));
        }

        return $this->transaction->run($request, $caller, [], function () use ($body, $caller): Answer {
            $this->changeLists->apply($body, $caller);

            return new Answer($this->changeLists->page((string) $body->changeList, 0, $caller));
        });
    }

    #[Route(
        '/account-batches/{changeList}',
        name: 'accounts_made',
        requirements: ['changeList' => Id::PATTERN],
        methods: ['GET'],
    )]
    public function page(
        string $changeList,
        #[CurrentUser] Caller $caller,
        #[MapQueryParameter] int $after = 0,
    ): Response {
        return new Answer($this->changeLists->page($changeList, $after, $caller));
    }

    #[Expensive]
    #[Route(
        '/account-batches/{changeList}/undo',
        name: 'undo_accounts',
        requirements: ['changeList' => Id::PATTERN],
        methods: ['POST'],
    )]
    public function undo(
        string $changeList,
        #[MapRequestPayload] ApplyRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        return $body->apply
            ? $this->transaction->run(
                $request,
                $caller,
                [],
                fn(): Answer => new Answer($this->changeLists->takeBack($changeList, true, $caller)),
            )
            : new Answer($this->changeLists->takeBack($changeList, false, $caller));
    }
}
