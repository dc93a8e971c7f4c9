<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Desk\Repository\TodayRows;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Transaction;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** Where everybody begins: what waits for them. */
final readonly class TodayController
{
    public function __construct(
        private TodayQuery $today,
        private TodayRows $rows,
        private Transaction $transaction,
        private PlatformClock $clock,
    ) {}

    #[Route('/today', name: 'today', methods: ['GET'])]
    public function today(#[CurrentUser] Caller $caller): Response
    {
        return new Answer($this->today->of($caller));
    }

    /** Says that one has seen what others did, up to now. */
    #[Route('/today/seen', name: 'today_seen', methods: ['PUT'])]
    public function seen(Request $request, #[CurrentUser] Caller $caller): Response
    {
        return $this->transaction->run($request, $caller, [], function () use ($caller): Answer {
            $this->rows->seen($caller->id, $this->clock->instant());

            return new Answer($this->today->of($caller));
        });
    }
}
