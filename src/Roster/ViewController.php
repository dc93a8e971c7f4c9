<?php

declare(strict_types=1);

namespace MintDoor\Roster;

use MintDoor\Core\Roles\Permission;
use MintDoor\Roster\Entity\SavedView;
use MintDoor\Roster\Repository\SavedViews;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Id;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Transaction;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** What somebody likes to look at in a site's roster, kept under names of their own. */
final readonly class ViewController
{
    private const MOST = 30;

    public function __construct(
        private SavedViews $views,
        private Gate $gate,
        private Transaction $transaction,
    ) {}

    #[Route('/sites/{site}/views', name: 'views', requirements: ['site' => Id::PATTERN], methods: ['GET'])]
    public function views(string $site, #[CurrentUser] Caller $caller): Response
    {
        $this->mine($site, $caller);

        return $this->answer($site, $caller);
    }

    /** Keeps a view; one of the same name is replaced. */
    #[Route('/sites/{site}/views', name: 'keep_view', requirements: ['site' => Id::PATTERN], methods: ['PUT'])]
    public function keep(
        string $site,
        #[MapRequestPayload] ViewRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        $this->mine($site, $caller);

        return $this->transaction->run($request, $caller, [], function () use ($site, $body, $caller): Answer {
            $own = $this->views->named($caller->id, $site, $body->name());
            if (null === $own && \count($this->views->of($caller->id, $site)) >= self::MOST) {
                throw Problem::field('/name', 'too-many', 'roster.keep-30-views-already');
            }
            if (null === $own) {
                $this->views->keep($caller->id, $site, $body->name(), $body->view);
            } else {
                $own->name = $body->name();
                $own->view = $body->view;
                $this->views->flush();
            }

            return $this->answer($site, $caller);
        });
    }

    #[Route(
        '/sites/{site}/views/{view}',
        name: 'forget_view',
        requirements: ['site' => Id::PATTERN, 'view' => Id::PATTERN],
        methods: ['DELETE'],
    )]
    public function forget(string $site, string $view, Request $request, #[CurrentUser] Caller $caller): Response
    {
        $this->mine($site, $caller);

        return $this->transaction->run($request, $caller, [], function () use ($site, $view, $caller): Answer {
            $this->views->forget($caller->id, $site, $view);

            return $this->answer($site, $caller);
        });
    }

    private function mine(string $site, Caller $caller): void
    {
        $this->gate->at($site, $caller)->require(Permission::SeeRoster, 'shared.not-see-site');
    }

    private function answer(string $site, Caller $caller): Answer
    {
        return new Answer([
            'items' => array_map(
                static fn(SavedView $view): array => ['id' => $view->id, 'name' => $view->name, 'view' => $view->view],
                $this->views->of($caller->id, $site),
            ),
        ]);
    }
}
