<?php

declare(strict_types=1);

namespace MintDoor\Cohorts;

use MintDoor\Cohorts\Entity\CohortLink;
use MintDoor\Cohorts\Repository\CohortLinks;
use MintDoor\Roster\Gate;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Expensive;
use MintDoor\Shared\Id;
use MintDoor\Shared\IfMatch;
use MintDoor\Shared\Items;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Transaction;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** Connections of cohorts with sites. */
final readonly class LinksController
{
    private const ONE = '/cohort-links/{link}';

    private const LINK = ['link' => Id::PATTERN];

    public function __construct(
        private Gate $gate,
        private CohortLinks $links,
        private LinksQuery $query,
        private LinksHandler $handler,
        private Transaction $transaction,
    ) {}

    #[Route(
        '/sites/{site}/cohort-links',
        name: 'cohort_links',
        requirements: ['site' => Id::PATTERN],
        methods: ['GET']
    )]
    public function all(string $site, #[CurrentUser] Caller $caller): Response
    {
        $access = $this->gate->at($site, $caller);
        LinksHandler::assertSees($access);

        return new Answer(new Items($this->query->of($access, $this->links->ofSite($site))));
    }

    /** Connects cohorts with sites, or says what would come of it. */
    #[Expensive]
    #[Route('/cohort-links', name: 'connect_cohorts', methods: ['POST'])]
    public function connect(
        #[MapRequestPayload] ConnectRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        foreach ($body->sites as $site) {
            LinksHandler::assertSees($this->gate->at($site, $caller));
        }
        $work = fn(): Answer => new Answer(new Items($this->handler->connect($body, $caller)));

        return $body->apply
            ? $this->transaction->run($request, $caller, $body->sites, $work)
            : $this->transaction->attempt(false, $work);
    }

    #[Route(self::ONE, name: 'put_cohort_link', requirements: self::LINK, methods: ['PUT'])]
    public function put(
        string $link,
        #[MapRequestPayload] LinkRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        $seen = IfMatch::of($request);

        return $this->changed(
            $link,
            $request,
            $caller,
            function (SiteAccess $access, CohortLink $found) use ($body, $seen): void {
                $seen->assert($found->version);
                $this->handler->change($access, $found, $body);
            },
        );
    }

    /** Takes a connection back, or says what would come of it. */
    #[Expensive]
    #[Route(self::ONE.'/end', name: 'end_cohort_link', requirements: self::LINK, methods: ['POST'])]
    public function end(
        string $link,
        #[MapRequestPayload] EndRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        $site = $this->access($this->one($link), $caller)->site->id;
        $work = function () use ($link, $body, $caller): Answer {
            $found = $this->one($link);

            return new Answer($this->handler->end($this->access($found, $caller), $found, $body));
        };

        return $body->apply
            ? $this->transaction->run($request, $caller, [$site], $work)
            : $this->transaction->attempt(false, $work);
    }

    /** Says yes to many people going who wait for it. */
    #[Route(self::ONE.'/yes', name: 'agree_cohort_link', requirements: self::LINK, methods: ['POST'])]
    public function agree(
        string $link,
        #[MapRequestPayload] AgreeRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        return $this->changed(
            $link,
            $request,
            $caller,
            function (SiteAccess $access, CohortLink $found) use ($body): void {
                $this->handler->agree($access, $found, $body);
            },
        );
    }

    /** Has people come whom staff took out before. */
    #[Route(self::ONE.'/again', name: 'bring_cohort_again', requirements: self::LINK, methods: ['POST'])]
    public function again(
        string $link,
        #[MapRequestPayload] AgainRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        return $this->changed(
            $link,
            $request,
            $caller,
            function (SiteAccess $access, CohortLink $found) use ($body): void {
                $this->handler->again($access, $found, $body->people);
            },
        );
    }

    /** @param \Closure(SiteAccess, CohortLink): void $work */
    private function changed(string $link, Request $request, Caller $caller, \Closure $work): Answer
    {
        $site = $this->access($this->one($link), $caller)->site->id;

        return $this->transaction->run($request, $caller, [$site], function () use ($link, $caller, $work): Answer {
            $found = $this->one($link);
            $access = $this->access($found, $caller);
            $work($access, $found);
            $answer = new Answer($this->query->of($access, [$found])[0]);

            return $answer->versioned($found->version);
        });
    }

    private function one(string $link): CohortLink
    {
        $found = $this->links->withId($link);

        return true === $found?->isOn() ? $found : throw Problem::notFound('cohort-link');
    }

    private function access(CohortLink $link, Caller $caller): SiteAccess
    {
        $access = $this->gate->ifThere($link->site()->id, $caller) ?? throw Problem::notFound('cohort-link');
        LinksHandler::assertSees($access);

        return $access;
    }
}
