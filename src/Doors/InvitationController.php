<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Roster\DoorKind;
use MintDoor\Doors\Repository\SentenceDoors;
use MintDoor\Messages\Budgets;
use MintDoor\Roster\Gate;
use MintDoor\Roster\SiteAccess;
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

/** Invitations through one door: who, sent again, taken back. */
final readonly class InvitationController
{
    private const DOOR = ['site' => Id::PATTERN, 'door' => Id::PATTERN];

    public function __construct(
        private Gate $gate,
        private SentenceDoors $doors,
        private DoorAuthority $authority,
        private InvitationPlanner $planner,
        private Invitations $invitations,
        private Transaction $transaction,
        private Budgets $budgets,
    ) {}

    #[Route('/sites/{site}/doors/{door}/invitations', name: 'invitations', requirements: self::DOOR, methods: ['GET'])]
    public function all(string $site, string $door, #[CurrentUser] Caller $caller): Response
    {
        return new Answer(new Items($this->invitations->of($this->door($this->access($site, $caller), $door))));
    }

    /** Says whom lines mean, and with `apply` invites them. */
    #[Expensive]
    #[Route('/sites/{site}/doors/{door}/invitations', name: 'invite', requirements: self::DOOR, methods: ['POST'])]
    public function invite(
        string $site,
        string $door,
        #[MapRequestPayload] InviteRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        if (!$body->apply) {
            $access = $this->access($site, $caller);
            $plan = $this->planner->plan($access, $this->door($access, $door), $body);

            return new Answer(['items' => $plan, 'invited' => 0, 'left' => $this->budgets->left($caller->id)]);
        }

        return $this->transaction->run($request, $caller, [$site], function () use (
            $site,
            $door,
            $body,
            $caller,
        ): Answer {
            $access = $this->access($site, $caller);
            $through = $this->door($access, $door);
            if (!$through->door->isOpen()) {
                throw Problem::notAllowed('doors.door-shut-open-before');
            }
            $this->authority->assertMayGive($access, $through);
            $plan = $this->planner->plan($access, $through, $body);
            $invited = $this->invitations->invite($access, $through, $plan, $body->words);

            return new Answer(['items' => $plan, 'invited' => $invited, 'left' => $this->budgets->left($caller->id)]);
        });
    }

    #[Expensive]
    #[Route(
        '/sites/{site}/doors/{door}/invitations/again',
        name: 'invite_again',
        requirements: self::DOOR,
        methods: ['POST'],
    )]
    public function again(
        string $site,
        string $door,
        #[MapRequestPayload] ChosenInvitations $chosen,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        return $this->transaction->run($request, $caller, [$site], function () use (
            $site,
            $door,
            $chosen,
            $caller,
        ): Answer {
            $access = $this->access($site, $caller);
            $through = $this->door($access, $door);
            $this->authority->assertMayGive($access, $through);
            $only = $chosen->all ? null : $chosen->invitations;

            return new Answer(['done' => $this->invitations->again($access, $through, $only)]);
        });
    }

    #[Route(
        '/sites/{site}/doors/{door}/invitations/withdraw',
        name: 'withdraw_invitations',
        requirements: self::DOOR,
        methods: ['POST'],
    )]
    public function withdraw(
        string $site,
        string $door,
        #[MapRequestPayload] ChosenInvitations $chosen,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        return $this->transaction->run($request, $caller, [$site], function () use (
            $site,
            $door,
            $chosen,
            $caller,
        ): Answer {
            $access = $this->access($site, $caller);
            $only = $chosen->all ? null : $chosen->invitations;

            return new Answer([
                'done' => $this->invitations->withdraw($access, $this->door($access, $door), $only),
            ]);
        });
    }

    private function access(string $site, Caller $caller): SiteAccess
    {
        return $this->gate->at($site, $caller)->require(Permission::KeepDoors, DoorController::NEEDS);
    }

    private function door(SiteAccess $access, string $id): SentenceDoor
    {
        $door = $this->doors->inSite($access->site->id, $id);

        return DoorKind::Invitation === $door->kind
            ? $door
            : throw Problem::notAllowed('doors.only-door-invitations-invitations');
    }
}
