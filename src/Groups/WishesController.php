<?php

declare(strict_types=1);

namespace MintDoor\Groups;

use MintDoor\Groups\Entity\GroupSplit;
use MintDoor\Groups\Entity\GroupTask;
use MintDoor\Groups\Repository\GroupTasks;
use MintDoor\Groups\Repository\Splits;
use MintDoor\Roster\Gate;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Expensive;
use MintDoor\Shared\Id;
use MintDoor\Shared\IfMatch;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\Transaction;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** What the groups of a split are to be like, how they are, and groups that are computed. */
final readonly class WishesController
{
    private const ONE = '/sites/{site}/group-splits/{split}';

    private const BOTH = ['site' => Id::PATTERN, 'split' => Id::PATTERN];

    public function __construct(
        private Gate $gate,
        private Splits $splits,
        private GroupTasks $tasks,
        private SplitsHandler $handler,
        private GroupRunner $runner,
        private BalanceQuery $balance,
        private Transaction $transaction,
    ) {}

    #[Route(self::ONE.'/wishes', name: 'group_wishes', requirements: self::BOTH, methods: ['GET'])]
    public function wishes(string $site, string $split, #[CurrentUser] Caller $caller): Response
    {
        $this->access($site, $caller);

        return $this->answer($this->splits->there($site, $split) ?? throw Problem::notFound('split'));
    }

    #[Route(self::ONE.'/wishes', name: 'put_group_wishes', requirements: self::BOTH, methods: ['PUT'])]
    public function put(
        string $site,
        string $split,
        #[MapRequestPayload] WishesRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        $work = function (SiteAccess $access, GroupSplit $found) use ($body, $request): void {
            IfMatch::of($request)->assert($found->version);
            $this->handler->wish($access, $found, $body);
        };

        return $this->changed($site, $split, $request, $caller, $work);
    }

    #[Expensive]
    #[Route(self::ONE.'/compute', name: 'compute_groups', requirements: self::BOTH, methods: ['POST'])]
    public function compute(string $site, string $split, Request $request, #[CurrentUser] Caller $caller): Response
    {
        return $this->changed($site, $split, $request, $caller, function (SiteAccess $access, GroupSplit $found): void {
            if (GroupTask::COMPUTING === $this->tasks->locked($found->id)?->state) {
                throw new Problem(ProblemType::NotReady, 'groups.being-computed');
            }
            $this->runner->begin($access, $found);
        });
    }

    /** The best so far is enough. */
    #[Route(self::ONE.'/compute/stop', name: 'stop_groups', requirements: self::BOTH, methods: ['POST'])]
    public function stop(string $site, string $split, Request $request, #[CurrentUser] Caller $caller): Response
    {
        return $this->changed($site, $split, $request, $caller, function (SiteAccess $access, GroupSplit $found): void {
            $task = $this->tasks->locked($found->id);
            null === $task || ($task->stops = GroupTask::COMPUTING === $task->state);
        });
    }

    /** How the groups meet what they are to be like, also if people were moved. Changes nothing. */
    #[Expensive]
    #[Route(self::ONE.'/balance', name: 'group_balance', requirements: self::BOTH, methods: ['POST'])]
    public function balance(
        string $site,
        string $split,
        #[MapRequestPayload] BalanceRequest $body,
        #[CurrentUser] Caller $caller,
    ): Response {
        $access = $this->access($site, $caller);
        $found = $this->splits->there($site, $split) ?? throw Problem::notFound('split');

        return new Answer($this->balance->of($access, $found, $body->byPerson()));
    }

    /** @param \Closure(SiteAccess, GroupSplit): void $work */
    private function changed(string $site, string $split, Request $request, Caller $caller, \Closure $work): Response
    {
        $this->access($site, $caller);

        return $this->transaction->run(
            $request,
            $caller,
            [$site],
            function () use ($site, $split, $caller, $work): Answer {
                $access = $this->access($site, $caller);
                $found = $this->splits->locked($site, $split);
                if (null === $found || null !== $found->putAwayAt) {
                    throw Problem::notFound('split');
                }
                $work($access, $found);
                $this->splits->flush();

                return $this->answer($found);
            },
        );
    }

    private function answer(GroupSplit $split): Answer
    {
        $task = $this->tasks->of($split->id);
        $shown = null === $task ? null : TaskShown::of($task);

        return (new Answer(new WishesAnswer(WishesRequest::read($split->wishes), $shown, $split->version)))
            ->versioned($split->version);
    }

    /** It is about everybody: whoever sees the people of some sections only has no part in it. */
    private function access(string $site, Caller $caller): SiteAccess
    {
        $access = $this->gate->at($site, $caller);
        SplitsHandler::assertMayChange($access);

        return $access;
    }
}
