<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Shared\Answer;
use MintDoor\Shared\ApplyRequest;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Expensive;
use MintDoor\Shared\Id;
use MintDoor\Shared\Transaction;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** Divisions are given up or merged: their people, sites and parts go where somebody says. */
final readonly class DivisionMoveController
{
    private const MAY = 'desk.only-platform-administrator-sets';

    public function __construct(private DivisionMoves $moves, private Transaction $transaction) {}

    #[Expensive]
    #[Route('/division-moves', name: 'move_division', methods: ['POST'])]
    public function make(
        #[MapRequestPayload] DivisionMoveRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        $caller->mustAdministerPlatform(self::MAY);
        $move = $body->move();

        return $this->transaction->run(
            $request,
            $caller,
            fn(): array => $body->apply ? $this->moves->sitesOf($move) : [],
            fn(): Answer => new Answer($this->moves->make($move, $body->apply, $caller)),
        );
    }

    #[Expensive]
    #[Route(
        '/division-moves/{changeList}/undo',
        name: 'undo_division_move',
        requirements: ['changeList' => Id::PATTERN],
        methods: ['POST'],
    )]
    public function undo(
        string $changeList,
        #[MapRequestPayload] ApplyRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        $caller->mustAdministerPlatform(self::MAY);

        return $this->transaction->run(
            $request,
            $caller,
            fn(): array => $body->apply ? $this->moves->sitesBack($changeList, $caller) : [],
            fn(): Answer => new Answer($this->moves->undo($changeList, $body->apply, $caller)),
        );
    }
}
