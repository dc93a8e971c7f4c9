<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use MintDoor\Changes\ChangeLists;
use MintDoor\Roster\PersonGate;
use MintDoor\Shared\Answer;
use MintDoor\Shared\ApplyRequest;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Expensive;
use MintDoor\Shared\Id;
use MintDoor\Shared\Locks;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Transaction;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** People who are in the directory twice: found, told apart, merged, and parted again. */
final readonly class MergeController
{
    public function __construct(
        private Duplicates $duplicates,
        private Merges $merges,
        private PersonGate $gate,
        private ChangeLists $changeLists,
        private Transaction $transaction,
        private Locks $locks,
    ) {}

    #[Expensive]
    #[Route('/duplicates', name: 'duplicates', methods: ['GET'])]
    public function duplicates(#[CurrentUser] Caller $caller): Response
    {
        if (!$caller->isAdministrator()) {
            throw Problem::notAllowed('accounts.only-administrators-look-people');
        }

        return new Answer($this->duplicates->of($caller));
    }

    /** Says that two are two people, or takes that back. */
    #[Route(
        '/duplicates/{one}/{other}',
        name: 'tell_apart',
        requirements: ['one' => Id::PATTERN, 'other' => Id::PATTERN],
        methods: ['PUT', 'DELETE'],
    )]
    public function tellApart(string $one, string $other, Request $request, #[CurrentUser] Caller $caller): Response
    {
        return $this->transaction->run($request, $caller, [], function () use (
            $one,
            $other,
            $request,
            $caller,
        ): Answer {
            $this->locks->people([$one, $other], alone: true);
            foreach ([$one, $other] as $person) {
                $this->gate->administered(
                    $person,
                    $caller,
                    'accounts.only-administrators-both-divisions',
                );
            }
            $this->duplicates->tellApart($one, $other, $request->isMethod('PUT'), $caller);

            return new Answer(['apart' => $request->isMethod('PUT')]);
        });
    }

    #[Expensive]
    #[Route('/merges', name: 'merge_people', methods: ['POST'])]
    public function merge(
        #[MapRequestPayload] MergeRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        return $body->apply
            ? $this->transaction->run(
                $request,
                $caller,
                fn(): array => $this->merges->sitesOf($body->stays, $body->goes),
                fn(): Answer => new Answer($this->merges->merge($body, $caller)),
            )
            : new Answer($this->merges->merge($body, $caller));
    }

    #[Expensive]
    #[Route(
        '/merges/{changeList}/undo',
        name: 'undo_merge',
        requirements: ['changeList' => Id::PATTERN],
        methods: ['POST']
    )]
    public function undo(
        string $changeList,
        #[MapRequestPayload] ApplyRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        if (!$body->apply) {
            return new Answer($this->merges->lookBack($changeList, $caller));
        }

        return $this->transaction->run(
            $request,
            $caller,
            fn(): array => $this->merges->sitesOf(...$this->merges->people($changeList, $caller)),
            fn(): Answer => new Answer(
                $this->changeLists->page($this->merges->takeBack($changeList, $caller), 0, $caller)
            ),
        );
    }
}
