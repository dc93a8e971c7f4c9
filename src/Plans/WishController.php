<?php

declare(strict_types=1);

namespace MintDoor\Plans;

use MintDoor\Plans\Repository\PlannedPeople;
use MintDoor\Plans\Repository\SitePlans;
use MintDoor\Plans\Repository\Wishes;
use MintDoor\Roster\Gate;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Id;
use MintDoor\Shared\Items;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\Transaction;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** In which sections somebody would like to be: said by themselves, while they are asked. */
final readonly class WishController
{
    public function __construct(
        private WishesQuery $query,
        private SitePlans $plans,
        private Wishes $wishes,
        private PlannedPeople $people,
        private Gate $gate,
        private PlatformClock $clock,
        private Transaction $transaction,
    ) {}

    #[Route('/me/wishes', name: 'own_wishes', methods: ['GET'])]
    public function own(#[CurrentUser] Caller $caller): Response
    {
        return new Answer(new Items($this->query->of($caller)));
    }

    #[Route('/me/wishes/{plan}', name: 'say_wishes', requirements: ['plan' => Id::PATTERN], methods: ['PUT'])]
    public function say(
        string $plan,
        #[MapRequestPayload] WishesRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        return $this->transaction->run($request, $caller, [], function () use ($plan, $body, $caller): Answer {
            // Not while it is closed, or another device of theirs says something else.
            $stored = $this->plans->locked($plan) ?? throw Problem::notFound('plan');
            $now = $this->clock->instant();
            if (null === $this->people->sectionsOf($stored->site->id, $caller->id, $now)) {
                throw Problem::notFound('plan');
            }
            if (!$stored->asks($now)) {
                throw new Problem(ProblemType::NotReady, 'plans.wishes-closed');
            }
            $site = $this->gate->at($stored->site->id, $caller)->site;
            $offered = PlanTerms::read($stored->terms)->sections($site);
            foreach ($body->sections as $n => $section) {
                if (!\in_array($section, $offered, true)) {
                    throw Problem::field("/sections/$n", 'unknown', 'shared.no-such-section');
                }
            }
            $this->wishes->say($stored, $caller->id, $body->sections, $now);
            $this->wishes->flush();

            return new Answer($this->query->one($stored, $caller) ?? throw Problem::notFound('plan'));
        });
    }
}
