<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Id;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\Throttle;
use MintDoor\Shared\Transaction;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** For whoever wants in: a key or an invitation, who they are, what they are about to join, and in. */
final readonly class JoinController
{
    /** Accounts made from one address within so many seconds: several classrooms, but no flood. */
    private const ACCOUNTS = 300;

    private const WINDOW = 3_600;

    public function __construct(
        private WhichDoor $which,
        private Joining $joining,
        private Newcomers $newcomers,
        private Transaction $transaction,
        private Throttle $throttle,
    ) {}

    #[Route('/join/look', name: 'look_at_door', methods: ['POST'])]
    public function look(#[MapRequestPayload] JoinRequest $body, #[CurrentUser] ?Caller $caller): Response
    {
        return new Answer($this->joining->look($this->which->of($body, $caller), $caller));
    }

    #[Route('/join', name: 'join', methods: ['POST'])]
    public function join(
        #[MapRequestPayload] JoinRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        $site = $this->which->of($body, $caller)->door->site;

        // What was found without the lock is read again under it: the door may have been shut in between.
        return $this->transaction->run(
            $request,
            $caller,
            [$site],
            fn(): Answer => new Answer($this->joining->join($this->which->of($body, $caller), $caller, $body)),
        );
    }

    #[Route('/join/account', name: 'join_with_account', methods: ['POST'])]
    public function account(#[MapRequestPayload] JoinAccountRequest $body, Request $request): Response
    {
        $site = $this->which->of($body, null)->door->site;
        if (
            !$this->throttle
                ->hit('accounts made from '.$request->getClientIp(), self::ACCOUNTS, self::WINDOW)
                ->isAccepted()
        ) {
            throw new Problem(
                ProblemType::TooManyTries,
                'doors.very-many-accounts-made',
                retryAfter: self::WINDOW,
            );
        }
        $this->newcomers->assertComplete($body);
        $hash = $this->newcomers->hash($body->password);

        return $this->transaction->run($request, Caller::nobody(), [$site], function () use ($body, $hash): Answer {
            $before = $this->which->of($body, null);
            $caller = $this->newcomers->make($before, $body, $hash);

            return new Answer(
                [...get_object_vars($this->joining->join($before, $caller, $body)), 'login' => $caller->login],
                Response::HTTP_CREATED,
            );
        });
    }

    #[Route('/sites/{site}/leave', name: 'leave_site', requirements: ['site' => Id::PATTERN], methods: ['POST'])]
    public function leave(string $site, Request $request, #[CurrentUser] Caller $caller): Response
    {
        return $this->transaction->run(
            $request,
            $caller,
            [$site],
            fn(): Answer => new Answer(['still' => $this->joining->leave($site, $caller)]),
        );
    }

    #[Route('/me/waits', name: 'own_waits', methods: ['GET'])]
    public function waits(#[CurrentUser] Caller $caller): Response
    {
        return new Answer(['items' => $this->joining->waits($caller), 'quiet' => $this->joining->quiet($caller)]);
    }

    /** Takes the seat that is kept. */
    #[Route('/me/waits/{wait}', name: 'take_seat', requirements: ['wait' => '\d{1,18}'], methods: ['POST'])]
    public function take(string $wait, Request $request, #[CurrentUser] Caller $caller): Response
    {
        return $this->answer((int) $wait, true, $request, $caller);
    }

    /** Waits no longer. */
    #[Route('/me/waits/{wait}', name: 'wait_no_longer', requirements: ['wait' => '\d{1,18}'], methods: ['DELETE'])]
    public function waitNoLonger(string $wait, Request $request, #[CurrentUser] Caller $caller): Response
    {
        return $this->answer((int) $wait, false, $request, $caller);
    }

    private function answer(int $wait, bool $take, Request $request, Caller $caller): Answer
    {
        $site = $this->joining->wait($wait, $caller)->site->id;

        return $this->transaction->run(
            $request,
            $caller,
            [$site],
            fn(): Answer => new Answer($this->joining->answer($this->joining->wait($wait, $caller), $take, $caller)),
        );
    }
}
