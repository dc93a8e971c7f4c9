<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Core\Roles\Permission;
use MintDoor\Roster\Gate;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Expensive;
use MintDoor\Shared\Id;
use MintDoor\Shared\Items;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Transaction;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** Who waits for a seat or a word, for those who keep the doors. */
final readonly class WaitingController
{
    public function __construct(
        private Gate $gate,
        private Arrivals $arrivals,
        private WaitingAnswers $answers,
        private Transaction $transaction,
    ) {}

    #[Route('/sites/{site}/waiting', name: 'waiting', requirements: ['site' => Id::PATTERN], methods: ['GET'])]
    public function all(string $site, #[CurrentUser] Caller $caller): Response
    {
        return new Answer(new Items($this->arrivals->waiting(
            $this->gate->at($site, $caller)->require(Permission::KeepDoors, DoorController::NEEDS),
        )));
    }

    #[Expensive(from: 4_096)]
    #[Route('/sites/{site}/waiting', name: 'answer_waiting', requirements: ['site' => Id::PATTERN], methods: ['POST'])]
    public function answer(
        string $site,
        #[MapRequestPayload] WaitingRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        return $this->transaction->run($request, $caller, [$site], function () use ($site, $body, $caller): Answer {
            $access = $this->gate->at($site, $caller)->require(Permission::KeepDoors, DoorController::NEEDS);
            \assert(\in_array($body->answer, ['yes', 'no', 'up'], true));
            if ([] === $body->waiters) {
                throw Problem::field('/waiters', 'none', 'doors.choose-whom-answer');
            }

            return new Answer(new Items($this->answers->answer($access, $body->waiters, $body->answer, $body->why)));
        });
    }
}
