<?php

declare(strict_types=1);

namespace MintDoor\Cohorts;

use MintDoor\Cohorts\Entity\Cohort;
use MintDoor\Cohorts\Repository\Cohorts;
use MintDoor\People\Repository\Directory;
use MintDoor\People\Repository\Labels;
use MintDoor\Roster\PersonGate;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Expensive;
use MintDoor\Shared\FromQuery;
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

/** Cohorts: people who belong together across sites. */
final readonly class CohortsController
{
    private const ONE = '/cohorts/{cohort}';

    private const COHORT = ['cohort' => Id::PATTERN];

    private const LABELS = 12;

    public function __construct(
        private CohortRights $rights,
        private Cohorts $cohorts,
        private CohortsQuery $query,
        private CohortsHandler $handler,
        private CohortLook $look,
        private RuleChecker $rules,
        private PersonGate $people,
        private Labels $labels,
        private Directory $directory,
        private Transaction $transaction,
    ) {}

    #[Route('/cohorts', name: 'cohorts', methods: ['GET'])]
    public function all(#[CurrentUser] Caller $caller): Response
    {
        $this->rights->mustUseAny($caller);

        return new Answer(new Items($this->query->all($caller)));
    }

    #[Route('/cohorts', name: 'make_cohort', methods: ['POST'])]
    public function make(
        #[MapRequestPayload] CohortRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        self::mustKeepAny($caller);

        return $this->transaction->run(
            $request,
            $caller,
            [],
            fn(): Answer => $this->answer($this->handler->make($body, $caller), $caller),
        );
    }

    #[Route(self::ONE, name: 'cohort', requirements: self::COHORT, methods: ['GET'])]
    public function one(string $cohort, #[CurrentUser] Caller $caller): Response
    {
        return $this->answer($this->rights->used($cohort, $caller), $caller);
    }

    #[Route(self::ONE, name: 'put_cohort', requirements: self::COHORT, methods: ['PUT'])]
    public function put(
        string $cohort,
        #[MapRequestPayload] CohortRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        $seen = IfMatch::of($request);

        return $this->changed($cohort, $request, $caller, function (Cohort $found) use ($body, $caller, $seen): void {
            $seen->assert($found->version);
            $this->handler->change($found, $body, $caller);
        });
    }

    #[Route(self::ONE, name: 'drop_cohort', requirements: self::COHORT, methods: ['DELETE'])]
    public function drop(string $cohort, Request $request, #[CurrentUser] Caller $caller): Response
    {
        return $this->changed($cohort, $request, $caller, function (Cohort $found) use ($caller): void {
            $this->handler->putAway($found, $caller);
        });
    }

    /** Labels that are on somebody of one's reach, to be completed from what was typed. */
    #[Route('/cohort-labels', name: 'cohort_labels', methods: ['GET'])]
    public function labels(#[FromQuery] MembersFilter $filter, #[CurrentUser] Caller $caller): Response
    {
        self::mustKeepAny($caller);
        $reach = $this->directory->reachOf($caller);

        return new Answer(new Items($this->labels->like(trim((string) $filter->q), self::LABELS, $reach, Id::NONE)));
    }

    /** Whom a rule would be about that is being written, and what it would bring and take. Changes nothing. */
    #[Expensive]
    #[Route('/cohort-looks', name: 'look_at_cohort', methods: ['POST'])]
    public function look(#[MapRequestPayload] LookRequest $body, #[CurrentUser] Caller $caller): Response
    {
        if (!$this->rights->keeps($caller, $body->division)) {
            throw null === $body->division || !$caller->isAdministrator()
                ? Problem::notAllowed('cohorts.not-keep')
                : Problem::field('/division', 'division', 'cohorts.choose-division');
        }
        $cohort = null === $body->cohort ? null : $this->rights->kept($body->cohort, $caller);
        $rule = $this->rules->read($body->rule, $body->division, $cohort->id ?? Id::NONE, $caller);

        return new Answer($this->look->at($rule, $body->division, $cohort?->id, $body->sites, $caller));
    }

    #[Route(self::ONE.'/members', name: 'cohort_members', requirements: self::COHORT, methods: ['GET'])]
    public function members(
        string $cohort,
        #[FromQuery] MembersFilter $filter,
        #[CurrentUser] Caller $caller,
    ): Response {
        $found = $this->rights->used($cohort, $caller);

        return new Answer($this->query->members($found, $filter->ever, (string) $filter->q, $filter->cursor));
    }

    #[Route(self::ONE.'/members', name: 'put_cohort_members', requirements: self::COHORT, methods: ['POST'])]
    public function putMembers(
        string $cohort,
        #[MapRequestPayload] MembersRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        return $this->changed($cohort, $request, $caller, function (Cohort $found) use ($body, $caller): void {
            $this->handler->put($found, $body->add, $body->remove, $caller);
        });
    }

    #[Route(
        '/people/{person}/cohorts',
        name: 'person_cohorts',
        requirements: ['person' => Id::PATTERN],
        methods: ['GET']
    )]
    public function ofPerson(string $person, #[CurrentUser] Caller $caller): Response
    {
        $this->people->at($person, $caller);

        return new Answer(new Items($this->query->ofPerson($person, $caller)));
    }

    /** @param \Closure(Cohort): void $work */
    private function changed(string $cohort, Request $request, Caller $caller, \Closure $work): Answer
    {
        $this->rights->kept($cohort, $caller);

        return $this->transaction->run($request, $caller, [], function () use ($cohort, $caller, $work): Answer {
            $this->cohorts->locked($cohort);
            $found = $this->rights->kept($cohort, $caller);
            $work($found);

            return $this->answer($found, $caller);
        });
    }

    private function answer(Cohort $cohort, Caller $caller): Answer
    {
        return (new Answer($this->query->one($cohort, $caller)))->versioned($cohort->version);
    }

    private static function mustKeepAny(Caller $caller): void
    {
        if (!$caller->isAdministrator()) {
            throw Problem::notAllowed('cohorts.not-keep');
        }
    }
}
