<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Shared\Answer;
use MintDoor\Shared\ApplyRequest;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Expensive;
use MintDoor\Shared\Id;
use MintDoor\Shared\Transaction;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** The change of term of sites. */
final readonly class TermChangeController
{
    public function __construct(
        private TermChanges $changes,
        private SiteCarrying $carrying,
        private Transaction $transaction,
    ) {}

    #[Expensive]
    #[Route('/term-changes', name: 'change_term', methods: ['POST'])]
    public function change(
        #[MapRequestPayload] TermChangeRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        $sites = array_map(static fn(TermChangeSite $site): string => $site->id, $body->sites);
        foreach ($sites as $site) {
            $this->carrying->run($site, $caller);
        }

        return $this->transaction->run(
            $request,
            $caller,
            // Also where it is only looked at: it is done, and rolled back.
            array_values(array_unique($sites)),
            fn(): Answer => new Answer($this->changes->change($body, $caller)),
        );
    }

    #[Expensive]
    #[Route(
        '/term-changes/{changeList}/undo',
        name: 'undo_term_change',
        requirements: ['changeList' => Id::PATTERN],
        methods: ['POST'],
    )]
    public function undo(
        string $changeList,
        #[MapRequestPayload] ApplyRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        return $this->transaction->run(
            $request,
            $caller,
            fn(): array => $this->changes->sitesOf($changeList, $caller),
            fn(): Answer => new Answer($this->changes->undo($changeList, $body->apply, $caller)),
        );
    }
}
