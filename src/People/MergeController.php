<?php

declare(strict_types=1);

namespace MintDoor\People;

use MintDoor\Changes\ChangeLists;
use MintDoor\Shared\Answer;
use MintDoor\Shared\ApplyRequest;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Dear;
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
        private Duplicates $doubles,
        private Merges $merges,
        private PersonGate $gate,
        private ChangeLists $sheets,
        private Transaction $transaction,
        private Locks $locks,
    ) {}

    #[Dear]
    #[Route('/doubles', name: 'doubles', methods: ['GET'])]
    public function doubles(#[CurrentUser] Caller $caller): Response
    {
        if (!$caller->isAdministrator()) {
            throw Problem::notAllowed('Only administrators look for people who are in the directory twice.');
        }

        return new Answer($this->doubles->of($caller));
    }

    /** Says that two are two people, or takes that back. */
    #[Route(
        '/doubles/{one}/{other}',
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
                    'Only administrators of both divisions say that two are two.',
                );
            }
            $this->doubles->tellApart($one, $other, $request->isMethod('PUT'), $caller);

            return new Answer(['apart' => $request->isMethod('PUT')]);
        });
    }

    #[Dear]
    #[Route('/merges', name: 'merge_people', methods: ['POST'])]
    public function merge(
        #[MapRequestPayload] MergeRequest $wish,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        return $wish->apply
            ? $this->transaction->run(
                $request,
                $caller,
                fn(): array => $this->merges->sitesOf($wish->stays, $wish->goes),
                fn(): Answer => new Answer($this->merges->merge($wish, $caller)),
            )
            : new Answer($this->merges->merge($wish, $caller));
    }

    #[Dear]
    #[Route('/merges/{sheet}/undo', name: 'undo_merge', requirements: ['sheet' => Id::PATTERN], methods: ['POST'])]
    public function undo(
        string $sheet,
        #[MapRequestPayload] ApplyRequest $wish,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        if (!$wish->apply) {
            return new Answer($this->merges->lookBack($sheet, $caller));
        }

        return $this->transaction->run(
            $request,
            $caller,
            fn(): array => $this->merges->sitesOf(...$this->merges->people($sheet, $caller)),
            fn(): Answer => new Answer($this->sheets->page($this->merges->takeBack($sheet, $caller), 0, $caller)),
        );
    }
}
