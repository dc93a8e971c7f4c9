<?php

declare(strict_types=1);

namespace MintDoor\Plans;

use MintDoor\Core\Roles\Permission;
use MintDoor\Plans\Entity\SitePlan;
use MintDoor\Plans\Repository\SitePlans;
use MintDoor\Roster\Gate;
use MintDoor\Roster\SectionsHandler;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Expensive;
use MintDoor\Shared\Id;
use MintDoor\Shared\IfMatch;
use MintDoor\Shared\Items;
use MintDoor\Shared\Page;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\Transaction;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** Who is to go into which section of a site: planned, wished, computed and carried out. */
final readonly class PlanController
{
    private const AT = '/sites/{site}/plan';

    private const SITE = ['site' => Id::PATTERN];

    public function __construct(
        private Gate $gate,
        private SitePlans $plans,
        private PlanQuery $query,
        private PlanHandler $handler,
        private WishLetters $letters,
        private PlansTogether $together,
        private SitesNear $near,
        private Transaction $transaction,
    ) {}

    #[Route(self::AT, name: 'plan', requirements: self::SITE, methods: ['GET'])]
    public function shown(string $site, #[CurrentUser] Caller $caller): Response
    {
        return $this->answer($this->access($site, $caller));
    }

    #[Route(self::AT.'/people', name: 'planned_people', requirements: self::SITE, methods: ['GET'])]
    public function people(
        string $site,
        #[CurrentUser] Caller $caller,
        #[MapQueryParameter] ?string $cursor = null,
    ): Response {
        $access = $this->access($site, $caller);
        $plan = $this->plans->of($site);

        return new Answer(null === $plan ? new Page([], null) : $this->query->people($access, $plan, $cursor));
    }

    /** What it was computed from, so that anybody can compute it again: `bin/console plans:check`. */
    #[Route(self::AT.'/record', name: 'plan_record', requirements: self::SITE, methods: ['GET'])]
    public function record(string $site, #[CurrentUser] Caller $caller): Response
    {
        $this->access($site, $caller);
        $plan = $this->plan($site);
        if (null === $plan->outcome) {
            throw Problem::notFound('plan');
        }
        $outcome = Outcome::read($plan->outcome);
        $this->others(array_values(array_diff($outcome->sites, [$site])), $caller);
        $answer = new Answer(RecordAnswer::of($plan, $outcome));
        $answer->headers->set('Content-Disposition', 'attachment; filename="plan.json"');

        return $answer;
    }

    #[Route(self::AT, name: 'put_plan', requirements: self::SITE, methods: ['PUT'])]
    public function put(
        string $site,
        #[MapRequestPayload] PlanRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        return $this->changed($site, $request, $caller, function (SiteAccess $access) use ($body, $request): void {
            IfMatch::of($request)->assert($this->plans->lockedOf($access->site->id)->version ?? 1);
            $this->handler->set($access, $body);
        });
    }

    #[Route(self::AT, name: 'drop_plan', requirements: self::SITE, methods: ['DELETE'])]
    public function drop(string $site, Request $request, #[CurrentUser] Caller $caller): Response
    {
        return $this->changed($site, $request, $caller, function (SiteAccess $access): void {
            $this->handler->drop($access, $this->locked($access->site->id));
        });
    }

    /** The plan that was put away is there again. */
    #[Route(self::AT.'/back', name: 'bring_plan_back', requirements: self::SITE, methods: ['POST'])]
    public function back(string $site, Request $request, #[CurrentUser] Caller $caller): Response
    {
        return $this->changed($site, $request, $caller, $this->handler->back(...));
    }

    /** Nobody says any more what they wish. */
    #[Route(self::AT.'/close', name: 'close_wishes', requirements: self::SITE, methods: ['POST'])]
    public function close(string $site, Request $request, #[CurrentUser] Caller $caller): Response
    {
        return $this->changed($site, $request, $caller, function (SiteAccess $access): void {
            $this->handler->close($access, $this->locked($access->site->id));
        });
    }

    /** Writes to those who did not say yet what they wish. */
    #[Route(self::AT.'/reminders', name: 'remind_of_wishes', requirements: self::SITE, methods: ['POST'])]
    public function remind(string $site, Request $request, #[CurrentUser] Caller $caller): Response
    {
        return $this->changed($site, $request, $caller, function (SiteAccess $access): void {
            $this->letters->remind($access, $this->locked($access->site->id));
        });
    }

    #[Expensive]
    #[Route(self::AT.'/compute', name: 'compute_plan', requirements: self::SITE, methods: ['POST'])]
    public function compute(string $site, Request $request, #[CurrentUser] Caller $caller): Response
    {
        $with = array_map(
            static fn(SitePlan $other): string => $other->site->id,
            $this->together->others($this->planFor($site, $caller)),
        );
        $work = function (SiteAccess $access) use ($with, $caller): void {
            $accesses = $this->others($with, $caller);
            $plan = $this->locked($access->site->id);
            foreach ($this->together->others($plan) as $other) {
                if (!isset($accesses[$other->site->id])) {
                    throw new Problem(ProblemType::NotReady, 'plans.look-again');
                }
                $this->plans->locked($other->id);
            }
            $this->handler->compute($access, $plan, [$access->site->id => $access, ...$accesses]);
        };

        return $this->changed($site, $request, $caller, $work, $with);
    }

    /** Other sites whose people are here too, and what plans they have. */
    #[Route(self::AT.'/with', name: 'plans_with', requirements: self::SITE, methods: ['GET'])]
    public function with(string $site, #[CurrentUser] Caller $caller): Response
    {
        return new Answer(new Items($this->near->of($this->access($site, $caller))));
    }

    /** Plans of which sites are computed with this one. */
    #[Route(self::AT.'/with', name: 'plan_with', requirements: self::SITE, methods: ['PUT'])]
    public function planWith(
        string $site,
        #[MapRequestPayload] PlanWithRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        $this->access($site, $caller);
        $sites = array_values(array_diff($body->sites, [$site]));
        $work = function (SiteAccess $access) use ($sites, $request, $caller): void {
            $plan = $this->locked($access->site->id);
            IfMatch::of($request)->assert($plan->version);
            $this->handler->with($access, $plan, $this->others($sites, $caller));
        };

        return $this->changed($site, $request, $caller, $work, $sites);
    }

    /** What the plan would come to if something were otherwise; keeps nothing. Only once wishes are known. */
    #[Expensive]
    #[Route(self::AT.'/what-if', name: 'plan_what_if', requirements: self::SITE, methods: ['POST'])]
    public function whatIf(
        string $site,
        #[MapRequestPayload] WhatIfRequest $body,
        #[CurrentUser] Caller $caller,
    ): Response {
        $access = $this->access($site, $caller);
        $plan = $this->plan($site);
        if (null === $plan->outcome) {
            throw new Problem(ProblemType::NotReady, 'plans.compute-first');
        }

        return new Answer($this->query->whatIf($access, $plan, $body));
    }

    #[Route(self::AT.'/stop', name: 'stop_plan', requirements: self::SITE, methods: ['POST'])]
    public function stop(string $site, Request $request, #[CurrentUser] Caller $caller): Response
    {
        return $this->changed($site, $request, $caller, function (SiteAccess $access): void {
            $this->handler->stop($this->locked($access->site->id));
        });
    }

    #[Expensive]
    #[Route(self::AT.'/apply', name: 'apply_plan', requirements: self::SITE, methods: ['POST'])]
    public function apply(string $site, Request $request, #[CurrentUser] Caller $caller): Response
    {
        return $this->changed($site, $request, $caller, function (SiteAccess $access) use ($request): void {
            $plan = $this->locked($access->site->id);
            IfMatch::of($request)->assert($plan->version);
            $this->handler->apply($access, $plan);
        });
    }

    /**
     * @param \Closure(SiteAccess): void $work
     * @param list<string>               $with ids of further sites whose plans change
     */
    private function changed(
        string $site,
        Request $request,
        Caller $caller,
        \Closure $work,
        array $with = [],
    ): Answer {
        $this->access($site, $caller);

        return $this->transaction->run(
            $request,
            $caller,
            [$site, ...$with],
            function () use ($site, $caller, $work): Answer {
                $access = $this->access($site, $caller);
                $work($access);
                $this->plans->flush();

                return $this->answer($access);
            }
        );
    }

    private function answer(SiteAccess $access): Answer
    {
        $answer = $this->query->of($access);

        return (new Answer($answer))->versioned($answer->plan->version ?? 1);
    }

    private function access(string $site, Caller $caller): SiteAccess
    {
        $access = $this->gate->at($site, $caller)->require(Permission::LetIn, 'roster.not-arrange-sections');
        SectionsHandler::assertMay($access);

        return $access;
    }

    /**
     * Whoever plans several sites together may plan each of them.
     *
     * @param list<string> $sites ids
     *
     * @return array<string, SiteAccess> by id
     */
    private function others(array $sites, Caller $caller): array
    {
        $accesses = [];
        foreach ($sites as $site) {
            try {
                $accesses[$site] = $this->access($site, $caller);
            } catch (Problem) {
                // Neither whether it is there, nor what it is called.
                throw Problem::notAllowed('plans.not-of-other');
            }
        }

        return $accesses;
    }

    private function planFor(string $site, Caller $caller): SitePlan
    {
        $this->access($site, $caller);

        return $this->plan($site);
    }

    private function plan(string $site): SitePlan
    {
        return $this->plans->of($site) ?? throw Problem::notFound('plan');
    }

    private function locked(string $site): SitePlan
    {
        return $this->plans->lockedOf($site) ?? throw Problem::notFound('plan');
    }
}
