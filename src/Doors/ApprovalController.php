<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Id;
use MintDoor\Shared\Items;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Transaction;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** Who waits for the yes of a division, for its administrators. */
final readonly class ApprovalController
{
    public function __construct(private Approvals $approvals, private Transaction $transaction) {}

    #[Route('/approvals', name: 'approvals', methods: ['GET'])]
    public function all(#[CurrentUser] Caller $caller): Response
    {
        $this->assertMay($caller);

        return new Answer(new Items($this->approvals->of($caller)));
    }

    #[Route(
        '/sites/{site}/approvals/{person}',
        name: 'answer_approval',
        requirements: ['site' => Id::PATTERN, 'person' => Id::PATTERN],
        methods: ['POST'],
    )]
    public function answer(
        string $site,
        string $person,
        #[MapRequestPayload] ApprovalRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        $this->assertMay($caller);

        return $this->transaction->run($request, $caller, [$site], function () use (
            $site,
            $person,
            $body,
            $caller,
        ): Answer {
            $this->approvals->answer($site, $person, 'yes' === $body->answer, $caller);

            return new Answer(new Items($this->approvals->of($caller)));
        });
    }

    private function assertMay(Caller $caller): void
    {
        if (!$caller->isAdministrator()) {
            throw Problem::notAllowed('doors.only-administrators-answer-division');
        }
    }
}
