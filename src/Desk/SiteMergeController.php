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

/** One site out of several, and a site out of sections of another; both are taken back. */
final readonly class SiteMergeController
{
    private const CHANGE_LIST = ['changeList' => Id::PATTERN];

    public function __construct(
        private SiteMerges $merges,
        private SiteSplits $splits,
        private SiteCarrying $carrying,
        private Transaction $transaction,
    ) {}

    #[Expensive]
    #[Route('/site-merges', name: 'merge_sites', methods: ['POST'])]
    public function merge(
        #[MapRequestPayload] SiteMergeRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        $sites = [$body->into, ...$body->sites];
        foreach ($sites as $site) {
            $this->carrying->run($site, $caller);
        }

        return $this->transaction->run(
            $request,
            $caller,
            $body->apply ? $sites : [],
            fn(): Answer => new Answer($this->merges->merge($body, $caller)),
        );
    }

    #[Expensive]
    #[Route(
        '/site-merges/{changeList}/undo',
        name: 'undo_site_merge',
        requirements: self::CHANGE_LIST,
        methods: ['POST'],
    )]
    public function undoMerge(
        string $changeList,
        #[MapRequestPayload] ApplyRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        return $this->transaction->run(
            $request,
            $caller,
            fn(): array => $body->apply ? $this->merges->sitesOf($changeList, $caller) : [],
            fn(): Answer => new Answer($this->merges->undo($changeList, $body->apply, $caller)),
        );
    }

    #[Expensive]
    #[Route('/sites/{site}/splits', name: 'split_site', requirements: ['site' => Id::PATTERN], methods: ['POST'])]
    public function split(
        string $site,
        #[MapRequestPayload] SiteSplitRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        $this->carrying->run($site, $caller);

        return $this->transaction->run(
            $request,
            $caller,
            $body->apply ? [$site] : [],
            fn(): Answer => new Answer($this->splits->split($site, $body, $caller)),
        );
    }

    #[Expensive]
    #[Route(
        '/site-splits/{changeList}/undo',
        name: 'undo_site_split',
        requirements: self::CHANGE_LIST,
        methods: ['POST'],
    )]
    public function undoSplit(
        string $changeList,
        #[MapRequestPayload] ApplyRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        return $this->transaction->run(
            $request,
            $caller,
            fn(): array => $body->apply ? $this->splits->sitesOf($changeList, $caller) : [],
            fn(): Answer => new Answer($this->splits->undo($changeList, $body->apply, $caller)),
        );
    }
}
